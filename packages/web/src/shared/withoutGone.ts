import type { Build, PlanView } from '@fixatum/core';

/**
 * A plan without the pieces that its build has no more: until it is made anew, screens show both together, and what is planned has to be
 * there.
 */
export function withoutGone(view: PlanView, build: Pick<Build, 'pieces'>): PlanView {
  const there = new Set(build.pieces.map(({ id }) => id));
  const isThere = ({ pieceId }: { pieceId: string }) => there.has(pieceId);
  if (view.pieces.every(isThere)) return view;
  const operations = view.operations.filter(isThere);
  const left = new Set(operations.map(({ id }) => id));
  const isLeft = (id: string) => left.has(id);
  return {
    ...view,
    operations,
    pieces: view.pieces.filter(isThere),
    findings: view.findings.filter(({ piece }) => there.has(piece)),
    bounds: view.bounds.filter(isThere),
    heldUp: view.heldUp.filter(isThere),
    sequence: view.sequence.filter(isLeft),
    doableNow: view.doableNow.filter(isLeft),
    sessions: view.sessions.flatMap((session) => {
      const batches = session.batches
        .map((batch) => ({ ...batch, operationIds: batch.operationIds.filter(isLeft) }))
        .filter(({ operationIds }) => operationIds.length > 0);
      const beginBy = session.beginBy && isThere(session.beginBy) ? session.beginBy : undefined;
      return batches.length > 0 ? [{ ...session, batches, beginBy }] : [];
    }),
  };
}
