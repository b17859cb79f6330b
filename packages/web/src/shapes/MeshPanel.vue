<script setup lang="ts">
import {
  likelyMeshUnit,
  meshUnits,
  pieceOfMesh,
  sayMeasure,
  type MeshCount,
  type MeshFigures,
  type MeshUnit,
} from '@fixatum/core';
import { computed, ref, watch } from 'vue';
import { useAppearance } from '../shared/appearance';
import { useBuild } from '../shared/build';
import NumberField from '../shared/NumberField.vue';
import type { WorkerLink } from '../shared/offThread/workerLink';
import MeshPicture from './MeshPicture.vue';
import type { MeshSummary } from './offThread/meshWork';
import type { ShapeWork } from './offThread/shapeWorker';
import TakeInFields from './TakeInFields.vue';
import { takenAs, zoneNamesOf } from './takeInForm';
import { useTakeIn } from './useTakeIn';

/** A mesh as a piece: seen from all sides, its unit looked after, its groups as zones. */
const props = defineProps<{ link: WorkerLink<ShapeWork>; mesh: MeshSummary; fileName: string }>();
const store = useBuild();
const appearance = useAppearance();
const { form, saving, take } = useTakeIn();

const largest = Math.max(...props.mesh.size);
const likely = likelyMeshUnit(largest);
const unit = ref<MeshUnit | 'file'>(props.mesh.mmPerUnit === undefined ? (likely ?? 'mm') : 'file');
const mmPerUnit = computed(() =>
  unit.value === 'file'
    ? (props.mesh.mmPerUnit ?? 1)
    : (meshUnits.find(({ id }) => id === unit.value)?.mm ?? 1),
);
const figures = ref<MeshFigures>();
const problem = ref('');
let asked = 0;
/** What of it is finished, once somebody has said so. */
const count = ref<MeshCount>();
watch(
  [mmPerUnit, count],
  async ([mm, by]) => {
    const mine = (asked += 1);
    try {
      const told = await props.link.run((remote) => remote.measureMesh(mm, by));
      if (mine !== asked) return;
      figures.value = told;
      problem.value = '';
    } catch (error) {
      problem.value = error instanceof Error ? error.message : 'That did not work.';
    }
  },
  { immediate: true },
);

const say = (mm: number) => sayMeasure(Math.round(mm), 'lengthMm', appearance.units);
const area = (cm2: number) => sayMeasure(Math.round(cm2), 'areaCm2', appearance.units);
const unitItems = computed(() => [
  ...(props.mesh.mmPerUnit === undefined ? [] : [{ value: 'file', title: 'as the file says' }]),
  ...meshUnits.map(({ id, word, mm }) => ({
    value: id,
    title: `${word}: ${sayMeasure(Math.round(largest * mm), 'lengthMm', appearance.units)} at its longest`,
  })),
]);
const isOdd = computed(() => {
  const mm = largest * mmPerUnit.value;
  return mm > 2500 || mm < 15;
});
const kindWords: Record<MeshFigures['kind'], string> = {
  shell: 'A shell with a thickness.',
  solid: 'A solid body.',
  sheet: 'A surface without a thickness.',
};
const countWords: Record<MeshCount, string> = {
  outside: 'The outer side',
  'one-side': 'One side',
  'all-round': 'All round',
};

const stem = props.fileName
  .replace(/\.[^.]*$/, '')
  .replace(/[-_]+/g, ' ')
  .trim();
const name = ref(stem ? stem.slice(0, 1).toUpperCase() + stem.slice(1) : 'Piece');
const quantity = ref<number | undefined>(1);
const piece = computed(() => {
  const as = takenAs(form.value);
  if (!as || !figures.value) return undefined;
  return pieceOfMesh(
    name.value.trim() || 'Piece',
    Math.max(1, Math.round(quantity.value ?? 1)),
    figures.value,
    (store.build?.pieces ?? []).map(({ id }) => id),
    as,
  );
});
const zoneNames = computed(() => (piece.value ? zoneNamesOf([piece.value]) : []));
const takeIt = () => piece.value && take([piece.value], props.fileName);
</script>

<template>
  <div class="columns">
    <MeshPicture
      :positions="mesh.positions"
      :parts="mesh.parts"
      :counts="figures?.isOuter"
      :label="`${name}, to turn and look at`"
    />
    <div>
      <p v-if="problem" class="faults" role="alert">{{ problem }}</p>
      <h2 class="mb-3">How large</h2>
      <v-select v-model="unit" label="Units of the file" :items="unitItems" class="mb-2" />
      <p v-if="isOdd" class="small warn">
        ▲ In these units it would be {{ say(largest * mmPerUnit) }} long. Is it in another?
      </p>
      <template v-if="figures">
        <p class="small quiet">{{ kindWords[figures.kind] }}</p>
        <template v-if="figures.ways.length > 1">
          <h2 class="mt-3 mb-2">What of it is finished?</h2>
          <div class="segmented ways" role="group" aria-label="What of it is finished">
            <button
              v-for="way in figures.ways"
              :key="way.count"
              :aria-pressed="figures.counted === way.count"
              @click="count = way.count"
            >
              {{ countWords[way.count] }}<br /><span class="figures">{{ area(way.areaCm2) }}</span>
            </button>
          </div>
          <p class="small quiet mt-1">
            {{
              count
                ? 'What counts is light in the picture.'
                : 'This looks likeliest, but a file can’t say it: press what is right. What counts is light in the picture.'
            }}
          </p>
        </template>
        <ul v-if="figures.notes.length > 0" class="notes small">
          <li v-for="note in figures.notes" :key="note">{{ note }}</li>
        </ul>
        <dl class="figures">
          <dt>{{ figures.kind === 'shell' ? 'Outer face' : 'To finish' }}</dt>
          <dd data-testid="outer-area">{{ area(figures.outerCm2) }}</dd>
          <template v-if="figures.innerCm2 !== undefined">
            <dt>Inner face</dt>
            <dd>{{ area(figures.innerCm2) }}</dd>
            <dt>Thickness</dt>
            <dd>
              {{ sayMeasure(Math.round((figures.thicknessMm ?? 0) * 10) / 10, 'lengthMm', appearance.units) }}
            </dd>
          </template>
          <template v-if="figures.rimCm2 > 0">
            <dt>Cut edges</dt>
            <dd>{{ area(figures.rimCm2) }}</dd>
          </template>
          <dt>Size</dt>
          <dd>{{ figures.sizeMm.map((mm) => say(mm)).join(' × ') }}</dd>
          <template v-if="figures.tightestMm !== undefined">
            <dt>Tightest curve</dt>
            <dd>radius {{ say(figures.tightestMm) }}</dd>
          </template>
          <dt>Faces</dt>
          <dd>{{ figures.triangles.toLocaleString('en') }}</dd>
        </dl>
        <ul v-if="figures.zones.length > 1" class="zones small">
          <li v-for="zone in figures.zones" :key="zone.name">
            <strong>{{ zone.name || 'without a name' }}</strong> {{ Math.round(zone.share * 100) }} %,
            {{ area(zone.areaCm2) }}
          </li>
        </ul>
      </template>
      <p v-else-if="!problem" class="quiet">Measuring…</p>
    </div>
  </div>
  <section v-if="piece" class="mt-4">
    <div class="row">
      <v-text-field v-model="name" label="Name" maxlength="120" />
      <NumberField v-model="quantity" label="How many" :min="1" :max="200" :step="1" />
    </div>
    <TakeInFields
      v-model="form"
      class="mt-3"
      :zone-names="zoneNames"
      :knows-thickness="figures?.thicknessMm !== undefined"
    />
    <v-btn class="mt-4" size="large" variant="flat" color="primary" :loading="saving" @click="takeIt"
      >Take it in</v-btn
    >
  </section>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 560px) minmax(280px, 1fr);
  gap: 32px;
  align-items: start;
}

dl {
  display: grid;
  grid-template-columns: 130px 1fr;
  gap: 4px 14px;
  margin: 10px 0;
}

dd {
  margin: 0;
  font-weight: 600;
}

.ways button {
  line-height: 1.35;
  padding-block: 6px;
}

.zones,
.notes {
  list-style: none;
  padding: 0;
}

.row {
  display: grid;
  grid-template-columns: 2fr 1fr;
  gap: 12px;
  max-width: 560px;
}

.warn {
  font-weight: 600;
  color: rgb(var(--v-theme-error));
}

@media (max-width: 820px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
