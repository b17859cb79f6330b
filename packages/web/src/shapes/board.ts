import type { HandPoint } from '@fixatum/core';
import { useEventListener, useManualRefHistory } from '@vueuse/core';
import type { Ref } from 'vue';

/** A line that is drawn by hand: an outline, a hole in it, an area of a zone, or what is measured by. */
export interface BoardShape {
  id: string;
  tone: 'outline' | 'hole' | 'zone' | 'measure';
  points: HandPoint[];
  closed: boolean;
  /** The zone it is an area of. */
  zone?: string;
}

/** Undo and redo of what is drawn, also by keys; it is told when something was done. While it can take something back, Ctrl+Z is for that and not for the build. */
export function useBoardHistory(shapes: Ref<BoardShape[]>) {
  const history = useManualRefHistory(shapes, {
    clone: (value) => value.map((shape) => ({ ...shape })),
    capacity: 200,
  });
  const keys = (event: KeyboardEvent) => {
    const isZ = event.key.toLowerCase() === 'z' && (event.ctrlKey || event.metaKey);
    if (!isZ || event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement)
      return;
    if (!(event.shiftKey ? history.canRedo.value : history.canUndo.value)) return;
    event.preventDefault();
    event.stopImmediatePropagation();
    if (event.shiftKey) history.redo();
    else history.undo();
  };
  // Before the screen's own keys hear of it.
  useEventListener(window, 'keydown', keys, { capture: true });
  return history;
}

export type BoardHistory = ReturnType<typeof useBoardHistory>;

let made = 0;
/** An id that no other shape of this visit has. */
export const freshShapeId = (): string => `shape-${(made += 1)}`;
