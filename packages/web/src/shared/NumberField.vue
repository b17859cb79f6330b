<script setup lang="ts">
import { measureText, readMeasure, unitOf, type Quantity } from '@fixatum/core';
import { computed, ref } from 'vue';
import { useAppearance } from './appearance';

/**
 * A field for one number. Empty is no number, and not zero. One that measures something takes any unit that is typed with it, and shows
 * the user's own.
 */
const value = defineModel<number | undefined>({ required: true });
const props = defineProps<{
  label: string;
  /** What it measures; what stands in the model is in the unit of its name. */
  of?: Quantity | undefined;
  /** After the number; for what measures something, before its unit. */
  suffix?: string | undefined;
  min?: number;
  max?: number;
  step?: number;
}>();
const appearance = useAppearance();
/** What is being typed, until the field is left. */
const typed = ref<string>();
const problem = ref('');

const numberOf = (text: unknown): number | undefined =>
  text === '' || text === null || text === undefined ? undefined : Number(text);
const shown = computed(() => {
  if (typed.value !== undefined) return typed.value;
  if (!props.of) return value.value;
  return value.value === undefined ? '' : measureText(value.value, props.of, appearance.units);
});
const unit = computed(() => (props.of ? unitOf(props.of, appearance.units) : ''));
const after = computed(() => [unit.value, props.suffix].filter(Boolean).join(' '));
const examples: Partial<Record<Quantity, string>> = {
  lengthMm: '200, 20 cm or 7 7/8 in',
  areaCm2: '600, 0.06 m² or 93 sq in',
  volumeMl: '400, 0.4 l or 13.5 fl oz',
  temperatureC: '18 °C or 64 °F',
};

function type(text: unknown): void {
  if (!props.of) {
    value.value = numberOf(text);
    return;
  }
  const said = text === null || text === undefined ? '' : String(text);
  typed.value = said;
  const read = said.trim() === '' ? undefined : readMeasure(said, props.of, appearance.units);
  const isBad = said.trim() !== '' && read === undefined;
  const example = examples[props.of];
  problem.value = isBad ? `Can’t be read${example ? `; write ${example}` : ''}.` : '';
  value.value = read;
}
function leave(): void {
  // What can't be read stays to be put right.
  if (problem.value === '') typed.value = undefined;
}
</script>

<template>
  <v-text-field
    :model-value="shown"
    :label="label"
    :suffix="after || undefined"
    :min="of ? undefined : min"
    :max="of ? undefined : max"
    :step="of ? undefined : (step ?? 'any')"
    :type="of ? 'text' : 'number'"
    :inputmode="of && appearance.units === 'metric' ? 'decimal' : undefined"
    :error-messages="problem"
    :hide-details="problem === '' ? 'auto' : false"
    @update:model-value="type"
    @blur="leave"
  />
</template>
