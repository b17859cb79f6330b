<script setup lang="ts">
import { sayDate, sayMoment, workWord, type PlannedOperation } from '@fixatum/core';
import { computed } from 'vue';
import { batchesBeside, batchesOf, inTurn, underwayOf } from './bench';
import { dryingOf } from '../shared/drying';
import AirStrip from './AirStrip.vue';
import DryingList from './DryingList.vue';
import NextPasses from './NextPasses.vue';
import StrataCut from '../shared/StrataCut.vue';
import { api } from '../shared/api';
import ChangedLines from '../shared/ChangedLines.vue';
import { useBuild } from '../shared/build';
import { benchParts } from './benchParts';
import { later } from '../shared/later';
import { unitName } from '../shared/words';

const BenchTimers = later(benchParts.timers);
const RackNote = later(() => import('../shared/RackNote.vue'));
const MissedNote = later(() => import('./MissedNote.vue'));
const MeanwhileList = later(benchParts.meanwhile);
const RunSheet = later(benchParts.runSheet);

const store = useBuild();
/** Earlier than this before its session, work is called early. */
const EARLY_MINUTES = 20;
/** What is to do in other builds is told this far ahead. */
const SOON_MINUTES = 36 * 60;

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
const beside = computed(() =>
  inTurn(batchesBeside(store.beside, store.besidePlans, store.minute + SOON_MINUTES)),
);
const rest = computed(() =>
  inTurn(
    batches.value.filter((batch) => batch !== next.value || isUnderway.value),
    beside.value,
  ),
);
/** What another build needs hands for while nothing of this one does. */
const sooner = computed(() => {
  const [batch] = isEarly.value ? beside.value : [];
  const pass = batch?.operations[0];
  if (!batch?.of || !pass || !next.value || batch.start >= next.value.start) return undefined;
  return { of: batch.of, start: Math.max(batch.start, store.minute), word: workWord(pass).toLowerCase() };
});
/** Builds of the workshop in which something is under way. */
const busyBeside = computed(() =>
  store.beside.flatMap(({ id, name }) => {
    const [pass] = underwayOf({ operations: store.besidePlans[id]?.operations ?? [] });
    return pass ? [{ id, name, word: workWord(pass) }] : [];
  }),
);

/** What there is once all is done: something still dries until a moment, is packed by another, or its dates are past. */
const leftOver = computed(() => {
  const open = store.view?.pieces.filter(({ pieceId }) => store.pieceOf(pieceId)?.packedAt === undefined);
  if (!open) return undefined;
  const dries = Math.max(-Infinity, ...open.flatMap(({ packableAt }) => packableAt ?? []));
  const dates = open.flatMap(({ packDueAt, wearDueAt }) => packDueAt ?? wearDueAt ?? []);
  const due = dates.filter((at) => at > store.now);
  return {
    dries: dries > store.now && dries < Infinity ? dries : undefined,
    due: due.length > 0 ? Math.min(...due) : undefined,
    isPast: dates.length > 0 && due.length === 0,
  };
});

const openAgain = () =>
  store.change(() => api.finishBuild(store.theId, false), `In hand again: ${store.theBuild.name}`);

const piece = computed(() => (first.value ? store.pieceOf(first.value.pieceId) : undefined));
const strata = computed(() => {
  if (!store.view || !first.value) return [];
  const cells = store.view.strata[`${first.value.pieceId}/${first.value.unit}`] ?? {};
  const cell = first.value.cells.find((candidate) => cells[candidate]) ?? Object.keys(cells)[0];
  return (cell ? (cells[cell] ?? []) : []).filter((coat) => coat.real);
});
</script>

<template>
  <div v-if="store.build && store.view" class="page bench">
    <div class="above">
      <p v-for="one in busyBeside" :key="one.id" class="away" role="status">
        Under way in
        <router-link :to="{ name: 'bench', params: { build: one.id } }">{{ one.name }}</router-link>:
        {{ one.word }}.
      </p>
      <p v-if="sooner" class="away" data-testid="goes-first">
        <router-link :to="{ name: 'bench', params: { build: sooner.of.id } }">{{
          sooner.of.build.name
        }}</router-link>
        goes first: {{ sooner.word }}, {{ sayMoment(sooner.start, store.theView.timeZone) }}.
      </p>
      <MissedNote v-if="store.missed && !store.provisional" :missed="store.missed" />
      <AirStrip />
      <RackNote v-if="!store.provisional" />
      <ChangedLines />
    </div>
    <section v-if="store.provisional" class="now empty">
      <div role="status">
        <h1>Looking for the best order to work in</h1>
        <p class="my-4">The first plan of a build takes a few seconds.</p>
        <v-progress-linear indeterminate />
      </div>
    </section>
    <section v-else-if="store.finishedAt" class="now empty">
      <div>
        <h1>This build is finished</h1>
        <p class="my-4">
          It was put by on {{ sayDate(store.finishedAt.slice(0, 10)) }}, and plans nothing any more. Opened
          again it goes on where it was left.
        </p>
        <v-btn size="large" variant="flat" color="primary" :disabled="store.busy" @click="openAgain"
          >Open it again</v-btn
        >
      </div>
    </section>
    <section v-else-if="first" class="now" aria-labelledby="now-title">
      <NextPasses :passes="shown" :is-underway="isUnderway" :early-for="isEarly ? next?.start : undefined" />
      <MeanwhileList v-if="isEarly && next" :next="next" />
      <div v-if="piece" class="cutting">
        <p class="small quiet mb-2">{{ unitName(store.build, first.pieceId, first.unit) }}, cut through</p>
        <StrataCut
          :coats="strata"
          :substrate="piece.substrate"
          :now="store.now"
          :height="strata.length > 0 ? 260 : 52"
        />
        <router-link class="link" :to="{ name: 'piece', params: { build: store.theId, piece: piece.id } }"
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
            :to="{ name: 'pieces', params: { build: store.theId } }"
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
            :to="{ name: 'pieces', params: { build: store.theId } }"
            >See the pieces</v-btn
          >
        </template>
        <template v-else-if="store.build.pieces.every(({ packedAt }) => packedAt !== undefined)">
          <h1>Everything is packed</h1>
          <p class="my-4">
            Nothing is planned of packed pieces. Taken out again, on its own page, a piece goes on where it
            was.
          </p>
          <v-btn
            size="large"
            variant="flat"
            color="primary"
            :to="{ name: 'workshop', params: { build: store.theId }, hash: '#of-build' }"
            >Finish the build</v-btn
          >
        </template>
        <template v-else>
          <h1>{{ leftOver?.dries === undefined ? 'Everything is ready' : 'All hands-on work is done' }}</h1>
          <p v-if="leftOver" class="my-4" data-testid="left-over">
            <template v-if="leftOver.dries !== undefined"
              >The last of it can be packed from {{ sayMoment(leftOver.dries, store.view.timeZone) }} on.
            </template>
            <template v-if="leftOver.due !== undefined"
              >Pack by {{ sayMoment(leftOver.due, store.view.timeZone) }}; each piece says “It is packed now”
              on its page.</template
            >
            <template v-else-if="leftOver.isPast">Its dates are past: the build can be finished.</template>
          </p>
          <v-btn
            v-if="leftOver?.isPast"
            size="large"
            variant="flat"
            color="primary"
            :to="{ name: 'workshop', params: { build: store.theId }, hash: '#of-build' }"
            >Finish the build</v-btn
          >
          <v-btn
            v-else
            size="large"
            variant="flat"
            color="primary"
            :to="{ name: 'pieces', params: { build: store.theId } }"
            >See the pieces</v-btn
          >
        </template>
      </div>
    </section>

    <aside class="drying">
      <BenchTimers :passes="store.provisional ? [] : shown" />
      <DryingList class="mt-6" :drying="drying" />
    </aside>
    <RunSheet v-if="!store.provisional" class="then" :batches="rest" />
  </div>
  <div v-else class="page quiet">Opening the build…</div>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template-columns: minmax(0, 1.75fr) minmax(300px, 1fr);
  grid-template-areas: 'above above' 'now drying' 'then drying';
  grid-template-rows: auto auto 1fr;
  gap: 28px 36px;
}

/* For a glove: everything that is pressed is 44 px at least, but links within a sentence. */
.bench :deep(:where(.v-btn)) {
  min-width: 44px;
  min-height: 44px;
}

.bench :deep(:where(:not(p) > a:not(.v-btn))) {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
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

.link {
  margin-top: 4px;
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
}
</style>
