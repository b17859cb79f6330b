import { binderOf } from './binders';
import type { Material } from './materialSchema';
import type { Method } from './methods';
import type { Step } from './schema';
import type { Placement } from './placementIds';
import { columnOf } from './table';

/** Where on its spots a coat goes. */
export interface PlacementDefinition {
  /** In a line about a step: "into the recesses". Empty for all over, which goes without saying. */
  words: string;
  /** On a menu. */
  word: string;
  /** The share of the area that it covers; or how wide a band it is along lengths that are known, mm. */
  covers: { share: number } | { bandMm: number; along: keyof Lengths; share?: number };
  /** It is put there by hand, spot by spot, so that a zone's edge is easily kept. */
  isDabbed?: boolean;
}

/** Every placement with what it covers (docs/domain.md, "Where a coat goes"). */
export const placementTable: Readonly<Record<Placement, PlacementDefinition>> = {
  all: { word: 'all over', words: '', covers: { share: 1 } },
  recesses: { word: 'recesses', words: 'into the recesses', covers: { share: 0.3 }, isDabbed: true },
  'high-points': { word: 'high points', words: 'on the high points', covers: { share: 0.2 }, isDabbed: true },
  edges: { word: 'edges', words: 'along the edges', covers: { bandMm: 6, along: 'edgesMm' }, isDabbed: true },
  lines: { word: 'lines', words: 'in lines', covers: { bandMm: 2, along: 'groovesMm' }, isDabbed: true },
  'worn-spots': { word: 'worn spots', words: 'on worn spots', covers: { share: 0.08 }, isDabbed: true },
  splatter: { word: 'splatter', words: 'as splatter', covers: { share: 0.1 } },
  fade: { word: 'a fade', words: 'as a fade', covers: { share: 0.5 } },
  patches: { word: 'patches', words: 'in patches', covers: { share: 0.6 } },
  seams: {
    word: 'seams',
    words: 'on the seams',
    covers: { bandMm: 10, along: 'seamsMm', share: 0.1 },
    isDabbed: true,
  },
  spots: { word: 'single spots', words: 'only where it needs it', covers: { share: 0.03 }, isDabbed: true },
};

/** What a placement is called on a menu. */
export const placementWords = columnOf(placementTable, 'word');

/** Where a step goes that says nothing of it, by its kind, its method and what it lays. */
export function usualPlacement(
  step: Pick<Step, 'kind'>,
  material: Material | undefined,
  method: Method,
): Placement {
  if (!material) return 'all';
  if (method === 'dry-brush') return 'high-points';
  if (step.kind === 'fill' && material.role === 'fill') return 'seams';
  if (step.kind === 'detail') return 'lines';
  if (step.kind !== 'weather' || material.role !== 'weather') return 'all';
  const { loose = false, repels = false } = binderOf(material);
  // Graphite and wax are rubbed on; earth is dabbed where it would gather, and washes run there.
  return method === 'wipe' && (loose || repels) ? 'high-points' : 'recesses';
}

/** Where a step goes: as it says, or else as is usual. */
export const placementOf = (step: Step, material: Material | undefined, method: Method): Placement =>
  step.placement ?? usualPlacement(step, material, method);

/** How long what a coat follows is, mm; undefined where it is not known. */
export interface Lengths {
  edgesMm: number;
  groovesMm?: number | undefined;
  seamsMm?: number | undefined;
}

/**
 * The share of its area that a step covers, 0 to 1: of lines along the grooves, or where they are not known along the edges.
 * @param areaCm2 the area of its zones on one face
 */
export function coveredShare(
  step: Step,
  material: Material | undefined,
  method: Method,
  areaCm2: number,
  lengths: Lengths,
): number {
  if (step.coversPct !== undefined) return step.coversPct / 100;
  const { covers } = placementTable[placementOf(step, material, method)];
  if (!('bandMm' in covers)) return covers.share;
  const mm = lengths[covers.along] ?? (covers.share === undefined ? lengths.edgesMm : undefined);
  if (mm === undefined) return covers.share ?? 1;
  return areaCm2 > 0 ? Math.min(1, (mm * covers.bandMm) / 100 / areaCm2) : 1;
}

const low = new Set<Placement>(['recesses', 'seams']);
const high = new Set<Placement>(['high-points', 'edges', 'worn-spots']);

/** Whether coats in two places can lie on each other: what sits in the recesses is not where the high points are. */
export const placementsMeet = (one: Placement, other: Placement): boolean =>
  !((low.has(one) && high.has(other)) || (high.has(one) && low.has(other)));
