<script setup lang="ts">
import { reliefFor, type Piece } from '@fixatum/core';
import { watchDebounced } from '@vueuse/core';
import { clear, createStore, get, keys, set } from 'idb-keyval';
import { computed, onBeforeUnmount, ref } from 'vue';
import { useBuild } from './build';
import { inColourWorker } from './colourWorker';
import { plain } from './offThread/workerLink';

/** A small picture of what a piece will look like: made once for the same coats, and kept. */
const props = withDefaults(defineProps<{ piece: Piece; px?: number; label?: string | undefined }>(), {
  px: 144,
  label: undefined,
});
const store = useBuild();
const url = ref<string>();

const wanted = computed(() => {
  const { id, steps, zones, faces, substrate, quantity, drawing } = props.piece;
  const { materials, log = [] } = store.build ?? {};
  return {
    px: props.px * 2,
    relief: reliefFor(props.piece),
    piece: { id, name: '', steps, zones, faces, substrate, quantity, ...(drawing ? { drawing } : {}) },
    build: { materials, log: log.filter((entry) => entry.piece === id) },
  };
});
/** In a place of their own, which is emptied when it gets full: what is gone is painted again. */
const pictures = createStore('fixatum-finishes', 'pictures');
const MOST_KEPT = 300;
/** Pictures of before are painted anew when they would come out otherwise. */
const PAINTED_BY = 3;
async function keyOf(text: string): Promise<string> {
  const bytes = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(text));
  return `finish ${PAINTED_BY} ${[...new Uint8Array(bytes)].map((one) => one.toString(16).padStart(2, '0')).join('')}`;
}

let ticket = 0;
async function paint(): Promise<void> {
  ticket += 1;
  const own = ticket;
  const { px, relief, piece, build } = plain(wanted.value);
  try {
    const key = await keyOf(JSON.stringify(wanted.value));
    let picture = await get<Blob>(key, pictures);
    if (!picture) {
      const pixels = await inColourWorker((remote) =>
        remote.finishStill({ build, piece, relief, size: px, light: 'daylight' }),
      );
      if (own !== ticket) return;
      const canvas = new OffscreenCanvas(px, px);
      canvas.getContext('2d')?.putImageData(new ImageData(new Uint8ClampedArray(pixels), px, px), 0, 0);
      picture = await canvas.convertToBlob({ type: 'image/webp', quality: 0.9 });
      if ((await keys(pictures)).length >= MOST_KEPT) await clear(pictures);
      await set(key, picture, pictures);
    }
    if (own !== ticket) return;
    release();
    url.value = URL.createObjectURL(picture);
  } catch {
    // A picture that can't be made here is no reason to complain: all it shows is said elsewhere too.
  }
}
function release(): void {
  if (url.value) URL.revokeObjectURL(url.value);
}
watchDebounced(wanted, () => void paint(), { debounce: 200, immediate: true });
onBeforeUnmount(() => {
  ticket += 1;
  release();
});
</script>

<template>
  <img
    v-if="url"
    :src="url"
    :width="px"
    :height="px"
    :alt="label ?? `What ${piece.name} will look like, by its coats`"
    class="thumb"
  />
  <span v-else class="thumb none" :style="{ width: `${px}px`, height: `${px}px` }" aria-hidden="true" />
</template>

<style scoped>
.thumb {
  display: block;
  border-radius: 3px;
}

.none {
  background: var(--line);
  opacity: 0.4;
}
</style>
