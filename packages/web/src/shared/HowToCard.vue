<script setup lang="ts">
import type { TechniqueCard } from '@fixatum/core';
import { mdiShieldAlertOutline } from '@mdi/js';
import FieldText from './FieldText.vue';
import TechniqueDrawing from './TechniqueDrawing.vue';

/** How one kind of work is done: what to do in order, what goes wrong, and how it is saved. */
defineProps<{
  card: TechniqueCard;
  /** What to wear and mind, where a step is at hand. */
  safety?: string | undefined;
  /** On its own page a title is one of many. */
  level?: 2 | 3;
}>();
</script>

<template>
  <article class="card" :aria-label="card.title">
    <component :is="`h${level ?? 2}`">{{ card.title }}</component>
    <p class="quiet">{{ card.about }}</p>
    <p v-if="safety" class="safety"><v-icon :icon="mdiShieldAlertOutline" size="20" /> {{ safety }}</p>
    <div class="body">
      <ol>
        <li v-for="line in card.lines" :key="line"><FieldText :text="line" /></li>
      </ol>
      <TechniqueDrawing v-if="card.drawing" :drawing="card.drawing" />
    </div>
    <p><strong>What goes wrong:</strong> <FieldText :text="card.wrong" /></p>
    <p><strong>To save it:</strong> <FieldText :text="card.rescue" /></p>
  </article>
</template>

<style scoped>
.card > * + * {
  margin-top: 10px;
}

.body {
  display: flex;
  flex-wrap: wrap;
  gap: 16px 28px;
  align-items: flex-start;
}

ol {
  flex: 1 1 260px;
  padding-left: 22px;
}

li {
  margin: 5px 0;
}

.safety {
  border-left: 4px solid rgb(var(--v-theme-warning));
  padding: 6px 12px;
}
</style>
