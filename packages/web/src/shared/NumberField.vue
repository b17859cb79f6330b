<script setup lang="ts">
/** A field for one number. Empty is no number, and not zero. */
const value = defineModel<number | undefined>({ required: true });
defineProps<{ label: string; suffix?: string; min?: number; max?: number; step?: number }>();
const numberOf = (typed: unknown): number | undefined =>
  typed === '' || typed === null || typed === undefined ? undefined : Number(typed);
</script>

<template>
  <v-text-field
    :model-value="value"
    :label="label"
    :suffix="suffix"
    :min="min"
    :max="max"
    :step="step ?? 'any'"
    type="number"
    @update:model-value="value = numberOf($event)"
  />
</template>
