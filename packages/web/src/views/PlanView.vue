<script setup lang="ts">
import { epochMinute, personCalendar, sayMoment, type Session } from '@fixatum/core';
import { computed, nextTick, onMounted, ref, watch } from 'vue';
import BatchLine from '../components/BatchLine.vue';
import DryingRibbon from '../components/DryingRibbon.vue';
import ReadinessMark from '../components/ReadinessMark.vue';
import { useBuild } from '../stores/build';
import { useForecast } from '../stores/forecast';
import { dayOf, daysBetween, percent, timeOfDay } from '../timeAxis';
import { passWords, unitName } from '../words';

const store = useBuild();
const forecast = useForecast();
const scroller = ref<HTMLElement>();
const zooms = [
  { word: 'All', pxPerHour: 0 },
  { word: 'Weeks', pxPerHour: 3.2 },
  { word: 'Days', pxPerHour: 14 },
  { word: 'Hours', pxPerHour: 70 },
];
const zoom = ref(0);
const openSession = ref<Session>();

const from = computed(() => store.view?.from ?? 0);
const until = computed(() => store.view?.until ?? 1);
const zone = computed(() => store.view?.timeZone ?? 'UTC');
const width = computed(() =>
  zooms[zoom.value]!.pxPerHour === 0
    ? '100%'
    : `${((until.value - from.value) / 60) * zooms[zoom.value]!.pxPerHour}px`,
);
const days = computed(() => daysBetween(from.value, until.value, zone.value));
const dayWords = computed(() => {
  const every = zoom.value === 0 ? Math.ceil(days.value.length / 14) : 1;
  return days.value.filter((day, at) => at % every === 0 && day.from >= from.value);
});
const left = (minute: number) => percent(minute, from.value, until.value);
const wide = (a: number, b: number) =>
  `${(100 * (Math.min(b, until.value) - Math.max(a, from.value))) / (until.value - from.value)}%`;

const free = computed(() =>
  (store.build?.people ?? []).flatMap((person) =>
    personCalendar(person, zone.value, from.value)
      .between(from.value, until.value)
      .map((window) => ({ key: `${person.id} ${window.from}`, ...window })),
  ),
);
const people = computed(() =>
  (store.build?.people ?? []).map((person) => ({
    person,
    sessions: (store.view?.sessions ?? []).filter((session) => session.personId === person.id),
  })),
);
const dates = computed(() =>
  (store.build?.events ?? []).flatMap((event) => [
    ...(event.packAt === undefined
      ? []
      : [{ key: `${event.id} pack`, word: 'pack', at: epochMinute(event.packAt, zone.value) }]),
    { key: event.id, word: 'wear', at: epochMinute(event.wearAt, zone.value) },
  ]),
);
const rows = computed(() =>
  (store.view?.pieces ?? []).map((state) => ({
    state,
    piece: store.pieceOf(state.pieceId)!,
    work: store.view!.operations.filter(
      (operation) => operation.pieceId === state.pieceId && operation.start !== undefined,
    ),
  })),
);
const sheet = computed(() => {
  const session = openSession.value ?? store.view?.sessions[0];
  if (!session || !store.view) return undefined;
  return {
    session,
    person: store.build?.people.find((person) => person.id === session.personId)?.name ?? '',
    batches: session.batches.map((batch) => ({
      ...batch,
      operations: batch.operationIds.map((id) => store.operations.get(id)!),
    })),
  };
});

async function toNow(): Promise<void> {
  await nextTick();
  const element = scroller.value;
  if (!element || zoom.value === 0) return;
  const inner = element.querySelector<HTMLElement>('.lanes');
  if (inner)
    element.scrollLeft =
      (inner.scrollWidth * (store.now - from.value)) / (until.value - from.value) -
      element.clientWidth * 0.25;
}
watch(zoom, toNow);
onMounted(toNow);
watch(
  () => store.view,
  (view) => {
    openSession.value = view?.sessions.find((session) => session.id === openSession.value?.id);
  },
);
</script>

<template>
  <div v-if="store.build && store.view" class="page">
    <div class="head">
      <h1>Plan</h1>
      <div class="segmented" role="group" aria-label="Zoom">
        <button v-for="(one, at) in zooms" :key="one.word" :aria-pressed="zoom === at" @click="zoom = at">
          {{ one.word }}
        </button>
      </div>
    </div>

    <div v-if="rows.length > 0" ref="scroller" class="scroller">
      <div class="chart">
        <div class="names">
          <div class="axis" />
          <div v-for="lane in people" :key="lane.person.id" class="lane session-lane">
            <strong>{{ lane.person.name }}</strong>
          </div>
          <router-link
            v-for="row in rows"
            :key="row.piece.id"
            class="lane plain"
            :to="{ name: 'piece', params: { build: store.id!, piece: row.piece.id } }"
          >
            <span class="clip"
              >{{ row.piece.name
              }}<template v-if="row.piece.quantity > 1"> ×{{ row.piece.quantity }}</template></span
            >
            <ReadinessMark class="small" :readiness="row.state.readiness" />
          </router-link>
        </div>
        <div class="lanes" :style="{ width }">
          <div class="backdrop" aria-hidden="true">
            <div
              v-for="window in free"
              :key="window.key"
              class="free"
              :style="{ left: left(window.from), width: wide(window.from, window.to) }"
            />
            <div v-for="day in days" :key="day.from" class="midnight" :style="{ left: left(day.from) }" />
          </div>
          <div class="axis figures small">
            <span
              v-for="day in dayWords"
              :key="day.from"
              class="day"
              :class="{ weekend: day.weekend }"
              :style="{ left: left(day.from) }"
              >{{ day.label }} {{ day.month }}</span
            >
          </div>
          <div v-for="lane in people" :key="lane.person.id" class="lane session-lane">
            <button
              v-for="session in lane.sessions"
              :key="session.id"
              class="session"
              :class="{ chosen: sheet?.session.id === session.id }"
              :style="{ left: left(session.from), width: `max(7px, ${wide(session.from, session.to)})` }"
              :title="`${lane.person.name}: ${sayMoment(session.from, zone)} to ${timeOfDay(session.to, zone)}`"
              :aria-label="`${lane.person.name}, ${sayMoment(session.from, zone)}: run sheet`"
              @click="openSession = session"
            >
              <span
                v-for="batch in session.batches"
                :key="batch.start"
                class="batch"
                :style="{
                  left: `${(100 * (batch.start - session.from)) / (session.to - session.from)}%`,
                  width: `${(100 * (batch.end - batch.start)) / (session.to - session.from)}%`,
                }"
              />
            </button>
          </div>
          <div v-for="row in rows" :key="row.piece.id" class="lane">
            <DryingRibbon
              :spans="row.state.ribbon"
              :from="from"
              :until="until"
              :time-zone="zone"
              :spread="forecast.byPiece.get(row.piece.id)?.ready"
              :height="20"
            />
            <span
              v-for="operation in row.work"
              :key="operation.id"
              class="pass"
              :class="operation.status"
              :style="{
                left: left(operation.start!),
                width: `max(2px, ${wide(operation.start!, operation.laidAt!)})`,
              }"
              :title="`${unitName(store.build, operation.pieceId, operation.unit)}: ${passWords(operation)}, ${sayMoment(operation.start!, zone)}`"
            />
          </div>
          <div v-for="date in dates" :key="date.key" class="date" :style="{ left: left(date.at) }">
            <span class="small">{{ date.word }}</span>
          </div>
          <div class="now" :style="{ left: left(store.now) }"><span class="small">now</span></div>
        </div>
      </div>
    </div>
    <p v-else class="my-8">No pieces yet, so there is nothing to plan.</p>

    <p class="legend small quiet">
      <span><i class="film wet" /> wet</span><span><i class="film touch-dry" /> touch-dry</span
      ><span><i class="film recoatable" /> recoatable</span>
      <span><i class="film handleable" /> handleable</span><span><i class="film" /> cured</span
      ><span><i class="key-pass" /> hands-on work</span>
      <span><i class="key-free" /> somebody is free</span>
    </p>

    <section v-if="sheet" class="sheet" aria-labelledby="sheet-title">
      <h2 id="sheet-title">
        Run sheet: {{ dayOf(sheet.session.from, zone) }}, {{ timeOfDay(sheet.session.from, zone) }} to
        {{ timeOfDay(sheet.session.to, zone)
        }}<template v-if="people.length > 1">, {{ sheet.person }}</template>
      </h2>
      <ol>
        <BatchLine
          v-for="batch in sheet.batches"
          :key="batch.start"
          :start="batch.start"
          :end="batch.end"
          :operations="batch.operations"
        />
      </ol>
    </section>
  </div>
  <div v-else class="page quiet">Opening the build…</div>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
  margin-bottom: 10px;
}

.scroller {
  overflow-x: auto;
  border: 1px solid var(--line);
  background: rgb(var(--v-theme-surface-variant));
}

.chart {
  display: flex;
  min-width: 100%;
  width: max-content;
}

.names {
  position: sticky;
  left: 0;
  z-index: 4;
  width: 250px;
  flex: none;
  background: rgb(var(--v-theme-surface));
  border-right: 1px solid var(--line);
}

.lanes {
  position: relative;
  flex: 1 0 auto;
}

.chart:has(.lanes[style*='100%']) {
  width: 100%;
}

.chart:has(.lanes[style*='100%']) .lanes {
  flex: 1 1 0;
  min-width: 0;
}

.axis {
  height: 30px;
  position: relative;
  border-bottom: 1px solid var(--line);
  overflow: hidden;
}

.day {
  position: absolute;
  top: 6px;
  padding-left: 5px;
  white-space: nowrap;
}

.day.weekend {
  font-weight: 700;
}

.lane {
  position: relative;
  height: 36px;
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  border-bottom: 1px solid var(--line);
}

.names .lane {
  padding: 0 10px;
}

.clip {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.session-lane {
  height: 30px;
}

.backdrop {
  position: absolute;
  inset: 0;
}

.free {
  position: absolute;
  top: 30px;
  bottom: 0;
  background: rgb(var(--v-theme-surface));
}

.midnight {
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 1px solid var(--line);
}

.session {
  position: absolute;
  top: 4px;
  bottom: 4px;
  background: rgb(var(--v-theme-surface));
  border: 1px solid rgb(var(--v-theme-primary));
  border-radius: 2px;
  overflow: hidden;
}

.session.chosen {
  outline: 3px solid rgb(var(--v-theme-primary));
}

.batch {
  position: absolute;
  top: 3px;
  bottom: 3px;
  background: rgb(var(--v-theme-primary));
  border-right: 1px solid rgb(var(--v-theme-surface));
}

.pass {
  position: absolute;
  top: 3px;
  height: 6px;
  background: rgb(var(--v-theme-primary));
}

.pass.done {
  background: rgb(var(--v-theme-secondary));
}

.date,
.now {
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 2px solid rgb(var(--v-theme-error));
  z-index: 3;
  pointer-events: none;
}

.date span,
.now span {
  position: absolute;
  bottom: 0;
  left: 0;
  padding: 0 4px;
  background: rgb(var(--v-theme-error));
  color: rgb(var(--v-theme-surface));
  line-height: 1.3;
}

.date span {
  left: auto;
  right: 0;
}

.date + .date span {
  bottom: 24px;
}

.now {
  border-left-color: rgb(var(--v-theme-primary));
}

.now span {
  background: rgb(var(--v-theme-primary));
}

.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  margin: 10px 0 24px;
}

.legend span {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}

.legend i {
  display: inline-block;
  width: 34px;
  height: 14px;
  --paint: #8b8d8e;
}

.legend .key-pass {
  height: 6px;
  background: rgb(var(--v-theme-primary));
}

.legend .key-free {
  background: rgb(var(--v-theme-surface));
  border: 1px solid var(--line);
}

.sheet ol {
  list-style: none;
  padding: 0;
  margin: 10px 0 0;
  max-width: 900px;
}

@media (max-width: 820px) {
  .names {
    width: 140px;
  }

  .names .lane {
    flex-direction: column;
    align-items: flex-start;
    justify-content: center;
    gap: 0;
    font-size: 0.8rem;
  }
}
</style>
