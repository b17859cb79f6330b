<script setup lang="ts">
import { ref } from 'vue';
import FileDrop from './FileDrop.vue';
import { fileOf } from './inputs';

/** A button that a file is chosen with; the same file can as well be dropped. What else it is given is for the button. */
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
}>();
const emit = defineEmits<{ file: [file: File] }>();
const picker = ref<HTMLInputElement>();
function chosen(event: Event): void {
  const file = fileOf(event);
  if (file) emit('file', file);
}
</script>

<template>
  <v-btn v-bind="$attrs" @click="picker?.click()"><slot /></v-btn>
  <input ref="picker" type="file" class="d-none" :accept="accept" :aria-label="field" @change="chosen" />
  <FileDrop :words="drop" :within="within" :is-part="isPart" @file="emit('file', $event)" />
</template>
