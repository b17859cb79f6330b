/** Where on its spots a coat goes, by name; `placements.ts` says what each covers. */
export const placementIds = [
  'all',
  'recesses',
  'high-points',
  'edges',
  'lines',
  'worn-spots',
  'splatter',
  'fade',
  'patches',
  'seams',
  'spots',
] as const;
export type Placement = (typeof placementIds)[number];
