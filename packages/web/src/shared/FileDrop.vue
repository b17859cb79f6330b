<script setup lang="ts">
import { useDropZone } from '@vueuse/core';

/** Where a file can be dropped: on the whole screen, or on one part of it; says so while a file is held over it. */
const props = defineProps<{
  /** What happens with it: "Drop a build here to open it". */
  words: string;
  /** The part of the screen, which has to be positioned; the whole of it where there is none. */
  within?: HTMLElement | null | undefined;
  /** Only on that part, and on nothing until it is there. */
  isPart?: boolean;
  /** Whether several are taken at once; else the first is. */
  multiple?: boolean;
}>();
const emit = defineEmits<{ files: [files: File[]] }>();
const { isOverDropZone } = useDropZone(() => (props.isPart ? props.within : document), {
  multiple: true,
  checkValidity: (items) => [...items].every(({ kind }) => kind === 'file'),
  onDrop(files, { target }) {
    // What lies on the screen has it to itself: a field for files, or a dialog.
    const isTaken = !props.isPart && target instanceof Element && target.closest('.drop, .v-overlay');
    if (files && files.length > 0 && !isTaken) emit('files', props.multiple ? files : files.slice(0, 1));
  },
});
</script>

<template>
  <div v-if="isOverDropZone" class="veil" :class="{ part: isPart }">{{ words }}</div>
</template>

<style scoped>
.veil {
  position: fixed;
  inset: 8px;
  z-index: 1500;
  display: grid;
  place-items: center;
  padding: 24px;
  border: 3px dashed rgb(var(--v-theme-primary));
  background: rgb(var(--v-theme-surface) / 88%);
  font-size: 1.25rem;
  font-weight: 600;
  text-align: center;
  pointer-events: none;
}

.veil.part {
  position: absolute;
  inset: 0;
  padding: 8px;
  font-size: 1rem;
}
</style>
