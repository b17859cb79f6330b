<script setup lang="ts">
/** A part of the Workshop that is saved by its own presses, below what is saved as a whole. */
defineProps<{ id: string; title: string }>();
</script>

<template>
  <section class="panel" :aria-labelledby="`${id}-title`">
    <h2 :id="`${id}-title`">{{ title }}</h2>
    <slot />
  </section>
</template>

<style scoped>
.panel {
  position: relative;
  margin: 40px 0 24px;
  padding-top: 20px;
  border-top: 1px solid var(--line);
  max-width: 760px;
}

.panel > h2 {
  margin-bottom: 8px;
}
</style>
