import type { Piece } from '@fixatum/core';
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';

/** A drawing that was read for a piece and is not kept yet: it is looked over on the piece's drawing first. */
export const useDrawingDraft = defineStore('drawing-draft', () => {
  const draft = shallowRef<Piece>();
  /** Takes what is there for a piece, once. */
  function takeFor(pieceId: string): Piece | undefined {
    const own = draft.value?.id === pieceId ? draft.value : undefined;
    draft.value = undefined;
    return own;
  }
  return { draft, takeFor };
});
