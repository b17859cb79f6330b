<script setup lang="ts">
import NumberField from '../shared/NumberField.vue';
import {
  climateZones,
  climateZoneTable,
  latitudeOf,
  parseAirCsv,
  parseForecastFile,
  halfOf,
  pathText,
  sayMoment,
  epochMinute,
  takenIn,
  toWallTime,
  ventilations,
  type AirFileResult,
  type Climate,
  type ClimateZone,
  type Half,
  type Place,
  messageOf,
} from '@fixatum/core';
import { computed, ref, watch } from 'vue';
import { api } from '../shared/api';
import FileButton from '../shared/FileButton.vue';
import { useBuild } from '../shared/build';
import { airWords } from '../shared/words';
import RemoveButton from '../shared/RemoveButton.vue';
import TimeField from '../shared/TimeField.vue';
import PlaceAir from './PlaceAir.vue';
import { climateAs } from './climateAs';

/** One place: how it is aired, what fits there, its hours, and its air: assumed, from a forecast, or measured. */
const place = defineModel<Place>({ required: true });
const props = defineProps<{ saved: boolean }>();
defineEmits<{ remove: [] }>();
const store = useBuild();
const problems = ref<string[]>([]);
const pasted = ref('');
const pasting = ref(false);
const said = ref('');

const zone = computed(() => store.build?.timeZone ?? 'UTC');
const ventilationItems = [
  { value: 'none', title: 'no airing' },
  { value: 'window', title: 'a window' },
  { value: 'extraction', title: 'extraction' },
  { value: 'outdoor', title: 'outdoors' },
] satisfies { value: (typeof ventilations)[number]; title: string }[];
const kindItems = [
  { value: 'constant', title: 'steady' },
  { value: 'season', title: 'usual for the season' },
  { value: 'daily', title: 'daily swing' },
  { value: 'hourly', title: 'hour by hour' },
];

const zoneItems = climateZones.map((value) => ({ value, title: climateZoneTable[value].word }));
const halfItems = [
  { value: 'north', title: 'northern half' },
  { value: 'south', title: 'southern half' },
];
// What somebody says of the air is assumed no more.
watch(
  () => place.value.climate,
  () => delete place.value.assumed,
  { deep: true },
);
const setDaylight = (on: boolean | null) => {
  const { climate } = place.value;
  const season = climate.kind === 'season' ? climate : climateAs('season', climate, zone.value, store.now);
  if (on && season.kind === 'season') place.value.daylightAtDeg = latitudeOf(season.zone, season.half);
  else delete place.value.daylightAtDeg;
};
/** Daylight goes with where it is. */
function setSeason(change: Partial<{ zone: ClimateZone; half: Half }>): void {
  const { climate } = place.value;
  if (climate.kind !== 'season') return;
  const season = { ...climate, ...change };
  place.value.climate = season;
  if (place.value.daylightAtDeg !== undefined)
    place.value.daylightAtDeg = latitudeOf(season.zone, season.half);
}

function setKind(kind: Climate['kind']): void {
  place.value.climate = climateAs(kind, place.value.climate, zone.value, store.now);
}

/** What the air is where nothing but hours were ever said: outdoors by the season, else what those hours came to. */
const usualAir = computed((): Exclude<Climate, { kind: 'hourly' }> => {
  const { climate, ventilation } = place.value;
  if (climate.kind !== 'hourly') return climate;
  if (ventilation === 'outdoor')
    return { kind: 'season', zone: 'mild', half: halfOf(zone.value, Math.floor(store.now)) };
  const mean = (list: readonly number[]) =>
    Math.round(list.reduce((sum, value) => sum + value, 0) / list.length);
  return {
    kind: 'constant',
    temperatureC: mean(climate.temperatureC),
    humidityPct: mean(climate.humidityPct),
  };
});
/** Until when there are hours, and what the air is taken for after them. */
const hoursWords = computed(() => {
  const { climate } = place.value;
  if (climate.kind !== 'hourly') return '';
  const end = epochMinute(climate.start, zone.value) + climate.temperatureC.length * 60;
  const after = climate.otherwise
    ? { constant: 'steady as it was', daily: 'swinging as it was', season: 'usual for the season' }[
        climate.otherwise.kind
      ]
    : 'as in the last hour';
  return `Until ${sayMoment(end, zone.value)}; then ${after}, which is a guess.`;
});

function take(result: AirFileResult): void {
  if (!result.ok) {
    problems.value = result.faults.map((fault) =>
      fault.path.length > 0 ? `${fault.message} (${pathText(fault.path)})` : fault.message,
    );
    return;
  }
  problems.value = [];
  place.value.climate = takenIn(place.value.climate, result.climate, usualAir.value, zone.value);
  pasting.value = false;
  pasted.value = '';
}
const root = ref<HTMLElement>();
async function takeFile(file: File): Promise<void> {
  const text = await file.text();
  take(
    /\.csv$/i.test(file.name)
      ? parseAirCsv(text, hourNow(), store.build?.timeZone ?? 'UTC')
      : parseForecastFile(text),
  );
}
const hourNow = () => toWallTime(Math.floor(store.now / 60) * 60, zone.value);

const setHours = (on: boolean | null) => {
  if (on) place.value.hours = { from: '09:00', to: '18:00' };
  else delete place.value.hours;
};
const port = computed({
  get: () => place.value.hygrometerPort,
  set: (value: number | string | undefined) => {
    if (value) place.value.hygrometerPort = Number(value);
    else delete place.value.hygrometerPort;
  },
});
async function readNow(): Promise<void> {
  said.value = 'Reading…';
  try {
    const answer = await api.readPlace(store.theId, place.value.id);
    said.value = answer.why ? `It says ${airWords(answer)}: thrown out, ${answer.why}.` : airWords(answer);
    await store.loadReadings();
  } catch (error) {
    said.value = messageOf(error);
  }
}
const measured = computed(() => store.readings.find((one) => one.place === place.value.id));
</script>

<template>
  <div ref="root" class="place" :data-testid="`place-${place.id}`">
    <div class="with-x">
      <v-text-field v-model="place.name" label="Place" maxlength="120" />
      <v-select v-model="place.ventilation" label="Aired by" :items="ventilationItems" />
      <v-text-field v-model.number="place.slots" label="Rack places" type="number" min="1" max="500" />
      <RemoveButton :label="`Remove ${place.name}`" @click="$emit('remove')" />
    </div>
    <div class="row">
      <v-checkbox
        class="wide"
        :model-value="place.hours !== undefined"
        label="Only at certain hours"
        @update:model-value="setHours"
      />
      <template v-if="place.ventilation === 'outdoor'">
        <v-checkbox
          class="wide"
          :model-value="place.daylightAtDeg !== undefined"
          label="Only by daylight"
          @update:model-value="setDaylight"
        />
        <v-checkbox v-model="place.carriedIn" class="wide" label="Carried indoors once touch-dry" />
      </template>
      <v-checkbox v-model="place.silicone" class="wide" label="Silicone is used here" />
      <template v-if="place.hours">
        <TimeField v-model="place.hours.from" label="From" density="compact" />
        <TimeField v-model="place.hours.to" label="To" density="compact" />
      </template>
    </div>
    <div class="row">
      <v-select
        :model-value="place.climate.kind"
        label="Air"
        density="compact"
        :items="kindItems"
        @update:model-value="setKind"
      />
      <template v-if="place.climate.kind === 'constant'">
        <NumberField
          v-model="place.climate.temperatureC"
          label="Temperature"
          of="temperatureC"
          density="compact"
        />
        <v-text-field
          v-model.number="place.climate.humidityPct"
          label="Humidity"
          suffix="%"
          type="number"
          density="compact"
        />
      </template>
      <template v-else-if="place.climate.kind === 'daily'">
        <NumberField v-model="place.climate.meanC" label="Mean" of="temperatureC" density="compact" />
        <NumberField v-model="place.climate.swingC" label="Swing ±" of="warmerC" density="compact" />
        <v-text-field
          v-model.number="place.climate.humidityPct"
          label="Humidity"
          suffix="%"
          type="number"
          density="compact"
        />
      </template>
      <template v-else-if="place.climate.kind === 'season'">
        <v-select
          :model-value="place.climate.zone"
          label="Climate"
          density="compact"
          :items="zoneItems"
          @update:model-value="setSeason({ zone: $event })"
        />
        <v-select
          :model-value="place.climate.half"
          label="Which half of the globe"
          density="compact"
          :items="halfItems"
          @update:model-value="setSeason({ half: $event })"
        />
      </template>
      <span v-else class="quiet small figures"
        >{{ place.climate.temperatureC.length }} hours from {{ place.climate.start.replace('T', ' ') }}.
        {{ hoursWords }}</span
      >
    </div>
    <p v-if="place.assumed && !measured" class="small quiet">
      Assumed: nobody has measured here. A thermo-hygrometer or a forecast makes the plan truer.
    </p>
    <PlaceAir :place="place" :measured="measured" />
    <div class="tools">
      <FileButton
        size="small"
        :field="`Forecast file for ${place.name}`"
        accept=".json,.csv"
        :drop="`Drop a forecast here: the air of ${place.name}`"
        :within="root"
        is-part
        @file="takeFile"
        >Open a forecast file</FileButton
      >
      <v-btn size="small" variant="text" @click="pasting = !pasting">Paste hours</v-btn>
      <v-text-field
        v-model="port"
        class="port"
        label="Hygrometer on port"
        type="number"
        min="1"
        max="65535"
        density="compact"
        clearable
      />
      <v-btn v-if="place.hygrometerPort" size="small" :disabled="!props.saved" @click="readNow"
        >Read now</v-btn
      >
    </div>
    <p v-if="said || measured?.last" class="small mt-1" role="status">
      {{
        said || `Last reading ${toWallTime(measured!.last!.at, zone).slice(11)}: ${airWords(measured!.last!)}`
      }}
      <span v-if="measured && measured.thrownOut.length > 0" class="quiet">
        · {{ measured.thrownOut.length }} thrown out</span
      >
    </p>
    <div v-if="pasting" class="mt-2">
      <v-textarea
        v-model="pasted"
        label="A line an hour: temperature, humidity; a time before them if you have it"
        rows="4"
      />
      <v-btn
        class="mt-2"
        size="small"
        @click="take(parseAirCsv(pasted, hourNow(), store.build?.timeZone ?? 'UTC'))"
        >Take these hours</v-btn
      >
    </div>
    <ul v-if="problems.length > 0" class="faults" role="alert">
      <li v-for="problem in problems.slice(0, 6)" :key="problem">{{ problem }}</li>
    </ul>
  </div>
</template>

<style scoped>
.place {
  container-type: inline-size;
  position: relative;
  padding: 12px 0 18px;
  border-top: 1px solid var(--line);
}

.with-x {
  display: grid;
  grid-template-columns: 1fr 150px 110px 44px;
  gap: 8px;
  align-items: center;
}

.row {
  display: grid;
  grid-template-columns: 1.4fr repeat(3, 1fr);
  gap: 8px;
  align-items: center;
  margin-top: 8px;
}

.wide {
  grid-column: span 2;
}

.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
  margin-top: 6px;
}

.port {
  flex: 0 0 200px;
}

@container (max-width: 500px) {
  /* Its name and what takes it away in one line, how it is aired and its rack in the next. */
  .with-x {
    grid-template-columns: 1fr 1fr 44px;
  }

  .with-x > :nth-child(1) {
    grid-area: 1 / 1 / auto / span 2;
  }

  .with-x > :nth-child(3) {
    grid-area: 2 / 2 / auto / span 2;
  }

  .with-x > :nth-child(4) {
    grid-area: 1 / 3;
  }

  .row {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
