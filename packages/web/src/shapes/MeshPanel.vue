<script setup lang="ts">
import {
  likelyMeshUnit,
  meshUnits,
  pieceOfMesh,
  sayMeasure,
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
watch(
  mmPerUnit,
  async (mm) => {
    const mine = (asked += 1);
    try {
      const told = await props.link.run((remote) => remote.measureMesh(mm));
      if (mine === asked) figures.value = told;
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
  shell: 'A shell with a thickness: its outer side counts.',
  solid: 'A solid body: all of its surface counts.',
  sheet: 'A surface without a thickness.',
};

const stem = props.fileName
  .replace(/\.[^.]*$/, '')
  .replace(/[-_]+/g, ' ')
  .trim();
const name = ref(stem ? stem.slice(0, 1).toUpperCase() + stem.slice(1) : 'Piece');
const count = ref<number | undefined>(1);
const piece = computed(() => {
  const as = takenAs(form.value);
  if (!as || !figures.value) return undefined;
  return pieceOfMesh(
    name.value.trim() || 'Piece',
    Math.max(1, Math.round(count.value ?? 1)),
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
    <MeshPicture :positions="mesh.positions" :parts="mesh.parts" :label="`${name}, to turn and look at`" />
    <div>
      <p v-if="problem" class="faults" role="alert">{{ problem }}</p>
      <h2 class="mb-3">How large</h2>
      <v-select v-model="unit" label="Units of the file" :items="unitItems" class="mb-2" />
      <p v-if="isOdd" class="small warn">
        ▲ In these units it would be {{ say(largest * mmPerUnit) }} long. Is it in another?
      </p>
      <template v-if="figures">
        <p class="small quiet">{{ kindWords[figures.kind] }}</p>
        <dl class="figures">
          <dt>Outer face</dt>
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
      <NumberField v-model="count" label="How many" :min="1" :max="200" :step="1" />
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

.zones {
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
