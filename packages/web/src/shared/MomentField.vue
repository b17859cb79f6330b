<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import DateField from './DateField.vue';
import TimeField from './TimeField.vue';

/** A moment of wall time, `yyyy-MM-ddTHH:mm`, as a date and a time of day; empty where there is none. */
const props = defineProps<{
  modelValue: string | undefined;
  label: string;
  clearable?: boolean;
  /** The time that is taken when only a date is given. */
  usualTime?: string;
}>();
const emit = defineEmits<{ 'update:modelValue': [moment: string] }>();

const parts = computed(() => {
  // The last T, as what is being written may have one of its own.
  const [, date = '', time = ''] = /^(.*)T([^T]*)$/.exec(props.modelValue ?? '') ?? [];
  return { date, time: time.replace(/^(\d\d:\d\d):.*/, '$1') };
});
// While a date is written anew there may be none, and its time must not be lost meanwhile.
const lastTime = ref('');
watch(
  () => parts.value.time,
  (time) => {
    if (time !== '') lastTime.value = time;
  },
  { immediate: true },
);
function put(date: string, time: string): void {
  const at = time || lastTime.value || (props.usualTime ?? '09:00');
  emit('update:modelValue', date === '' ? '' : `${date}T${at}`);
}
</script>

<template>
  <div class="moment" role="group" :aria-label="label">
    <DateField
      :model-value="parts.date"
      :label="label"
      :clearable="clearable"
      @update:model-value="put($event, parts.time)"
    />
    <TimeField
      v-if="parts.date !== ''"
      :model-value="parts.time"
      label="at"
      @update:model-value="put(parts.date, $event)"
    />
  </div>
</template>

<style scoped>
.moment {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(84px, 7.2em);
  gap: 8px;
}
</style>
