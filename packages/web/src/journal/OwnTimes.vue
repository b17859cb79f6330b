<script setup lang="ts">
import { CONFIRMED_AFTER_TESTS, idFromName, sayWait, type MeasuredMaterial, nth } from '@fixatum/core';
import { computed } from 'vue';
import { api } from '../shared/api';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import DataChart, { type ChartOption } from '../shared/DataChart.vue';

/** What the own touch tests say of materials, beside what was reckoned. */
const store = useBuild();
const materials = useMaterials();
const measured = computed(() => store.view?.measured ?? []);
const symbols = ['circle', 'triangle', 'diamond', 'rect'];
const option = computed((): ChartOption => {
  const points = measured.value.flatMap((one) => one.times);
  const top = Math.max(10, ...points.flatMap((one) => [one.predictedMinutes, one.actualMinutes])) * 1.15;
  return {
    grid: { left: 58, right: 20, top: 34, bottom: 46 },
    legend: { top: 0, type: 'scroll' },
    tooltip: {
      formatter: (point) => {
        const { seriesName, data } = nth([point].flat(), 0);
        const [reckoned = 0, took = 0] = Array.isArray(data) ? data.map(Number) : [];
        return `${seriesName}: reckoned ${sayWait(reckoned)}, took ${sayWait(took)}`;
      },
    },
    xAxis: {
      type: 'value',
      min: 0,
      max: Math.ceil(top),
      name: 'reckoned, min',
      nameLocation: 'middle',
      nameGap: 28,
    },
    yAxis: { type: 'value', min: 0, max: Math.ceil(top), name: 'took, min' },
    series: [
      ...measured.value.map((one, at) => ({
        type: 'scatter' as const,
        name: one.materialName,
        symbol: nth(symbols, at % symbols.length),
        symbolSize: 12,
        data: one.times.map((time) => [time.predictedMinutes, time.actualMinutes]),
      })),
      {
        type: 'line' as const,
        name: 'as reckoned',
        showSymbol: false,
        lineStyle: { type: 'dashed' as const, width: 1 },
        data: [
          [0, 0],
          [top, top],
        ],
      },
    ],
  };
});

/** Takes the measured time into the own tin: touch and the windows of the next coat, in the same proportion. */
async function takeIn(one: MeasuredMaterial): Promise<void> {
  const { build } = store;
  const current = materials.known.get(one.materialId);
  if (!build || !current) return;
  const list = build.materials ?? [];
  const old = list.find((tin) => tin.id === one.materialId);
  const scaled = current.recoat?.replace(/\d+/g, (minutes) =>
    String(Math.round(Number(minutes) * one.factor)),
  );
  const tin = {
    ...(old ?? {
      id: idFromName(`my ${current.name}`, materials.known.keys()),
      extends: current.id,
      name: `My ${current.name.toLowerCase()}`,
    }),
    touch: one.touchMinutes,
    ...(scaled ? { recoat: scaled } : {}),
  };
  await store.change(
    () =>
      api.patchBuild(
        store.theId,
        { materials: old ? list.map((entry) => (entry.id === tin.id ? tin : entry)) : [...list, tin] },
        store.etag,
      ),
    `Taken into your tin: touch-dry after ${one.touchMinutes} min`,
  );
}
const isOwnTin = (id: string) => store.build?.materials?.some((tin) => tin.id === id) ?? false;
</script>

<template>
  <section aria-labelledby="own-times">
    <h2 id="own-times">Your own times</h2>
    <p v-if="measured.length === 0" class="quiet mt-2">
      Say at the bench when a coat is dry or still tacky: from then on your own times stand here beside the
      label’s, and {{ CONFIRMED_AFTER_TESTS }} tests of a material make its forecast surer.
    </p>
    <template v-else>
      <DataChart :option="option" :height="300" label="Time to touch-dry: reckoned against taken" />
      <ul class="own">
        <li v-for="one in measured" :key="one.materialId">
          <p>
            <strong>{{ one.materialName }}</strong> took {{ Math.round(one.factor * 100) }} % of the reckoned
            time
            <span class="quiet small"
              >({{ one.times.length }} {{ one.times.length === 1 ? 'test' : 'tests'
              }}{{ one.confirmed ? ', confirmed' : '' }})</span
            >
          </p>
          <v-btn size="small" @click="takeIn(one)">{{
            isOwnTin(one.materialId)
              ? `Set your tin to ${one.touchMinutes} min`
              : `Make it your tin: touch-dry after ${one.touchMinutes} min`
          }}</v-btn>
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.own {
  list-style: none;
  padding: 0;
  margin-top: 4px;
}

.own li {
  padding: 10px 0;
  border-top: 1px solid var(--line);
}
</style>
