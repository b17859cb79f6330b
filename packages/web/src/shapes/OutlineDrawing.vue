<script setup lang="ts">
import { boundsOf, zonePlaces, type PieceDrawing, type Ring } from '@fixatum/core';
import { computed } from 'vue';
import { pathOf } from './paths';

/** The flat drawing of a piece with its zones in their colours, and its grooves. */
const props = defineProps<{
  drawing: PieceDrawing;
  /** Its zones in order, each with the colour it comes out in; one without an id for a piece of one finish. */
  zones: readonly { id: string; name: string; colour: string }[];
  label: string;
  height?: number;
}>();
const box = computed(() => {
  const { left, top, right, bottom } = boundsOf(props.drawing.parts.map(({ outer }) => outer));
  const edge = Math.max(right - left, bottom - top) * 0.02;
  return { x: left - edge, y: top - edge, w: right - left + 2 * edge, h: bottom - top + 2 * edge };
});
const areas = computed(() => {
  const [only] = props.zones;
  const rings = ({ outer, holes = [] }: PieceDrawing['parts'][number]): Ring[] => [outer, ...holes];
  if (props.zones.length < 2)
    return props.drawing.parts.map((part) => ({
      name: only?.name ?? '',
      colour: only?.colour ?? '#5f6163',
      d: pathOf(rings(part)),
    }));
  return zonePlaces(
    props.drawing,
    props.zones.map(({ id }) => id),
  ).map(({ zone, area }) => {
    const own = props.zones.find(({ id }) => id === zone);
    return { name: own?.name ?? zone, colour: own?.colour ?? '#5f6163', d: pathOf(area) };
  });
});
const grooves = computed(() =>
  props.drawing.parts.map(({ grooves: lines = [] }) => pathOf(lines, false)).join(''),
);
const outlines = computed(() =>
  props.drawing.parts.map(({ outer, holes = [] }) => pathOf([outer, ...holes])).join(''),
);
</script>

<template>
  <svg
    class="outline"
    role="img"
    :aria-label="label"
    :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`"
    :style="{ height: `${height ?? 160}px` }"
    preserveAspectRatio="xMinYMid meet"
  >
    <path v-for="(area, at) in areas" :key="at" :d="area.d" :fill="area.colour" fill-rule="evenodd">
      <title>{{ area.name }}</title>
    </path>
    <path
      v-for="(area, at) in areas.length > 1 ? areas : []"
      :key="`edge ${at}`"
      :d="area.d"
      class="border"
    />
    <path :d="grooves" class="groove" />
    <path :d="outlines" class="edge" />
  </svg>
</template>

<style scoped>
.outline {
  display: block;
  width: 100%;
}

path {
  vector-effect: non-scaling-stroke;
}

.edge,
.groove,
.border {
  fill: none;
  stroke: currentColor;
  vector-effect: non-scaling-stroke;
}

.edge {
  stroke-width: 1.5;
}

.border {
  stroke-width: 1;
  stroke-dasharray: 4 3;
}

.groove {
  stroke-width: 1;
  opacity: 0.7;
}
</style>
