<script setup lang="ts">
import {
  airHistory,
  eraWords,
  sayDayOf,
  sayTimeOfDay,
  placeSeries,
  dewPointC,
  type Place,
  degreeUnit,
  degreesOf,
} from '@fixatum/core';
import { computed } from 'vue';
import type { PlaceReadings } from '../shared/api';
import { useBuild } from '../shared/build';
import DataChart, { type ChartOption } from '../shared/DataChart.vue';

/** The air of a place over a day back and four ahead: assumed, forecast and measured. */
const props = defineProps<{ place: Place; measured: PlaceReadings | undefined }>();
const store = useBuild();
const zone = computed(() => store.build?.timeZone ?? 'UTC');

const eras = computed(() => airHistory(props.place, zone.value).map((era) => eraWords(era, zone.value)));
const quarter = computed(() => Math.floor(store.minute / 15) * 15);
const option = computed((): ChartOption => {
  const series = placeSeries(props.place, zone.value);
  // The chart is drawn anew once in a quarter of an hour, not with every tick.
  const now = quarter.value;
  const from = now - 24 * 60;
  const until = now + 4 * 24 * 60;
  const points: number[] = [];
  for (let minute = from; minute <= until; minute += 60) points.push(minute);
  const readings = props.measured?.readings.filter((one) => one.at >= from) ?? [];
  const gaps = props.measured?.gaps.filter((gap) => gap.to > from) ?? [];
  const at = (minute: number) => minute * 60_000;
  const label = (value: number) =>
    `${sayDayOf(value / 60_000, zone.value).slice(0, 3)} ${sayTimeOfDay(value / 60_000, zone.value)}`;
  return {
    grid: { left: 38, right: 40, top: 42, bottom: 26 },
    legend: { top: 0 },
    tooltip: { trigger: 'axis', valueFormatter: (value) => String(Math.round(Number(value) * 10) / 10) },
    xAxis: {
      type: 'time',
      min: at(from),
      max: at(until),
      axisLabel: { formatter: label, hideOverlap: true },
      splitNumber: 4,
    },
    yAxis: [
      { type: 'value', name: degreeUnit(), scale: true, splitNumber: 3 },
      { type: 'value', name: '%', min: 0, max: 100, splitNumber: 2 },
    ],
    series: [
      {
        type: 'line',
        name: 'temperature',
        showSymbol: false,
        lineStyle: { width: 1.5, type: 'dashed' },
        data: points.map((minute) => [at(minute), degreesOf(series.airAt(minute).temperatureC)]),
        markLine: { symbol: 'none', label: { formatter: 'now' }, data: [{ xAxis: at(now) }] },
        markArea: {
          silent: true,
          itemStyle: { color: 'rgba(128,128,128,0.18)' },
          data: gaps.map((gap) => [
            { name: 'no reading', xAxis: at(Math.max(from, gap.from)) },
            { xAxis: at(gap.to) },
          ]),
        },
      },
      {
        type: 'line',
        name: 'dew point',
        showSymbol: false,
        lineStyle: { width: 1, type: 'dotted' },
        data: points.map((minute) => [at(minute), degreesOf(dewPointC(series.airAt(minute)))]),
      },
      {
        type: 'line',
        name: 'humidity',
        yAxisIndex: 1,
        showSymbol: false,
        lineStyle: { width: 1.5, type: 'dashed' },
        data: points.map((minute) => [at(minute), series.airAt(minute).humidityPct]),
      },
      ...(readings.length > 0
        ? [
            {
              type: 'line' as const,
              name: `measured ${degreeUnit()}`,
              showSymbol: false,
              lineStyle: { width: 3 },
              data: readings.map((one) => [at(one.at), degreesOf(one.temperatureC)]),
            },
          ]
        : []),
    ],
  };
});
</script>

<template>
  <DataChart
    :option="option"
    :height="202"
    :label="`Air of ${props.place.name} over the last day and the next four`"
  />
  <details v-if="eras.length > 1" class="small mt-2">
    <summary>The air so far</summary>
    <ul class="pl-5" data-testid="air-history">
      <li v-for="line in eras" :key="line">{{ line }}</li>
    </ul>
    <p class="quiet">What was measured stands over all of it. Coats keep the air they dried in.</p>
  </details>
</template>
