<script setup lang="ts">
import { useBuild } from '../shared/build';

/** The head of what belongs to materials on the shelf and in the shop: where one is, and where else to go. */
defineProps<{ title: string }>();
const store = useBuild();
const views = [
  { name: 'materials', word: 'Catalogue' },
  { name: 'shelf', word: 'Shelf' },
  { name: 'mixes', word: 'Mixes' },
  { name: 'shopping', word: 'To buy' },
  { name: 'colour', word: 'Colour' },
  { name: 'finish', word: 'The finish' },
] as const;
</script>

<template>
  <div class="head">
    <h1>{{ title }}</h1>
    <nav class="segmented" aria-label="Materials">
      <router-link
        v-for="view in views"
        :key="view.name"
        :to="{ name: view.name, params: { build: store.theId } }"
        :aria-current="$route.name === view.name ? 'page' : undefined"
        >{{ view.word }}</router-link
      >
    </nav>
    <slot />
  </div>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 20px;
  align-items: center;
  margin-bottom: 16px;
}

h1 {
  margin-right: auto;
}

@media (max-width: 640px) {
  nav {
    flex-wrap: wrap;
  }
}
</style>
