<script setup lang="ts">
import { ref } from 'vue';
import FileDrop from './FileDrop.vue';
import { filesOf } from './inputs';

/** A button that a file, or several, are chosen with; the same file can as well be dropped. What else it is given is for the button. */
defineOptions({ inheritAttrs: false });
defineProps<{
  /** What the field is called, for who does not see it. */
  field: string;
  accept: string;
  /** What is said while a file is held over the screen. */
  drop: string;
  /** The part of the screen it can be dropped on; the whole of it where none is told of. */
  within?: HTMLElement | null | undefined;
  isPart?: boolean;
  /** Whether several are taken at once; each comes by itself, in order. */
  multiple?: boolean;
}>();
const emit = defineEmits<{ file: [file: File]; files: [files: File[]] }>();
const picker = ref<HTMLInputElement>();
function took(files: File[]): void {
  if (files.length === 0) return;
  emit('files', files);
  for (const file of files) emit('file', file);
}
</script>

<template>
  <v-btn v-bind="$attrs" @click="picker?.click()"><slot /></v-btn>
  <input
    ref="picker"
    type="file"
    class="d-none"
    :accept="accept"
    :multiple="multiple"
    :aria-label="field"
    @change="took(filesOf($event))"
  />
  <FileDrop :words="drop" :within="within" :is-part="isPart" :multiple="multiple" @files="took" />
</template>
