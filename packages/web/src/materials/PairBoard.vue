<script setup lang="ts">
import {
  filmGrades,
  filmWords,
  materialRoles,
  type FilmGrade,
  type Material,
  type PairVerdict,
  sayMm,
} from '@fixatum/core';
import { computed, reactive, ref, useTemplateRef, watch } from 'vue';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import { roleWords } from '../shared/words';
import PairCell from './PairCell.vue';
import PairReasons from './PairReasons.vue';
import { verdictMarks } from './pairMarks';
import { pairVerdicts } from './pairVerdicts';
import { useBoardKeys } from './useBoardKeys';

/** Any under-coat against any over-coat in a chosen state; each verdict has a shape, a word and a hue. */
const store = useBuild();
const materials = useMaterials();
interface BoardForm {
  under: string;
  over: string;
  film: FilmGrade;
  cured: boolean;
  scuffed: boolean;
  flexing: boolean;
  text: string;
  only: PairVerdict['verdict'] | '';
}
const form = reactive<BoardForm>({
  under: 'seal',
  over: 'paint',
  film: 'light',
  cured: false,
  scuffed: false,
  flexing: false,
  text: '',
  only: '',
});
const chosen = ref<{ under: string; over: string; verdict: PairVerdict }>();

const layable = new Set(['seal', 'prime', 'paint', 'texture', 'weather', 'detail', 'topcoat', 'fill']);
const roles = materialRoles.filter((role) => layable.has(role));
const of = (role: string) => [...materials.known.values()].filter((material) => material.role === role);
const unders = computed(() => of(form.under));
const overs = computed(() => of(form.over));
const named = (list: Material[]) => {
  const wanted = form.text.trim().toLowerCase();
  return list.filter((material) => `${material.name} ${material.binder}`.toLowerCase().includes(wanted));
};
const { rows, judge, verdictOf } = pairVerdicts(() => ({
  unders: unders.value,
  overs: overs.value,
  state: { film: form.film, cured: form.cured, scuffed: form.scuffed, flexing: form.flexing },
  own: store.build?.materials ?? [],
  swatches: store.build?.swatches ?? [],
}));
const done = computed(() => rows.value.size === unders.value.length);
/** What the filters leave: a word found on either side, and rows and columns with the verdict that is looked for. */
const shownUnders = computed(() => {
  const found = named(unders.value);
  const list = found.length > 0 ? found : unders.value;
  return list.filter((under) => {
    const row = rows.value.get(under.id);
    return form.only === '' || !row || [...row.values()].some((one) => one.verdict === form.only);
  });
});
const shownOvers = computed(() => {
  const found = named(overs.value);
  const list = found.length > 0 ? found : overs.value;
  return list.filter(
    (over) =>
      form.only === '' ||
      !done.value ||
      shownUnders.value.some((under) => verdictOf(under.id, over.id)?.verdict === form.only),
  );
});
const nothingFound = computed(
  () => form.text.trim() !== '' && named(unders.value).length + named(overs.value).length === 0,
);

watch(
  () =>
    [
      form.under,
      form.over,
      form.film,
      form.cured,
      form.scuffed,
      form.flexing,
      materials.known,
      store.build?.swatches,
    ] as const,
  () => {
    chosen.value = undefined;
    judge();
  },
  { immediate: true },
);
const cellId = (under: Material, over: Material) => `${under.id} ${over.id}`;
const { reached, reach, key } = useBoardKeys(useTemplateRef<HTMLTableElement>('table'), () =>
  shownUnders.value.flatMap((under) =>
    shownOvers.value.flatMap((over) => (verdictOf(under.id, over.id) ? cellId(under, over) : [])),
  ),
);
const roleItems = roles.map((value) => ({ value, title: roleWords[value] }));
const filmItems = filmGrades.map((value) => ({ value, title: filmWords[value] }));
const verdictItems = [
  { value: '', title: 'all verdicts' },
  ...Object.entries(verdictMarks).map(([value, mark]) => ({ value, title: `${mark} only` })),
];
</script>

<template>
  <div>
    <div class="filters">
      <v-select v-model="form.under" class="choice" label="Below" density="compact" :items="roleItems" />
      <v-select v-model="form.over" class="choice" label="Above" density="compact" :items="roleItems" />
      <v-select v-model="form.film" class="choice" label="Laid as" density="compact" :items="filmItems" />
      <v-checkbox v-model="form.cured" density="compact" label="the lower one cured" />
      <v-checkbox v-model="form.scuffed" density="compact" label="scuffed" />
      <v-checkbox
        v-model="form.flexing"
        density="compact"
        :label="`bends (${sayMm(5)} foam round ${sayMm(45)})`"
      />
      <v-select v-model="form.only" class="choice" label="Show" density="compact" :items="verdictItems" />
      <v-text-field
        v-model="form.text"
        class="choice"
        type="search"
        label="Find a name or binder"
        density="compact"
        clearable
        @click:clear="form.text = ''"
      />
      <span v-if="nothingFound" class="small">Nothing is called that; all are shown.</span>
      <span class="quiet small" aria-live="polite">{{ done ? '' : 'Judging…' }}</span>
    </div>
    <div class="board">
      <table
        ref="table"
        role="grid"
        aria-label="Which goes over which"
        data-testid="pair-board"
        @keydown="key"
      >
        <thead>
          <tr>
            <td class="corner small quiet">below ↓ &nbsp; above →</td>
            <th v-for="over in shownOvers" :key="over.id" scope="col">
              <span>{{ over.name }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="under in shownUnders" :key="under.id">
            <th scope="row">{{ under.name }}</th>
            <td v-for="over in shownOvers" :key="over.id">
              <PairCell
                :verdict="verdictOf(under.id, over.id)"
                :names="`${over.name} over ${under.name}`"
                :only="form.only"
                :tabindex="cellId(under, over) === reached ? 0 : -1"
                @focus="reach(cellId(under, over))"
                @choose="(verdict) => (chosen = { under: under.name, over: over.name, verdict })"
              />
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <PairReasons v-if="chosen" v-bind="chosen" />
  </div>
</template>

<style scoped>
.board {
  overflow: auto;
  max-height: 62vh;
  border: 1px solid var(--line);
}

table {
  border-collapse: separate;
  border-spacing: 0;
  font-size: 0.875rem;
}

thead th,
.corner {
  position: sticky;
  top: 0;
  z-index: 2;
  background: rgb(var(--v-theme-surface));
  border-bottom: 1px solid var(--line);
  vertical-align: bottom;
  padding: 8px 10px;
  text-align: left;
  min-width: 96px;
  max-width: 120px;
  font-weight: 600;
  line-height: 1.2;
}

tbody th {
  position: sticky;
  left: 0;
  z-index: 1;
  background: rgb(var(--v-theme-surface));
  text-align: left;
  font-weight: 600;
  padding: 0 12px 0 10px;
  white-space: nowrap;
  border-right: 1px solid var(--line);
}

.corner {
  left: 0;
  z-index: 3;
}

tbody td {
  /* As high before its verdict has come as after. */
  height: 38px;
  border-bottom: 1px solid var(--line);
  border-right: 1px solid var(--line);
  padding: 0;
}
</style>
