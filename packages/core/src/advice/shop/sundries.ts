import { tapeMmOf } from '../../facts/tape';
import { hazardsOf } from '../../model/hazards';
import type { Material } from '../../model/materialSchema';
import { methodTable } from '../../model/methods';
import type { Piece } from '../../model/schema';
import { cheapestSet, type Purchase } from '../../quantity/purchase';
import { isOpen, type ToShop } from './toShop';

/** What is used up besides paint. */
export interface Sundries {
  /** Tape, m, and the rolls that are enough. */
  tapeM: number;
  tapeRolls: Purchase;
  /** Pairs of gloves: one for each session with anything wet in it. */
  glovePairs: number;
  /** Mixes made in a cup. */
  cups: number;
  /** Brushes and sponges that nothing cleans again: one for each mix that sets in them. */
  brushes: number;
  /** Passes that leave a cloth dirty: wiping down, degreasing, wiping back. */
  cloths: number;
  /** Passes of sanding, the area in them, m², and what their steps say of the paper. */
  sandings: number;
  sandedM2: number;
  papers: string[];
  /** Hours of work whose vapour a cartridge has to take. */
  cartridgeHours: number;
}

/** Tape goes round corners and is cut. */
const TAPE_WASTE = 1.15;
const ROLLS_M = [25, 50];

/** What the open passes of some builds use up besides paint. */
export function sundriesOf(builds: readonly ToShop[], materials: ReadonlyMap<string, Material>): Sundries {
  let tapeMm = 0;
  let vapourMinutes = 0;
  let cups = 0;
  let brushes = 0;
  let cloths = 0;
  let sandings = 0;
  let sandedM2 = 0;
  const papers = new Set<string>();
  // A session over several builds is one.
  const wet = new Set<string>();
  for (const { build, plan } of builds) {
    const open = plan.operations.filter(isOpen);
    const pieces = new Map<string, Piece>(build.pieces.map((piece) => [piece.id, piece]));
    for (const { pieceId, stepId } of open.filter(({ kind }) => kind === 'mask')) {
      const piece = pieces.get(pieceId);
      const step = piece?.steps.find(({ id }) => id === stepId);
      if (piece && step && !step.covers) tapeMm += tapeMmOf(piece, step);
    }
    const isWet = new Set(open.filter(({ material }) => material !== undefined).map(({ id }) => id));
    for (const { id, batches } of plan.sessions)
      if (batches.some(({ operationIds }) => operationIds.some((pass) => isWet.has(pass)))) wet.add(id);
    const mixes = new Map(
      open
        .filter(({ material, method }) => method === 'airbrush' || material?.potLife !== undefined)
        .map((pass) => [[pass.pieceId, pass.stepId, pass.coat].join('/'), pass]),
    );
    cups += mixes.size;
    brushes += [...mixes.values()].filter(
      ({ material, method }) => material?.potLife !== undefined && !methodTable[method].sprays,
    ).length;
    for (const { kind, method, areaCm2, material, workMinutes, pieceId, stepId } of open) {
      const step = pieces.get(pieceId)?.steps.find(({ id }) => id === stepId);
      if (step?.cleans !== undefined || method === 'wipe') cloths += 1;
      if (kind === 'sand') {
        sandings += 1;
        sandedM2 += areaCm2 / 10_000;
        if (step?.note) papers.add(step.note);
      }
      if (hazardsOf(material && materials.get(material.id), method).has('organic vapour'))
        vapourMinutes += workMinutes;
    }
  }
  const tapeM = (tapeMm / 1000) * TAPE_WASTE;
  return {
    tapeM,
    tapeRolls: cheapestSet(
      tapeM,
      ROLLS_M.map((containerMl) => ({ containerMl })),
    ),
    glovePairs: wet.size,
    cups,
    brushes,
    cloths,
    sandings,
    sandedM2,
    papers: [...papers],
    cartridgeHours: vapourMinutes / 60,
  };
}
