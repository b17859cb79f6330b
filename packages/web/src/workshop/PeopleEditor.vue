<script setup lang="ts">
import RemoveButton from '../shared/RemoveButton.vue';
import { weekdays, type Person, type Weekday } from '@fixatum/core';
import { mdiPlus } from '@mdi/js';
import DateField from '../shared/DateField.vue';
import TimeField from '../shared/TimeField.vue';
import { freshId } from './freshId';

/** Who works here, and when: by the days of the week, and on days that differ. */
const people = defineModel<Person[]>({ required: true });
/** The day that a new exception is set to, `yyyy-MM-dd`. */
const props = defineProps<{ from: string }>();

const dayWords: Record<Weekday, string> = {
  mon: 'Mon',
  tue: 'Tue',
  wed: 'Wed',
  thu: 'Thu',
  fri: 'Fri',
  sat: 'Sat',
  sun: 'Sun',
};
function toggleDay(days: Weekday[], day: Weekday): Weekday[] {
  const next = days.includes(day) ? days.filter((one) => one !== day) : [...days, day];
  return weekdays.filter((one) => next.includes(one));
}
/** What most people let an evening run over by, so that the last coat is still laid. */
const OVER_MINUTES = 15;
function addDayOff(person: Person): void {
  person.exceptions = [...(person.exceptions ?? []), { date: props.from, windows: [] }];
}
</script>

<template>
  <section aria-labelledby="people-title">
    <h2 id="people-title">People</h2>
    <p v-if="people.length === 0" class="quiet">Nobody works here yet, so nothing can be planned.</p>
    <div v-for="(person, at) in people" :key="person.id" class="card">
      <div class="with-x">
        <v-text-field v-model="person.name" label="Name" maxlength="120" />
        <RemoveButton :label="`Remove ${person.name}`" @click="people.splice(at, 1)" />
      </div>
      <div v-for="(rule, n) in person.availability" :key="n" class="rule">
        <div class="days" role="group" :aria-label="`Days of ${person.name}, line ${n + 1}`">
          <button
            v-for="day in weekdays"
            :key="day"
            type="button"
            :aria-pressed="rule.days.includes(day)"
            @click="rule.days = toggleDay(rule.days, day)"
          >
            {{ dayWords[day] }}
          </button>
        </div>
        <TimeField v-model="rule.from" label="From" density="compact" />
        <TimeField v-model="rule.to" label="To" density="compact" />
        <RemoveButton
          :label="`Remove line ${n + 1} of ${person.name}`"
          @click="person.availability.splice(n, 1)"
        />
      </div>
      <div v-for="(exception, n) in person.exceptions ?? []" :key="`x${n}`" class="rule day">
        <DateField v-model="exception.date" label="Only that day" density="compact" />
        <template v-if="exception.windows[0]">
          <TimeField v-model="exception.windows[0].from" label="From" density="compact" />
          <TimeField v-model="exception.windows[0].to" label="To" density="compact" />
        </template>
        <span v-else class="quiet off">no time at all</span>
        <v-btn
          size="small"
          variant="text"
          @click="exception.windows = exception.windows[0] ? [] : [{ from: '19:00', to: '22:00' }]"
          >{{ exception.windows[0] ? 'Day off' : 'Some hours' }}</v-btn
        >
        <RemoveButton :label="`Remove that day of ${person.name}`" @click="person.exceptions!.splice(n, 1)" />
      </div>
      <div class="foot">
        <v-btn
          size="small"
          :prepend-icon="mdiPlus"
          @click="person.availability.push({ days: ['sat'], from: '10:00', to: '18:00' })"
          >Hours</v-btn
        >
        <v-btn size="small" variant="text" @click="addDayOff(person)">A day that differs</v-btn>
        <v-checkbox
          class="over"
          :model-value="(person.overMinutes ?? 0) > 0"
          :label="`An evening may run over by ${person.overMinutes || OVER_MINUTES} min`"
          @update:model-value="person.overMinutes = $event ? OVER_MINUTES : undefined"
        />
      </div>
    </div>
    <v-btn
      size="small"
      :prepend-icon="mdiPlus"
      @click="
        people.push({
          id: freshId('person', people),
          name: 'Somebody',
          availability: [{ days: ['sat'], from: '10:00', to: '18:00' }],
        })
      "
      >A person</v-btn
    >
  </section>
</template>

<style scoped>
section {
  margin-bottom: 32px;
  container-type: inline-size;
}

section > h2 {
  margin-bottom: 10px;
}

.card {
  padding: 12px 0 14px;
  border-top: 1px solid var(--line);
}

.with-x {
  display: grid;
  grid-template-columns: 1fr 44px;
  gap: 8px;
  align-items: center;
  margin-bottom: 10px;
}

.rule {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 128px 128px 40px;
  gap: 8px;
  align-items: center;
  margin-bottom: 8px;
}

.rule.day {
  grid-template-columns: 160px 1fr 1fr auto 40px;
}

.off {
  grid-column: span 2;
}

.days {
  display: flex;
}

.days button {
  flex: 1;
  min-width: 0;
  min-height: 40px;
  border: 1px solid var(--line);
  margin-left: -1px;
  font-size: 0.9rem;
}

.days button[aria-pressed='true'] {
  background: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-on-primary));
}

.foot {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}

/* Seven days side by side take so much beside two times. */
@container (max-width: 560px) {
  .rule {
    grid-template-columns: 1fr 1fr 40px;
  }

  .rule.day {
    grid-template-columns: 1fr 1fr auto 40px;
  }

  .rule.day > :first-child {
    grid-column: 1 / -1;
  }

  .days {
    grid-column: 1 / -1;
  }
}
</style>
