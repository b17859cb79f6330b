import type { Line } from '@fixatum/core';

const short = (value: number): number => Math.round(value * 100) / 100;

/** Lines as path data; closed unless told otherwise. */
export const pathOf = (lines: readonly Line[], closed = true): string =>
  lines
    .map((line) => `M${line.map(([x, y]) => `${short(x)} ${short(y)}`).join('L')}${closed ? 'Z' : ''}`)
    .join('');
