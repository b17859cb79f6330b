import type { Build, Piece, Step } from './schema';

/** A build that is finished: every piece counts as packed from then on, so that nothing of it is planned. */
export const closedBuild = (build: Build, finishedAt: string): Build => ({
  ...build,
  pieces: build.pieces.map((piece) => ({ ...piece, packedAt: piece.packedAt ?? finishedAt })),
});

/**
 * A piece that is packed as it is: what was begun of its steps is ended, and the others are gone.
 * @param begun ids of its steps of which something is logged
 * @param open ids of its steps of which something is still to do
 */
export const packedAsItIs = (
  piece: Piece,
  packedAt: string,
  begun: ReadonlySet<string>,
  open: ReadonlySet<string>,
): Piece => ({
  ...piece,
  packedAt,
  steps: piece.steps.flatMap((step): Step[] => {
    if (!open.has(step.id)) return [step];
    return begun.has(step.id) ? [{ ...step, ended: true }] : [];
  }),
});
