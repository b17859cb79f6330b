import {
  degreesOf,
  degreeUnit,
  journalOf,
  nth,
  sayWait,
  toWallTime,
  type ChangeKind,
  type JournalLine,
  type Reading,
} from '@fixatum/core';
import { computed, ref, watch } from 'vue';
import { api } from '../shared/api';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';

/** A line of the journal as it is shown: what happened at the bench, what was measured, and what was changed of what. */
export type Line = Omit<JournalLine, 'kind'> & {
  kind: JournalLine['kind'] | 'measured' | `change-${ChangeKind}`;
};

/** What each kind of line is called. */
export const lineKindWords: Record<Line['kind'], string> = {
  coat: 'coat',
  work: 'work',
  failed: '■ failed',
  touch: 'touch',
  swatch: 'swatch',
  packed: 'packed',
  measured: 'measured',
  'change-log': 'put right',
  'change-shelf': 'shelf',
  'change-date': 'dates',
  'change-air': 'air',
  'change-people': 'people',
  'change-piece': 'steps',
  'change-colour': 'colours',
  'change-plan': 'plan',
};

/** Readings by the day of a zone they were taken on. */
function daysOf(readings: readonly Reading[], zone: string): [string, Reading[]][] {
  const days = new Map<string, Reading[]>();
  for (const reading of readings) {
    const day = toWallTime(reading.at, zone).slice(0, 10);
    days.set(day, [...(days.get(day) ?? []), reading]);
  }
  return [...days];
}

const range = (values: readonly number[]) => {
  const [low, high] = [Math.min(...values), Math.max(...values)].map((one) => Math.round(one * 10) / 10);
  return low === high ? `${low}` : `${low} to ${high}`;
};

/** Everything that happened to the open build, newest first. */
export function useJournal() {
  const store = useBuild();
  const materials = useMaterials();
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
  const placeName = (id: string) => store.build?.places.find((place) => place.id === id)?.name ?? id;

  const measured = computed(() =>
    store.readings.flatMap(({ place, thrownOut, gaps, readings }) => [
      ...daysOf(readings, zone.value).map(([day, list]): Line => ({
        id: `air ${place} ${day}`,
        at: `${day}T${toWallTime(nth(list, -1).at, zone.value).slice(11)}`,
        kind: 'measured',
        materialIds: [],
        text: `${placeName(place)}: ${range(list.map((one) => degreesOf(one.temperatureC)))} ${degreeUnit()}, ${range(list.map((one) => one.humidityPct))} % measured`,
      })),
      ...thrownOut.map((one, at): Line => ({
        id: `air ${place} ${one.at} ${at}`,
        at: one.at,
        kind: 'measured',
        materialIds: [],
        text: `${placeName(place)}: a reading was thrown out, ${one.why}`,
      })),
      ...gaps.map((gap): Line => ({
        id: `gap ${place} ${gap.from}`,
        at: toWallTime(gap.from, zone.value),
        kind: 'measured',
        materialIds: [],
        text: `${placeName(place)}: no reading for ${sayWait(gap.to - gap.from)}; the air was assumed`,
      })),
    ]),
  );

  const lines = computed((): Line[] => {
    const told = changes.value
      // What was logged stands here by itself.
      .filter(({ label }) => !/^(Log|Start|Stop|Pause|Go on|Touch test|Timer)\b/.test(label))
      .map((one, at): Line => ({
        id: `change ${one.at} ${at}`,
        at: toWallTime(Math.floor(Date.parse(one.at) / 60_000), zone.value),
        kind: `change-${one.kind}`,
        materialIds: [],
        text: one.by === null ? one.label : `${one.label}, on ${one.by}`,
      }));
    return [...own.value, ...measured.value, ...told].sort((a, b) =>
      a.at < b.at ? 1 : a.at > b.at ? -1 : 0,
    );
  });
  return { lines, own };
}
