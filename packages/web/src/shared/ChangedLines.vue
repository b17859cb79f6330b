<script setup lang="ts">
import { useBuild } from './build';

/** What the last change moved: what is done otherwise today or tomorrow first, then dates that ask for nothing yet. */
const store = useBuild();
</script>

<template>
  <div v-if="store.hasChanged" class="changed small" role="group" aria-label="What the last change moved">
    <ul v-if="store.changed.atOnce.length > 0">
      <li v-for="line in store.changed.atOnce" :key="line">{{ line }}</li>
    </ul>
    <template v-if="store.changed.canWait.length > 0">
      <p class="quiet">Nothing to do about it yet:</p>
      <ul>
        <li v-for="line in store.changed.canWait" :key="line">{{ line }}</li>
      </ul>
    </template>
  </div>
</template>

<style scoped>
.changed {
  padding: 6px 12px;
  margin: 8px 0 12px;
  border-left: 4px solid rgb(var(--v-theme-secondary));
  background: rgb(var(--v-theme-surface));
}

ul {
  list-style: none;
  padding: 0;
}
</style>
