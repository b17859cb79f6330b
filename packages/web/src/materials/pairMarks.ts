import type { PairVerdict } from '@fixatum/core';

/** Each verdict by a shape and a word; the hue comes on top. */
export const verdictMarks: Record<PairVerdict['verdict'], string> = {
  stop: '■ stop',
  risk: '▲ risk',
  note: '● note',
  fine: '✓ fine',
};
