<script setup lang="ts">
import {
  epochMinute,
  idFromName,
  personCalendar,
  planCsv,
  planIcs,
  sayChance,
  sayMoment,
  sayWait,
  type Binding,
  type Piece,
  type PlannedOperation,
  type Session,
} from '@fixatum/core';
import { useElementSize } from '@vueuse/core';
import { computed, nextTick, onMounted, ref, watch } from 'vue';
import BatchLine from '../shared/BatchLine.vue';
import DryingRibbon from '../shared/DryingRibbon.vue';
import PassDialog from './PassDialog.vue';
import PlaceLane from './PlaceLane.vue';
import ReadinessMark from '../shared/ReadinessMark.vue';
import RescuePanel from './RescuePanel.vue';
import { useBetterPlan } from './betterPlan';
import { useBuild } from '../shared/build';
import { useForecast } from '../shared/forecast';
import { useNotice } from '../shared/notice';
import { dayOf, daysBetween, percent, timeOfDay } from '../shared/timeAxis';
import { beginByWords, passWords, unitName } from '../shared/words';

const store = useBuild();
const forecast = useForecast();
const better = useBetterPlan();
const notice = useNotice();
const scroller = ref<HTMLElement>();
const lanes = ref<HTMLElement>();
const zooms = [
  { word: 'All', pxPerHour: 0 },
  { word: 'Weeks', pxPerHour: 3.2 },
  { word: 'Days', pxPerHour: 14 },
  { word: 'Hours', pxPerHour: 70 },
  { word: 'Minutes', pxPerHour: 360 },
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
/** The words for a day, such as "Wed 24 Feb", are about as wide as this. */
const DAY_WORDS_PX = 72;
const { width: lanesPx } = useElementSize(lanes);
const dayWords = computed(() => {
  const dayPx = lanesPx.value / days.value.length;
  const every = dayPx > 0 ? Math.max(1, Math.ceil(DAY_WORDS_PX / dayPx)) : days.value.length;
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
    by: beginByWords(store.build!, session),
    person: store.build?.people.find((person) => person.id === session.personId)?.name ?? '',
    batches: session.batches.map((batch) => ({
      ...batch,
      operations: batch.operationIds.map((id) => store.operations.get(id)!),
    })),
  };
});

/** What a pass was before it is let go of: dragged sideways it is pinned where it is dropped, pressed it is told about. */
const asked = ref<PlannedOperation>();
const asking = ref(false);
const drag = ref<{ id: string; fromX: number; byMinutes: number }>();
const SNAP_MINUTES = 5;
const MOVES_FROM_PX = 5;
function grab(event: PointerEvent, operation: PlannedOperation): void {
  if (operation.status !== 'planned' || event.button !== 0) return;
  (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
  drag.value = { id: operation.id, fromX: event.clientX, byMinutes: 0 };
}
function pull(event: PointerEvent): void {
  const lanes = scroller.value?.querySelector<HTMLElement>('.lanes');
  if (!drag.value || !lanes) return;
  const px = event.clientX - drag.value.fromX;
  const minutes = (px * (until.value - from.value)) / lanes.clientWidth;
  drag.value.byMinutes = Math.abs(px) < MOVES_FROM_PX ? 0 : Math.round(minutes / SNAP_MINUTES) * SNAP_MINUTES;
}
async function drop(operation: PlannedOperation): Promise<void> {
  const { byMinutes = 0 } = drag.value ?? {};
  drag.value = undefined;
  if (byMinutes === 0) {
    asked.value = operation;
    asking.value = true;
    return;
  }
  const to = Math.max(Math.floor(store.now), operation.start! + byMinutes);
  watched.value = { id: operation.id, to };
  await store.pin([operation.id], to);
}
/** A pin whose plan is still to come: where it can't be kept, the reason is said. */
const watched = ref<{ id: string; to: number }>();
watch(
  () => store.view,
  () => {
    const one = watched.value && store.operations.get(watched.value.id);
    if (!one || !watched.value || store.planning) return;
    const { to } = watched.value;
    watched.value = undefined;
    if (one.start === undefined || one.start > to + SNAP_MINUTES)
      notice.say(
        `It can’t begin ${sayMoment(to, zone.value)}: ${reasons[one.boundBy ?? 'order']}. ${one.start === undefined ? 'It has no place at all now.' : `It begins ${sayMoment(one.start, zone.value)}.`}`,
        { label: 'Undo', run: () => void store.undo() },
      );
  },
);
const reasons: Record<Binding | 'choice', string> = {
  start: 'that is past',
  order: 'what goes before is not done by then',
  drying: 'what lies below is not dry enough by then',
  through: 'what lies below is not dry through by then, and the coats would hold each other up',
  window: 'no recoat window is open then',
  hands: 'nobody is free then',
  place: 'the place is closed then',
  quiet: 'those are quiet hours',
  rack: 'the rack is full then',
  air: 'the air is unfit then',
  choice: 'the plan as a whole is better so',
};
const pinnedIds = computed(() => new Set((store.build?.pins ?? []).map((pin) => pin.operation)));
const shiftOf = (operation: PlannedOperation) => (drag.value?.id === operation.id ? drag.value.byMinutes : 0);

const standing = computed(() =>
  rows.value.map(({ piece, state }) => ({
    piece,
    state,
    chance: forecast.byPiece.get(piece.id)?.chance,
    bound: store.view!.bounds.find((one) => one.pieceId === piece.id),
  })),
);
const eventName = (piece: Piece) =>
  store.build?.events.find((one) => one.id === piece.event)?.name ?? 'the date';
const handsProof = computed(() => store.view?.hands.filter((one) => one.provesLate) ?? []);

const readyOf = (state: { packableAt?: number | undefined; wearableAt?: number | undefined }) =>
  state.packableAt === undefined || state.wearableAt === undefined
    ? undefined
    : Math.max(state.packableAt, state.wearableAt);
const differences = computed(() =>
  better.kept === undefined
    ? []
    : rows.value.map(({ piece, state }) => {
        const then = better.kept!.ready[piece.id];
        const now = readyOf(state);
        return { piece, then, now, shift: then === undefined || now === undefined ? undefined : now - then };
      }),
);

function save(name: string, text: string, type: string): void {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(new Blob([text], { type }));
  link.download = `${idFromName(store.build!.name, [])}-${name}`;
  link.click();
  URL.revokeObjectURL(link.href);
}
const saveCalendar = () => save('plan.ics', planIcs(store.build!, store.view!, store.id!), 'text/calendar');
const saveTable = () => save('plan.csv', planCsv(store.build!, store.view!), 'text/csv');

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
      <div class="tools">
        <template v-if="better.share === undefined">
          <v-btn size="small" :disabled="store.planning" @click="better.look()">Look for a better plan</v-btn>
        </template>
        <span v-else class="looking small figures" role="status">
          <v-progress-circular :model-value="better.share * 100" size="22" width="3" />
          {{ better.tried }} orders tried
          <v-btn size="small" variant="text" @click="better.stopLooking()">Stop</v-btn>
        </span>
        <v-menu>
          <template #activator="{ props: menu }"
            ><v-btn size="small" v-bind="menu">Take it along</v-btn></template
          >
          <v-list density="comfortable">
            <v-list-item
              title="Run sheets on paper"
              :to="{ name: 'run-sheets', params: { build: store.id! } }"
            />
            <v-list-item title="Calendar file (ICS)" @click="saveCalendar" />
            <v-list-item title="Table (CSV)" @click="saveTable" />
            <v-list-item
              :title="better.kept ? 'Compare with this plan instead' : 'Keep this plan to compare with'"
              @click="better.keep()"
            />
          </v-list>
        </v-menu>
      </div>
      <div class="segmented" role="group" aria-label="Zoom">
        <button v-for="(one, at) in zooms" :key="one.word" :aria-pressed="zoom === at" @click="zoom = at">
          {{ one.word }}
        </button>
      </div>
    </div>

    <ul v-if="store.changed.length > 0" class="changed small" aria-label="What the last change moved">
      <li v-for="line in store.changed" :key="line">{{ line }}</li>
    </ul>
    <p v-for="proof in handsProof" :key="proof.eventId" class="proof">
      ▲ {{ sayWait(proof.needMinutes) }} of bare work have to be done before
      {{ store.build.events.find((one) => one.id === proof.eventId)?.name }}, and there are
      {{ sayWait(proof.haveMinutes) }} of free time: no plan can do that.
      <template v-if="Number.isFinite(proof.doneAt)"
        >With everybody at it in all free time it is done {{ sayMoment(proof.doneAt, zone) }}.</template
      >
    </p>
    <RescuePanel />

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
          <div v-for="band in store.view.places" :key="band.placeId" class="lane place-lane small quiet">
            <span class="clip">{{
              store.build.places.find((place) => place.id === band.placeId)?.name ?? 'Room'
            }}</span>
            <span>rack of {{ band.slots }}, °C</span>
          </div>
        </div>
        <div ref="lanes" class="lanes" :style="{ width }">
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
            <component
              :is="operation.status === 'planned' ? 'button' : 'span'"
              v-for="operation in row.work"
              :key="operation.id"
              class="pass"
              :class="[
                operation.status,
                { pinned: pinnedIds.has(operation.id), moving: shiftOf(operation) !== 0 },
              ]"
              :style="{
                left: left(operation.start! + shiftOf(operation)),
                width: `max(3px, ${wide(operation.start!, operation.laidAt!)})`,
              }"
              :aria-label="
                operation.status === 'planned'
                  ? `${unitName(store.build, operation.pieceId, operation.unit)}: ${passWords(operation)}, ${sayMoment(operation.start!, zone)}`
                  : undefined
              "
              :title="`${unitName(store.build, operation.pieceId, operation.unit)}: ${passWords(operation)}, ${sayMoment(operation.start!, zone)}`"
              @pointerdown="grab($event, operation)"
              @pointermove="pull"
              @pointerup="operation.status === 'planned' && drop(operation)"
              @pointercancel="drag = undefined"
              @keydown.enter.prevent="((asked = operation), (asking = true))"
            />
          </div>
          <div v-for="band in store.view.places" :key="band.placeId" class="lane place-lane">
            <PlaceLane :band="band" :from="from" :until="until" :time-zone="zone" />
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

    <section v-if="rows.length > 0" aria-labelledby="standing-title" class="standing">
      <h2 id="standing-title">Where each piece stands</h2>
      <div class="wide">
        <table class="figures" data-testid="standing">
          <thead>
            <tr>
              <th scope="col">Piece</th>
              <th scope="col">Ready</th>
              <th scope="col">Chance</th>
              <th scope="col">Go on by</th>
              <th scope="col">No plan is quicker than</th>
              <th v-if="better.kept" scope="col">
                Against the plan of {{ sayMoment(better.kept.at, zone) }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="(one, n) in standing" :key="one.piece.id">
              <th scope="row">{{ one.piece.name }}</th>
              <td>
                {{
                  readyOf(one.state) !== undefined && Number.isFinite(readyOf(one.state)!)
                    ? sayMoment(readyOf(one.state)!, zone)
                    : 'never'
                }}
              </td>
              <td>{{ one.chance === undefined ? '–' : sayChance(one.chance) }}</td>
              <td>
                <template v-if="one.state.latestStartAt !== undefined"
                  >{{ sayMoment(one.state.latestStartAt, zone) }}
                  <span class="quiet">or lose {{ eventName(one.piece) }}</span></template
                ><template v-else>–</template>
              </td>
              <td class="quiet">{{ one.bound?.sentence ?? '…' }}</td>
              <td v-if="better.kept">
                {{
                  differences[n]!.shift === undefined
                    ? '–'
                    : Math.abs(differences[n]!.shift!) < 1
                      ? 'the same'
                      : `${sayWait(Math.abs(differences[n]!.shift!))} ${differences[n]!.shift! > 0 ? 'later' : 'sooner'}`
                }}
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-if="better.kept" class="small mt-2">
        {{ store.view.sessions.length }} sessions now, {{ better.kept.sessions }} then.
        <button class="link" @click="better.kept = undefined">Stop comparing</button>
      </p>
    </section>
    <PassDialog v-model="asking" :operation="asked" />

    <section v-if="sheet" class="sheet" aria-labelledby="sheet-title">
      <h2 id="sheet-title">
        Run sheet: {{ dayOf(sheet.session.from, zone) }}, {{ timeOfDay(sheet.session.from, zone) }} to
        {{ timeOfDay(sheet.session.to, zone)
        }}<template v-if="people.length > 1">, {{ sheet.person }}</template>
      </h2>
      <p v-if="sheet.by" class="mt-1">
        <strong class="figures">{{ sheet.by }}.</strong>
      </p>
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

.tools {
  display: flex;
  gap: 10px;
  align-items: center;
  margin-left: auto;
  margin-right: 20px;
}

.looking {
  display: inline-flex;
  align-items: center;
  gap: 10px;
}

.changed {
  list-style: none;
  padding: 6px 12px;
  margin-bottom: 12px;
  border-left: 4px solid rgb(var(--v-theme-secondary));
  background: rgb(var(--v-theme-surface));
}

.proof {
  margin-bottom: 12px;
  font-weight: 600;
  color: rgb(var(--v-theme-error));
}

.standing {
  margin-bottom: 28px;
}

.standing .wide {
  overflow-x: auto;
}

.standing table {
  border-collapse: collapse;
  width: 100%;
  margin-top: 8px;
  font-size: 0.9rem;
}

.standing :is(th, td) {
  text-align: left;
  padding: 5px 14px 5px 0;
  border-bottom: 1px solid var(--line);
  vertical-align: top;
}

.link {
  text-decoration: underline;
}

.place-lane {
  height: 30px;
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

button.pass {
  height: 12px;
  top: 0;
  border-top: 3px solid rgba(var(--v-theme-surface), 0);
  background-clip: padding-box;
  cursor: grab;
  touch-action: none;
}

button.pass.moving {
  opacity: 0.6;
  cursor: grabbing;
  z-index: 5;
}

/* A pin through the top of the pass. */
.pass.pinned::after {
  content: '';
  position: absolute;
  top: -4px;
  left: -3px;
  border: 4px solid transparent;
  border-top-color: rgb(var(--v-theme-error));
  border-top-width: 8px;
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
  .head {
    flex-wrap: wrap;
    gap: 10px;
  }

  .tools {
    margin-right: 0;
  }

  .segmented {
    flex: 1 0 100%;
  }

  .segmented button {
    flex: 1 1 0;
    padding: 0;
  }

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
