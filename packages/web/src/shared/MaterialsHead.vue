<script setup lang="ts">
import { useRoute } from 'vue-router';
import { useBuild } from './build';

/** The head of every screen about materials: where one is, and where else to go. */
defineProps<{ title: string }>();
const store = useBuild();
const route = useRoute();
const views: readonly { name: string; word: string; tab?: string }[] = [
  { name: 'materials', word: 'Catalogue' },
  { name: 'materials', tab: 'pairs', word: 'Does it go over that?' },
  { name: 'materials', tab: 'swatches', word: 'Swatches' },
  { name: 'shelf', word: 'Shelf' },
  { name: 'mixes', word: 'Mixes' },
  { name: 'shopping', word: 'To buy' },
  { name: 'colour', word: 'Colour' },
  { name: 'finish', word: 'The finish' },
];
const isHere = ({ name, tab }: (typeof views)[number]) =>
  route.name === name && (name !== 'materials' || route.query['tab'] === tab);
</script>

<template>
  <div class="head">
    <h1>{{ title }}</h1>
    <slot />
  </div>
  <nav class="segmented" aria-label="Materials">
    <router-link
      v-for="view in views"
      :key="view.word"
      :to="{ name: view.name, params: { build: store.theId }, query: view.tab ? { tab: view.tab } : {} }"
      :aria-current="isHere(view) ? 'page' : undefined"
      >{{ view.word }}</router-link
    >
  </nav>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 20px;
  align-items: center;
  min-height: 40px;
  margin-bottom: 10px;
}

h1 {
  margin-right: auto;
}

nav {
  margin-bottom: 16px;
}

@media (max-width: 640px) {
  nav a {
    padding: 0 9px;
    font-size: 0.94rem;
  }
}

@media print {
  nav {
    display: none;
  }
}
</style>
