<script setup lang="ts">
import type { PaletteColour } from '@fixatum/core';

/** The colours of the build's palette, to take one by a press. */
defineProps<{ palette: readonly PaletteColour[]; chosen?: string | undefined }>();
defineEmits<{ choose: [colour: PaletteColour] }>();
</script>

<template>
  <div class="chips" role="group" aria-label="From the palette">
    <button
      v-for="one in palette"
      :key="one.id"
      type="button"
      :aria-pressed="one.id === chosen"
      :title="`${one.name} ${one.colour}`"
      @click="$emit('choose', one)"
    >
      <span class="patch" :style="{ background: one.colour }" />{{ one.name }}
    </button>
  </div>
</template>

<style scoped>
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

button {
  display: inline-flex;
  align-items: center;
  gap: 7px;
  min-height: 32px;
  padding: 2px 10px 2px 4px;
  border: 1px solid var(--line);
  border-radius: 3px;
  font-size: 0.875rem;
}

button[aria-pressed='true'] {
  border-color: currentcolor;
  box-shadow: inset 0 0 0 1px currentcolor;
  font-weight: 600;
}

.patch {
  width: 24px;
  height: 24px;
  border-radius: 2px;
  border: 1px solid var(--line);
}
</style>
