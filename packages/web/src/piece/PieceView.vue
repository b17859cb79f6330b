<script setup lang="ts">
import {
  copyPiece,
  epochMinute,
  finishAcrossZones,
  idFromName,
  LOOK_FORMAT,
  lookFromPiece,
  mirrorPiece,
  sayMoment,
  sayWait,
  splitByZone,
  stackFigures,
  substrateNames,
  toWallTime,
  zoneIdsOf,
  type Face,
  type RuleFinding,
  type WayOut,
} from '@fixatum/core';
import { computed, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api } from '../shared/api';
import DryingRibbon from '../shared/DryingRibbon.vue';
import FindingNote from './FindingNote.vue';
import LookDialog from './LookDialog.vue';
import OtherPiecesDialog from './OtherPiecesDialog.vue';
import PieceDialog from './PieceDialog.vue';
import ReadinessMark from '../shared/ReadinessMark.vue';
import StackFiguresNote from './StackFiguresNote.vue';
import StepList from './StepList.vue';
import StrataCut from '../shared/StrataCut.vue';
import WhatIfPanel from './WhatIfPanel.vue';
import UnitStrip from './UnitStrip.vue';
import { useBuild } from '../shared/build';
import { useForecast } from '../shared/forecast';
import { useLooks } from '../shared/looks';
import { useNotice } from '../shared/notice';

const store = useBuild();
const notice = useNotice();
const route = useRoute();
const router = useRouter();
const looks = useLooks();
const editing = ref(false);
const asking = ref(false);
const choosingLook = ref(false);
const picking = ref(false);
const purpose = ref<'give' | 'join'>('give');
const namingLook = ref(false);
const lookName = ref('');
const piece = computed(() => store.pieceOf(String(route.params.piece)));
const state = computed(() => (piece.value ? store.planOf(piece.value.id) : undefined));
const findings = computed(() => (piece.value ? store.findingsOf(piece.value.id) : []));
const unit = ref(1);
const face = ref<Face>('outer');
watch(
  () => route.params.piece,
  () => {
    unit.value = 1;
    face.value = 'outer';
  },
);

const cuts = computed(() => {
  if (!piece.value || !store.view) return [];
  const figures = stackFigures(piece.value, { materials: store.materials, build: store.build ?? {} });
  const cells = store.view.strata[`${piece.value.id}/${unit.value}`] ?? {};
  return zoneIdsOf(piece.value).map((zoneId) => ({
    id: zoneId,
    name:
      piece.value!.zones?.find((zone) => zone.id === zoneId)?.name ??
      (face.value === 'outer' ? 'Outer face' : 'Inner face'),
    coats: cells[`${face.value}:${zoneId}`] ?? [],
    figures: figures.find((one) => one.cell === `${face.value}:${zoneId}` && one.units.includes(unit.value)),
  }));
});

const forecast = useForecast();
const likely = computed(() => (piece.value ? forecast.byPiece.get(piece.value.id) : undefined));
const zone = computed(() => store.view?.timeZone ?? 'UTC');
const at = (minute: number | undefined) =>
  minute === undefined || !Number.isFinite(minute) ? 'never as planned' : sayMoment(minute, zone.value);

const loose = computed(() =>
  findings.value.filter((finding) => !piece.value?.steps.some((step) => step.id === finding.step)),
);

function pickOthers(why: 'give' | 'join'): void {
  purpose.value = why;
  picking.value = true;
}

async function addCopy(mirrored: boolean): Promise<void> {
  const { build } = store;
  if (!build || !piece.value) return;
  const copy = mirrored
    ? mirrorPiece(build, piece.value)
    : copyPiece(build, piece.value, `${piece.value.name} copy`);
  const at = build.pieces.findIndex((one) => one.id === piece.value!.id) + 1;
  if (await store.change(() => api.addPiece(store.id!, copy, at), `Added: ${copy.name}`)) {
    await router.push({ name: 'piece', params: { build: store.id!, piece: copy.id } });
  }
}

async function pack(): Promise<void> {
  if (!piece.value) return;
  const { packedAt, ...rest } = piece.value;
  const packed = packedAt === undefined ? { ...rest, packedAt: toWallTime(store.now, zone.value) } : rest;
  await store.change(
    () => api.putPiece(store.id!, packed, store.pieceEtags[rest.id]),
    packedAt === undefined ? `Packed: ${rest.name}` : `Not packed: ${rest.name}`,
  );
}

async function remove(): Promise<void> {
  if (!piece.value) return;
  const { id, name } = piece.value;
  if (await store.change(() => api.deletePiece(store.id!, id), `Deleted: ${name}`)) {
    await router.push({ name: 'pieces', params: { build: store.id! } });
  }
}

/** The zones' coats of the steps there are, in the order that takes the least tape. */
const reordered = computed(() => {
  const zones = piece.value?.zones ?? [];
  const split = piece.value && splitByZone(piece.value.steps, zones, store.materials);
  if (!split) return undefined;
  const used = [...split.before, ...split.after, ...split.finishes.flatMap((finish) => finish.steps)].map(
    (step) => step.id,
  );
  const plan = finishAcrossZones(split.finishes, (stem) => {
    const id = idFromName(stem, used);
    used.push(id);
    return id;
  });
  return { plan, steps: [...split.before, ...plan.steps, ...split.after] };
});
async function maskInOrder(): Promise<void> {
  if (!piece.value || !reordered.value) return;
  const { plan, steps } = reordered.value;
  await store.saveSteps(
    piece.value,
    steps,
    `${plan.why.join(' ')} ${(plan.tapeMm / 1000).toFixed(1)} m of tape.`,
  );
}

async function saveLook(download: boolean): Promise<void> {
  if (!piece.value || lookName.value.trim() === '') return;
  const name = lookName.value.trim();
  const look = lookFromPiece(
    piece.value,
    name,
    idFromName(
      name,
      looks.all.map((one) => one.id),
    ),
  );
  if (download) {
    const link = document.createElement('a');
    link.href = URL.createObjectURL(
      new Blob([`${JSON.stringify({ format: LOOK_FORMAT, look }, null, 2)}\n`], { type: 'application/json' }),
    );
    link.download = `${look.id}.fixatum-look.json`;
    link.click();
    URL.revokeObjectURL(link.href);
  } else if (!(await looks.save(look))) return;
  namingLook.value = false;
  notice.say(download ? `Saved to a file: ${name}` : `Saved as a look: ${name}`);
}

const apply = (_finding: RuleFinding, way: WayOut) => store.patch(way.label, way.change);
</script>

<template>
  <div v-if="store.build && store.view && piece && state" class="page">
    <router-link class="small back" :to="{ name: 'pieces', params: { build: store.id! } }"
      >← All pieces</router-link
    >
    <div class="head">
      <h1>
        {{ piece.name }}<template v-if="piece.quantity > 1"> ×{{ piece.quantity }}</template>
      </h1>
      <ReadinessMark :readiness="state.readiness" />
      <span v-if="state.slackMinutes !== undefined" class="figures">{{
        state.slackMinutes < 0
          ? `${sayWait(-state.slackMinutes)} too late`
          : `${sayWait(state.slackMinutes)} to spare`
      }}</span>
      <span class="tools">
        <v-btn size="small" variant="flat" color="primary" @click="choosingLook = true">Choose a look</v-btn>
        <v-btn size="small" @click="editing = true">Change the piece</v-btn>
        <v-menu>
          <template #activator="{ props: menu }"><v-btn size="small" v-bind="menu">More</v-btn></template>
          <v-list density="comfortable">
            <v-list-item title="Copy" @click="addCopy(false)" />
            <v-list-item title="Mirror: the other hand" @click="addCopy(true)" />
            <v-list-item title="Give steps to other pieces" @click="pickOthers('give')" />
            <v-list-item title="Join other pieces into this" @click="pickOthers('join')" />
            <v-list-item v-if="reordered" title="Work out the masking" @click="maskInOrder" />
            <v-list-item
              title="Save as a look"
              :disabled="piece.steps.length === 0"
              @click="namingLook = true"
            />
            <v-list-item
              v-if="state.totalCount > 0"
              :title="piece.packedAt ? 'Not packed after all' : 'It is packed now'"
              @click="pack"
            />
            <v-list-item title="Delete the piece" @click="remove" />
          </v-list>
        </v-menu>
      </span>
    </div>
    <dl class="dates figures">
      <div>
        <dt>Packable</dt>
        <dd>
          {{ at(state.packableAt)
          }}<span v-if="state.packDueAt" class="quiet"> · due {{ at(state.packDueAt) }}</span>
        </dd>
      </div>
      <div>
        <dt>Wearable</dt>
        <dd>
          {{ at(state.wearableAt)
          }}<span v-if="state.wearDueAt" class="quiet"> · due {{ at(state.wearDueAt) }}</span>
        </dd>
      </div>
      <div v-if="state.latestStartAt !== undefined">
        <dt>Go on by</dt>
        <dd>{{ at(state.latestStartAt) }}<span class="quiet"> or miss the date</span></dd>
      </div>
      <div v-if="piece.packedAt">
        <dt>Packed</dt>
        <dd>{{ at(epochMinute(piece.packedAt, zone)) }}</dd>
      </div>
      <div>
        <dt>Passes</dt>
        <dd>{{ state.doneCount }} of {{ state.totalCount }} done</dd>
      </div>
    </dl>
    <DryingRibbon
      class="mb-2"
      :spans="state.ribbon"
      :from="store.view.from"
      :until="store.view.until"
      :time-zone="zone"
      :now="store.minute"
      :spread="likely?.ready"
      :height="30"
    />
    <p v-if="likely && state.readiness !== 'ready'" class="small likely" data-testid="forecast">
      {{ likely.sentence }}
    </p>

    <div class="columns">
      <section aria-labelledby="stack-title">
        <div class="stack-head">
          <h2 id="stack-title">Cut through</h2>
          <div class="choices">
            <v-btn size="small" variant="text" @click="asking = true">What if?</v-btn>
            <v-btn-toggle
              v-if="piece.faces.inner"
              v-model="face"
              mandatory
              density="compact"
              variant="outlined"
            >
              <v-btn value="outer">Outer</v-btn>
              <v-btn value="inner">Inner</v-btn>
            </v-btn-toggle>
          </div>
        </div>
        <UnitStrip v-if="piece.quantity > 1" v-model="unit" :piece="piece" />
        <div v-for="cut in cuts" :key="cut.id" class="cut">
          <h3>{{ cut.name }}</h3>
          <StrataCut
            :coats="cut.coats"
            :substrate="piece.substrate"
            :now="store.minute"
            :height="cuts.length > 1 ? 290 : 340"
          />
          <StackFiguresNote v-if="cut.figures && cut.figures.filmUm > 0" :figures="cut.figures" />
        </div>
        <p class="small quiet mt-3">
          {{ substrateNames[piece.substrate.kind] }}, {{ piece.substrate.thicknessMm }} mm. Films are to scale
          with each other; each is drawn a line thicker than it is, to be seen.
        </p>
      </section>

      <section aria-labelledby="steps-title">
        <h2 id="steps-title">Steps</h2>
        <FindingNote
          v-for="finding in loose"
          :key="finding.rule"
          :finding="finding"
          @apply="(way) => apply(finding, way)"
        />
        <StepList :piece="piece" :findings="findings" @apply="apply" />
      </section>
    </div>
    <WhatIfPanel v-model="asking" :piece="piece" :face="face" />
    <PieceDialog v-model="editing" :piece="piece" />
    <LookDialog v-model="choosingLook" :piece="piece" />
    <OtherPiecesDialog v-model="picking" :piece="piece" :purpose="purpose" />
    <v-dialog v-model="namingLook" max-width="460">
      <v-card class="pa-6">
        <h2 class="mb-3">Save the plan of {{ piece.name }} as a look</h2>
        <v-text-field v-model="lookName" label="What is the look called?" maxlength="120" autofocus />
        <div class="d-flex flex-wrap ga-3 mt-4">
          <v-btn variant="flat" color="primary" :disabled="lookName.trim() === ''" @click="saveLook(false)"
            >Keep it here</v-btn
          >
          <v-btn :disabled="lookName.trim() === ''" @click="saveLook(true)">Save to a file</v-btn>
          <v-btn variant="text" @click="namingLook = false">Not now</v-btn>
        </div>
      </v-card>
    </v-dialog>
  </div>
  <div v-else-if="store.build && store.view" class="page">
    <h1>This piece is not in the build</h1>
    <v-btn class="mt-4" :to="{ name: 'pieces', params: { build: store.id! } }">All pieces</v-btn>
  </div>
  <div v-else class="page quiet">Opening the build…</div>
</template>

<style scoped>
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

.dates {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 32px;
  margin-bottom: 14px;
}

.dates dt {
  font-size: 0.8rem;
  color: var(--quiet);
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

.stack-head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  min-height: 36px;
}

.choices {
  display: flex;
  gap: 12px;
  align-items: center;
}

.cut {
  margin-top: 16px;
}

.cut h3 {
  margin-bottom: 6px;
}

.tools {
  display: flex;
  gap: 8px;
  margin-left: auto;
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
    gap: 28px;
  }
}
</style>
