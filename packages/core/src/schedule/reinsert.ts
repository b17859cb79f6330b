import type { Operation } from '../stack/operations';
import { plainHabits, type Board, type PlacingHabits } from './board';
import { unitKey, type PlanningGround } from './ground';
import type { PlannedOperation } from './plan';
import { compareScores, standingOf, sumUp, type PieceStanding, type Score } from './score';

/** Draws a whole number from 0 up to, not including, `below`. */
export type Draw = (below: number) => number;

/** More units than this are not taken out at once: what is taken out has to be placed again. */
const MOST_UNITS = 12;

/** How work is placed again, drawn anew each time: mostly at once, sometimes with more patience for the sake of batches. */
const habits: readonly PlacingHabits[] = [
  plainHabits,
  { joinPatienceMinutes: 240, usedSessionsOnly: false },
  { joinPatienceMinutes: 1440, usedSessionsOnly: true },
  { joinPatienceMinutes: 4320, usedSessionsOnly: true },
  { joinPatienceMinutes: 10_080, usedSessionsOnly: true },
];

/**
 * Improves a plan in place: some units are taken out and placed again in another order or with other habits, and what is
 * worse is put back as it was. A try costs as much as placing those few units, so that large builds are improved as
 * quickly as small ones. Invariant: the score never gets worse.
 */
export class Reinserter {
  score: Score;
  private readonly pieces: Map<string, PieceStanding>;
  private readonly movable: string[];
  private readonly isMovable: ReadonlySet<string>;
  private readonly operationsOf = new Map<string, PlannedOperation[]>();

  /** @param board a plan that was placed after `remember` */
  constructor(
    private readonly ground: PlanningGround,
    readonly board: Board,
    private readonly now: number,
  ) {
    for (const operation of board.planned.values()) {
      const own = this.operationsOf.get(operation.pieceId);
      if (own) own.push(operation);
      else this.operationsOf.set(operation.pieceId, [operation]);
    }
    this.pieces = new Map(ground.build.pieces.map((piece) => [piece.id, this.standing(piece.id)]));
    this.score = this.sum();
    const pinned = new Set([...ground.pins.keys()].flatMap((id) => unitOf(ground, id) ?? []));
    this.movable = [...ground.byUnit]
      .filter(([key, own]) => !pinned.has(key) && own.some(({ id }) => isOpen(board.planned.get(id))))
      .map(([key]) => key);
    this.isMovable = new Set(this.movable);
  }

  private standing(pieceId: string): PieceStanding {
    const piece = this.ground.build.pieces.find((one) => one.id === pieceId)!;
    return standingOf(this.ground, piece, this.operationsOf.get(pieceId) ?? [], this.board.units, this.now);
  }
  private sum(): Score {
    return sumUp(this.pieces.values(), this.board.tally());
  }

  /** Tries one change; true when the plan is better for it. A change that is as good is kept too, to get away from it. */
  try(draw: Draw): boolean {
    const picked = this.pick(draw);
    const units = this.board.goAlong(picked);
    if (units.size === 0 || units.size > MOST_UNITS || [...units].some((key) => !this.isMovable.has(key)))
      return false;
    const touched = new Set([...units].map((key) => this.ground.byUnit.get(key)![0]!.pieceId));
    const was = [...touched].map((id) => [id, this.pieces.get(id)!] as const);
    const scoreWas = this.score;
    const putBack = this.board.takeOut(units);
    this.board.habits = habits[draw(habits.length)]!;
    this.board.placeAll(this.order([...units], draw));
    this.board.habits = plainHabits;
    for (const id of touched) this.pieces.set(id, this.standing(id));
    this.score = this.sum();
    const difference = compareScores(this.score, scoreWas);
    if (difference <= 0) return difference < 0;
    putBack();
    for (const [id, standing] of was) this.pieces.set(id, standing);
    this.score = scoreWas;
    return false;
  }

  /** Units that may have something to do with each other. */
  private pick(draw: Draw): string[] {
    const any = <T>(list: readonly T[]): T => list[draw(list.length)]!;
    if (this.movable.length === 0) return [];
    switch (draw(4)) {
      case 0:
        return Array.from({ length: 1 + draw(3) }, () => any(this.movable));
      case 1: {
        // Everything of a session with little in it, in the hope that it can do without.
        const sessions = this.board.sessions();
        if (sessions.length === 0) return [];
        const least = [any(sessions), any(sessions), any(sessions)].reduce((a, b) =>
          b.length < a.length ? b : a,
        );
        return [...new Set(least.map(({ operation }) => unitKey(operation)))].slice(0, MOST_UNITS);
      }
      case 2: {
        // Units that get the same coat.
        const operation = any(this.ground.byUnit.get(any(this.movable))!);
        const kin = this.movable.filter((key) =>
          this.ground.byUnit.get(key)!.some((other) => other.batchKey === operation.batchKey),
        );
        return kin.length === 0 ? [] : Array.from({ length: 2 + draw(3) }, () => any(kin));
      }
      default: {
        // The piece that is worst off, with some others in its way.
        const worst = [...this.pieces].reduce((a, b) =>
          b[1].late > a[1].late || (b[1].late === a[1].late && b[1].slack < a[1].slack) ? b : a,
        )[0];
        const own = this.movable.filter((key) => this.ground.byUnit.get(key)![0]!.pieceId === worst);
        return own.length === 0
          ? []
          : [any(own), ...Array.from({ length: draw(3) }, () => any(this.movable))];
      }
    }
  }

  /** An order to place units in: one after the other, or step by step side by side. */
  private order(units: string[], draw: Draw): string[] {
    for (let at = units.length - 1; at > 0; at -= 1) {
      const other = draw(at + 1);
      [units[at], units[other]] = [units[other]!, units[at]!];
    }
    const lists: Operation[][] = units.map((key) => this.ground.byUnit.get(key)!);
    if (draw(2) === 0) return lists.flat().map(({ id }) => id);
    const longest = Math.max(...lists.map((list) => list.length));
    const ids: string[] = [];
    for (let at = 0; at < longest; at += 1) for (const list of lists) if (list[at]) ids.push(list[at]!.id);
    return ids;
  }
}

const isOpen = (operation: PlannedOperation | undefined): boolean =>
  operation?.status === 'planned' || operation?.status === 'unplaced';
const unitOf = (ground: PlanningGround, id: string): string[] | undefined => {
  const operation = ground.byId.get(id);
  return operation && [unitKey(operation)];
};
