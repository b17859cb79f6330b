<script setup lang="ts">
import { readColour } from '@fixatum/core';
import { valueOf } from './inputs';

/** A colour as it is written, by its name or as `#8a6f3b`, with a patch to pick it by. Empty where none is said. */
const colour = defineModel<string>({ required: true });
defineProps<{
  label: string;
  placeholder: string;
  /** What the patch shows while no whole colour is written. */
  usual: string | undefined;
}>();
</script>

<template>
  <v-text-field
    v-model="colour"
    :label="label"
    :placeholder="placeholder"
    maxlength="30"
    @blur="colour = readColour(colour)"
  >
    <template #append-inner
      ><input
        :value="/^#[0-9a-f]{6}$/i.test(readColour(colour)) ? readColour(colour) : usual"
        type="color"
        :aria-label="`Pick: ${label}`"
        class="patch"
        @input="colour = valueOf($event)"
    /></template>
  </v-text-field>
</template>

<style scoped>
.patch {
  width: 34px;
  height: 28px;
  border: 0;
  padding: 0;
  background: none;
}
</style>
