<script setup lang="ts">
import { mdiCalendar } from '@mdi/js';
import { DateTime } from 'luxon';
import { computed, ref, watch } from 'vue';
import { readDate, sayDay } from '../moments';
import { useClock } from '../stores/clock';

/** A date, `yyyy-MM-dd`, written as one likes or picked, and shown with its weekday. What is no date stays as it was written. */
const date = defineModel<string>({ required: true });
defineProps<{ label: string; clearable?: boolean }>();
const clock = useClock();
const today = () => DateTime.fromMillis(clock.now('UTC') * 60_000, { zone: 'UTC' }).toISODate()!;
const picking = ref(false);
const text = ref<string | null>(sayDay(date.value, today()));
const typing = ref(false);
// While it is being written it stays as it is written.
watch(date, (next) => {
  if (!typing.value) text.value = sayDay(next, today());
});

watch(text, (next) => (date.value = readDate(next ?? '', today()) ?? (next ?? '').trim()));
const isWrong = computed(() => !typing.value && date.value !== '' && !DateTime.fromISO(date.value).isValid);
const picked = computed(() => {
  const day = DateTime.fromISO(date.value);
  return day.isValid ? day.toJSDate() : undefined;
});

function leave(): void {
  typing.value = false;
  text.value = sayDay(date.value, today());
}
function pick(day: unknown): void {
  date.value = DateTime.fromJSDate(day as Date).toISODate() ?? '';
  picking.value = false;
}
</script>

<template>
  <v-text-field
    v-model="text"
    :label="label"
    :error="isWrong"
    :clearable="clearable"
    autocomplete="off"
    maxlength="40"
    @focus="typing = true"
    @blur="leave"
    @click:clear="text = ''"
  >
    <template #append-inner>
      <v-menu v-model="picking" :close-on-content-click="false" location="bottom end">
        <template #activator="{ props: menu }">
          <v-btn
            v-bind="menu"
            :icon="mdiCalendar"
            variant="text"
            size="small"
            :aria-label="`${label}: pick a day`"
          />
        </template>
        <v-date-picker
          :model-value="picked"
          :first-day-of-week="1"
          hide-header
          show-adjacent-months
          @update:model-value="pick"
        />
      </v-menu>
    </template>
  </v-text-field>
</template>
