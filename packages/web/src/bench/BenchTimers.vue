<script setup lang="ts">
import { timersFor, timerState, type BenchTimer, type PlannedOperation, type TimerIdea } from '@fixatum/core';
import { mdiBell, mdiBellOff, mdiClose, mdiMessageBadgeOutline, mdiTimerOutline } from '@mdi/js';
import { computed, ref } from 'vue';
import { useAlarm } from '../shared/alarm';
import { useBuild } from '../shared/build';
import { later } from '../shared/later';
import { useMe } from '../shared/me';

const OwnTimer = later(() => import('./OwnTimer.vue'));

/** Timers that run, and those that the pass at hand is likely to want. */
const props = defineProps<{ passes: PlannedOperation[] }>();
const store = useBuild();
const alarm = useAlarm();
const me = useMe();

const timers = computed(() =>
  (store.build?.timers ?? [])
    .map((timer) => ({ timer, state: timerState(timer, store.now) }))
    .sort((a, b) => a.state.left - b.state.left),
);
const ideas = computed((): TimerIdea[] => {
  const running = new Set(timers.value.filter(({ state }) => state.left > 0).map(({ timer }) => timer.label));
  const list = props.passes[0] ? timersFor(props.passes[0]) : [];
  return list.filter((idea) => !running.has(idea.label));
});

/** The timers that have run out. */
const overWords = computed(() =>
  timers.value
    .flatMap(({ timer, state }) => (state.left <= 0 ? [`Time is up: ${timer.label}.`] : []))
    .join(' '),
);

const adding = ref(false);
function startOwn(idea: TimerIdea): void {
  void store.startTimer(idea);
  adding.value = false;
}

/** Minutes and seconds, as a kitchen timer shows them; over an hour, hours and minutes. */
function clock(minutes: number): string {
  const seconds = Math.max(0, Math.ceil(Math.abs(minutes) * 60 - 1e-6));
  if (seconds >= 3600)
    return `${Math.floor(seconds / 3600)} h ${String(Math.floor((seconds % 3600) / 60)).padStart(2, '0')}`;
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}
const share = (timer: BenchTimer, left: number) => Math.min(1, Math.max(0, 1 - left / timer.minutes));
</script>

<template>
  <section aria-labelledby="timers-title">
    <div class="head">
      <h2 id="timers-title">Timers</h2>
      <v-btn
        :icon="alarm.sound ? mdiBell : mdiBellOff"
        variant="text"
        :aria-label="alarm.sound ? 'Sound is on: silence it' : 'Sound is off: turn it on'"
        :aria-pressed="alarm.sound"
        @click="alarm.sound = !alarm.sound"
      />
      <v-btn
        v-if="alarm.canNotify"
        :icon="mdiMessageBadgeOutline"
        variant="text"
        :aria-label="
          alarm.notifications ? 'Notifications are on: turn them off' : 'Notifications are off: turn them on'
        "
        :aria-pressed="alarm.notifications"
        :class="{ faint: !alarm.notifications }"
        @click="alarm.toggleNotifications()"
      />
    </div>
    <!-- Told once, when a timer runs out: the figures beside it change every second. -->
    <p class="unseen" aria-live="assertive" data-testid="rung">{{ overWords }}</p>
    <ul v-if="timers.length > 0" data-testid="timers">
      <li v-for="{ timer, state } in timers" :key="timer.id" :class="{ over: state.left <= 0 }">
        <div class="line">
          <strong>{{ timer.label }}</strong>
          <span class="figures left">{{
            state.left <= 0 ? `over by ${clock(state.left)}` : clock(state.left)
          }}</span>
          <v-btn
            v-if="!me.isHelper || timer.device === me.device?.id"
            :icon="mdiClose"
            variant="text"
            :aria-label="`Stop the timer: ${timer.label}`"
            @click="store.stopTimer(timer.id)"
          />
        </div>
        <div class="track"><span :style="{ width: `${share(timer, state.left) * 100}%` }" /></div>
        <p v-if="timer.everyMinutes && state.left > 0" class="small quiet figures">
          every {{ timer.everyMinutes }} min, next in {{ clock(state.toNextRing) }}
        </p>
      </li>
    </ul>
    <div class="ideas">
      <v-btn
        v-for="idea in ideas"
        :key="idea.label"
        size="large"
        :prepend-icon="mdiTimerOutline"
        @click="store.startTimer(idea)"
        >{{ idea.label }}, {{ idea.minutes }} min</v-btn
      >
      <v-btn v-if="!adding" size="large" variant="text" @click="adding = true">Another timer</v-btn>
      <OwnTimer v-else @start="startOwn" />
    </div>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
}

.head h2 {
  margin-right: auto;
}

.faint {
  opacity: 0.5;
}

ul {
  list-style: none;
  padding: 0;
  margin: 4px 0 0;
}

li {
  padding: 6px 0 10px;
  border-top: 1px solid var(--line);
}

.line {
  display: flex;
  align-items: center;
  gap: 12px;
}

.line strong {
  flex: 1;
}

.left {
  font-size: 1.3rem;
  font-weight: 700;
}

.over .left {
  color: rgb(var(--v-theme-warning));
}

.over {
  border-left: 4px solid rgb(var(--v-theme-warning));
  padding-left: 10px;
}

.track {
  height: 6px;
  background: rgb(128 130 132 / 35%);
}

.track span {
  display: block;
  height: 100%;
  background: currentcolor;
}

.ideas {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 10px;
}

.ideas .v-btn {
  white-space: normal;
  min-height: 48px;
}
</style>
