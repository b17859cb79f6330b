<script setup lang="ts">
import { isCatalogueId, materialRoles, type Material } from '@fixatum/core';
import { computed, reactive, ref } from 'vue';
import ColourChip from './ColourChip.vue';
import CompareTable from './CompareTable.vue';
import { fits, recoatWords, type MaterialFilter } from './materialFigures';
import OwnTinDialog from './OwnTinDialog.vue';
import MaterialsHead from '../shared/MaterialsHead.vue';
import PairBoard from './PairBoard.vue';
import SwatchPanel from './SwatchPanel.vue';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import { useInAddress } from '../shared/inAddress';
import { roleWords } from '../shared/words';

const store = useBuild();

const materials = useMaterials();
const tab = useInAddress('tab', 'catalogue', ['catalogue', 'pairs', 'swatches']);
const filter = reactive<MaterialFilter>({
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

const binders = computed(() =>
  [...new Set([...materials.known.values()].map((material) => material.binder))].sort(),
);

const roleItems = [
  { value: '', title: 'anything' },
  ...materialRoles.map((value) => ({ value, title: roleWords[value] })),
];
const binderItems = computed(() => [
  { value: '', title: 'any' },
  ...binders.value.map((binder) => ({ value: binder, title: binder })),
]);

const shown = computed(() => [...materials.known.values()].filter((material) => fits(material, filter)));
const side = computed(() => compared.value.flatMap((id) => materials.known.get(id) ?? []));
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
</script>

<template>
  <div v-if="store.build" class="page">
    <MaterialsHead title="Materials" />
    <PairBoard v-if="tab === 'pairs'" />
    <SwatchPanel v-else-if="tab === 'swatches'" />
    <template v-else>
      <div class="filters">
        <v-select v-model="filter.role" class="choice" label="For" density="compact" :items="roleItems" />
        <v-text-field
          v-model="filter.text"
          class="choice"
          type="search"
          label="Find a name or binder"
          density="compact"
          clearable
          @click:clear="filter.text = ''"
        />
        <v-select
          v-model="filter.binder"
          class="choice"
          label="Binder"
          density="compact"
          :items="binderItems"
        />
        <v-checkbox v-model="filter.indoor" density="compact" label="can be used indoors" />
        <v-checkbox v-model="filter.solventFree" density="compact" label="free of solvent" />
        <v-checkbox v-model="filter.evening" density="compact" label="handled within the evening" />
        <v-checkbox v-model="filter.bends" density="compact" label="bends" />
        <span class="quiet small">{{ shown.length }} shown</span>
      </div>
      <CompareTable v-if="side.length > 0" :materials="side" @own-tin="ownTin" />
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
            <ColourChip :colour="material.colour" />
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
.list {
  list-style: none;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 330px), 1fr));
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

.block {
  display: block;
}

.own {
  margin-left: 8px;
  padding: 0 6px;
  border: 1px solid currentcolor;
  border-radius: 3px;
}
</style>
