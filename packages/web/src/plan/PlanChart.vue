<script setup lang="ts">
import { groupBy, personCalendar, sayMoment, type PlannedOperation, sure, sayTimeOfDay } from '@fixatum/core';
import { useVirtualizer } from '@tanstack/vue-virtual';
import { useElementSize } from '@vueuse/core';
import { computed, nextTick, onMounted, ref, toRef, useTemplateRef, watch } from 'vue';
import ChartFlags from '../shared/ChartFlags.vue';
import ChartNames from './ChartNames.vue';
import NowLine from './NowLine.vue';
import PieceLane from './PieceLane.vue';
import PlaceLane from './PlaceLane.vue';
import { useBuild } from '../shared/build';
import { daysBetween, percent } from '../shared/timeAxis';
import { useOverFrames } from '../shared/overFrames';
import { inSight } from './inSight';
import { usePassKeys } from './usePassKeys';
import { usePinning } from './usePinning';
import { datesOf } from '../shared/chartFlags';

/**
 * Time across, people, pieces and places down: sessions, ribbons, passes, dates as hard lines. Of the pieces only those in view are
 * drawn, with a few above and below.
 */
const props = defineProps<{ pxPerHour: number }>();
/** The session whose run sheet is shown, by its id. */
const chosen = defineModel<string>('session');
const emit = defineEmits<{ press: [operation: PlannedOperation] }>();
const store = useBuild();
const scroller = ref<HTMLElement>();
const lanes = ref<HTMLElement>();

const from = computed(() => store.view?.from ?? 0);
const until = computed(() => store.view?.until ?? 1);
const zone = computed(() => store.view?.timeZone ?? 'UTC');
const width = computed(() =>
  props.pxPerHour === 0 ? '100%' : `${((until.value - from.value) / 60) * props.pxPerHour}px`,
);
const days = computed(() => daysBetween(from.value, until.value, zone.value));
/** The words for a day, such as "Wed 24 Feb", are about as wide as this. */
const DAY_WORDS_PX = 72;
const { width: lanesPx } = useElementSize(lanes);
const dayWords = computed(() => {
  const dayPx = lanesPx.value / days.value.length;
  const every = dayPx > 0 ? Math.max(1, Math.ceil(DAY_WORDS_PX / dayPx)) : days.value.length;
  return days.value.filter((day, at) => at % every === 0 && day.from >= from.value);
});
/**
 * The time in sight with half as much before and after it at least, in steps of half of it, so that little is drawn anew while it moves. Until the
 * chart is laid out it is where it will be.
 */
const { width: sightPx } = useElementSize(scroller, { width: window.innerWidth, height: 0 });
const spanPx = computed(() =>
  props.pxPerHour === 0 ? sightPx.value : ((until.value - from.value) / 60) * props.pxPerHour,
);
const pxOf = (minute: number) => (spanPx.value * (minute - from.value)) / (until.value - from.value);
/** The present stands so far from the left when the chart opens. */
const NOW_AT = 0.25;
const startPx = () => Math.max(0, pxOf(store.now) - sightPx.value * NOW_AT);
const scrolledPx = ref(startPx());
const minuteAt = (px: number) => from.value + ((until.value - from.value) * px) / Math.max(1, spanPx.value);
const stepPx = computed(() => Math.max(100, sightPx.value / 2));
const stepAt = computed(() => Math.floor(scrolledPx.value / stepPx.value));
const sightFrom = computed(() => minuteAt((stepAt.value - 1) * stepPx.value));
const sightUntil = computed(() => minuteAt((stepAt.value + 4) * stepPx.value));
const sight = computed(() => ({ from: sightFrom.value, until: sightUntil.value }));
const inSightOf = <T extends { from: number; to: number }>(row: readonly T[]) =>
  row.filter(({ from: begins, to }) => to >= sight.value.from && begins <= sight.value.until);
const left = (minute: number) => percent(minute, from.value, until.value);
const wide = (a: number, b: number) =>
  `${(100 * (Math.min(b, until.value) - Math.max(a, from.value))) / (until.value - from.value)}%`;

const free = computed(() =>
  (store.build?.people ?? []).flatMap((person) =>
    personCalendar(person, zone.value, from.value)
      .between(from.value, until.value)
      .filter((window) => inSightOf([window]).length > 0)
      .map((window) => ({ key: `${person.id} ${window.from}`, ...window })),
  ),
);
const people = computed(() =>
  (store.build?.people ?? []).map((person) => ({
    person,
    sessions: inSightOf(store.view?.sessions ?? []).filter((session) => session.personId === person.id),
  })),
);
/** The evenings that other builds of the workshop have, with their names. */
const taken = computed(() =>
  store.beside.flatMap(({ id, name }) =>
    inSightOf(store.besidePlans[id]?.sessions ?? []).map((session) => ({
      ...session,
      key: `${id} ${session.id}`,
      name,
    })),
  ),
);
const takenOf = (personId: string) => taken.value.filter((session) => session.personId === personId);
const flags = computed(() => (store.build ? datesOf(store.build) : []));
const rows = computed(() => {
  const work = groupBy(
    (store.view?.operations ?? []).filter(({ start }) => start !== undefined),
    ({ pieceId }) => pieceId,
  );
  return (store.view?.pieces ?? []).map((state) => ({
    state,
    piece: sure(store.pieceOf(state.pieceId), 'a piece of the plan'),
    work: work.get(state.pieceId) ?? [],
  }));
});
/** The row of a piece is so high, as in the styles. */
const ROW_PX = 36;
const above = useTemplateRef<HTMLElement>('above');
const { height: abovePx } = useElementSize(above);
const { height: axisPx } = useElementSize(useTemplateRef<HTMLElement>('axis'), undefined, {
  box: 'border-box',
});
/** How far below the top of the chart the first piece stands. */
const topPx = computed(() => axisPx.value + abovePx.value);
const virtual = useVirtualizer(
  computed(() => ({
    count: rows.value.length,
    getScrollElement: () => scroller.value ?? null,
    estimateSize: () => ROW_PX,
    scrollMargin: topPx.value,
    overscan: 6,
  })),
);
/** As many as a large screen shows come in over frames. */
const drawn = useOverFrames(5, 60);
const inView = computed(() =>
  virtual.value
    .getVirtualItems()
    .slice(0, drawn.value)
    .flatMap(({ index, start }) => {
      const row = rows.value[index];
      if (!row) return [];
      const work = inSight(
        row.work,
        (pass) => ({ from: pass.start ?? 0, to: pass.laidAt ?? pass.start ?? 0 }),
        sight.value,
      );
      return [{ ...row, work, ribbon: inSightOf(row.state.ribbon), topPx: start - topPx.value }];
    }),
);
const pinnedIds = computed(() => new Set((store.build?.pins ?? []).map((pin) => pin.operation)));
const { grab, pull, drop, cancel, nudge, shiftOf } = usePinning({ lanes, from, until }, (operation) =>
  emit('press', operation),
);
const { reached, reach, key } = usePassKeys(
  lanes,
  () => inView.value.flatMap(({ work }) => work.filter(({ status }) => status === 'planned'))[0]?.id,
  { nudge, cancel },
);

async function toNow(): Promise<void> {
  scrolledPx.value = startPx();
  await nextTick();
  if (scroller.value) scroller.value.scrollLeft = startPx();
}
watch(toRef(props, 'pxPerHour'), toNow);
onMounted(toNow);
</script>

<template>
  <div ref="scroller" class="scroller" @scroll.passive="scrolledPx = scroller?.scrollLeft ?? 0">
    <div class="chart" :class="{ whole: pxPerHour === 0 }">
      <ChartNames :rows="inView" :rows-px="virtual.getTotalSize()" :axis-px="axisPx" />
      <div ref="lanes" class="lanes" :style="{ width }">
        <div class="backdrop" aria-hidden="true">
          <div
            v-for="window in free"
            :key="window.key"
            class="free"
            :style="{ left: left(window.from), width: wide(window.from, window.to) }"
          />
          <div
            v-for="day in inSightOf(days)"
            :key="day.from"
            class="midnight"
            :style="{ left: left(day.from) }"
          />
        </div>
        <div ref="axis" class="axis figures small">
          <span
            v-for="day in dayWords"
            :key="day.from"
            class="day"
            :class="{ weekend: day.weekend }"
            :style="{ left: left(day.from) }"
            >{{ day.label }} {{ day.month }}</span
          >
          <ChartFlags :flags="flags" :from="from" :until="until" :width-px="lanesPx" />
        </div>
        <div ref="above">
          <div v-for="lane in people" :key="lane.person.id" class="lane session-lane">
            <span
              v-for="session in takenOf(lane.person.id)"
              :key="session.key"
              class="elsewhere"
              :style="{ left: left(session.from), width: `max(7px, ${wide(session.from, session.to)})` }"
              :title="`${lane.person.name}: ${session.name}, ${sayMoment(session.from, zone)} to ${sayTimeOfDay(session.to, zone)}`"
              >{{ session.name }}</span
            >
            <button
              v-for="session in lane.sessions"
              :key="session.id"
              class="session"
              :class="{ chosen: chosen === session.id }"
              :style="{ left: left(session.from), width: `max(7px, ${wide(session.from, session.to)})` }"
              :title="`${lane.person.name}: ${sayMoment(session.from, zone)} to ${sayTimeOfDay(session.to, zone)}`"
              :aria-label="`${lane.person.name}, ${sayMoment(session.from, zone)}: run sheet`"
              :aria-pressed="chosen === session.id"
              @click="chosen = session.id"
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
        </div>
        <div class="rows" :style="{ height: `${virtual.getTotalSize()}px` }">
          <div v-for="row in inView" :key="row.piece.id" class="lane" :style="{ top: `${row.topPx}px` }">
            <PieceLane
              :state="row.state"
              :ribbon="row.ribbon"
              :work="row.work"
              :from="from"
              :until="until"
              :pinned="pinnedIds"
              :shift-of="shiftOf"
              :reached="row.work.some(({ id }) => id === reached) ? reached : undefined"
              @grab="grab"
              @pull="pull"
              @drop="drop"
              @cancel="cancel"
              @press="$emit('press', $event)"
              @key="key"
              @reach="reach"
            />
          </div>
        </div>
        <div v-for="band in store.theView.places" :key="band.placeId" class="lane">
          <PlaceLane :band="band" :from="from" :until="until" :time-zone="zone" />
        </div>
        <div v-for="flag in flags" :key="flag.key" class="date" :style="{ left: left(flag.at) }" />
        <NowLine :from="from" :until="until" />
      </div>
    </div>
  </div>
</template>

<style scoped>
.scroller {
  max-height: calc(100dvh - var(--masthead-px, 66px) - var(--nav-px, 0px) - 12px);
  overflow: auto;
  scroll-padding: 90px 20px 20px 260px;
  border: 1px solid var(--line);
  background: rgb(var(--v-theme-surface-variant));
}

.chart {
  display: flex;
  min-width: 100%;
  width: max-content;
}

.lanes {
  position: relative;
  flex: 1 0 auto;
}

.chart.whole {
  width: 100%;
}

.chart.whole .lanes {
  flex: 1 1 0;
  min-width: 0;
}

.axis {
  position: sticky;
  top: 0;
  z-index: 5;
  padding-top: 30px;
  border-bottom: 1px solid var(--line);
  background: rgb(var(--v-theme-surface-variant));
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

.session-lane {
  height: 30px;
}

.backdrop {
  position: absolute;
  inset: 0;
}

.free {
  position: absolute;
  top: 0;
  bottom: 0;
  background: rgb(var(--v-theme-surface));
}

.midnight {
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 1px solid var(--line);
}

.elsewhere {
  position: absolute;
  top: 4px;
  bottom: 4px;
  padding: 0 4px;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
  font-size: 0.75rem;
  line-height: 20px;
  color: rgb(var(--v-theme-on-surface));
  border: 1px dashed rgb(var(--v-theme-on-surface));
  border-radius: 2px;
  background: repeating-linear-gradient(
    -45deg,
    rgb(var(--v-theme-surface)) 0 6px,
    rgb(var(--v-theme-surface-variant)) 6px 12px
  );
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

.date {
  position: absolute;
  top: 0;
  bottom: 0;
  border-left: 2px solid rgb(var(--v-theme-error));
  z-index: 3;
  pointer-events: none;
}

.rows {
  position: relative;
}

@media print {
  .scroller {
    max-height: none;
    overflow: visible;
  }
}

.rows .lane {
  position: absolute;
  left: 0;
  right: 0;
}
</style>
