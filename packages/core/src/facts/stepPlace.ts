import { substrateTable } from '../model/substrates';
import type { LookOver } from '../model/lookOvers';
import type { Piece, Step } from '../model/schema';
import type { StepKind } from '../model/stepKinds';

/** Where kinds of work stand in the order of craft (docs/domain.md, "Where a step belongs"): less comes first. */
const kindRank: Readonly<Record<StepKind, number>> = {
  prep: 0,
  fill: 10,
  sand: 20,
  texture: 30,
  'heat-seal': 40,
  mask: 60,
  seal: 70,
  prime: 90,
  base: 100,
  unmask: 105,
  detail: 110,
  weather: 120,
  topcoat: 130,
  join: 150,
  attach: 160,
  inspect: 115,
};

const lookRank: Readonly<Record<LookOver, number>> = {
  worn: 50,
  bare: 55,
  sealed: 80,
  felt: 80,
  primed: 95,
  pulled: 106,
  coloured: 115,
  packing: 170,
};

/** Pressing texture in wants warm foam, so it follows the heat. */
const PRESSED = 45;
/** Closures are uncovered once all clears are on. */
const UNCOVERED = 140;
/** Between coats it is paint or primer that is sanded, once there is some. */
const SANDED_BETWEEN = 92;

function rankOf(step: Step, piece: Pick<Piece, 'steps' | 'substrate'>): number {
  if (step.looksOver) return lookRank[step.looksOver];
  if (step.kind === 'unmask' && step.covers) return UNCOVERED;
  if (step.kind === 'mask' && !step.covers) return kindRank.base;
  if (step.kind === 'texture' && step.texture === 'pressed') return PRESSED;
  if (step.kind === 'texture' && step.material !== undefined) return kindRank.base;
  if (step.kind === 'sand') {
    const at = piece.steps.findIndex(({ id }) => id === step.id);
    const before = at < 0 ? piece.steps : piece.steps.slice(0, at);
    const hasFilm = before.some(({ kind }) => kind === 'seal' || kind === 'prime' || kind === 'base');
    const isFoam = substrateTable[piece.substrate.kind].isPorousFoam;
    return hasFilm && (at >= 0 || isFoam) ? SANDED_BETWEEN : kindRank.sand;
  }
  return kindRank[step.kind];
}

/**
 * The place in the list of steps at which a new one belongs: before the first that comes later in the order of craft, but behind
 * whatever of its own kind stands there and behind all that is begun. What is put on, joined or looked over last stays last.
 * @param begun ids of steps of the piece that are begun or done
 * @example a dry-brush goes before the clear, a try-on before the sealer
 */
export function placeOfStep(
  piece: Pick<Piece, 'steps' | 'substrate'>,
  step: Step,
  begun: ReadonlySet<string> = new Set(),
): number {
  const rank = rankOf(step, piece);
  const first = piece.steps.findLastIndex(({ id }) => begun.has(id)) + 1;
  const later = piece.steps.findIndex((other, at) => at >= first && rankOf(other, piece) > rank);
  return later < 0 ? piece.steps.length : later;
}
