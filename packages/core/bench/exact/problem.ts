import type { Build, Piece } from '../../src/model/schema';
import { nth, sure } from '../../src/model/sure';
import { decode } from '../../src/schedule/place/decode';
import type { Operation } from '../../src/schedule/plan/operations';
import { unitKey, workloadOf, type Workload } from '../../src/schedule/plan/workload';
import { keptFreeMinutes, longestWait, rinseBetween } from '../../src/schedule/state/timeline';
import type { PlannedOperation } from '../../src/schedule/plan/plan';
import { pieceReadiness } from '../../src/schedule/state/readiness';

/** One pass as an exact solver sees it; minutes, from the start of the build. */
export interface ExactPass {
  id: string;
  piece: number;
  /** Its place in the list of passes of the one before it on the same unit, from 1; 0 for the first. */
  before: number;
  setUp: number;
  work: number;
  cleanUp: number;
  /** From when the one before it is laid until this can begin, when all below that has long dried. */
  wait: number;
  /** From when it is laid until it is touch-dry, likewise; 0 for what is dry. */
  wet: number;
  /** From when it is laid until the piece can be packed and worn as far as it goes, likewise. */
  pack: number;
  wear: number;
  makesDust: boolean;
  /** How long the things of another may lie ready for it. */
  longestWait: number;
  rinseKey: string;
  batchKey: string;
}

export interface ExactProblem {
  passes: ExactPass[];
  windows: { person: string; from: number; to: number }[];
  /** When each piece has to be packed and worn. */
  due: { pack: number; wear: number }[];
  /** The end of the time that is looked at. */
  horizon: number;
}

/**
 * A build as an exact solver sees it. Every wait is taken as short as it can be: as if all below had dried for as long as the build
 * lasts. So the best of this problem is never worse than the best real plan; whether it is that plan is found by replaying it.
 */
export function exactProblem(build: Build, days: number): ExactProblem {
  const workload = workloadOf(build);
  const horizon = days * 1440;
  const { startAt } = workload;
  const passes: ExactPass[] = [];
  const due: ExactProblem['due'] = [];
  build.pieces.forEach((piece, n) => {
    const { waits, packDue, wearDue } = alone(build, piece, horizon);
    const own = workload.operations.filter(({ pieceId }) => pieceId === piece.id);
    own.forEach((operation, at) => {
      passes.push({
        id: operation.id,
        piece: n + 1,
        before: at === 0 ? 0 : passes.length,
        setUp: operation.setUpMinutes,
        work: operation.workMinutes,
        cleanUp: operation.cleanUpMinutes,
        ...nth(waits, at),
        makesDust: operation.makesDust,
        longestWait: longestWait(operation as PlannedOperation),
        rinseKey: operation.rinseKey,
        batchKey: operation.batchKey,
      });
    });
    due.push({ pack: packDue - startAt, wear: wearDue - startAt });
  });
  return { passes, windows: windowsOf(workload, horizon), due, horizon };
}

/** How many minutes the tool is rinsed for between two passes with the same things. */
export const exactRinse = (before: ExactPass, next: ExactPass): number =>
  rinseBetween(before, { batchKey: next.batchKey, setUpMinutes: next.setUp });

function windowsOf({ startAt, people }: Workload, horizon: number): ExactProblem['windows'] {
  return people.flatMap(({ id, calendar }) =>
    calendar.between(startAt, startAt + horizon).map((window) => ({
      person: id,
      from: Math.max(0, window.from - startAt),
      to: window.to - keptFreeMinutes(window, startAt) - startAt,
    })),
  );
}

/** How long each pass of a piece keeps the next waiting, with somebody always free and each pass a whole horizon after the one before. */
function alone(build: Build, piece: Piece, horizon: number) {
  const free = {
    days: ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const,
    from: '00:00',
    to: '24:00',
  };
  const idle: Build = {
    ...build,
    people: [{ id: 'free', name: 'Free', availability: [{ ...free, days: [...free.days] }] }],
    pieces: [piece],
  };
  const workload = workloadOf(idle);
  const { operations, startAt: now } = workload;
  const ids = operations.map(({ id }) => id);
  // All passes so far apart that what is below has dried; the one asked about as soon as it may.
  const planned = (asked: number) =>
    decode(workload, ids, {
      now,
      notBefore: new Map(
        operations.flatMap(({ id }, n) => (n === asked ? [] : [[id, now + (n + 1) * horizon]])),
      ),
    });
  const waits = operations.map((operation: Operation, at) => {
    const run = planned(at);
    const here = nth(run.operations, at);
    const laidAt = sure(here.laidAt, 'a pass with a place');
    const before = run.operations[at - 1];
    const unit = sure(run.units.get(unitKey(operation)), 'its unit');
    const stacks = operation.material
      ? operation.cells.map((cell) => sure(unit.asOf(cell, laidAt), 'what lies there'))
      : [];
    const after = (at: number[]) => Math.floor(Math.max(laidAt, ...at) - laidAt);
    const opensAt = sure(here.opensAt, 'a pass with a place');
    return {
      wait: before ? Math.max(0, Math.floor(opensAt - sure(before.laidAt, 'a pass with a place'))) : 0,
      wet: after(stacks.map(({ coats }) => coats.at(-1)?.touchAt ?? laidAt)),
      pack: after(stacks.map(({ packAt }) => packAt)),
      wear: after(stacks.map(({ wearAt }) => wearAt)),
    };
  });
  const { packDueAt, wearDueAt } = pieceReadiness(idle, piece, [], new Map(), now);
  return { waits, packDue: sure(packDueAt, 'a day to pack'), wearDue: sure(wearDueAt, 'a day to wear it') };
}
