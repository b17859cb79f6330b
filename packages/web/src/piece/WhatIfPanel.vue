<script setup lang="ts">
import AppDialog from '../shared/AppDialog.vue';
import NumberField from '../shared/NumberField.vue';
import {
  NOT_IN_THIS_AIR,
  filmGrades,
  filmWords,
  nth,
  sayWait,
  WHOLE,
  whatIf,
  zoneIdsOf,
  type Face,
  type FilmGrade,
  type Piece,
} from '@fixatum/core';
import RemoveButton from '../shared/RemoveButton.vue';
import { computed, reactive, ref, watch } from 'vue';
import OrderButtons from './OrderButtons.vue';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import DataChart from '../shared/DataChart.vue';
import { whatIfChart } from './whatIfChart';

/** A stack taken out of its plan: other air, film, order and spacing, and when it would be dry then. Nothing is saved. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ piece: Piece; face: Face }>();
const store = useBuild();
const materials = useMaterials();

interface Row {
  key: number;
  material: string;
  film: FilmGrade;
  /** Of the spot, as it is planned. */
  share: number;
  afterMinutes: number;
}
const rows = ref<Row[]>([]);
const air = reactive({ temperatureC: 20, humidityPct: 50, fan: false });
const zone = ref('');
let lastKey = 0;

/** The stack as it is planned, from the view: materials, films and the waits between. */
function fromPlan(): void {
  const cells = store.view?.strata[`${props.piece.id}/1`] ?? {};
  const coats = cells[`${props.face}:${zone.value}`] ?? [];
  rows.value = coats.map((coat, at) => {
    const operation = store.operations.get(coat.operationId);
    return {
      key: (lastKey += 1),
      material: coat.materialId,
      film: operation?.film ?? 'normal',
      share: operation?.share ?? 1,
      afterMinutes: at === 0 ? 0 : Math.round(coat.laidAt - (coats[at - 1]?.laidAt ?? coat.laidAt)),
    };
  });
  // Where most of it dries is where the last coat is laid.
  const last = coats.at(-1);
  const placeId = last && store.operations.get(last.operationId)?.placeId;
  const outlook = store.view?.outlooks.find((one) => one.placeId === placeId) ?? store.view?.outlooks[0];
  if (outlook) {
    air.temperatureC = Math.round(outlook.air.temperatureC * 2) / 2;
    air.humidityPct = Math.round(outlook.air.humidityPct);
  }
}
watch(open, (isOpen) => {
  if (!isOpen) return;
  zone.value = zoneIdsOf(props.piece)[0] ?? WHOLE;
  fromPlan();
});
const zoneItems = computed(() =>
  zoneIdsOf(props.piece).map((id) => ({
    value: id,
    title: props.piece.zones?.find((one) => one.id === id)?.name ?? 'the whole face',
  })),
);

function move(at: number, by: number): void {
  const next = [...rows.value];
  next.splice(at + by, 0, ...next.splice(at, 1));
  rows.value = next.map((row, n) => (n === 0 ? { ...row, afterMinutes: 0 } : row));
}

const answer = computed(() => {
  const coats = rows.value.flatMap((row) => {
    const material = materials.known.get(row.material);
    return material
      ? [
          {
            material,
            film: row.film,
            share: row.share,
            afterMinutes: Number(row.afterMinutes) || 0,
            air: air.fan ? ('fan' as const) : ('still' as const),
          },
        ]
      : [];
  });
  return coats.length === 0
    ? undefined
    : whatIf(coats, {
        kind: 'constant',
        temperatureC: Number(air.temperatureC) || 0,
        humidityPct: Math.min(100, Math.max(0, Number(air.humidityPct) || 0)),
      });
});
/** How long the last coat takes to be dry to the touch. */
const lastTouchMinutes = computed(() =>
  answer.value ? nth(answer.value.milestones, -1).touchAt - nth(answer.value.laidAt, -1) : Infinity,
);
const nameOf = (id: string) => materials.known.get(id)?.name ?? id;
/** Whether a coat is laid before the one below it takes it. */
const tooSoon = (at: number) => {
  const made = answer.value;
  const below = made?.milestones[at - 1];
  const laid = made?.laidAt[at];
  return (
    below !== undefined &&
    laid !== undefined &&
    !below.recoat.some((one) => laid >= one.from && laid <= one.to)
  );
};
const wait = (minutes: number) => (Number.isFinite(minutes) ? sayWait(minutes) : NOT_IN_THIS_AIR);

const option = computed(() => (answer.value ? whatIfChart(answer.value) : undefined));
</script>

<template>
  <AppDialog v-model="open" max-width="1080" scrollable>
    <v-card>
      <v-card-text class="pa-6">
        <h2 class="mb-1">What if? {{ piece.name }}</h2>
        <p class="quiet mb-4">
          Change the air, the films, the order and the waits, and see when it would be dry. Nothing here is
          saved.
        </p>
        <div class="columns">
          <div>
            <div class="air">
              <NumberField v-model="air.temperatureC" label="Temperature" of="temperatureC" />
              <v-text-field
                v-model.number="air.humidityPct"
                label="Humidity"
                suffix="%"
                type="number"
                min="0"
                max="100"
              />
              <v-checkbox v-model="air.fan" label="a fan" />
            </div>
            <v-select
              v-if="zoneItems.length > 1"
              v-model="zone"
              class="mb-3"
              label="Stack of"
              :items="zoneItems"
              @update:model-value="fromPlan"
            />
            <ol class="rows">
              <li v-for="(row, at) in rows" :key="row.key">
                <span class="name">{{ at + 1 }} {{ nameOf(row.material) }}</span>
                <v-select
                  v-model="row.film"
                  density="compact"
                  :label="`Film of ${at + 1}`"
                  :items="filmGrades.map((value) => ({ value, title: filmWords[value] }))"
                />
                <v-text-field
                  v-model.number="row.afterMinutes"
                  density="compact"
                  :label="at === 0 ? 'first' : 'after'"
                  suffix="min"
                  type="number"
                  min="0"
                  :disabled="at === 0"
                />
                <span class="tools">
                  <OrderButtons
                    :at="at"
                    :count="rows.length"
                    :up-label="`Coat ${at + 1} up`"
                    :down-label="`Coat ${at + 1} down`"
                    @move="(by) => move(at, by)"
                  />
                  <RemoveButton
                    :label="`Coat ${at + 1} away`"
                    size="x-small"
                    :disabled="rows.length === 1"
                    @click="rows.splice(at, 1)"
                  />
                </span>
                <p v-if="tooSoon(at)" class="small soon">■ laid before the one below takes it</p>
              </li>
            </ol>
            <v-btn size="small" variant="text" @click="fromPlan">As it is planned</v-btn>
          </div>
          <div v-if="answer && option">
            <dl class="figures outcome" data-testid="what-if">
              <div>
                <dt>Touch-dry</dt>
                <dd>{{ wait(lastTouchMinutes) }}</dd>
              </div>
              <div>
                <dt>Handled</dt>
                <dd>{{ wait(Math.max(...answer.milestones.map((one) => one.handleAt))) }}</dd>
              </div>
              <div>
                <dt>Packable</dt>
                <dd>{{ wait(answer.packAt) }}</dd>
              </div>
              <div>
                <dt>Wearable</dt>
                <dd>{{ wait(answer.wearAt) }}</dd>
              </div>
            </dl>
            <p class="small quiet">Touch-dry counts from the last coat, the rest from the first.</p>
            <DataChart
              :option="option"
              :height="390"
              label="How far each coat is cured over time, and the air below it"
            />
          </div>
          <p v-else class="quiet">Nothing is planned on this face yet.</p>
        </div>
      </v-card-text>
      <div class="actions"><v-btn variant="text" @click="open = false">Close</v-btn></div>
    </v-card>
  </AppDialog>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 440px) minmax(0, 1fr);
  gap: 32px;
}

.air {
  display: grid;
  grid-template-columns: 1fr 1fr auto;
  gap: 10px;
  margin-bottom: 14px;
}

.rows {
  list-style: none;
  padding: 0;
}

.rows li {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 4px 10px;
  padding: 10px 0;
  border-top: 1px solid var(--line);
}

.rows .name {
  font-weight: 600;
}

.rows .tools {
  grid-row: 1;
  grid-column: 2;
}

.soon {
  grid-column: 1 / -1;
  color: rgb(var(--v-theme-error));
}

.outcome {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 32px;
  font-size: 1.1rem;
}

.outcome dt {
  font-size: 0.8rem;
  color: var(--quiet);
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
