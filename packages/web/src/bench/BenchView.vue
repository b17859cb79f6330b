<script setup lang="ts">
import { safetyLine, sayMoment, sayWait, type PlannedOperation } from '@fixatum/core';
import { mdiCheckBold, mdiPlay, mdiShieldAlertOutline } from '@mdi/js';
import { onKeyStroke } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { batchesOf, underwayOf } from './bench';
import { dryingOf } from '../shared/drying';
import AirStrip from './AirStrip.vue';
import BenchTimers from './BenchTimers.vue';
import DryingList from './DryingList.vue';
import RunSheet from './RunSheet.vue';
import StrataCut from '../shared/StrataCut.vue';
import { useBuild } from '../shared/build';
import { useOutbox } from '../shared/outbox';
import { timeOfDay } from '../shared/timeAxis';
import { isTyping } from '../shared/typing';
import { passWords, pieceNames, unitName, withWords, zoneNames } from '../shared/words';
import { later } from '../shared/later';

const NotAsPlannedDialog = later(() => import('./NotAsPlannedDialog.vue'));

const store = useBuild();
const outbox = useOutbox();
/** Earlier than this before its session, work is called early. */
const EARLY_MINUTES = 20;

const underway = computed(() => (store.view ? underwayOf(store.view) : []));
const batches = computed(() => (store.view ? batchesOf(store.view) : []));
const drying = computed(() => (store.view ? dryingOf(store.view, store.now) : []));
const next = computed(() => batches.value[0]);

/** What the big panel is about: what is being done, or else what comes next. */
const shown = computed((): PlannedOperation[] =>
  underway.value.length > 0 ? underway.value : (next.value?.operations ?? []),
);
const first = computed(() => shown.value[0]);
const isUnderway = computed(() => underway.value.length > 0);
const isEarly = computed(
  () => !isUnderway.value && next.value !== undefined && next.value.start - store.now > EARLY_MINUTES,
);
const rest = computed(() => batches.value.filter((batch) => batch !== next.value || isUnderway.value));

const left = ref(new Set<string>());
watch(
  () => shown.value.map((operation) => operation.id).join(),
  () => (left.value = new Set()),
);
const chosen = computed(() => shown.value.filter((operation) => !left.value.has(operation.id)));
/** Ticks or unticks some passes together. */
function toggle(operations: readonly PlannedOperation[]): void {
  const set = new Set(left.value);
  const all = operations.every((operation) => !set.has(operation.id));
  for (const operation of operations) {
    if (all) set.add(operation.id);
    else set.delete(operation.id);
  }
  left.value = set;
}
const apart = ref(new Set<string>());
function takeApart(key: string): void {
  const set = new Set(apart.value);
  if (!set.delete(key)) set.add(key);
  apart.value = set;
}

/** The passes of the big panel, units of a set together. */
const groups = computed(() => {
  const list: { key: string; name: string; detail: string; operations: PlannedOperation[] }[] = [];
  for (const operation of shown.value) {
    const key = [operation.pieceId, operation.stepId, operation.coat, operation.face].join(' ');
    const known = list.find((group) => group.key === key);
    if (known) known.operations.push(operation);
    else list.push({ key, name: '', detail: '', operations: [operation] });
  }
  for (const group of list) {
    const one = group.operations[0]!;
    group.name =
      group.operations.length === 1
        ? unitName(store.build, one.pieceId, one.unit)
        : pieceNames(store.build, group.operations);
    const differs =
      one.stepId !== first.value?.stepId || one.coat !== first.value.coat || one.face !== first.value.face;
    group.detail = [zoneNames(store.build, one), differs ? passWords(one) : ''].filter(Boolean).join(' · ');
  }
  return list;
});

const placeName = computed(
  () => store.build?.places.find((place) => place.id === first.value?.placeId)?.name,
);
const personName = computed(
  () => store.build?.people.find((person) => person.id === first.value?.personId)?.name,
);
const piece = computed(() => (first.value ? store.pieceOf(first.value.pieceId) : undefined));
const step = computed(() => piece.value?.steps.find((candidate) => candidate.id === first.value?.stepId));
const safety = computed(() =>
  step.value && first.value ? safetyLine(step.value, first.value.method, first.value.material) : undefined,
);
const strata = computed(() => {
  if (!store.view || !first.value) return [];
  const cells = store.view.strata[`${first.value.pieceId}/${first.value.unit}`] ?? {};
  const cell = first.value.cells.find((candidate) => cells[candidate]) ?? Object.keys(cells)[0];
  return (cell ? (cells[cell] ?? []) : []).filter((coat) => coat.real);
});

const elapsed = computed(() => store.workedMinutes(underway.value));
const paused = computed(() => isUnderway.value && store.isPaused(underway.value));
/** Hands-on minutes of some passes in one batch. */
const minutesOf = (list: readonly PlannedOperation[]) =>
  list.reduce((total, operation) => total + operation.workMinutes, 0) +
  (list[0] ? list[0].setUpMinutes + list[0].cleanUpMinutes : 0);
const handsOn = computed(() => minutesOf(chosen.value));

const different = ref(false);
const again = computed(() => chosen.value.some((operation) => operation.failures > 0));

/** While nothing is due, what could be done in the time there is. */
const freeMinutes = computed(() =>
  isEarly.value && next.value ? Math.floor(next.value.start - store.now) : 0,
);
const LONGEST_GAP_MINUTES = 12 * 60;
const meanwhile = computed(() => {
  const due = new Set(next.value?.operations.map((operation) => operation.id));
  const groups = new Map<string, PlannedOperation[]>();
  for (const id of store.view?.doableNow ?? []) {
    const operation = store.operations.get(id);
    if (!operation || due.has(id)) continue;
    const key = `${operation.pieceId} ${operation.stepId} ${operation.coat} ${operation.face}`;
    groups.set(key, [...(groups.get(key) ?? []), operation]);
  }
  return [...groups.values()]
    .map((operations) => ({ operations, minutes: minutesOf(operations) }))
    .filter(({ minutes }) => minutes <= freeMinutes.value)
    .slice(0, 3);
});

const begin = () => chosen.value.length > 0 && store.start(chosen.value);
const done = () => chosen.value.length > 0 && store.logDone(chosen.value);

onKeyStroke((event) => {
  if (isTyping(event) || event.ctrlKey || event.metaKey || store.busy) return;
  if (event.key === 's' && !isUnderway.value) void begin();
  if (event.key === 'd' && isUnderway.value) void done();
});
</script>

<template>
  <div v-if="store.build && store.view && !store.provisional" class="page bench">
    <div class="above">
      <p v-if="outbox.away && outbox.count > 0" class="away" role="status">
        The server does not answer. {{ outbox.count }}
        {{ outbox.count === 1 ? 'press is' : 'presses are' }} kept on this machine and sent as soon as it is
        there.
      </p>
      <AirStrip />
      <ul v-if="store.changed.length > 0" class="changed small" aria-label="What the last change moved">
        <li v-for="line in store.changed" :key="line">{{ line }}</li>
      </ul>
    </div>
    <section v-if="first" class="now" aria-labelledby="now-title">
      <div class="what">
        <p class="eyebrow" aria-live="polite">
          <template v-if="isUnderway"
            >{{ paused ? 'Paused; begun at' : 'Under way since' }}
            {{ timeOfDay(first.start!, store.view.timeZone) }}</template
          >
          <template v-else-if="isEarly"
            >Nothing needs hands until {{ sayMoment(next!.start, store.view.timeZone) }}. Then:</template
          >
          <template v-else
            >Now<template v-if="store.build.people.length > 1 && personName"
              >, {{ personName }}</template
            ></template
          >
        </p>
        <h1 id="now-title" data-testid="next-pass">{{ passWords(first) }}</h1>
        <p class="with">
          <span
            v-if="first.material"
            class="chip"
            :style="{ background: first.colour ?? first.material.colour }"
            aria-hidden="true"
          />
          {{ withWords(first) }}<template v-if="placeName"> · {{ placeName }}</template>
        </p>
        <p v-if="safety" class="safety"><v-icon :icon="mdiShieldAlertOutline" size="22" /> {{ safety }}</p>
        <p v-if="step?.note" class="quiet mt-2">{{ step.note }}</p>

        <p v-if="again" class="again">
          ▲ It failed before. Sand it back first: the extra ten minutes are in the time below.
        </p>
        <ul class="units" aria-label="Pieces of this batch">
          <template v-for="group in groups" :key="group.key">
            <li class="unit">
              <label>
                <input
                  type="checkbox"
                  :checked="group.operations.every((one) => !left.has(one.id))"
                  @change="toggle(group.operations)"
                />
                <span>
                  <strong>{{ group.name }}</strong>
                  <span v-if="group.detail" class="quiet"> · {{ group.detail }}</span>
                </span>
              </label>
              <button
                v-if="group.operations.length > 1"
                class="apart"
                :aria-expanded="apart.has(group.key)"
                @click="takeApart(group.key)"
              >
                {{ apart.has(group.key) ? 'together' : 'one by one' }}
              </button>
            </li>
            <template v-if="group.operations.length > 1 && apart.has(group.key)">
              <li v-for="operation in group.operations" :key="operation.id" class="unit single">
                <label>
                  <input type="checkbox" :checked="!left.has(operation.id)" @change="toggle([operation])" />
                  {{ unitName(store.build, operation.pieceId, operation.unit) }}
                </label>
              </li>
            </template>
          </template>
        </ul>

        <div class="act">
          <v-btn
            v-if="!isUnderway"
            size="x-large"
            variant="flat"
            color="primary"
            :prepend-icon="mdiPlay"
            :disabled="chosen.length === 0 || store.busy"
            data-testid="start"
            @click="begin"
          >
            {{ isEarly ? 'Start early' : 'Start' }}
          </v-btn>
          <template v-else>
            <v-btn
              size="x-large"
              variant="flat"
              color="primary"
              :prepend-icon="mdiCheckBold"
              :disabled="chosen.length === 0 || store.busy"
              data-testid="done"
              @click="done"
              >Done, log it</v-btn
            >
            <v-btn size="x-large" variant="outlined" @click="store.pause(underway)">{{
              paused ? 'Go on' : 'Pause'
            }}</v-btn>
            <v-btn size="x-large" variant="text" :disabled="store.busy" @click="store.stop(underway)"
              >Not after all</v-btn
            >
          </template>
          <v-btn
            v-if="isUnderway"
            size="large"
            variant="outlined"
            :disabled="chosen.length === 0"
            @click="different = true"
            >Not as planned…</v-btn
          >
          <p class="figures quiet">
            <template v-if="isUnderway">{{ sayWait(elapsed) }} of about {{ sayWait(handsOn) }}</template>
            <template v-else>about {{ sayWait(handsOn) }} of hands-on work</template>
          </p>
        </div>
      </div>
      <div v-if="meanwhile.length > 0 && freeMinutes <= LONGEST_GAP_MINUTES" class="meanwhile">
        <h2>{{ sayWait(freeMinutes) }} free</h2>
        <p class="quiet">This can be done now:</p>
        <ul>
          <li v-for="{ operations, minutes } in meanwhile" :key="operations[0]!.id">
            <span
              ><strong>{{ passWords(operations[0]!) }}</strong> {{ pieceNames(store.build, operations) }}
              <span class="quiet figures">{{ sayWait(minutes) }}</span></span
            >
            <v-btn size="large" :disabled="store.busy" @click="store.start(operations)">Start</v-btn>
          </li>
        </ul>
      </div>
      <div v-if="piece" class="cutting">
        <p class="small quiet mb-2">{{ unitName(store.build, first.pieceId, first.unit) }}, cut through</p>
        <StrataCut
          :coats="strata"
          :substrate="piece.substrate"
          :now="store.now"
          :height="strata.length > 0 ? 260 : 52"
        />
        <router-link class="small link" :to="{ name: 'piece', params: { build: store.id!, piece: piece.id } }"
          >The whole piece</router-link
        >
      </div>
    </section>

    <section v-else class="now empty">
      <div>
        <template v-if="store.build.pieces.length === 0">
          <h1>No pieces yet</h1>
          <p class="my-4">Add the pieces of this build, and the Bench will say what to do first.</p>
          <v-btn
            size="large"
            variant="flat"
            color="primary"
            :to="{ name: 'pieces', params: { build: store.id! } }"
            >Go to Pieces</v-btn
          >
        </template>
        <template v-else-if="store.view.pieces.some((state) => state.readiness === 'stuck')">
          <h1>Nothing can go on</h1>
          <p class="my-4">Some pieces have work left that nothing on the plan allows. Their steps say why.</p>
          <v-btn
            size="large"
            variant="flat"
            color="primary"
            :to="{ name: 'pieces', params: { build: store.id! } }"
            >See the pieces</v-btn
          >
        </template>
        <template v-else>
          <h1>All hands-on work is done</h1>
          <p class="my-4">What is left is waiting: see what is drying.</p>
        </template>
      </div>
    </section>

    <aside class="drying">
      <BenchTimers :passes="shown" />
      <DryingList class="mt-6" :drying="drying" />
    </aside>
    <NotAsPlannedDialog v-if="different" v-model="different" :passes="chosen" />
    <RunSheet class="then" :batches="rest" />
  </div>
  <div v-else class="page quiet">
    {{ store.build ? 'Looking for the best order to work in…' : 'Opening the build…' }}
  </div>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template-columns: minmax(0, 1.75fr) minmax(300px, 1fr);
  grid-template-areas: 'above above' 'now drying' 'then drying';
  grid-template-rows: auto auto 1fr;
  gap: 28px 36px;
}

.above {
  grid-area: above;
}

.away {
  margin-bottom: 10px;
  padding: 8px 12px;
  border-left: 4px solid rgb(var(--v-theme-warning));
  background: rgb(var(--v-theme-surface));
}

.changed {
  list-style: none;
  padding: 4px 0 0;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 24px;
  color: var(--quiet);
}

.again {
  margin-top: 12px;
  font-weight: 600;
  color: rgb(var(--v-theme-warning));
}

.meanwhile ul {
  list-style: none;
  padding: 0;
  margin-top: 8px;
}

.meanwhile li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  align-items: center;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}

.now {
  grid-area: now;
  display: grid;
  grid-template-columns: minmax(0, 1fr) 300px;
  gap: 32px;
  border-bottom: 1px solid var(--line);
  padding-bottom: 28px;
}

.now.empty {
  grid-template-columns: 1fr;
  min-height: 300px;
  align-items: center;
}

.drying {
  grid-area: drying;
}

.then {
  grid-area: then;
}

.eyebrow {
  font-weight: 600;
  color: var(--quiet);
  min-height: 1.5em;
}

.now h1 {
  font-size: 2.4rem;
  margin: 4px 0 8px;
}

.with {
  display: flex;
  align-items: center;
  gap: 10px;
  font-size: 1.1rem;
}

.chip {
  flex: none;
  width: 26px;
  height: 26px;
  border-radius: 3px;
  border: 1px solid var(--line);
}

.safety {
  display: flex;
  gap: 10px;
  align-items: flex-start;
  margin-top: 14px;
  padding: 10px 12px;
  border-left: 4px solid rgb(var(--v-theme-warning));
  background: rgb(var(--v-theme-surface));
}

.units {
  list-style: none;
  padding: 0;
  margin: 16px 0 0;
  max-height: 264px;
  overflow-y: auto;
}

.unit {
  display: flex;
  align-items: center;
  border-top: 1px solid var(--line);
}

.unit.single {
  padding-left: 38px;
}

.unit label {
  display: flex;
  flex: 1;
  gap: 14px;
  align-items: center;
  min-height: 48px;
  cursor: pointer;
}

.apart {
  min-height: 44px;
  padding: 0 8px;
  text-decoration: underline;
  color: var(--quiet);
}

.units input {
  width: 24px;
  height: 24px;
  flex: none;
  accent-color: rgb(var(--v-theme-primary));
}

.act {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 16px;
  margin-top: 20px;
}

.act .v-btn {
  min-height: 64px;
  min-width: 190px;
  font-size: 1.2rem;
}

.link {
  display: inline-block;
  margin-top: 10px;
  color: inherit;
}

@media (max-width: 1100px) {
  .now {
    grid-template-columns: 1fr;
  }

  .cutting {
    display: none;
  }
}

@media (max-width: 820px) {
  .bench {
    grid-template-columns: minmax(0, 1fr);
    grid-template-areas: 'above' 'now' 'drying' 'then';
    grid-template-rows: none;
  }

  .now h1 {
    font-size: 1.9rem;
  }

  .act .v-btn {
    width: 100%;
  }
}
</style>
