import { unitsOf, type Build, type PlanView } from '@fixatum/core';

/**
 * The pieces of a build whose steps are not those that a plan was made for: until the next plan is there, its figures say nothing of them.
 * @returns their ids
 */
export function unplannedPieces(
  { pieces }: Pick<Build, 'pieces'>,
  view: Pick<PlanView, 'operations'>,
): Set<string> {
  const planned = new Map<string, Set<string>>();
  for (const { pieceId, stepId, material, coats } of view.operations) {
    const own = planned.get(pieceId) ?? new Set<string>();
    planned.set(pieceId, own.add(`${stepId} ${material?.id ?? ''} ${coats}`));
  }
  return new Set(
    pieces.flatMap((piece) => {
      const wanted = piece.steps.flatMap((step) =>
        unitsOf(piece, step).length === 0 ? [] : [`${step.id} ${step.material ?? ''} ${step.coats ?? 1}`],
      );
      const own = planned.get(piece.id) ?? new Set<string>();
      return wanted.length === own.size && wanted.every((one) => own.has(one)) ? [] : [piece.id];
    }),
  );
}
