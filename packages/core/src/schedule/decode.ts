import { Board, type DecodeOptions } from './board';
import type { PlanningGround } from './ground';
import type { PlannedOperation } from './plan';
import type { Lesson } from './replayLog';
import type { UnitState } from './unitState';

/** What one pass of the planner came to. */
export interface PlannerRun {
  operations: PlannedOperation[];
  units: Map<string, UnitState>;
  lessons: Lesson[];
}

/**
 * Places all open work in time. The log is replayed first; then the operations are taken in the order of `sequence`, those
 * they wait for before them, and each is put at the first moment that every constraint agrees to, in a gap between what
 * is placed already if there is one: order, drying and recoat windows, hands, hours and quiet, the rack, and the air.
 * The order of the sequence is all that tells one plan from another.
 */
export function decode(
  ground: PlanningGround,
  sequence: readonly string[],
  options: DecodeOptions,
): PlannerRun {
  const { board, lessons } = decodeBoard(ground, sequence, options);
  return { operations: [...board.planned.values()], units: board.units, lessons };
}

/** As `decode`, but gives the board, from which units can be taken out again. */
export function decodeBoard(
  ground: PlanningGround,
  sequence: readonly string[],
  options: DecodeOptions,
): { board: Board; lessons: Lesson[] } {
  const now = Math.max(options.now, ground.startAt);
  const board = new Board(ground, { ...options, now });
  const lessons = board.replay();
  board.placeAll(ground.pins.keys());
  board.placeAll(sequence);
  board.placeAll(board.planned.keys());
  return { board, lessons };
}
