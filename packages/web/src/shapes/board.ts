import type { HandPoint } from '@fixatum/core';
import { useManualRefHistory } from '@vueuse/core';
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

/** Undo and redo of what is drawn: told when something was done. */
export function useBoardHistory(shapes: Ref<BoardShape[]>) {
  return useManualRefHistory(shapes, {
    clone: (value) => value.map((shape) => ({ ...shape })),
    capacity: 200,
  });
}

let made = 0;
/** An id that no other shape of this visit has. */
export const freshShapeId = (): string => `shape-${(made += 1)}`;
