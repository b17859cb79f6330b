<script setup lang="ts">
import {
  readShelfCsv,
  sayDate,
  sayMl,
  shelfCsv,
  toWallTime,
  wornIn,
  wornOut,
  type TinLevel,
} from '@fixatum/core';
import { nanoid } from 'nanoid';
import { mdiDotsVertical, mdiPlus } from '@mdi/js';
import { computed, ref } from 'vue';
import ColourName from '../shared/ColourName.vue';
import FaultList from '../shared/FaultList.vue';
import FileButton from '../shared/FileButton.vue';
import type { Fault } from '@fixatum/core';
import MaterialsHead from '../shared/MaterialsHead.vue';
import EmptyDialog from './EmptyDialog.vue';
import TinDialog from './TinDialog.vue';
import TinDrawing from './TinDrawing.vue';
import WeighDialog from './WeighDialog.vue';
import { saveFile } from '../shared/saveFile';
import { learnedWords } from './learnedWords';
import { isMuchLeft, withLevel, type GoneBy } from './tins';
import { useShelf } from './useShelf';
import { takenWords } from './takenWords';

/** What stands on the shelf: every tin with what is in it, what the plan takes of it, and how it stands by its age. */
const { store, materials, builds, whole, shelf, today, ageOf, change } = useShelf();
const faults = ref<Fault[]>([]);

const ageWords = {
  good: '',
  'try-first': '▲ Old: try it on an offcut first',
  'not-trusted': '■ Too old to trust: not counted',
} as const;

const rows = computed(() =>
  (shelf.value?.tins ?? [])
    .map((level) => {
      const { tin } = level;
      const material = materials.known.get(tin.material);
      const taken = (whole.value?.lines ?? [])
        .flatMap(({ reserved }) => reserved)
        .reduce((sum, one) => (one.at === level.at ? sum + one.ml : sum), 0);
      const isComing = tin.arrivesOn !== undefined && tin.arrivesOn > today.value;
      return {
        level,
        tin,
        material,
        name: material?.name ?? tin.material,
        colour: tin.colour ?? material?.colour ?? '#9a9a98',
        isComing,
        age: ageWords[ageOf(tin)],
        details: [
          tin.mix
            ? `mix: ${store.build?.mixes?.find(({ id }) => id === tin.mix)?.name ?? 'not written down any more'}`
            : '',
          isComing && tin.arrivesOn ? `on order, here on ${sayDate(tin.arrivesOn)}` : '',
          tin.openedOn ? `opened ${sayDate(tin.openedOn)}` : isComing ? '' : 'not opened',
          tin.bestBefore ? `best before ${sayDate(tin.bestBefore)}` : '',
          tin.lot ? `lot ${tin.lot}` : '',
          tin.price === undefined ? '' : `paid ${tin.price}`,
        ].filter(Boolean),
        learned: material ? learnedWords(store.build?.amounts, material) : [],
        taken,
        plan: takenWords(whole.value && taken, level.ml, builds.value.length),
      };
    })
    .sort((a, b) => a.name.localeCompare(b.name) || a.level.at - b.level.at),
);
const worth = computed(() =>
  rows.value.reduce(
    (sum, { tin, level }) => sum + (tin.price === undefined ? 0 : (tin.price * level.ml) / tin.containerMl),
    0,
  ),
);
/** What was worn out in all builds since the mask got new cartridges, or ever. */
const worn = computed(() =>
  store.build
    ? wornOut([...wornIn(store.build), ...store.wornElsewhere], store.build.cartridgesOn)
    : undefined,
);
const wornWords = computed(() => {
  const { vapourHours = 0, glovePairs = 0, cloths = 0 } = worn.value ?? {};
  return [
    `${vapourHours.toFixed(1)} h of work with vapour`,
    `${glovePairs} ${glovePairs === 1 ? 'pair' : 'pairs'} of gloves`,
    `${cloths} ${cloths === 1 ? 'cloth' : 'cloths'} wiped with`,
  ].join(', ');
});
const newCartridges = async () =>
  (faults.value = await change({ cartridgesOn: today.value }, 'The mask has new cartridges'));
const missing = computed(() =>
  [...(shelf.value?.missingMl ?? [])].map(([id, ml]) => ({ name: materials.known.get(id)?.name ?? id, ml })),
);

function save(): void {
  const levels = shelf.value?.tins ?? [];
  saveFile(`${store.theBuild.name} shelf.csv`, shelfCsv(levels, materials.known), 'text/csv');
}
/** Adds the tins of a table: all of them, or none where a row can't be used. */
async function takeIn(file: File): Promise<void> {
  const at = toWallTime(Math.floor(store.now), store.theBuild.timeZone);
  const read = readShelfCsv(await file.text(), materials.known, at, () => nanoid(12));
  faults.value = read.ok
    ? await change(
        { stock: [...(store.theBuild.stock ?? []), ...read.value] },
        `${read.value.length} ${read.value.length === 1 ? 'tin' : 'tins'} on the shelf`,
      )
    : read.faults;
}

const editing = ref<number>();
const adding = ref(false);
const weighing = ref<TinLevel>();

async function setLevel(level: TinLevel, ml: number, said: string): Promise<void> {
  faults.value = await change(withLevel(store.theBuild, level, ml, store.now), said);
}
/** A tin that is said to be empty with much left in it by the book: where that went. */
const emptied = ref<{ level: TinLevel; name: string }>();
async function empty(level: TinLevel, name: string): Promise<void> {
  if (isMuchLeft(level)) emptied.value = { level, name };
  else await setLevel(level, 0, `Empty: ${name}`);
}
async function emptyBy(why: GoneBy): Promise<void> {
  if (!emptied.value) return;
  const { level, name } = emptied.value;
  emptied.value = undefined;
  const said = why === 'used' ? `Empty: ${name}` : `Empty, ${why}: ${name}`;
  faults.value = await change(withLevel(store.theBuild, level, 0, store.now, why), said);
}
async function remove(at: number, name: string): Promise<void> {
  faults.value = await change(
    { stock: (store.theBuild.stock ?? []).filter((_, n) => n !== at) },
    `Off the shelf: ${name}`,
  );
}
function edit(at: number | undefined): void {
  editing.value = at;
  adding.value = true;
}
</script>

<template>
  <div v-if="store.build" class="page">
    <MaterialsHead title="Shelf">
      <v-btn :disabled="rows.length === 0" @click="save">Save as a table</v-btn>
      <FileButton
        field="Table of tins"
        accept=".csv,text/csv"
        drop="Drop a table of tins here to put them on the shelf"
        @file="takeIn"
        >Open a table</FileButton
      >
      <v-btn variant="flat" color="primary" :prepend-icon="mdiPlus" @click="edit(undefined)">Add a tin</v-btn>
    </MaterialsHead>
    <FaultList :faults="faults" />
    <p v-if="rows.length === 0" class="quiet">
      Nothing stands on the shelf yet. Add what you have, and the list of what to buy gets shorter.
    </p>
    <p v-for="one in missing" :key="one.name" class="missing">
      ▲ {{ sayMl(one.ml) }} of {{ one.name }} were laid that no tin here had: set a level, or add the tin.
    </p>
    <ul class="tins">
      <li v-for="row in rows" :key="row.level.at" class="tin" data-testid="tin">
        <TinDrawing
          :share="row.level.ml / row.tin.containerMl"
          :taken="row.taken / row.tin.containerMl"
          :colour="row.colour"
          :is-coming="row.isComing"
        />
        <div class="what">
          <strong>{{ row.name }}</strong><template v-if="row.tin.colour"
            >, <ColourName :colour="row.tin.colour" :material="row.material" with-figures
          /></template>
          <p class="figures level" data-testid="level">
            {{ sayMl(row.level.ml) }} <span class="quiet">of {{ sayMl(row.tin.containerMl) }}</span>
          </p>
          <p class="small quiet">{{ row.details.join(' · ') }}</p>
          <p class="small quiet">{{ row.plan }}</p>
          <p v-for="line in row.learned" :key="line" class="small quiet">{{ line }}</p>
          <p v-if="row.age" class="small age">{{ row.age }}</p>
        </div>
        <div class="acts">
          <template v-if="!row.isComing">
            <v-btn
              size="small"
              variant="outlined"
              @click="setLevel(row.level, row.tin.containerMl / 2, `Half left: ${row.name}`)"
              >Half left</v-btn
            >
            <v-btn size="small" variant="outlined" @click="empty(row.level, row.name)">Empty</v-btn>
            <v-btn size="small" variant="outlined" @click="weighing = row.level">Weigh or set…</v-btn>
          </template>
          <v-menu>
            <template #activator="{ props: menu }">
              <v-btn
                v-bind="menu"
                :icon="mdiDotsVertical"
                variant="text"
                size="small"
                :aria-label="`${row.name}, ${sayMl(row.level.ml)}: menu`"
              />
            </template>
            <v-list density="compact">
              <v-list-item title="Change" @click="edit(row.level.at)" />
              <v-list-item title="Take off the shelf" @click="remove(row.level.at, row.name)" />
            </v-list>
          </v-menu>
        </div>
      </li>
    </ul>
    <p v-if="worth > 0" class="small quiet mt-4">
      What is left is worth about {{ worth.toFixed(2) }}, by what was paid for it.
    </p>
    <section class="mt-6" aria-labelledby="worn">
      <h2 id="worn">Worn out besides paint</h2>
      <p class="mt-1 figures" data-testid="worn">
        {{ wornWords }},
        {{
          store.build.cartridgesOn
            ? `since the mask got new cartridges on ${sayDate(store.build.cartridgesOn)}`
            : 'as far as anything was logged'
        }}.
      </p>
      <p class="small quiet">Only counted: the maker’s instructions say when cartridges are changed.</p>
      <v-btn class="mt-2" size="small" @click="newCartridges">The mask has new cartridges</v-btn>
    </section>
    <TinDialog v-if="adding" v-model="adding" :at="editing" />
    <EmptyDialog
      v-if="emptied"
      :name="emptied.name"
      :ml="emptied.level.ml"
      @gone="emptyBy"
      @close="emptied = undefined"
    />
    <WeighDialog v-if="weighing" :level="weighing" @close="weighing = undefined" />
  </div>
  <div v-else class="page quiet">Opening the build…</div>
</template>

<style scoped>
.tins {
  list-style: none;
  padding: 0;
  margin: 0;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 420px), 1fr));
  gap: 0 32px;
}

.tin {
  display: grid;
  grid-template-columns: 52px minmax(0, 1fr);
  gap: 6px 16px;
  padding: 14px 0;
  border-top: 1px solid var(--line);
}

.level {
  font-size: 1.25rem;
  font-weight: 700;
}

.level .quiet {
  font-size: 1rem;
  font-weight: 400;
}

.acts {
  grid-column: 2;
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}

@media (max-width: 640px) {
  .acts {
    gap: 3px;
  }

  .acts :deep(.v-btn) {
    padding: 0 9px;
  }
}

.age,
.missing {
  font-weight: 600;
}

.missing {
  color: rgb(var(--v-theme-warning));
  margin-bottom: 8px;
}
</style>
