<script setup lang="ts">
import { sayWait, type RuleFinding, type WayOut } from '@fixatum/core';
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import FinishThumb from '../shared/FinishThumb.vue';
import CutThrough from './CutThrough.vue';
import DryingRibbon from '../shared/DryingRibbon.vue';
import FindingNote from './FindingNote.vue';
import NotPlannedYet from './NotPlannedYet.vue';
import PieceActions from './PieceActions.vue';
import { later } from '../shared/later';
import PieceAmounts from './PieceAmounts.vue';
import PieceDates from './PieceDates.vue';
import ReadinessMark from '../shared/ReadinessMark.vue';
import StepList from './StepList.vue';
import { api } from '../shared/api';
import { useBuild } from '../shared/build';
import { packedWords } from '../shared/words';
import { useForecast } from '../shared/forecast';

const PieceOutline = later(() => import('../shapes/PieceOutline.vue'));
const store = useBuild();
const route = useRoute();
const piece = computed(() => store.pieceOf(String(route.params.piece)));
const state = computed(() => (piece.value ? store.planOf(piece.value.id) : undefined));
const findings = computed(() => (piece.value ? store.findingsOf(piece.value.id) : []));
const forecast = useForecast();
/** Its steps have changed, and the plan that knows of that is still being made. */
const isUnplanned = computed(() => piece.value !== undefined && store.unplanned.has(piece.value.id));
const likely = computed(() => (piece.value ? forecast.byPiece.get(piece.value.id) : undefined));
/** Findings of the piece as a whole, or of a step that is not in its list. */
const loose = computed(() =>
  findings.value.filter((finding) => !piece.value?.steps.some((step) => step.id === finding.step)),
);
async function takeOut(): Promise<void> {
  if (!piece.value) return;
  const { packedAt: _packedAt, ...rest } = piece.value;
  await store.change(
    () => api.putPiece(store.theId, rest, store.pieceEtags[rest.id]),
    `Not packed: ${rest.name}`,
  );
}
const apply = (_finding: RuleFinding, way: WayOut) => store.patch(way.label, way.change);
</script>

<template>
  <div v-if="store.build && store.view && piece && state" class="page">
    <router-link class="small back" :to="{ name: 'pieces', params: { build: store.theId } }"
      >← All pieces</router-link
    >
    <div class="head">
      <h1>
        {{ piece.name }}<template v-if="piece.quantity > 1"> ×{{ piece.quantity }}</template>
      </h1>
      <NotPlannedYet v-if="isUnplanned" />
      <ReadinessMark v-else :readiness="state.readiness" />
      <span v-if="!isUnplanned && state.slackMinutes !== undefined" class="figures">{{
        state.slackMinutes < 0
          ? `${sayWait(-state.slackMinutes)} too late`
          : `${sayWait(state.slackMinutes)} to spare`
      }}</span>
      <PieceActions :piece="piece" :has-passes="state.totalCount > 0" />
    </div>
    <p v-if="piece.packedAt" class="packed" role="status">
      {{ packedWords(piece, store.view.operations) }}
      <v-btn class="ml-3" size="small" :disabled="store.busy" @click="takeOut">Take it out again</v-btn>
    </p>
    <PieceDates v-if="!isUnplanned" :piece="piece" :state="state" />
    <DryingRibbon
      class="mb-2"
      :spans="state.ribbon"
      :from="store.view.from"
      :until="store.view.until"
      :time-zone="store.view.timeZone"
      :now="store.minute"
      :spread="isUnplanned || forecast.isOld ? undefined : likely?.ready"
      :spread-is-old="forecast.isOld"
      :height="30"
    />
    <p
      v-if="state.totalCount > 0 && state.readiness !== 'ready' && state.readiness !== 'stuck'"
      class="small likely"
      data-testid="forecast"
    >
      <template v-if="likely && !forecast.isOld && !isUnplanned">{{ likely.sentence }}</template>
      <span v-else class="quiet">How likely that is, is being worked out…</span>
    </p>

    <div class="columns">
      <div>
        <router-link
          v-if="piece.steps.some(({ material }) => material)"
          class="look"
          :to="{ name: 'finish', params: { build: store.theId }, query: { piece: piece.id } }"
          ><FinishThumb :piece="piece" :px="112" /><span
            ><strong>What it will look like</strong><br /><span class="small quiet"
              >A forecast from its coats. Turn it, and go through it coat by coat.</span
            ></span
          ></router-link
        >
        <router-link
          v-if="piece.drawing"
          class="drawn"
          :to="{ name: 'drawing', params: { build: store.theId, piece: piece.id } }"
          aria-label="The drawing, to change it"
        >
          <PieceOutline :piece="piece" :height="150" />
        </router-link>
        <CutThrough :key="piece.id" :piece="piece" />
      </div>

      <section aria-labelledby="steps-title">
        <h2 id="steps-title">Steps</h2>
        <FindingNote
          v-for="finding in loose"
          :key="finding.rule"
          :finding="finding"
          @apply="(way) => apply(finding, way)"
        />
        <StepList :piece="piece" :findings="findings" @apply="apply" />
        <PieceAmounts :piece="piece" />
      </section>
    </div>
  </div>
  <div v-else-if="store.build && store.view && piece" class="page">
    <h1>{{ piece.name }}</h1>
    <NotPlannedYet />
  </div>
  <div v-else-if="store.build && store.view" class="page">
    <h1>This piece is not in the build</h1>
    <v-btn class="mt-4" :to="{ name: 'pieces', params: { build: store.theId } }">All pieces</v-btn>
  </div>
  <div v-else class="page quiet">Opening the build…</div>
</template>

<style scoped>
.packed {
  margin: 0 0 10px;
}

.back {
  color: inherit;
}

.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 8px 18px;
  margin: 6px 0 10px;
}

.drawn {
  display: block;
  margin-bottom: 18px;
  color: inherit;
  text-decoration: none;
}

.likely {
  min-height: 1.4em;
  margin-bottom: 20px;
}

.columns {
  display: grid;
  grid-template-columns: minmax(320px, 460px) 1fr;
  gap: 48px;
}

.columns > * {
  min-width: 0;
}

.look {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 16px;
  align-items: center;
  margin-bottom: 18px;
  color: inherit;
  text-decoration: none;
}

@media (max-width: 420px) {
  .look {
    grid-template-columns: minmax(0, 1fr);
  }
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
    gap: 28px;
  }
}
</style>
