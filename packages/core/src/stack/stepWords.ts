import type { FilmGrade, StepKind } from '../build/schema';
import type { Method } from '../materials/material';

/** What a step is called on a button or a tag. */
export const stepKindWords: Record<StepKind, string> = {
  prep: 'Prep',
  fill: 'Fill',
  sand: 'Sand',
  texture: 'Texture',
  'heat-seal': 'Heat-seal',
  seal: 'Seal',
  prime: 'Prime',
  base: 'Base colour',
  mask: 'Mask',
  unmask: 'Pull the tape',
  detail: 'Detail',
  weather: 'Weather',
  topcoat: 'Topcoat',
  attach: 'Attach',
  join: 'Join',
  inspect: 'Look over',
};

/** How it is put on. */
export const methodWords: Record<Method, string> = {
  aerosol: 'spray can',
  airbrush: 'airbrush',
  brush: 'brush',
  'foam-brush': 'foam brush',
  sponge: 'sponge',
  stipple: 'stippling',
  'dry-brush': 'dry brush',
  wipe: 'wipe on',
  dip: 'dip',
  pen: 'pen',
  tool: 'spatula',
  stamp: 'stamp',
  sand: 'sandpaper',
  'hot-air': 'hot air',
  torch: 'torch',
  hand: 'by hand',
};

const gradeWords: Record<FilmGrade, string> = {
  dust: 'dust',
  light: 'light',
  normal: 'normal',
  heavy: 'heavy',
};

/** "3 light coats", "a normal coat". */
export function coatsWords(coats: number, film: FilmGrade): string {
  return coats === 1 ? `one ${gradeWords[film]} coat` : `${coats} ${gradeWords[film]} coats`;
}
