import { patchedForTrying } from '../../materials/applyPatch';
import type { Build } from '../../model/schema';
import { sure } from '../../model/sure';
import type { Plan } from '../../schedule/answers/plan';
import { planBuild } from '../../schedule/answers/planBuild';
import { takenBy } from '../../schedule/answers/takenBy';
import { allTaken } from '../../schedule/plan/taken';
import { aroundOf } from '../../schedule/plan/workload';
import { aloneWith, changeAlone } from '../tryIdea';
import { costOf, type Way } from './rescueCost';
import { lateMinutes, readyAt } from './standing';

/** A way that is about one piece, with what it does to that piece while all others stay where they are. */
export interface Sifted {
  way: Way;
  pieceId: string;
  late: number;
  /** What it lacks to make the date in nine futures of ten. */
  lacking: number;
  gained: number;
}

/** The piece that a change is about; undefined when it is about more than one, or about people and places. */
export function pieceOfWay(build: Build, { change }: Way): string | undefined {
  const places = new Set(change.map(({ path }) => /^\/pieces\/(\d+)\//.exec(path)?.[1]));
  const [place] = places;
  return places.size === 1 && place !== undefined ? build.pieces[Number(place)]?.id : undefined;
}

/** Tries ways on one piece alone, in the time, rack and room that all others leave; undefined for one that does not fit. */
export function sifter(build: Build, plan: Plan, pieceId: string): (way: Way) => Sifted | undefined {
  const piece = sure(
    build.pieces.find(({ id }) => id === pieceId),
    `the piece ${pieceId}`,
  );
  const alone = aloneWith(build, piece);
  const linked = new Set(alone.pieces.map(({ id }) => id));
  const { readings, taken } = aroundOf(plan.workload);
  const around = { readings, taken: allTaken(taken, takenBy(plan, linked)) };
  return (way) => {
    const changed = patchedForTrying(alone, changeAlone(build, alone, way.change));
    if (!changed) return undefined;
    const then = planBuild(changed, {
      now: plan.now,
      ...around,
      latestStarts: false,
      search: { starts: 'first' },
    });
    return {
      way,
      pieceId,
      late: lateMinutes(then, [pieceId]),
      lacking: then.score.lacking,
      gained: readyAt(plan, pieceId) - readyAt(then, pieceId),
    };
  };
}

/** For each piece its most promising ways: those that make it, with enough to spare and cheapest first, then those that bring most. */
export function mostPromising(sifted: readonly Sifted[], each: number): Map<string, Sifted[]> {
  const byPiece = new Map<string, Sifted[]>();
  for (const one of sifted) byPiece.set(one.pieceId, [...(byPiece.get(one.pieceId) ?? []), one]);
  return new Map(
    [...byPiece].map(([id, own]) => [
      id,
      own
        .sort(
          (a, b) =>
            Number(a.late > 0) - Number(b.late > 0) ||
            Number(a.lacking > 0) - Number(b.lacking > 0) ||
            (a.late > 0 ? b.gained - a.gained : costOf([a.way]) - costOf([b.way])),
        )
        .slice(0, each),
    ]),
  );
}
