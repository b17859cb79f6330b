import type { Piece, Step } from '../../model/schema';

/** Pieces that are done together, a left and its right, and which of their steps are the same work. */
export interface Sets {
  /** The pieces of the set of each that has one, in the order of the build. */
  of: ReadonlyMap<string, readonly string[]>;
  /** For `piece/step` of a mirror, the step of the first of its set that is the same work. */
  steps: ReadonlyMap<string, string>;
}

/** Whether two steps are the same work, whatever they are called. */
const isSame = (one: Step, other: Step): boolean =>
  one.kind === other.kind && one.material === other.material && one.colour === other.colour;

/**
 * The sets that mirrors make. A step of a mirror is the one of the first with its id, or else the next in the list that is the same work and
 * meant by no other; what has no like is its own.
 */
export function setsOf(pieces: readonly Piece[]): Sets {
  const byId = new Map(pieces.map((piece) => [piece.id, piece]));
  /** The end of the chain of those it mirrors. */
  const originOf = (piece: Piece): string => {
    const seen = new Set<string>();
    let at = piece;
    while (at.mirrors !== undefined && !seen.has(at.id)) {
      seen.add(at.id);
      const next = byId.get(at.mirrors);
      if (!next) break;
      at = next;
    }
    return at.id;
  };
  const byOrigin = new Map<string, Piece[]>();
  for (const piece of pieces) {
    const origin = originOf(piece);
    const known = byOrigin.get(origin);
    if (known) known.push(piece);
    else byOrigin.set(origin, [piece]);
  }
  const of = new Map<string, readonly string[]>();
  const steps = new Map<string, string>();
  for (const [first, ...mirrors] of byOrigin.values()) {
    if (!first || mirrors.length === 0) continue;
    const ids = [first.id, ...mirrors.map(({ id }) => id)];
    for (const id of ids) of.set(id, ids);
    for (const mirror of mirrors) {
      const meant = new Set<string>();
      for (const step of mirror.steps) {
        const like =
          first.steps.find((one) => one.id === step.id && isSame(one, step) && !meant.has(one.id)) ??
          first.steps.find((one) => isSame(one, step) && !meant.has(one.id));
        if (!like) continue;
        meant.add(like.id);
        steps.set(`${mirror.id}/${step.id}`, like.id);
      }
    }
  }
  return { of, steps };
}

/** One pass of a set: the same for all its units, those of its mirrors included. */
export const passOfSet = (
  { steps }: Pick<Sets, 'steps'>,
  {
    pieceId,
    stepId,
    coat,
    face,
  }: { pieceId: string; stepId: string; coat: number; face?: string | undefined },
): string => `${steps.get(`${pieceId}/${stepId}`) ?? stepId} ${coat} ${face ?? ''}`;
