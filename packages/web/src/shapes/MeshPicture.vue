<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core';
import { onBeforeUnmount, onMounted, ref, useTemplateRef, watch } from 'vue';
import type { MeshScene } from './meshScene';

/** A mesh to turn and look at. */
const props = defineProps<{
  positions: Float32Array;
  parts: readonly { name: string; triangles: number }[];
  /** 1 for each triangle that counts; what does not is drawn dark. */
  counts?: Uint8Array | undefined;
  label: string;
}>();
const canvas = useTemplateRef<HTMLCanvasElement>('canvas');
const hasWebGl = ref(true);
const drawn = ref(false);
let scene: MeshScene | undefined;
let gone = false;

onMounted(async () => {
  try {
    const { createMeshScene } = await import('./meshScene');
    if (gone || !canvas.value) return;
    scene = createMeshScene(canvas.value, props.positions, props.parts);
    if (props.counts) scene.show(props.counts);
    scene.resize();
    drawn.value = true;
  } catch {
    hasWebGl.value = false;
  }
});
watch(
  () => props.counts,
  (counts) => counts && scene?.show(counts),
);
onBeforeUnmount(() => {
  gone = true;
  scene?.dispose();
});
useResizeObserver(canvas, () => scene?.resize());
</script>

<template>
  <div class="frame" :data-drawn="drawn">
    <canvas
      v-if="hasWebGl"
      ref="canvas"
      tabindex="0"
      role="img"
      :aria-label="`${label}. Arrow keys turn it.`"
    />
    <p v-else class="quiet">This browser shows no 3D here; the figures are the same.</p>
  </div>
</template>

<style scoped>
.frame {
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

p {
  padding: 24px;
  color: #fff;
}
</style>
