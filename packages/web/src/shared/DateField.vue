<script setup lang="ts">
import { mdiCalendar } from '@mdi/js';
import { toWallTime } from '@fixatum/core';
import { DateTime } from 'luxon';
import { computed, ref } from 'vue';
import { momentStyleHere } from './deviceStyle';
import { readDate, sayDay } from './moments';
import { useClock } from './clock';
import { useWritten } from './written';

/** A date, `yyyy-MM-dd`, written as one likes or picked, and shown with its weekday. What is no date stays as it was written. */
const date = defineModel<string>({ required: true });
defineProps<{ label: string; clearable?: boolean }>();
const clock = useClock();
const today = () => toWallTime(clock.now('UTC'), 'UTC').slice(0, 10);
const writing = { ...momentStyleHere(), language: navigator.language };
const picking = ref(false);
const { text, wrong, enter, leave } = useWritten(date, {
  read: (written) => readDate(written, today(), writing),
  say: (value) => sayDay(value, today(), writing),
});
const picked = computed(() => {
  const day = DateTime.fromISO(date.value);
  return day.isValid ? day.toJSDate() : undefined;
});

function pick(day: unknown): void {
  date.value = (day instanceof Date && DateTime.fromJSDate(day).toISODate()) || '';
  picking.value = false;
}
</script>

<template>
  <v-text-field
    v-model="text"
    :label="label"
    :error="wrong"
    :error-messages="wrong ? 'No date I can read. Try “6 Mar”, “tomorrow” or 2027-03-06.' : undefined"
    :aria-invalid="wrong"
    :clearable="clearable"
    autocomplete="off"
    maxlength="40"
    @focus="enter"
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
