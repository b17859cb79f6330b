<script setup lang="ts">
import {
  idFromName,
  journalBatches,
  journalCsv,
  sayC,
  sayDayOf,
  sayWallTime,
  toEpochMinute,
  type JournalBatch,
} from '@fixatum/core';
import { mdiPencilOutline } from '@mdi/js';
import { computed, ref } from 'vue';
import { useBuild } from '../shared/build';
import { later } from '../shared/later';
import { useMaterials } from '../shared/materials';
import { useMe } from '../shared/me';
import { usePhotoBox } from '../shared/photoBox';
import { saveFile } from '../shared/saveFile';
import { airWords, pieceName } from '../shared/words';
import DayStrip from './DayStrip.vue';
import OwnTimes from './OwnTimes.vue';
import { lineKindWords, useJournal, type Line } from './useJournal';

const EntryDialog = later(() => import('./EntryDialog.vue'));
const TouchDialog = later(() => import('./TouchDialog.vue'));

/** Everything that happened, in order, to be filtered, put right and saved as a table; and what the own times say of materials. */
const store = useBuild();
const box = usePhotoBox();
const materials = useMaterials();
const me = useMe();
const { lines, own } = useJournal();
const piece = ref('');
const material = ref('');
const kind = ref('');

const shown = computed(() =>
  lines.value.filter(
    (line) =>
      (piece.value === '' || line.pieceId === piece.value) &&
      (material.value === '' || line.materialIds.includes(material.value)) &&
      (kind.value === '' || line.kind === kind.value),
  ),
);
const batches = computed(() => journalBatches(shown.value));
/** So many batches are drawn at once. */
const SHOWN = ref(100);
interface Evening {
  day: string;
  title: string;
  lines: Line[];
  batches: JournalBatch<Line>[];
}
const days = computed(() => {
  const groups: Evening[] = [];
  for (const batch of batches.value.slice(0, SHOWN.value)) {
    const day = batch.line.at.slice(0, 10);
    const last = groups.at(-1);
    const group: Evening =
      last?.day === day
        ? last
        : {
            day,
            title: sayDayOf(
              toEpochMinute(`${day}T12:00`, store.build?.timeZone ?? 'UTC') ?? 0,
              store.build?.timeZone ?? 'UTC',
            ),
            lines: [],
            batches: [],
          };
    if (group !== last) groups.push(group);
    group.batches.push(batch);
    group.lines.push(...batch.lines);
  }
  return groups;
});
const counted = (n: number, one: string, many = `${one}s`) =>
  n === 0 ? [] : [`${n} ${n === 1 ? one : many}`];
/** What a day came to: "14 coats, 3 tasks, 1 failed". */
function sumOf({ lines: all }: Evening): string {
  const of = (wanted: Line['kind']) => all.filter((line) => line.kind === wanted).length;
  return [
    ...counted(of('coat'), 'coat'),
    ...counted(of('work'), 'task'),
    ...counted(of('failed'), 'failed coat'),
  ].join(', ');
}
/** "Greave 1, 2 and 3; Helm": which pieces, and which of each set. */
const unitsOf = ({ pieceId, units }: { pieceId: string; units: number[] }): string =>
  (store.pieceOf(pieceId)?.quantity ?? 1) > 1 && units.length > 0 ? ` ${units.join(', ')}` : '';

/** When a batch was done, from its first to its last. */
function timesOf({ lines: all, line }: JournalBatch<Line>): string {
  const times = all.map(({ at }) => at.slice(11, 16)).sort();
  const [from = line.at.slice(11, 16)] = times;
  const until = times.at(-1) ?? from;
  return from === until ? sayWallTime(from) : `${sayWallTime(from)}–${sayWallTime(until)}`;
}

const usedMaterials = computed(() => {
  const ids = new Set(own.value.flatMap((line) => line.materialIds));
  return [...materials.known.values()].filter((one) => ids.has(one.id));
});

const editing = ref<string[]>([]);
const isEditing = ref(false);
const isTouching = ref(false);
const canEdit = (line: Line) =>
  line.kind === 'coat' || line.kind === 'work' || line.kind === 'failed' || line.kind === 'touch';
function edit(batch: JournalBatch<Line>): void {
  editing.value = batch.lines.map(({ id }) => id);
  if (batch.line.kind === 'touch') isTouching.value = true;
  else isEditing.value = true;
}

function saveCsv(): void {
  if (!store.build) return;
  const text = journalCsv(store.build, shown.value);
  saveFile(`${idFromName(store.build.name, [])}-journal.csv`, text, 'text/csv');
}
const all = { value: '', title: 'all' };
const pieceItems = computed(() => [
  all,
  ...(store.build?.pieces ?? []).map(({ id, name }) => ({ value: id, title: name })),
]);
const materialItems = computed(() => [
  all,
  ...usedMaterials.value.map(({ id, name }) => ({ value: id, title: name })),
]);
const kindItems = computed(() => {
  const there = new Set(lines.value.map((line) => line.kind));
  return [
    all,
    ...Object.entries(lineKindWords).flatMap(([value, title]) =>
      [...there].some((one) => one === value) ? [{ value, title }] : [],
    ),
  ];
});
</script>

<template>
  <div v-if="store.build" class="page">
    <div class="head">
      <h1>Journal</h1>
      <v-btn size="small" :disabled="shown.length === 0" @click="saveCsv">Save as a table (CSV)</v-btn>
    </div>
    <div class="columns">
      <section aria-label="What happened">
        <div class="filters">
          <v-select v-model="piece" class="choice" label="Piece" density="compact" :items="pieceItems" />
          <v-select
            v-model="material"
            class="choice"
            label="Material"
            density="compact"
            :items="materialItems"
          />
          <v-select v-model="kind" class="choice" label="Kind" density="compact" :items="kindItems" />
          <span class="small quiet">{{ shown.length }} lines</span>
        </div>
        <p v-if="shown.length === 0" class="quiet mt-4">
          {{
            lines.length === 0
              ? 'Nothing has happened yet. What you log at the bench stands here.'
              : 'Nothing like that.'
          }}
        </p>
        <div v-for="group in days" :key="group.day" class="day">
          <h2>
            {{ group.title }} <span class="small quiet figures">{{ sumOf(group) }}</span>
          </h2>
          <DayStrip :lines="group.lines" />
          <ol data-testid="journal">
            <li v-for="batch in group.batches" :key="batch.key">
              <span class="times figures quiet">{{ timesOf(batch) }}</span>
              <span class="kind small" :class="batch.line.kind">{{ lineKindWords[batch.line.kind] }}</span>
              <span>
                <template v-for="(one, n) in batch.pieces" :key="one.pieceId"
                  >{{ n > 0 ? ', ' : ''
                  }}<router-link
                    class="piece"
                    :to="{ name: 'piece', params: { build: store.theId, piece: one.pieceId } }"
                    >{{ pieceName(store.build, one.pieceId) + unitsOf(one) }}</router-link
                  ></template
                >
                {{ batch.line.text }}
                <span v-if="batch.line.temperatureC !== undefined" class="air small quiet figures">
                  ·
                  {{
                    batch.line.humidityPct === undefined
                      ? sayC(batch.line.temperatureC)
                      : airWords({
                          temperatureC: batch.line.temperatureC,
                          humidityPct: batch.line.humidityPct,
                        })
                  }}</span
                >
                <span v-if="batch.line.edits" class="small quiet"> · put right since</span>
                <span v-if="batch.line.note" class="small quiet block">{{ batch.line.note }}</span>
              </span>
              <a v-if="batch.line.photo" :href="box.addressOf(batch.line.photo)" target="_blank"
                ><img :src="box.addressOf(batch.line.photo)" alt="Photo"
              /></a>
              <v-btn
                v-if="canEdit(batch.line) && !me.isHelper"
                class="edit"
                :icon="mdiPencilOutline"
                variant="text"
                size="small"
                :aria-label="`Put right: ${batch.pieces.map((one) => pieceName(store.build, one.pieceId) + unitsOf(one)).join(', ')}, ${batch.line.text}`"
                @click="edit(batch)"
              />
            </li>
          </ol>
        </div>
        <v-btn v-if="batches.length > SHOWN" class="mt-3" variant="text" @click="SHOWN += 200"
          >Show more</v-btn
        >
      </section>
      <OwnTimes />
    </div>
    <EntryDialog v-if="isEditing" v-model="isEditing" :ids="editing" />
    <TouchDialog v-if="isTouching" v-model="isTouching" :ids="editing" />
  </div>
  <div v-else class="page quiet">Opening the build…</div>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  margin-bottom: 12px;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.7fr) minmax(280px, 1fr);
  gap: 48px;
}

.day {
  margin-top: 18px;
}

ol {
  list-style: none;
  padding: 0;
  margin-top: 4px;
}

ol li {
  display: grid;
  grid-template-columns: 116px 76px 1fr auto auto;
  gap: 12px;
  padding: 6px 0;
  border-top: 1px solid var(--line);
  line-height: 1.35;
}

.kind {
  padding-top: 1px;
  color: var(--quiet);
}

.kind.failed {
  color: rgb(var(--v-theme-error));
  font-weight: 700;
}

.piece {
  color: inherit;
  font-weight: 600;
}

.times,
.air {
  white-space: nowrap;
}

.filters .choice {
  max-width: 190px;
}

.block {
  display: block;
}

.edit {
  grid-column: -2;
}

img {
  max-width: min(220px, 40vw);
  max-height: 160px;
  border-radius: 2px;
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
    gap: 28px;
  }

  ol li {
    grid-template-columns: 116px 1fr auto;
  }

  .kind {
    display: none;
  }
}
</style>
