<script setup lang="ts">
import { ref } from 'vue';
import { fileOf } from './inputs';

/** Where a file is dropped, or chosen with a press. */
defineProps<{
  /** What the field is called, for who does not see it. */
  label: string;
  words: string;
  accept: string;
  /** There is something open already; another file stays possible. */
  slim?: boolean;
}>();
const emit = defineEmits<{ file: [file: File] }>();
const over = ref(false);
const take = (file: File | undefined) => file && emit('file', file);
function dropped(event: DragEvent): void {
  over.value = false;
  take(event.dataTransfer?.files[0]);
}
</script>

<template>
  <label
    class="drop"
    :class="{ over, slim }"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="dropped"
    >{{ words }}<input type="file" :accept="accept" :aria-label="label" @change="take(fileOf($event))"
  /></label>
</template>

<style scoped>
.drop {
  display: flex;
  align-items: center;
  justify-content: center;
  min-height: 104px;
  padding: 8px 16px;
  border: 2px dashed var(--line);
  border-radius: 3px;
  font-weight: 600;
  text-align: center;
  overflow-wrap: anywhere;
  cursor: pointer;
}

.drop.slim {
  min-height: 52px;
}

.drop.over,
.drop:focus-within {
  border-color: rgb(var(--v-theme-primary));
}

.drop input {
  position: absolute;
  width: 1px;
  height: 1px;
  opacity: 0;
}
</style>
