import { entryOf, nth } from '../../model/sure';
import type { Draft } from '../place/draft';
import type { Removals } from '../place/removals';
import { unitKey, type Workload } from '../plan/workload';
import { cutsOf, least, type Draw } from './drawn';
import type { PieceStanding } from './score';

/** The plan that is being improved, and the units, `piece/unit`, that may be taken out of it. */
interface PlanAtHand {
  draft: Draft;
  workload: Workload;
  movable: readonly string[];
  isMovable: ReadonlySet<string>;
  pieces: ReadonlyMap<string, PieceStanding>;
}

/** Of the end of a plan, so many passes at most are taken out together. */
const MOST_OF_THE_END = 40;

/** Where to cut: passes that may have something to do with each other, and what comes after them on their units. */
export function pickCuts(plan: PlanAtHand, draw: Draw): Removals {
  const { draft, workload, movable, isMovable, pieces } = plan;
  const any = <T>(list: readonly T[]): T => nth(list, draw(list.length));
  if (movable.length === 0) return new Map();
  const some = (list: readonly string[], count: number): Removals =>
    new Map(Array.from({ length: count }, () => cutAtRandom(plan, any(list), draw)));
  switch (draw(6)) {
    case 0:
      return some(movable, 1 + draw(3));
    case 1: {
      // Everything of a session with little in it, in the hope that it can do without.
      const sessions = draft.sessions();
      return sessions.length === 0 ? new Map() : cutsOf(least(sessions, draw));
    }
    case 2: {
      // A short batch, in the hope that it fits into another.
      const batches = draft.batches();
      return batches.length === 0 ? new Map() : cutsOf(least(batches, draw));
    }
    case 3: {
      // Passes with the same things.
      const { batchKey } = any(entryOf(workload.byUnit, any(movable)));
      const kin = [...draft.planned.values()].filter(
        (one) => one.batchKey === batchKey && one.status === 'planned',
      );
      return kin.length === 0
        ? new Map()
        : cutsOf(Array.from({ length: 2 + draw(4) }, () => ({ operation: any(kin) })));
    }
    case 4: {
      // All that is done from some moment on, near the end.
      const planned = [...draft.planned.values()].filter(
        (one) => one.status === 'planned' && one.laidAt !== undefined && isMovable.has(unitKey(one)),
      );
      const ends = planned.map(({ laidAt = Infinity }) => laidAt).sort((a, b) => a - b);
      const from = ends.at(-1 - draw(Math.min(ends.length, MOST_OF_THE_END)));
      return from === undefined
        ? new Map()
        : cutsOf(
            planned.filter(({ laidAt = Infinity }) => laidAt >= from).map((operation) => ({ operation })),
          );
    }
    default: {
      // A piece that is late, or else the one with the least to spare, with some others in its way.
      const late = [...pieces].flatMap(([id, one]) => (one.late > 0 ? [id] : []));
      const worst =
        late.length > 0 ? any(late) : [...pieces].reduce((a, b) => (b[1].slack < a[1].slack ? b : a))[0];
      const own = movable.filter((key) => nth(entryOf(workload.byUnit, key), 0).pieceId === worst);
      return own.length === 0 ? new Map() : new Map([...some(own, 1), ...some(movable, draw(3))]);
    }
  }
}

/** A unit with the moment of one of its passes. */
function cutAtRandom({ draft, workload }: PlanAtHand, key: string, draw: Draw): [string, number] {
  const own = entryOf(workload.byUnit, key);
  const { laidAt = -Infinity } = entryOf(draft.planned, nth(own, draw(own.length)).id);
  return [key, laidAt];
}
