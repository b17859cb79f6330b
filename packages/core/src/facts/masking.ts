import type { Piece, Step } from '../model/schema';

const sharesZone = (step: Step, zone: string): boolean =>
  step.zones === undefined || step.zones.includes(zone);

/** Whether a zone lies under tape when a step of the list comes. */
export function isMaskedAt(piece: Piece, zone: string, at: number): boolean {
  let isMasked = false;
  for (const step of piece.steps.slice(0, at)) {
    if (step.kind === 'mask' && !step.covers && sharesZone(step, zone)) isMasked = true;
    if (step.kind === 'unmask' && sharesZone(step, zone)) isMasked = false;
  }
  return isMasked;
}

/** The steps that lay tape which no later step pulls. */
export function neverPulled(piece: Piece): { step: Step; at: number }[] {
  return piece.steps.flatMap((step, at) => {
    if (step.kind !== 'mask') return [];
    const isPulled = piece.steps
      .slice(at + 1)
      .some(
        (other) =>
          other.kind === 'unmask' &&
          (other.zones === undefined ||
            step.zones === undefined ||
            step.zones.every((zone) => sharesZone(other, zone))),
      );
    return isPulled ? [] : [{ step, at }];
  });
}
