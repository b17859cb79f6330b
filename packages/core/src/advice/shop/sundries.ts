import { tapeMmOf } from '../../facts/tape';
import { hazardsOf } from '../../model/hazards';
import type { Material } from '../../model/materialSchema';
import { methodTable } from '../../model/methods';
import type { Attachment, Piece } from '../../model/schema';
import type { Thinner } from '../../model/thinners';
import { passMl } from '../../quantity/amounts';
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
  /** What is put on, by what it is: metres of what comes by length, square metres of what covers, or how many. */
  attached: { what: Attachment; lengthM: number; areaM2: number; count: number }[];
  /** What is stirred in or thinned with, ml. */
  stirred: { what: Thinner; ml: number }[];
  /** Hours of work whose vapour a cartridge has to take. */
  cartridgeHours: number;
}

/** What is put on over a face and bought by its area. */
const covers = new Set<Attachment>(['fabric', 'leather', 'mesh', 'vinyl', 'iron-on']);

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
  const attached = new Map<Attachment, Sundries['attached'][number]>();
  const stirred = new Map<Thinner, number>();
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
    for (const pass of open) {
      const { kind, method, areaCm2, material, workMinutes, pieceId, stepId } = pass;
      const step = pieces.get(pieceId)?.steps.find(({ id }) => id === stepId);
      if (step?.attaches) {
        const known = attached.get(step.attaches) ?? { what: step.attaches, lengthM: 0, areaM2: 0, count: 0 };
        if (step.alongMm !== undefined) known.lengthM += step.alongMm / 1000;
        else if (covers.has(step.attaches) && step.fixings === undefined) known.areaM2 += areaCm2 / 10_000;
        else known.count += step.fixings ?? 1;
        attached.set(step.attaches, known);
      }
      if (material && step?.thinWith && step.thinWith !== 'water' && step.thinPct !== undefined)
        stirred.set(step.thinWith, (stirred.get(step.thinWith) ?? 0) + (passMl(pass) * step.thinPct) / 100);
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
    attached: [...attached.values()],
    stirred: [...stirred].map(([what, ml]) => ({ what, ml })),
    cartridgeHours: vapourMinutes / 60,
  };
}
