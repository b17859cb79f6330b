<script setup lang="ts">
import {
  sayDayOf,
  sayWallTime,
  idFromName,
  journalCsv,
  journalOf,
  sayWait,
  toEpochMinute,
  toWallTime,
  type JournalLine,
  type Reading,
  nth,
  degreesOf,
  degreeUnit,
  sayC,
} from '@fixatum/core';
import { computed, ref, watch } from 'vue';
import { api } from '../shared/api';
import { usePhotoBox } from '../shared/photoBox';
import DayStrip from './DayStrip.vue';
import OwnTimes from './OwnTimes.vue';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import { saveFile } from '../shared/saveFile';
import { airWords, pieceName } from '../shared/words';

type Line = Omit<JournalLine, 'kind'> & { kind: JournalLine['kind'] | 'air' | 'change' };

/** Everything that happened, in order, to be filtered and saved as a table; and what the own times say of materials. */
const store = useBuild();
const box = usePhotoBox();
const materials = useMaterials();
const piece = ref('');
const material = ref('');
const kind = ref('');
const changes = ref<Awaited<ReturnType<typeof api.changes>>['changes']>([]);
watch(
  () => [store.id, store.etag] as const,
  ([id]) => {
    if (id)
      void api.changes(id).then(
        (answer) => (changes.value = answer.changes),
        () => undefined,
      );
  },
  { immediate: true },
);

const zone = computed(() => store.build?.timeZone ?? 'UTC');
const own = computed(() => (store.build ? journalOf(store.build, materials.known) : []));
/** Readings by the day of the build's zone they were taken on. */
function daysOf(readings: readonly Reading[]): [string, Reading[]][] {
  const days = new Map<string, Reading[]>();
  for (const reading of readings) {
    const day = toWallTime(reading.at, zone.value).slice(0, 10);
    days.set(day, [...(days.get(day) ?? []), reading]);
  }
  return [...days];
}
const range = (values: readonly number[]) => {
  const [low, high] = [Math.min(...values), Math.max(...values)].map((one) => Math.round(one * 10) / 10);
  return low === high ? `${low}` : `${low} to ${high}`;
};
const lines = computed((): Line[] => {
  const placeName = (id: string) => store.build?.places.find((place) => place.id === id)?.name ?? id;
  const air = store.readings.flatMap(({ place, thrownOut, gaps, readings }) => [
    ...daysOf(readings).map(([day, list]): Line => ({
      id: `air ${place} ${day}`,
      at: `${day}T${toWallTime(nth(list, -1).at, zone.value).slice(11)}`,
      kind: 'air',
      materialIds: [],
      text: `${placeName(place)}: ${range(list.map((one) => degreesOf(one.temperatureC)))} ${degreeUnit()}, ${range(list.map((one) => one.humidityPct))} % measured`,
    })),
    ...thrownOut.map((one, at): Line => ({
      id: `air ${place} ${one.at} ${at}`,
      at: one.at,
      kind: 'air',
      materialIds: [],
      text: `${placeName(place)}: a reading was thrown out, ${one.why}`,
    })),
    ...gaps.map((gap): Line => ({
      id: `gap ${place} ${gap.from}`,
      at: toWallTime(gap.from, zone.value),
      kind: 'air',
      materialIds: [],
      text: `${placeName(place)}: no reading for ${sayWait(gap.to - gap.from)}; the air was assumed`,
    })),
  ]);
  const told = changes.value
    .filter((one) => !one.label.startsWith('Log ') && !one.label.startsWith('Touch test'))
    .map((one, at): Line => ({
      id: `change ${one.at} ${at}`,
      at: toWallTime(Math.floor(Date.parse(one.at) / 60_000), zone.value),
      kind: 'change',
      materialIds: [],
      text: one.by === null ? one.label : `${one.label}, on ${one.by}`,
    }));
  return [...own.value, ...air, ...told].sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0));
});
const shown = computed(() =>
  lines.value.filter(
    (line) =>
      (piece.value === '' || line.pieceId === piece.value) &&
      (material.value === '' || line.materialIds.includes(material.value)) &&
      (kind.value === '' || line.kind === kind.value),
  ),
);
const days = computed(() => {
  const groups: { day: string; title: string; lines: Line[] }[] = [];
  for (const line of shown.value.slice(0, SHOWN.value)) {
    const day = line.at.slice(0, 10);
    const last = groups[groups.length - 1];
    if (last?.day === day) last.lines.push(line);
    else {
      const minute = toEpochMinute(`${day}T12:00`, zone.value) ?? 0;
      groups.push({
        day,
        title: sayDayOf(minute, zone.value),
        lines: [line],
      });
    }
  }
  return groups;
});
const SHOWN = ref(100);
const kindWords: Record<Line['kind'], string> = {
  coat: 'coat',
  work: 'work',
  failed: '■ failed',
  touch: 'touch',
  swatch: 'swatch',
  packed: 'packed',
  air: 'air',
  change: 'plan',
};
/** Which of a set, after its name. */
const numberOf = (line: Line) =>
  line.unit && (store.pieceOf(line.pieceId ?? '')?.quantity ?? 1) > 1 ? ` ${line.unit}` : '';
const usedMaterials = computed(() => {
  const ids = new Set(own.value.flatMap((line) => line.materialIds));
  return [...materials.known.values()].filter((one) => ids.has(one.id));
});

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
const kindItems = [all, ...Object.entries(kindWords).map(([value, title]) => ({ value, title }))];
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
          <h2>{{ group.title }}</h2>
          <DayStrip :lines="group.lines" />
          <ol data-testid="journal">
            <li v-for="line in group.lines" :key="line.id">
              <span class="figures quiet">{{ sayWallTime(line.at.slice(11, 16)) }}</span>
              <span class="kind small" :class="line.kind">{{ kindWords[line.kind] }}</span>
              <span>
                <router-link
                  v-if="line.pieceId"
                  class="piece"
                  :to="{ name: 'piece', params: { build: store.theId, piece: line.pieceId } }"
                  >{{ pieceName(store.build, line.pieceId) + numberOf(line) }}</router-link
                >
                {{ line.text }}
                <span v-if="line.temperatureC !== undefined" class="small quiet figures">
                  ·
                  {{
                    line.humidityPct === undefined
                      ? sayC(line.temperatureC)
                      : airWords({ temperatureC: line.temperatureC, humidityPct: line.humidityPct })
                  }}</span
                >
                <span v-if="line.note" class="small quiet block">{{ line.note }}</span>
              </span>
              <a v-if="line.photo" :href="box.addressOf(line.photo)" target="_blank"
                ><img :src="box.addressOf(line.photo)" alt="Photo"
              /></a>
            </li>
          </ol>
        </div>
        <v-btn v-if="shown.length > SHOWN" class="mt-3" variant="text" @click="SHOWN += 200">Show more</v-btn>
      </section>
      <OwnTimes />
    </div>
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
  grid-template-columns: 48px 76px 1fr auto;
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

.block {
  display: block;
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
    grid-template-columns: 48px 1fr;
  }

  .kind {
    display: none;
  }
}
</style>
