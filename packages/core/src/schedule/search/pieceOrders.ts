import { dryThroughOf } from '../place/dryThrough';
import { plainHabits } from '../place/decodeOptions';
import type { EpochMinute } from '../../model/wallTime';
import { entryOf, nth } from '../../model/sure';
import type { Workload } from '../plan/workload';
import { candidateOf, type Candidate } from './candidate';
import { compareScores } from './score';

/** So many passes are placed for it at most. */
const MOST_PLACED = 40_000;
/** All orders of so many pieces are tried, one by one. */
const ALL_ORDERS_OF = 5;

/**
 * Plans in which one piece goes through before the next, for what can't all be in time: which of them waits is what counts then. All orders of
 * a few pieces; of more, the best of three by rule, with pieces put elsewhere in it while that helps. Bounded in work.
 * @param best what comes up first in it, and which coats wait until what lies below is dry through
 */
export function* pieceOrders(workload: Workload, now: EpochMinute, best: Candidate): Generator<Candidate> {
  const pieces = [...workload.byPiece.keys()].filter((id) =>
    best.run.operations.some(({ pieceId, status }) => pieceId === id && status === 'planned'),
  );
  if (pieces.length < 2) return;
  const throughs = [dryThroughOf(best.run.operations), new Set<string>()];
  if (throughs[0]?.size === 0) throughs.pop();
  let left = MOST_PLACED;
  const made = (order: readonly string[], letDryThrough: ReadonlySet<string>): Candidate => {
    left -= workload.operations.length;
    const sequence = order.flatMap((id) => entryOf(workload.byPiece, id).map((one) => one.id));
    return candidateOf(workload, sequence, { now, habits: plainHabits, letDryThrough });
  };
  for (const through of throughs) {
    if (pieces.length <= ALL_ORDERS_OF) {
      for (const order of ordersOf(pieces)) {
        if (left <= 0) return;
        yield made(order, through);
      }
      continue;
    }
    let top: { order: string[]; plan: Candidate } | undefined;
    for (const order of rulesFor(workload, pieces, best)) {
      const plan = made(order, through);
      yield plan;
      if (!top || compareScores(plan.score, top.plan.score) < 0) top = { order, plan };
    }
    for (let helps = true; top && helps && left > 0;) {
      helps = false;
      for (let from = 0; from < pieces.length && left > 0; from += 1)
        for (let to = 0; to < pieces.length && left > 0; to += 1) {
          if (from === to || from === to + 1) continue;
          const order: string[] = moved(top.order, from, to);
          const plan = made(order, through);
          if (compareScores(plan.score, top.plan.score) >= 0) continue;
          top = { order, plan };
          helps = true;
          yield plan;
        }
    }
  }
}

/** What is ready soonest by itself first; by date less that; as they are ready in the plan at hand. */
function rulesFor(workload: Workload, pieces: readonly string[], best: Candidate): string[][] {
  const tail = (id: string) =>
    Math.max(...entryOf(workload.byPiece, id).map((one) => workload.tails.get(one.id) ?? 0));
  const by = (value: (id: string) => number) => [...pieces].sort((a, b) => value(a) - value(b) || 0);
  return [
    by(tail),
    by((id) => (workload.dueAt.get(id) ?? Infinity) - tail(id)),
    by((id) => best.standings.get(id)?.ready ?? Infinity),
  ];
}

function moved(order: readonly string[], from: number, to: number): string[] {
  const rest = order.filter((_id, at) => at !== from);
  rest.splice(to, 0, nth(order, from));
  return rest;
}

function* ordersOf(list: readonly string[]): Generator<string[]> {
  if (list.length <= 1) yield [...list];
  for (const [at, one] of list.entries()) {
    if (list.length === 1) return;
    const rest = list.filter((_one, n) => n !== at);
    for (const order of ordersOf(rest)) yield [one, ...order];
  }
}
