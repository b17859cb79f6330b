import type { PaletteColour } from '@fixatum/core';

/** What a colour is in a build, in a word. */
export const paletteRoleWords: Record<PaletteColour['role'], string> = {
  base: 'base',
  shade: 'shade',
  light: 'light',
  metal: 'metal',
  rust: 'rust',
  accent: 'accent',
};

/** How far two colours are apart, for whoever does not read ΔE: with the figure for who does. */
export function offWords(deltaE: number): string {
  const figure = `ΔE ${deltaE.toFixed(1)}`;
  if (deltaE < 2) return `nobody sees a difference (${figure})`;
  if (deltaE < 5) return `few see a difference (${figure})`;
  return deltaE < 10 ? `another shade (${figure})` : `another colour (${figure})`;
}
