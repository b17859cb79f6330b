import type { EpochMinute } from '../../model/wallTime';
import { entryOf } from '../../model/sure';
import { Draft } from '../place/draft';
import { takeOutPasses } from '../place/removals';
import { dryThroughOf } from '../place/dryThrough';
import type { PlannedOperation } from '../plan/plan';
import type { Workload } from '../plan/workload';
import { candidateOf, type Candidate } from './candidate';
import { pieceReadiness } from '../state/readiness';
import { lateMinutes } from './score';

/** No more open passes than this: a dozen in four pieces have some hundred thousand orders. */
const MOST_PASSES = 12;
/** So many passes are placed for it at most. */
const MOST_PLACED = 20_000;

/** What a search over all orders came to. */
export interface ExactOrders {
  /** A plan that is less late than the one at hand, if there is one. */
  better: Candidate | undefined;
  /** Every order was tried, or shown to be no less late. */
  isProved: boolean;
}

/**
 * Looks through every order in which the few open passes of a late plan can be placed, for the least minutes late: the next pass of each piece
 * in turn, leaving out what is already as late as the best. Bounded in work: where that runs out, it says what it found.
 * @param best the plan at hand; its coats that wait until what lies below is dry through do so here too
 */
export function exactOrders(workload: Workload, now: EpochMinute, best: Candidate): ExactOrders {
  const letDryThrough = dryThroughOf(best.run.operations);
  const draft = new Draft(workload, { now: Math.max(now, workload.startAt), letDryThrough });
  draft.replay();
  draft.placePins();
  const open = [...draft.planned.values()].filter(
    ({ id, status }) => status === 'planned' && !draft.placed.has(id),
  );
  // What is placed together with others can't be taken out alone.
  const isPlain = ({ id }: PlannedOperation) => !workload.trays.has(id) && !workload.soonAfter.has(id);
  if (open.length > MOST_PASSES || !open.every(isPlain)) return { better: undefined, isProved: false };

  const byPiece = [...workload.byPiece].map(([id, own]) => ({
    piece: entryOf(workload.pieces, id),
    own: own.map((one) => entryOf(draft.planned, one.id)),
  }));
  const isDone = ({ id, status }: PlannedOperation) => status !== 'planned' || draft.placed.has(id);
  /** Minutes late of the pieces that are wholly placed: what is still to be placed only adds to it. */
  const lateSoFar = () =>
    byPiece.reduce(
      (sum, { piece, own }) =>
        own.every(isDone)
          ? sum + lateMinutes(pieceReadiness(workload.build, piece, own, draft.units, draft.now))
          : sum,
      0,
    );

  let least = best.score.late;
  let found: string[] | undefined;
  let left = MOST_PLACED;
  const order: string[] = [];
  const search = (): void => {
    if (order.length === open.length) {
      [least, found] = [lateSoFar(), [...order]];
      return;
    }
    for (const next of open) {
      if (left <= 0) return;
      if (isDone(next) || !next.after.every((id) => isDone(entryOf(draft.planned, id)))) continue;
      left -= 1;
      draft.placeAll([next.id]);
      order.push(next.id);
      if (next.laidAt !== undefined && lateSoFar() < least) search();
      order.pop();
      takeOutPasses(draft, [next]);
    }
  };
  search();
  return {
    better: found && candidateOf(workload, found, { now, letDryThrough }),
    isProved: left > 0,
  };
}
