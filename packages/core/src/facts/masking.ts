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

/** Tape is pulled within a day of being laid: after that it leaves glue, or takes the edge of the paint along. */
export const TAPE_ON_MINUTES = 1440;

/** Whether a pull takes off the tape of a mask; what covers a bond area or a closure comes off by its own. */
export const pulls = (pull: Step, mask: Step): boolean =>
  mask.covers
    ? (pull.covers === undefined && pull.zones === undefined) ||
      pull.covers?.some((name) => mask.covers?.includes(name)) === true
    : pull.covers === undefined &&
      (pull.zones === undefined ||
        mask.zones === undefined ||
        mask.zones.some((zone) => sharesZone(pull, zone)));

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

/**
 * What goes when a step is deleted: with tape its pull, unless that pulls other tape as well, and the look along its edges.
 * @returns ids of steps, that one among them
 */
export function withMask(piece: Piece, step: Step): Set<string> {
  const gone = new Set([step.id]);
  if (step.kind !== 'mask') return gone;
  const at = piece.steps.findIndex(({ id }) => id === step.id);
  const pullAt = piece.steps.findIndex((other, n) => n > at && other.kind === 'unmask' && pulls(other, step));
  const pull = piece.steps[pullAt];
  const isShared = piece.steps
    .slice(0, Math.max(0, pullAt))
    .some(
      (other) =>
        other.kind === 'mask' &&
        other.id !== step.id &&
        pull &&
        pulls(pull, other) &&
        !isPulledBefore(piece, other, pullAt),
    );
  if (!pull || isShared) return gone;
  gone.add(pull.id);
  const look = piece.steps[pullAt + 1];
  if (look?.looksOver === 'pulled') gone.add(look.id);
  return gone;
}

const isPulledBefore = (piece: Piece, mask: Step, before: number): boolean => {
  const at = piece.steps.findIndex(({ id }) => id === mask.id);
  return piece.steps.slice(at + 1, before).some((step) => step.kind === 'unmask' && pulls(step, mask));
};
