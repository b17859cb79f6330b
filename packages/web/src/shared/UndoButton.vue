<script setup lang="ts">
import { mdiArrowULeftTop, mdiArrowURightTop } from '@mdi/js';
import { watchDebounced } from '@vueuse/core';
import { computed, ref } from 'vue';
import { api } from './api';
import { useBuild } from './build';
import { useOutbox } from './outbox';

/**
 * Takes the last change back: says which that is, and is off where there is none. Beside it, once something was taken back, what does that again.
 */
const store = useBuild();
const outbox = useOutbox();
/** What it was called; null where nothing can be taken back, undefined while that is not known. */
const label = ref<string | null>();
/** What would be done again; null where nothing was taken back. */
const again = ref<string | null>(null);
const ASK_AFTER_MS = 300;
// What is sent after it is shown changes nothing on screen, but can be taken back only from then on.
watchDebounced(
  () => [store.id, store.build, store.etag, outbox.count] as const,
  async ([id, build]) => {
    if (!id || !build) return;
    try {
      const answer = await api.undoLabel(id);
      if (id !== store.id) return;
      label.value = answer.label;
      again.value = answer.again;
    } catch {
      // Whether there is something is said when it is tried.
      label.value = undefined;
      again.value = null;
    }
  },
  { debounce: ASK_AFTER_MS, immediate: true },
);
/** What was pressed and is not sent yet is the last change. */
const isOff = computed(() => label.value === null && outbox.count === 0);
const words = computed(() =>
  isOff.value
    ? 'Nothing to undo'
    : label.value && outbox.count === 0
      ? `Undo: ${label.value} (u)`
      : 'Undo the last change (u)',
);
</script>

<template>
  <v-btn
    :icon="mdiArrowULeftTop"
    variant="text"
    :disabled="isOff"
    :title="words"
    aria-label="Undo the last change"
    :aria-description="words"
    @click="store.undo()"
  />
  <v-btn
    v-if="again !== null && outbox.count === 0"
    :icon="mdiArrowURightTop"
    variant="text"
    :title="`Do again: ${again} (r)`"
    aria-label="Do the last change again"
    :aria-description="`Do again: ${again}`"
    @click="store.redo()"
  />
</template>
