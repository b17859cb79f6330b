<script setup lang="ts">
import { stillOf, type FinishMaps, type Light, type ReliefKind } from '@fixatum/core';
import { useResizeObserver, whenever } from '@vueuse/core';
import { onBeforeUnmount, onMounted, ref, useTemplateRef, watch } from 'vue';
import type { FinishScene } from './finishScene';

/** A finish to turn and look at; where there is no WebGL, a still of it. */
const props = defineProps<{
  maps: FinishMaps | undefined;
  relief: ReliefKind;
  light: Light;
  /** What it shows, for who does not see it. */
  label: string;
}>();
const canvas = useTemplateRef<HTMLCanvasElement>('canvas');
const flat = useTemplateRef<HTMLCanvasElement>('flat');
/** The still is there first; it is kept where there is no WebGL. */
const isTurnable = ref(false);
const hasWebGl = ref(true);
const isDrawn = ref(false);
let scene: FinishScene | undefined;
let gone = false;

/** What can be turned is made once there is something to look at: making it keeps the screen busy for a while. */
async function makeTurnable(): Promise<void> {
  try {
    const { createFinishScene } = await import('./finishScene');
    await new Promise((shown) => requestAnimationFrame(() => setTimeout(shown, 50)));
    if (gone || !canvas.value) return;
    scene = createFinishScene(canvas.value, () => (isTurnable.value = true));
    scene.setLight(props.light);
    scene.resize();
    show();
  } catch {
    hasWebGl.value = false;
  }
}
whenever(isDrawn, () => void makeTurnable(), { once: true });
onMounted(() => show());
onBeforeUnmount(() => {
  gone = true;
  scene?.dispose();
});
useResizeObserver(canvas, () => scene?.resize());

function show(): void {
  const { maps, relief } = props;
  if (!maps) return;
  if (!isTurnable.value) drawStill(maps);
  scene?.show(maps, relief);
}
function drawStill(maps: FinishMaps): void {
  const target = flat.value;
  if (!target) return;
  target.width = maps.size;
  target.height = maps.size;
  const pixels = new Uint8ClampedArray(stillOf(maps, { kind: props.relief }));
  target.getContext('2d')?.putImageData(new ImageData(pixels, maps.size, maps.size), 0, 0);
  isDrawn.value = true;
}
watch(() => props.maps, show);
watch(
  () => props.light,
  (light) => scene?.setLight(light),
);
</script>

<template>
  <div class="frame" :data-drawn="isDrawn" :data-turnable="isTurnable">
    <canvas
      v-if="hasWebGl"
      ref="canvas"
      :class="{ hidden: !isTurnable }"
      tabindex="0"
      role="img"
      :aria-label="`${label}. Arrow keys turn it.`"
    />
    <canvas v-if="!isTurnable" ref="flat" class="still" role="img" :aria-label="label" />
    <p v-if="!isDrawn" class="quiet small wait">Painting…</p>
  </div>
</template>

<style scoped>
.frame {
  position: relative;
  width: 100%;
  aspect-ratio: 1;
  background: radial-gradient(circle at 50% 45%, #6f7274, #2c2e30);
  border-radius: 3px;
}

canvas {
  display: block;
  width: 100%;
  height: 100%;
  touch-action: none;
}

.hidden {
  visibility: hidden;
}

.still {
  position: absolute;
  inset: 9%;
  width: 82%;
  height: 82%;
}

.wait {
  position: absolute;
  inset: auto 0 12px;
  text-align: center;
  color: #fff;
}
</style>
