<script setup lang="ts">
import { boundsOf, type FoundOutline, type FoundPage, type Point } from '@fixatum/core';
import { computed } from 'vue';
import type { OutlineRow } from './outlineRows';
import { pathOf } from './paths';

/** The pages of a template with what was found on them, numbered as in the list; an outline is taken or left with a press. */
const rows = defineModel<OutlineRow[]>('rows', { required: true });
/** The places that were pressed to measure between, mm of what is shown. */
const ends = defineModel<Point[]>('ends', { required: true });
const props = defineProps<{ pages: readonly FoundPage[]; measuring: boolean }>();

/** Pages as they are drawn, with a little room round what lies on them. */
const drawn = computed(() =>
  props.pages.map((page) => {
    const lines = [...page.outlines.map(({ outer }) => outer), ...page.loose];
    const around = boundsOf(lines);
    const box =
      page.widthMm > 0 && page.heightMm > 0
        ? { left: 0, top: 0, right: page.widthMm, bottom: page.heightMm }
        : around;
    const edge = Math.max(1, (box.right - box.left) * 0.02);
    return {
      name: page.name,
      box: {
        x: Math.min(box.left, around.left) - edge,
        y: Math.min(box.top, around.top) - edge,
        w: Math.max(box.right, around.right) - Math.min(box.left, around.left) + 2 * edge,
        h: Math.max(box.bottom, around.bottom) - Math.min(box.top, around.top) + 2 * edge,
      },
      loose: pathOf(page.loose, false),
      outlines: page.outlines.map((outline) => ({
        d: pathOf([outline.outer, ...outline.holes]),
        zones: outline.zones.map(({ ring }) => pathOf([ring])).join(''),
        grooves: pathOf(outline.grooves, false),
        at: placeOfNumber(outline),
      })),
    };
  }),
);
function placeOfNumber({ outer }: FoundOutline): Point {
  const { left, right, top, bottom } = boundsOf([outer]);
  return [(left + right) / 2, (top + bottom) / 2];
}
const rowAt = (page: number, at: number) => rows.value.find((row) => row.page === page && row.at === at);
const numberOf = (row: OutlineRow | undefined) => (row ? rows.value.indexOf(row) + 1 : 0);

function toggle(row: OutlineRow | undefined): void {
  if (row && !props.measuring) row.taken = !row.taken;
}
function press(event: MouseEvent): void {
  if (!props.measuring || !(event.currentTarget instanceof SVGSVGElement)) return;
  const map = event.currentTarget.getScreenCTM();
  if (!map) return;
  const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(map.inverse());
  ends.value = ends.value.length >= 2 ? [[x, y]] : [...ends.value, [x, y]];
}
</script>

<template>
  <div class="pages" :class="{ measuring }" data-testid="pages">
    <figure v-for="(page, at) in drawn" :key="at">
      <svg
        :viewBox="`${page.box.x} ${page.box.y} ${page.box.w} ${page.box.h}`"
        role="img"
        :aria-label="`${page.name}: ${page.outlines.length} outlines`"
        @click="press"
      >
        <rect
          v-if="pages[at]!.widthMm > 0"
          class="paper"
          x="0"
          y="0"
          :width="pages[at]!.widthMm"
          :height="pages[at]!.heightMm"
        />
        <path :d="page.loose" class="loose" />
        <g
          v-for="(one, n) in page.outlines"
          :key="n"
          class="one"
          :class="{ taken: rowAt(at, n)?.taken }"
          @click="toggle(rowAt(at, n))"
        >
          <path :d="one.d" fill-rule="evenodd" class="cut" />
          <path :d="one.zones" class="zone" />
          <path :d="one.grooves" class="groove" />
          <circle :cx="one.at[0]" :cy="one.at[1]" :r="page.box.w * 0.026" class="badge" />
          <text :x="one.at[0]" :y="one.at[1]" :font-size="page.box.w * 0.032">
            {{ numberOf(rowAt(at, n)) }}
          </text>
        </g>
        <circle
          v-for="(end, n) in ends"
          :key="`end ${n}`"
          :cx="end[0]"
          :cy="end[1]"
          :r="page.box.w * 0.006"
          class="end"
        />
      </svg>
      <figcaption v-if="drawn.length > 1" class="small quiet">{{ page.name }}</figcaption>
    </figure>
    <slot />
  </div>
</template>

<style scoped>
.pages {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
}

figure {
  flex: 1 1 260px;
  max-width: 560px;
  margin: 0;
}

svg {
  display: block;
  width: 100%;
  max-height: 60vh;
}

.measuring svg {
  cursor: crosshair;
}

.paper {
  fill: rgb(var(--v-theme-surface));
  stroke: var(--line);
  vector-effect: non-scaling-stroke;
}

.one {
  cursor: pointer;
}

.one path,
.loose {
  fill: none;
  stroke: currentColor;
  vector-effect: non-scaling-stroke;
}

.one .cut {
  stroke-width: 1.5;
  fill: transparent;
}

.one.taken .cut {
  fill: rgba(127, 127, 127, 0.28);
}

.one:not(.taken) {
  opacity: 0.45;
}

.one .zone {
  stroke-dasharray: 5 3;
  fill: rgba(127, 127, 127, 0.25);
}

.one .groove,
.loose {
  stroke-dasharray: 2 3;
}

.badge {
  fill: rgb(var(--v-theme-background));
  stroke: currentColor;
  vector-effect: non-scaling-stroke;
}

text {
  text-anchor: middle;
  dominant-baseline: central;
  fill: currentColor;
  font-weight: 600;
}

.end {
  fill: rgb(var(--v-theme-primary));
}

.pages figure:only-child {
  max-width: none;
}
</style>
