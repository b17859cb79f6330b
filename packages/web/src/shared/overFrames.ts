import { useRafFn } from '@vueuse/core';
import { computed, ref, type ComputedRef } from 'vue';

/**
 * How much of a long screen may be drawn by now: so many of its rows at first and as many more with each frame, so that none takes long and
 * what is pressed meanwhile is heard. Once `most` are drawn it is all of it, whatever is added later.
 * @example const drawn = useOverFrames(8, 60); const shown = computed(() => rows.value.slice(0, drawn.value));
 */
export function useOverFrames(perFrame: number, most: number): ComputedRef<number> {
  const frames = ref(1);
  const { pause } = useRafFn(() => {
    frames.value += 1;
    if (frames.value * perFrame >= most) pause();
  });
  return computed(() => (frames.value * perFrame < most ? frames.value * perFrame : Infinity));
}
