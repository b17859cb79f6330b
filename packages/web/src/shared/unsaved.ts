import { useEventListener } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue';

/** What is typed somewhere and not saved: asked about before it would be lost. */
export const useUnsaved = defineStore('unsaved', () => {
  const held = ref(new Set<symbol>());
  /** Whoever waits for the answer whether to leave it. */
  const waiting = shallowRef<(leaves: boolean) => void>();
  const isAsking = computed(() => waiting.value !== undefined);

  function set(key: symbol, isThere: boolean): void {
    if (isThere) held.value.add(key);
    else held.value.delete(key);
  }

  /** Asks whether to leave what is typed. Where nothing is, it may be left at once; a question that is open already stays so. */
  function mayLeave(): Promise<boolean> {
    if (held.value.size === 0) return Promise.resolve(true);
    waiting.value?.(false);
    return new Promise((answer) => {
      waiting.value = answer;
    });
  }
  function answer(leaves: boolean): void {
    waiting.value?.(leaves);
    waiting.value = undefined;
  }

  return { held, isAsking, set, mayLeave, answer };
});

/** Holds what is typed here for as long as it is not saved and this is there. */
export function useHeld(isTyped: Ref<boolean>): void {
  const unsaved = useUnsaved();
  const key = Symbol('typed');
  watch(isTyped, (is) => unsaved.set(key, is), { immediate: true, flush: 'sync' });
  onScopeDispose(() => unsaved.set(key, false));
}

/** Has the browser ask before the page itself is closed or loaded anew. */
export function askBeforeClosing(): void {
  const unsaved = useUnsaved();
  useEventListener(window, 'beforeunload', (event) => {
    if (unsaved.held.size > 0) event.preventDefault();
  });
}
