<script setup lang="ts">
import {
  isCatalogueId,
  materialRoles,
  methodWords,
  parseRecoat,
  sayWait,
  type Material,
} from '@fixatum/core';
import { computed, reactive, ref } from 'vue';
import OwnTinDialog from './OwnTinDialog.vue';
import PairBoard from './PairBoard.vue';
import SwatchPanel from './SwatchPanel.vue';
import { useBuild } from '../shared/build';
import { roleWords } from '../shared/words';

const store = useBuild();
const tab = ref<'catalogue' | 'pairs' | 'swatches'>('catalogue');
const filter = reactive({
  role: '',
  binder: '',
  text: '',
  indoor: false,
  solventFree: false,
  evening: false,
  bends: false,
});
const compared = ref<string[]>([]);
const editing = ref<Material>();
const dialog = ref(false);

/** Dry enough in one evening: handled within three hours, and the next coat within one. */
const inAnEvening = (material: Material) =>
  (material.handle ?? 0) <= 180 && (parseRecoat(material.recoat)[0]?.from ?? Infinity) <= 60;
/** Can be put on in a room: some way other than a spray can, and no strong solvent to breathe. */
const indoor = (material: Material) =>
  material.methods.some((method) => method !== 'aerosol') && material.solvent < 2;
const binders = computed(() =>
  [...new Set([...store.materials.values()].map((material) => material.binder))].sort(),
);

const shown = computed(() =>
  [...store.materials.values()].filter(
    (material) =>
      (filter.role === '' || material.role === filter.role) &&
      (filter.binder === '' || material.binder === filter.binder) &&
      (!filter.indoor || indoor(material)) &&
      (!filter.solventFree || material.solvent === 0) &&
      (!filter.evening || inAnEvening(material)) &&
      (!filter.bends || (material.elongationPct ?? 0) >= 60) &&
      `${material.name} ${material.binder} ${material.note}`
        .toLowerCase()
        .includes(filter.text.trim().toLowerCase()),
  ),
);
const side = computed(() => compared.value.flatMap((id) => store.materials.get(id) ?? []));
const isOwn = (material: Material) => !isCatalogueId(material.id);

function compare(id: string): void {
  compared.value = compared.value.includes(id)
    ? compared.value.filter((one) => one !== id)
    : [...compared.value, id].slice(-4);
}
function ownTin(material: Material): void {
  editing.value = material;
  dialog.value = true;
}

const wait = (minutes: number | undefined) => (minutes === undefined ? '–' : sayWait(minutes));
const recoatWords = (material: Material) =>
  parseRecoat(material.recoat)
    .map((window) =>
      window.to === Infinity
        ? `from ${sayWait(window.from)}`
        : `${sayWait(window.from)} to ${sayWait(window.to)}`,
    )
    .join(', or ') || 'never';
/** Each figure with the fields it is made of, which an own tin may have from its label. */
const figures: [string, string, (material: Material) => string, ...(keyof Material)[]][] = [
  ['For', 'What it is used as', (m) => roleWords[m.role], 'role'],
  ['Binder', 'What the dry film is made of', (m) => m.binder, 'binder'],
  [
    'Thinned with',
    'What leaves as it dries',
    (m) => (m.carrier === 'none' ? 'nothing' : m.carrier),
    'carrier',
  ],
  [
    'Attack',
    'What its solvent does to what lies below: 0 nothing, 3 dissolves',
    (m) => String(m.solvent),
    'solvent',
  ],
  ['Wet film', 'One normal coat', (m) => `${m.wftUm} µm`, 'wftUm'],
  [
    'Dry film',
    'Wet film times solids',
    (m) => `${Math.round(m.wftUm * m.solids * 10) / 10} µm`,
    'wftUm',
    'solids',
  ],
  [
    'Stretch',
    'Elongation at break',
    (m) => (m.elongationPct === undefined ? '–' : `${m.elongationPct} %`),
    'elongationPct',
  ],
  ['Sheen', 'Gloss units at 60°', (m) => (m.sheenGu === undefined ? '–' : String(m.sheenGu)), 'sheenGu'],
  ['Touch-dry', 'At 21 °C, 50 % humidity', (m) => wait(m.touch), 'touch'],
  ['Next coat', 'Recoat windows', recoatWords, 'recoat'],
  ['Tape-safe', 'When tape may go on', (m) => wait(m.tape), 'tape'],
  ['Sandable', 'When it can be sanded', (m) => wait(m.sand), 'sand'],
  ['Handle', 'When it can be turned over', (m) => wait(m.handle), 'handle'],
  ['Packable', 'When it stops sticking to its neighbour', (m) => wait(m.pack), 'pack'],
  ['Wearable', 'Hard and free of smell', (m) => wait(m.wear), 'wear'],
  [
    'Air',
    'Temperature and most humidity',
    (m) => `${m.minC} to ${m.maxC} °C, up to ${m.maxRhPct} %`,
    'minC',
    'maxC',
    'maxRhPct',
  ],
  ['Put on by', 'Methods', (m) => m.methods.map((method) => methodWords[method]).join(', '), 'methods'],
  [
    'Mind',
    'Hazards; the label and safety data sheet win',
    (m) => m.hazards.join(', ') || 'nothing special',
    'hazards',
  ],
];

const fromLabel = (material: Material, keys: (keyof Material)[]): boolean => {
  const tin = store.build?.materials?.find((one) => one.id === material.id);
  return tin !== undefined && keys.some((key) => key in tin);
};
</script>

<template>
  <div v-if="store.build" class="page">
    <div class="head">
      <h1>Materials</h1>
      <div class="segmented" role="group" aria-label="View">
        <button :aria-pressed="tab === 'catalogue'" @click="tab = 'catalogue'">Catalogue</button>
        <button :aria-pressed="tab === 'pairs'" @click="tab = 'pairs'">Does it go over that?</button>
        <button :aria-pressed="tab === 'swatches'" @click="tab = 'swatches'">Swatches</button>
      </div>
    </div>
    <PairBoard v-if="tab === 'pairs'" />
    <SwatchPanel v-else-if="tab === 'swatches'" />
    <template v-else>
      <div class="filters">
        <label
          >For
          <select v-model="filter.role">
            <option value="">anything</option>
            <option v-for="role in materialRoles" :key="role" :value="role">{{ roleWords[role] }}</option>
          </select></label
        >
        <input
          v-model="filter.text"
          type="search"
          placeholder="Find a name or binder"
          aria-label="Find a name or binder"
        />
        <label
          >Binder
          <select v-model="filter.binder">
            <option value="">any</option>
            <option v-for="binder in binders" :key="binder" :value="binder">{{ binder }}</option>
          </select></label
        >
        <label class="tick"><input v-model="filter.indoor" type="checkbox" /> can be used indoors</label>
        <label class="tick"><input v-model="filter.solventFree" type="checkbox" /> free of solvent</label>
        <label class="tick"
          ><input v-model="filter.evening" type="checkbox" /> handled within the evening</label
        >
        <label class="tick"><input v-model="filter.bends" type="checkbox" /> bends</label>
        <span class="quiet small">{{ shown.length }} shown</span>
      </div>
      <div v-if="side.length > 0" class="compare">
        <table class="figures">
          <thead>
            <tr>
              <td class="small quiet">typical label values</td>
              <th v-for="material in side" :key="material.id" scope="col">
                <span class="chip" :style="{ background: material.colour }" aria-hidden="true" />
                {{ material.name }}
                <span class="small quiet block">{{ isOwn(material) ? 'your tin' : 'typical' }}</span>
                <v-btn size="x-small" @click="ownTin(material)">{{
                  isOwn(material) ? 'Change the label figures' : 'My label differs'
                }}</v-btn>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="[name, help, value, ...keys] in figures" :key="name">
              <th scope="row" :title="help">{{ name }}</th>
              <td v-for="material in side" :key="material.id">
                {{ value(material)
                }}<span v-if="isOwn(material)" class="small quiet source">{{
                  fromLabel(material, keys) ? 'your label' : 'typical'
                }}</span>
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p v-else class="quiet mb-3">
        Press a material to see all its figures; up to four stand side by side. The label of your own tin
        always wins.
      </p>
      <ul class="list">
        <li v-for="material in shown" :key="material.id">
          <button
            :aria-pressed="compared.includes(material.id)"
            :data-testid="`material-${material.id}`"
            @click="compare(material.id)"
          >
            <span class="chip" :style="{ background: material.colour }" aria-hidden="true" />
            <span>
              <strong>{{ material.name }}</strong><span v-if="isOwn(material)" class="own small"
                >your tin</span
              >
              <span class="small quiet block"
                >{{ roleWords[material.role] }} · {{ material.binder }} · next coat
                {{ recoatWords(material) }}</span
              >
            </span>
          </button>
        </li>
      </ul>
      <p v-if="shown.length === 0" class="quiet">Nothing fits all of that. Take one condition away.</p>
    </template>
    <OwnTinDialog
      v-if="editing"
      v-model="dialog"
      :material="editing"
      @saved="(id) => (compared = [...compared.filter((one) => one !== editing?.id), id].slice(-4))"
    />
  </div>
  <div v-else class="page quiet">Opening the build…</div>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
  flex-wrap: wrap;
  gap: 10px;
  margin-bottom: 14px;
}

.list {
  list-style: none;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  gap: 0 24px;
}

.list button {
  display: grid;
  grid-template-columns: 34px 1fr;
  gap: 12px;
  align-items: center;
  width: 100%;
  min-height: 60px;
  text-align: left;
  border-bottom: 1px solid var(--line);
  line-height: 1.3;
}

.list button[aria-pressed='true'] {
  background: rgb(var(--v-theme-surface));
  box-shadow: inset 4px 0 0 rgb(var(--v-theme-primary));
  padding-left: 10px;
}

.chip {
  display: inline-block;
  width: 34px;
  height: 34px;
  border-radius: 3px;
  border: 1px solid var(--line);
}

.block {
  display: block;
}

.own {
  margin-left: 8px;
  padding: 0 6px;
  border: 1px solid currentcolor;
  border-radius: 3px;
}

.source {
  margin-left: 8px;
}

.compare {
  overflow-x: auto;
  margin-bottom: 20px;
  border: 1px solid var(--line);
  background: rgb(var(--v-theme-surface));
}

table {
  width: 100%;
  border-collapse: collapse;
  font-size: 0.92rem;
}

th,
td {
  text-align: left;
  vertical-align: top;
  padding: 4px 14px;
  border-bottom: 1px solid var(--line);
}

thead th {
  padding: 10px 14px;
}

thead .chip {
  width: 18px;
  height: 18px;
  vertical-align: -3px;
}

th[scope='row'] {
  font-weight: 400;
  color: var(--quiet);
  width: 130px;
  cursor: help;
}
</style>
