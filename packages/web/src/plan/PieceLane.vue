<script setup lang="ts">
import { sayMoment, type PlannedOperation, type PlanView, sure } from '@fixatum/core';
import { computed } from 'vue';
import DryingRibbon from '../shared/DryingRibbon.vue';
import { useBuild } from '../shared/build';
import { useForecast } from '../shared/forecast';
import { percent } from '../shared/timeAxis';
import { passWords, unitName } from '../shared/words';

/** One piece along time: its drying as a ribbon, its passes on top, which can be taken by the hand. */
const props = defineProps<{
  state: PlanView['pieces'][number];
  /** Its drying, as far as it is drawn. */
  ribbon: PlanView['pieces'][number]['ribbon'];
  work: readonly PlannedOperation[];
  from: number;
  until: number;
  /** Ids of passes that are pinned. */
  pinned: ReadonlySet<string>;
  /** By how many minutes a pass is dragged just now. */
  shiftOf: (operation: PlannedOperation) => number;
  /** The pass that the tab key leads to; arrow keys lead on from it. */
  reached: string | undefined;
}>();
defineEmits<{
  grab: [event: PointerEvent, operation: PlannedOperation];
  pull: [event: PointerEvent];
  drop: [operation: PlannedOperation];
  cancel: [];
  press: [operation: PlannedOperation];
  key: [event: KeyboardEvent, operation: PlannedOperation];
  reach: [operation: PlannedOperation];
}>();
const store = useBuild();
const forecast = useForecast();
const zone = computed(() => store.view?.timeZone ?? 'UTC');
const left = (minute: number) => percent(minute, props.from, props.until);
const wide = (a: number, b: number) =>
  `${(100 * (Math.min(b, props.until) - Math.max(a, props.from))) / (props.until - props.from)}%`;
/** The pass of this lane that is dragged. The others have none, and are not drawn anew while one elsewhere moves. */
const dragged = computed(() => {
  const one = props.work.find((operation) => props.shiftOf(operation) !== 0);
  return one && { id: one.id, by: props.shiftOf(one) };
});
const byOf = ({ id }: PlannedOperation) => (dragged.value?.id === id ? dragged.value.by : 0);
const words = (operation: PlannedOperation) =>
  `${unitName(store.build, operation.pieceId, operation.unit)}: ${passWords(operation)}, ${sayMoment(sure(operation.start, 'when it is planned') + byOf(operation), zone.value)}`;
</script>

<template>
  <DryingRibbon
    :spans="ribbon"
    :from="from"
    :until="until"
    :time-zone="zone"
    :spread="forecast.byPiece.get(state.pieceId)?.ready"
    :spread-is-old="forecast.isOld"
    :height="20"
  />
  <component
    :is="operation.status === 'planned' ? 'button' : 'span'"
    v-for="operation in work"
    :key="operation.id"
    class="pass"
    :class="[operation.status, { pinned: pinned.has(operation.id), moving: byOf(operation) !== 0 }]"
    :style="{
      left: left(operation.start! + byOf(operation)),
      width: `max(3px, ${wide(operation.start!, operation.laidAt!)})`,
    }"
    :aria-label="operation.status === 'planned' ? words(operation) : undefined"
    :title="words(operation)"
    :tabindex="operation.status === 'planned' ? (operation.id === reached ? 0 : -1) : undefined"
    :data-pass="operation.status === 'planned' ? operation.id : undefined"
    @pointerdown="$emit('grab', $event, operation)"
    @pointermove="$emit('pull', $event)"
    @pointerup="operation.status === 'planned' && $emit('drop', operation)"
    @pointercancel="$emit('cancel')"
    @click="$event.detail === 0 && operation.status === 'planned' && $emit('press', operation)"
    @keydown="$emit('key', $event, operation)"
    @focus="$emit('reach', operation)"
  />
</template>

<style scoped>
.pass {
  position: absolute;
  top: 3px;
  height: 6px;
  background: rgb(var(--v-theme-primary));
}

button.pass {
  height: 12px;
  top: 0;
  border-top: 3px solid rgba(var(--v-theme-surface), 0);
  background-clip: padding-box;
  cursor: grab;
  touch-action: none;
}

/* What has the focus is under nothing. */
button.pass:focus {
  z-index: 6;
}

/* As large as a finger needs, however short the pass is. */
button.pass::before {
  content: '';
  position: absolute;
  top: -6px;
  left: 50%;
  width: max(100%, 24px);
  height: 24px;
  transform: translateX(-50%);
}

button.pass.moving {
  opacity: 0.6;
  cursor: grabbing;
  z-index: 5;
}

/* A pin through the top of the pass. */
.pass.pinned::after {
  content: '';
  position: absolute;
  top: -4px;
  left: -3px;
  border: 4px solid transparent;
  border-top-color: rgb(var(--v-theme-error));
  border-top-width: 8px;
}

.pass.done {
  background: rgb(var(--v-theme-secondary));
}
</style>
