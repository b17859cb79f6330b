<script setup lang="ts">
import {
  applyPatch,
  coatsWords,
  facesOf,
  methodOf,
  methodWords,
  safetyLine,
  sayMoment,
  sayWait,
  stepKindWords,
  substrateNames,
  zoneIdsOf,
  type Face,
  type Finding,
  type Step,
  type WayOut,
} from '@fixatum/core';
import { mdiShieldAlertOutline } from '@mdi/js';
import { computed, ref } from 'vue';
import { useRoute } from 'vue-router';
import { api } from '../api';
import DryingRibbon from '../components/DryingRibbon.vue';
import FindingNote from '../components/FindingNote.vue';
import ReadinessMark from '../components/ReadinessMark.vue';
import StrataCut from '../components/StrataCut.vue';
import { useBuild } from '../stores/build';
import { useNotice } from '../stores/notice';

const store = useBuild();
const notice = useNotice();
const route = useRoute();
const piece = computed(() => store.pieceOf(String(route.params.piece)));
const state = computed(() => (piece.value ? store.planOf(piece.value.id) : undefined));
const findings = computed(() => (piece.value ? store.findingsOf(piece.value.id) : []));
const unit = ref(1);
const face = ref<Face>('outer');

const cuts = computed(() => {
  if (!piece.value || !store.view) return [];
  const cells = store.view.strata[`${piece.value.id}/${unit.value}`] ?? {};
  return zoneIdsOf(piece.value).map((zoneId) => ({
    id: zoneId,
    name:
      piece.value!.zones?.find((zone) => zone.id === zoneId)?.name ??
      (face.value === 'outer' ? 'Outer face' : 'Inner face'),
    coats: cells[`${face.value}:${zoneId}`] ?? [],
  }));
});

const zone = computed(() => store.view?.timeZone ?? 'UTC');
const at = (minute: number | undefined) =>
  minute === undefined || !Number.isFinite(minute) ? 'never as planned' : sayMoment(minute, zone.value);

/** One line for a step: what, with what, how often, where. */
function lineOf(step: Step): string {
  const material = step.material === undefined ? undefined : store.materials.get(step.material);
  const method = methodWords[methodOf(step, material)];
  const faceWords =
    piece.value?.faces.inner && facesOf(step).length === 2
      ? 'both faces'
      : facesOf(step)[0] === 'inner'
        ? 'inner face'
        : '';
  const zones = step.zones
    ?.map((id) => piece.value?.zones?.find((candidate) => candidate.id === id)?.name ?? id)
    .join(', ');
  const place = store.build?.places.find((candidate) => candidate.id === step.place)?.name;
  return [
    material ? `${coatsWords(step.coats ?? 1, step.film ?? 'normal')} of ${material.name}` : '',
    method,
    zones ?? '',
    faceWords,
    place ?? '',
  ]
    .filter(Boolean)
    .join(' · ');
}

const rows = computed(() =>
  (piece.value?.steps ?? []).map((step) => {
    const operations = (store.view?.operations ?? []).filter(
      (operation) => operation.pieceId === piece.value!.id && operation.stepId === step.id,
    );
    const done = operations.filter((operation) => operation.status === 'done').length;
    const counted = operations.filter((operation) => operation.status !== 'skipped').length;
    const open = operations
      .filter((operation) => operation.status === 'planned' && operation.start !== undefined)
      .sort((a, b) => a.start! - b.start!);
    const material = step.material === undefined ? undefined : store.materials.get(step.material);
    const status = (() => {
      if (operations.some((operation) => operation.status === 'underway')) return 'under way';
      if (counted === 0) return 'left out';
      if (done === counted) return 'done';
      if (open[0]) return `${done > 0 ? `${done} of ${counted} done, next ` : ''}${at(open[0].start)}`;
      return 'can’t be placed';
    })();
    return {
      step,
      status,
      isDone: done === counted && counted > 0,
      line: lineOf(step),
      colour: material ? (step.colour ?? material.colour) : undefined,
      safety: safetyLine(step, methodOf(step, material), material),
      findings: findings.value.filter((finding) => finding.step === step.id),
    };
  }),
);
const loose = computed(() =>
  findings.value.filter((finding) => !piece.value?.steps.some((step) => step.id === finding.step)),
);

async function apply(finding: Finding, way: WayOut): Promise<void> {
  const patched = applyPatch(store.build!, way.change);
  if (!patched.ok) {
    notice.complain(new Error(patched.faults[0]?.message ?? 'That change no longer fits.'));
    return;
  }
  const changed = patched.value.pieces.find((candidate) => candidate.id === finding.piece)!;
  await store.change(() => api.putPiece(store.id!, changed, store.pieceEtags[changed.id]), way.label);
}
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
      <div>
        <dt>Passes</dt>
        <dd>{{ state.doneCount }} of {{ state.totalCount }} done</dd>
      </div>
    </dl>
    <DryingRibbon
      class="mb-6"
      :spans="state.ribbon"
      :from="store.view.from"
      :until="store.view.until"
      :time-zone="zone"
      :now="store.now"
      :height="30"
    />

    <div class="columns">
      <section aria-labelledby="stack-title">
        <div class="stack-head">
          <h2 id="stack-title">Cut through</h2>
          <div class="choices">
            <label v-if="piece.quantity > 1" class="small">
              Unit
              <select v-model.number="unit">
                <option v-for="n in piece.quantity" :key="n" :value="n">
                  {{ n }} of {{ piece.quantity }}
                </option>
              </select>
            </label>
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
        <div v-for="cut in cuts" :key="cut.id" class="cut">
          <h3>{{ cut.name }}</h3>
          <StrataCut
            :coats="cut.coats"
            :substrate="piece.substrate"
            :now="store.now"
            :height="cuts.length > 1 ? 290 : 340"
          />
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
        <p v-if="rows.length === 0" class="quiet mt-3">No steps yet.</p>
        <ol class="steps">
          <li v-for="(row, index) in rows" :key="row.step.id" :class="{ done: row.isDone }">
            <span class="number figures">{{ index + 1 }}</span>
            <span class="chip" :style="{ background: row.colour ?? 'transparent' }" aria-hidden="true" />
            <div class="text">
              <div class="top">
                <strong
                  >{{ stepKindWords[row.step.kind]
                  }}<span v-if="row.step.optional" class="quiet"> (can be left out)</span></strong
                >
                <span class="status figures small">{{ row.isDone ? '✓ ' : '' }}{{ row.status }}</span>
              </div>
              <p class="small">{{ row.line }}</p>
              <p v-if="row.step.note" class="small quiet">{{ row.step.note }}</p>
              <p v-if="row.safety && !row.isDone" class="small quiet safety">
                <v-icon :icon="mdiShieldAlertOutline" size="16" /> {{ row.safety }}
              </p>
              <FindingNote
                v-for="finding in row.findings"
                :key="finding.rule"
                :finding="finding"
                @apply="(way) => apply(finding, way)"
              />
            </div>
          </li>
        </ol>
      </section>
    </div>
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

select {
  border: 1px solid var(--line);
  padding: 4px 8px;
  border-radius: 3px;
  background: rgb(var(--v-theme-surface));
  color: inherit;
}

.cut {
  margin-top: 16px;
}

.cut h3 {
  margin-bottom: 6px;
}

.steps {
  list-style: none;
  padding: 0;
  margin: 10px 0 0;
}

.steps li {
  display: grid;
  grid-template-columns: 24px 16px 1fr;
  gap: 10px;
  padding: 10px 0;
  border-top: 1px solid var(--line);
}

.steps li.done .text > p,
.steps li.done strong {
  color: var(--quiet);
}

.number {
  color: var(--quiet);
  text-align: right;
}

.chip {
  width: 16px;
  height: 16px;
  margin-top: 4px;
  border-radius: 2px;
  border: 1px solid var(--line);
}

.top {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}

.status {
  text-align: right;
  white-space: nowrap;
}

.safety {
  margin-top: 2px;
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
    gap: 28px;
  }
}
</style>
