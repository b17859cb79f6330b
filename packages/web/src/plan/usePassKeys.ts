import type { PlannedOperation } from '@fixatum/core';
import { computed, ref, type Ref } from 'vue';

/** A press with Shift moves a pass by so much, minutes. */
const NUDGE_MINUTES = 15;

const passesIn = (within: Element): HTMLElement[] =>
  [...within.querySelectorAll<HTMLElement>('[data-pass]')].sort((a, b) => a.offsetLeft - b.offsetLeft);

/** Of some passes the one that stands nearest below or above another. */
const nearest = (passes: readonly HTMLElement[], to: HTMLElement): HTMLElement | undefined =>
  [...passes].sort(
    (a, b) => Math.abs(a.offsetLeft - to.offsetLeft) - Math.abs(b.offsetLeft - to.offsetLeft),
  )[0];

/**
 * The pass that a key leads to from another: left and right along its piece, Home and End to its first and last, up and down to the nearest of the
 * piece above and below that has any.
 */
export function passBeside(lanes: Element, from: HTMLElement, key: string): HTMLElement | undefined {
  const own = from.parentElement;
  if (!own) return undefined;
  const row = passesIn(own);
  const at = row.indexOf(from);
  switch (key) {
    case 'ArrowLeft':
      return row[at - 1];
    case 'ArrowRight':
      return row[at + 1];
    case 'Home':
      return row[0];
    case 'End':
      return row.at(-1);
    case 'ArrowUp':
    case 'ArrowDown': {
      const rows = [...new Set([...lanes.querySelectorAll('[data-pass]')].map((one) => one.parentElement))];
      const next = rows[rows.indexOf(own) + (key === 'ArrowUp' ? -1 : 1)];
      return next ? nearest(passesIn(next), from) : undefined;
    }
    default:
      return undefined;
  }
}

/**
 * Passes of the plan by keys: one is reached with Tab, arrows lead on from it, with Shift they move it along time, Escape leaves it where it was.
 * @param first the pass that Tab leads to at first
 */
export function usePassKeys(
  lanes: Ref<HTMLElement | undefined>,
  first: () => string | undefined,
  { nudge, cancel }: { nudge: (operation: PlannedOperation, minutes: number) => void; cancel: () => void },
) {
  const last = ref<string>();
  const isThere = (id: string) => lanes.value?.querySelector(`[data-pass="${CSS.escape(id)}"]`) != null;
  const reached = computed(() => (last.value !== undefined && isThere(last.value) ? last.value : first()));
  const reach = ({ id }: PlannedOperation) => (last.value = id);

  function key(event: KeyboardEvent, operation: PlannedOperation): void {
    if (!lanes.value || !(event.currentTarget instanceof HTMLElement)) return;
    if (event.key === 'Escape') cancel();
    const by = { ArrowLeft: -NUDGE_MINUTES, ArrowRight: NUDGE_MINUTES }[event.key];
    if (event.shiftKey && by !== undefined) {
      event.preventDefault();
      nudge(operation, by);
      return;
    }
    const next = passBeside(lanes.value, event.currentTarget, event.key);
    if (!next) return;
    event.preventDefault();
    next.focus();
  }
  return { reached, reach, key };
}
