<script setup lang="ts">
import {
  failureTable,
  operationId,
  safetyLine,
  sayMoment,
  sayWait,
  type PlannedOperation,
  sayTimeOfDay,
  toWallTime,
} from '@fixatum/core';
import { mdiCheckBold, mdiPlay, mdiShieldAlertOutline } from '@mdi/js';
import { onKeyStroke } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { minutesOf } from './bench';
import { useBeforeStart } from './useBeforeStart';
import type { TinCheck } from './useTinCheck';
import HowToButton from '../shared/HowToButton.vue';
import { useAppearance } from '../shared/appearance';
import { useBuild } from '../shared/build';
import { useMe } from '../shared/me';
import { benchParts } from './benchParts';
import { later } from '../shared/later';

import { commandOf } from '../shared/typing';
import { detailWords, passWords, stepOf, withWords, zoneNames } from '../shared/words';

const ColourName = later(benchParts.colourName);
const BeforeStart = later(benchParts.beforeStart);
const PassTicks = later(benchParts.passTicks);
const TinCheckLine = later(benchParts.tinCheck);
const LookOverPanel = later(benchParts.lookOver);
const NotAfterAllDialog = later(benchParts.notAfterAll);
const StopAskDialog = later(benchParts.stopAsk);
const ShortTinDialog = later(benchParts.shortTin);
const NotAsPlannedDialog = later(benchParts.notAsPlanned);

/** What is being done, or else what comes next: with its pieces, its safety, and the presses that begin and log it. */
const props = defineProps<{
  passes: readonly PlannedOperation[];
  isUnderway: boolean;
  /** When nothing needs hands before, the moment it is planned for. */
  earlyFor: number | undefined;
}>();
const store = useBuild();
const me = useMe();
const first = computed(() => props.passes[0]);

const left = ref(new Set<string>());
watch(
  () => props.passes.map((operation) => operation.id).join(),
  () => {
    left.value = new Set();
    isEnough.value = false;
    check.value = undefined;
  },
);
const chosen = computed(() => props.passes.filter((operation) => !left.value.has(operation.id)));
const placeName = computed(
  () => store.build?.places.find((place) => place.id === first.value?.placeId)?.name,
);
const personName = computed(
  () => store.build?.people.find((person) => person.id === first.value?.personId)?.name,
);
const step = computed(() => first.value && stepOf(store.build, first.value));
const details = computed(() =>
  first.value
    ? [zoneNames(store.build, first.value), detailWords(store.build, first.value)].filter(Boolean).join(' · ')
    : '',
);
const safety = computed(() =>
  step.value && first.value ? safetyLine(step.value, first.value.method, first.value.material) : undefined,
);
const elapsed = computed(() => store.workedMinutes(props.passes));
const paused = computed(() => props.isUnderway && store.isPaused(props.passes));
/** When it was begun, with its day unless that is today. */
const begunWords = computed(() => {
  const { timeZone } = store.theView;
  const at = first.value?.start;
  if (at === undefined) return '';
  const isToday = toWallTime(at, timeZone).slice(0, 10) === toWallTime(store.minute, timeZone).slice(0, 10);
  if (!isToday) return sayMoment(at, timeZone);
  return paused.value ? `at ${sayTimeOfDay(at, timeZone)}` : sayTimeOfDay(at, timeZone);
});
const handsOn = computed(() => minutesOf(chosen.value));

/** A helper takes back what was started on the same device. */
const mayLeave = computed(
  () => !me.isHelper || store.underwayOf(props.passes).every(({ device }) => device === me.device?.id),
);

const different = ref(false);
const leaving = ref(false);
function notAfterAll(): void {
  leaving.value = false;
  void store.stop([...props.passes]);
}
/** A stop to look the work over has a list of its own in place of Start and Done. */
const isLook = computed(() => first.value?.looksOver !== undefined);
const again = computed(() => !isLook.value && chosen.value.some((operation) => operation.failures > 0));

/** How it failed last. */
const failure = computed(() => {
  const ids = new Set(chosen.value.filter(({ failures }) => failures > 0).map(({ id }) => id));
  const last = (store.build?.log ?? []).findLast(
    (entry) => entry.outcome === 'failed' && ids.has(operationId(entry)),
  );
  return { cause: last?.cause ?? ('other' as const) };
});

const { findings, stops, later: delayed, late } = useBeforeStart(chosen, () => props.isUnderway);
/** Steps that were begun against a stop on purpose: asked once. */
const agreed = ref(new Set<string>());
const asking = ref(false);
const check = ref<TinCheck>();
const takeCheck = (said?: TinCheck) => (check.value = said);
/** The shelf holds less than it takes: asked once for what is shown. */
const isShort = ref(false);
const isEnough = ref(false);
const stopKeys = computed(() => stops.value.map(({ piece, step: of, rule }) => `${piece} ${of} ${rule}`));

function begin(): void {
  if (chosen.value.length === 0) return;
  if (stopKeys.value.some((key) => !agreed.value.has(key))) {
    asking.value = true;
    return;
  }
  if (check.value?.isShort && !isEnough.value) {
    isShort.value = true;
    return;
  }
  void store.start(chosen.value);
}
/** Begins with less than it takes, as that will do. */
function beginWithLess(): void {
  isEnough.value = true;
  isShort.value = false;
  begin();
}
function beginAllTheSame(): void {
  for (const key of stopKeys.value) agreed.value.add(key);
  asking.value = false;
  begin();
}
const appearance = useAppearance();
const done = () => chosen.value.length > 0 && store.logDone(chosen.value);

onKeyStroke((event) => {
  const command = commandOf(event, appearance.keys);
  if (command === undefined || store.busy || isLook.value) return;
  if (command === 's' && !props.isUnderway && !asking.value) begin();
  if (command === 'd' && props.isUnderway) void done();
});
</script>

<template>
  <div v-if="first" class="what">
    <p class="eyebrow" aria-live="polite">
      <template v-if="isUnderway"
        >{{ paused ? 'Paused; begun' : 'Under way since' }} {{ begunWords }}</template
      >
      <template v-else-if="earlyFor !== undefined"
        >Nothing here needs hands until {{ sayMoment(earlyFor, store.theView.timeZone) }}. Then:</template
      >
      <template v-else
        >Now<template v-if="(store.build?.people.length ?? 0) > 1 && personName"
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
      <span
        >{{ withWords(first)
        }}<template v-if="first.material && step?.colour"
          >, <ColourName :colour="step.colour" :material="first.material" /></template
        ><template v-if="placeName"> · {{ placeName }}</template></span
      >
    </p>
    <div v-if="step" class="how"><HowToButton :step="step" :material="first.material" /></div>
    <p v-if="details" class="details" data-testid="pass-details">{{ details }}</p>
    <TinCheckLine v-if="first.material" :passes="chosen" @check="takeCheck" />
    <p v-if="safety" class="safety"><v-icon :icon="mdiShieldAlertOutline" size="22" /> {{ safety }}</p>
    <p v-if="step?.note" class="quiet mt-2">{{ step.note }}</p>

    <p v-if="again" class="again">
      ▲ It failed before<template v-if="failure.cause !== 'other'"
        >: {{ failureTable[failure.cause].word }}</template
      >. {{ failureTable[failure.cause].first }} The extra {{ failureTable[failure.cause].minutes }} min each
      are in the time below.
    </p>
    <PassTicks v-model:left="left" :passes="passes" />
    <BeforeStart v-if="!isUnderway && !isLook" :findings="findings" :later="delayed" :late="late" />

    <LookOverPanel v-if="isLook" :passes="chosen" />
    <div v-else class="act">
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
        {{ earlyFor !== undefined ? 'Start early' : 'Start' }}
      </v-btn>
      <v-btn
        v-else
        size="x-large"
        variant="flat"
        color="primary"
        :prepend-icon="mdiCheckBold"
        :disabled="chosen.length === 0 || store.busy"
        data-testid="done"
        @click="done"
        >Done, log it</v-btn
      >
      <p class="figures quiet">
        <template v-if="isUnderway">{{ sayWait(elapsed) }} of about {{ sayWait(handsOn) }}</template>
        <template v-else>about {{ sayWait(handsOn) }} of hands-on work</template>
      </p>
    </div>
    <div v-if="isUnderway && !isLook" class="beside">
      <v-btn size="large" @click="store.pause([...passes])">{{ paused ? 'Go on' : 'Pause' }}</v-btn>
      <v-btn size="large" :disabled="chosen.length === 0" @click="different = true">Not as planned…</v-btn>
      <v-btn
        v-if="mayLeave"
        class="apart"
        size="large"
        variant="text"
        :disabled="store.busy"
        @click="leaving = true"
        >Not after all…</v-btn
      >
    </div>
    <NotAfterAllDialog
      v-if="leaving"
      v-model="leaving"
      :pass="first"
      :elapsed="elapsed"
      @stop="notAfterAll"
    />
    <StopAskDialog v-if="asking" v-model="asking" :stops="stops" @begin="beginAllTheSame" />
    <ShortTinDialog
      v-if="isShort && check"
      v-model="isShort"
      :check="check"
      :pass="first"
      @begin="beginWithLess"
    />
    <NotAsPlannedDialog v-if="different" v-model="different" :passes="chosen" />
  </div>
</template>

<style scoped>
.how {
  display: flex;
  min-height: 44px;
  margin-left: -16px;
}

.again {
  margin-top: 12px;
  font-weight: 600;
  color: rgb(var(--v-theme-warning));
}

.eyebrow {
  font-weight: 600;
  color: var(--quiet);
  min-height: 1.5em;
}

.with {
  display: flex;
  align-items: center;
  gap: 10px;
  font-size: 1.1rem;
}

.details {
  margin-top: 6px;
  font-weight: 600;
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

.act {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 16px;
  margin-top: 20px;
}

.act .v-btn {
  min-height: 64px;
  min-width: min(320px, 100%);
  font-size: 1.2rem;
}

.beside {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin-top: 18px;
}

/* What takes something back stands away from what is pressed all the time. */
.apart {
  margin-left: auto;
}

h1 {
  font-size: 2.4rem;
  margin: 4px 0 8px;
}

@media (max-width: 820px) {
  h1 {
    font-size: 1.9rem;
  }

  .act .v-btn {
    width: 100%;
  }
}
</style>
