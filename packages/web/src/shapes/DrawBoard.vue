<script setup lang="ts">
import { handRing, type HandPoint, type Point } from '@fixatum/core';
import { useElementBounding } from '@vueuse/core';
import { computed, ref, useTemplateRef } from 'vue';
import type { BoardHistory, BoardShape } from './board';
import { pathOf } from './paths';

/**
 * A board to draw on: points are pressed one after the other, moved, made corners or curves, and taken away, by mouse, finger or keys. What lies
 * below it, a photo or an outline, comes in the slot.
 */
const shapes = defineModel<BoardShape[]>({ required: true });
/** The shape that points go to, by id; none while nothing is drawn. */
const active = defineModel<string | undefined>('active', { required: true });
const props = defineProps<{
  /** What is seen, in the units of the points. */
  box: { x: number; y: number; w: number; h: number };
  label: string;
  /** New points are curve points. */
  curves?: boolean;
  /** A shape closes by itself when it has so many points. */
  closesAt?: number | undefined;
  /** Presses are for what lies below the shapes. */
  picks?: boolean;
  /** What was drawn, to be taken back. */
  history: BoardHistory;
}>();
const emit = defineEmits<{ pick: [place: Point] }>();

const svg = useTemplateRef<SVGSVGElement>('svg');
const { width, height } = useElementBounding(svg);
/** Units of the points in one pixel of the screen. */
const unit = computed(() =>
  width.value > 0 && height.value > 0 ? Math.max(props.box.w / width.value, props.box.h / height.value) : 1,
);
/** How many times as wide as its place the board is; what does not fit is scrolled to. */
const zoom = ref(1);
const MOST_ZOOM = 5;
const chosen = ref<{ shape: string; at: number }>();
const cursor = ref<Point>();
const current = computed(() => shapes.value.find(({ id }) => id === active.value));
const isOpen = computed(() => current.value !== undefined && !current.value.closed);

const lineOf = ({ points, closed }: BoardShape): string => {
  if (points.length < 2) return '';
  const ring = closed && points.length > 2 ? handRing(points, unit.value / 2) : undefined;
  if (ring) return pathOf([ring]);
  // Of what is still open the last stretch, back to its beginning, is not there yet.
  return pathOf([points.map(({ x, y }): Point => [x, y])], false);
};

function placeOf(event: PointerEvent | MouseEvent): Point | undefined {
  const map = svg.value?.getScreenCTM();
  if (!map) return undefined;
  const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(map.inverse());
  return [x, y];
}

function changed(id: string, points: HandPoint[], closed?: boolean): void {
  shapes.value = shapes.value.map((shape) =>
    shape.id === id ? { ...shape, points, closed: closed ?? shape.closed } : shape,
  );
}
function addPoint([x, y]: Point): void {
  const shape = current.value;
  if (!shape || shape.closed) return;
  const [first] = shape.points;
  if (first && shape.points.length > 2 && Math.hypot(first.x - x, first.y - y) < 14 * unit.value) {
    close();
    return;
  }
  const points = [...shape.points, { x, y, ...(props.curves ? { curve: true } : {}) }];
  chosen.value = { shape: shape.id, at: points.length - 1 };
  changed(shape.id, points, points.length === props.closesAt);
  props.history.commit();
}
function close(): void {
  const shape = current.value;
  if (!shape || shape.closed || shape.points.length < (props.closesAt === 2 ? 2 : 3)) return;
  changed(shape.id, shape.points, true);
  props.history.commit();
}
defineExpose({ close });

function press(event: MouseEvent): void {
  const place = placeOf(event);
  if (!place) return;
  if (isOpen.value) addPoint(place);
  else emit('pick', place);
}

/** A press on a shape takes it in hand, while nothing else is drawn or picked. */
function choose(event: MouseEvent, shape: BoardShape): void {
  if (isOpen.value || props.picks) return;
  event.stopPropagation();
  active.value = shape.id;
}

let dragged = false;
function grab(event: PointerEvent, shape: BoardShape, at: number): void {
  event.stopPropagation();
  if (isOpen.value && shape.id === active.value && at === 0 && shape.points.length > 2) {
    close();
    return;
  }
  active.value = shape.id;
  chosen.value = { shape: shape.id, at };
  dragged = false;
  if (event.target instanceof Element) event.target.setPointerCapture(event.pointerId);
}
function drag(event: PointerEvent, shape: BoardShape, at: number): void {
  if (!(event.target instanceof Element) || !event.target.hasPointerCapture(event.pointerId)) return;
  const place = placeOf(event);
  if (!place) return;
  dragged = true;
  changed(
    shape.id,
    shape.points.map((point, n) => (n === at ? { ...point, x: place[0], y: place[1] } : point)),
  );
}
function drop(): void {
  if (dragged) props.history.commit();
  dragged = false;
}
function insert(shape: BoardShape, at: number): void {
  const [from, to] = [shape.points[at], shape.points[(at + 1) % shape.points.length]];
  if (!from || !to) return;
  const middle = {
    x: (from.x + to.x) / 2,
    y: (from.y + to.y) / 2,
    ...(from.curve || to.curve ? { curve: true } : {}),
  };
  active.value = shape.id;
  chosen.value = { shape: shape.id, at: at + 1 };
  changed(shape.id, shape.points.toSpliced(at + 1, 0, middle));
  props.history.commit();
}

const picked = computed(() => {
  const shape = shapes.value.find(({ id }) => id === chosen.value?.shape);
  const at = chosen.value?.at ?? -1;
  return shape?.points[at] ? { shape, at, point: shape.points[at] } : undefined;
});
function key(event: KeyboardEvent): void {
  const by = (event.shiftKey ? 1 : 8) * unit.value;
  const move = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] }[event.key];
  const own = picked.value;
  if (move) {
    event.preventDefault();
    const [dx = 0, dy = 0] = move;
    if (own && !isOpen.value) {
      const points = own.shape.points.map((point, n) =>
        n === own.at ? { ...point, x: point.x + dx, y: point.y + dy } : point,
      );
      changed(own.shape.id, points);
      props.history.commit();
    } else {
      const [x, y] = cursor.value ?? [props.box.x + props.box.w / 2, props.box.y + props.box.h / 2];
      cursor.value = [x + dx, y + dy];
    }
  } else if (event.key === 'Enter' || event.key === ' ') {
    event.preventDefault();
    if (!cursor.value) cursor.value = [props.box.x + props.box.w / 2, props.box.y + props.box.h / 2];
    else if (isOpen.value) addPoint(cursor.value);
    else emit('pick', cursor.value);
  } else if ((event.key === 'Delete' || event.key === 'Backspace') && own) {
    event.preventDefault();
    event.stopPropagation();
    remove();
  } else if (event.key.toLowerCase() === 'c' && own && !event.ctrlKey && !event.metaKey) turnCurve();
}
/** The point that is chosen is taken away. */
function remove(): void {
  const own = picked.value;
  if (!own) return;
  const points = own.shape.points.toSpliced(own.at, 1);
  changed(own.shape.id, points, own.shape.closed && points.length > 2);
  chosen.value = points.length > 0 ? { shape: own.shape.id, at: Math.max(0, own.at - 1) } : undefined;
  props.history.commit();
}
function turnCurve(): void {
  const own = picked.value;
  if (!own) return;
  const points = own.shape.points.map((point, n) =>
    n === own.at ? { x: point.x, y: point.y, ...(point.curve ? {} : { curve: true }) } : point,
  );
  changed(own.shape.id, points);
  props.history.commit();
}
/** Rings from a file have more points than anybody moves by hand. */
const MOST_HANDLES = 80;
/** Only the shape in hand has its points shown, so that a press beside them goes where it is meant. */
const handled = computed(() =>
  shapes.value.filter(({ id, points }) => id === active.value && points.length <= MOST_HANDLES),
);
</script>

<template>
  <div class="board">
    <div class="window">
      <svg
        ref="svg"
        :viewBox="`${box.x} ${box.y} ${box.w} ${box.h}`"
        :style="{
          aspectRatio: `${box.w} / ${box.h}`,
          width: `${zoom * 100}%`,
          maxHeight: zoom > 1 ? 'none' : undefined,
        }"
        tabindex="0"
        role="application"
        :aria-label="`${label}. Arrow keys move, Enter sets a point, Delete takes one away, C makes it a curve.`"
        :class="{ drawing: isOpen }"
        @click="press"
        @keydown="key"
      >
        <slot />
        <path
          v-for="shape in shapes"
          :key="shape.id"
          :d="lineOf(shape)"
          class="shape"
          :class="[shape.tone, { open: !shape.closed, here: shape.id === active }]"
          @click="choose($event, shape)"
        />
        <template v-for="shape in handled" :key="`points ${shape.id}`">
          <circle
            v-for="(_, at) in shape.id === active && shape.closed && closesAt === undefined
              ? shape.points
              : []"
            :key="`between ${at}`"
            class="between"
            :cx="(shape.points[at]!.x + shape.points[(at + 1) % shape.points.length]!.x) / 2"
            :cy="(shape.points[at]!.y + shape.points[(at + 1) % shape.points.length]!.y) / 2"
            :r="4 * unit"
            @click.stop="insert(shape, at)"
          />
          <g
            v-for="(point, at) in shape.points"
            :key="at"
            class="handle"
            @pointerdown="grab($event, shape, at)"
            @pointermove="drag($event, shape, at)"
            @pointerup="drop"
            @click.stop
          >
            <circle class="reach" :cx="point.x" :cy="point.y" :r="16 * unit" />
            <circle
              v-if="point.curve"
              class="point"
              :class="{ picked: picked?.shape.id === shape.id && picked.at === at }"
              :cx="point.x"
              :cy="point.y"
              :r="5 * unit"
            />
            <rect
              v-else
              class="point"
              :class="{ picked: picked?.shape.id === shape.id && picked.at === at }"
              :x="point.x - 4.5 * unit"
              :y="point.y - 4.5 * unit"
              :width="9 * unit"
              :height="9 * unit"
            />
          </g>
        </template>
        <path
          v-if="cursor"
          class="cursor"
          :d="`M${cursor[0] - 12 * unit} ${cursor[1]}h${24 * unit}M${cursor[0]} ${cursor[1] - 12 * unit}v${24 * unit}`"
        />
      </svg>
    </div>
    <div class="point-tools">
      <v-btn size="small" :disabled="!isOpen || (current?.points.length ?? 0) < 3" @click="close"
        >Close the outline</v-btn
      >
      <v-btn size="small" variant="text" :disabled="!picked" @click="turnCurve">{{
        picked?.point.curve ? 'Make it a corner' : 'Make it a curve'
      }}</v-btn>
      <v-btn size="small" variant="text" :disabled="!picked" @click="remove">Take the point away</v-btn>
      <v-btn size="small" variant="text" :disabled="zoom >= MOST_ZOOM" @click="zoom *= 1.5">Larger</v-btn>
      <v-btn size="small" variant="text" :disabled="zoom <= 1" @click="zoom = Math.max(1, zoom / 1.5)"
        >Smaller</v-btn
      >
      <v-btn size="small" variant="text" :disabled="!history.canUndo.value" @click="history.undo()"
        >Undo</v-btn
      >
      <v-btn size="small" variant="text" :disabled="!history.canRedo.value" @click="history.redo()"
        >Redo</v-btn
      >
    </div>
  </div>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  max-height: 68vh;
  border: 1px solid var(--line);
  background: rgb(var(--v-theme-surface));
}

.window {
  max-height: 72vh;
  overflow: auto;
}

svg.drawing {
  cursor: crosshair;
}

.shape {
  fill: rgba(255, 255, 255, 0.16);
  stroke: #fff;
  stroke-width: 2.5;
  vector-effect: non-scaling-stroke;
  paint-order: stroke;
  filter: drop-shadow(0 0 1px #000) drop-shadow(0 0 1px #000);
}

.shape.zone {
  fill: rgba(255, 255, 255, 0.1);
  stroke-dasharray: 8 4;
}

.shape.hole {
  fill: rgba(0, 0, 0, 0.35);
  stroke-dasharray: 3 3;
}

.shape.measure {
  fill: rgba(90, 190, 255, 0.12);
  stroke: #9adcff;
}

.shape.open {
  pointer-events: none;
  fill: none;
}

.handle {
  cursor: grab;
  touch-action: none;
}

.reach {
  fill: transparent;
}

.point {
  fill: #fff;
  stroke: #111;
  stroke-width: 1.5;
  vector-effect: non-scaling-stroke;
}

.point.picked {
  fill: #ffd24a;
  stroke-width: 2.5;
}

.between {
  fill: #fff;
  fill-opacity: 0.45;
  stroke: #111;
  stroke-width: 1;
  vector-effect: non-scaling-stroke;
  cursor: copy;
}

.cursor {
  stroke: #ffd24a;
  stroke-width: 2;
  vector-effect: non-scaling-stroke;
  pointer-events: none;
}

.point-tools {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: center;
  margin-top: 8px;
}
</style>
