import type { PatchStep } from '../../model/patch';
import type { Build } from '../../model/schema';
import { nth } from '../../model/sure';
import type { Plan } from '../../schedule/answers/plan';
import { costOf, touchSame, type Way } from './rescueCost';

/** Some ways together, applied, planned and judged. */
export interface Tried {
  ways: Way[];
  change: PatchStep[];
  build: Build;
  urgent: string[];
  plan: Plan;
  /** Minutes too late over all that are in trouble, and over the pieces it is about. */
  late: number;
  ownLate: number;
  gained: number;
}

/** Tries some ways together; undefined where they do not fit, help or hold. */
export type TryWays = (ways: Way[]) => Tried | undefined;

/** So many of the best join into combinations, */
const MOST_COMBINED = 6;
/** and so many parts of the whole costume's are tried without. */
const MOST_LEFT_OUT = 5;

/** Pairs, and where none makes it threes, of those that bring most for what they cost. */
export function pairsAndThrees(singles: readonly Tried[], tryWays: TryWays): Tried[] {
  const best = [...singles]
    .sort((a, b) => b.gained / (costOf(b.ways) + 0.3) - a.gained / (costOf(a.ways) + 0.3))
    .slice(0, MOST_COMBINED);
  const pairs = best.flatMap((one, at) =>
    best
      .slice(at + 1)
      .flatMap((other) =>
        touchSame(one.change, other.change) ? [] : (tryWays([...one.ways, ...other.ways]) ?? []),
      ),
  );
  if ([...singles, ...pairs].some((one) => one.late === 0)) return pairs;
  const [most] = [...pairs].sort((a, b) => a.late - b.late);
  if (!most) return pairs;
  const threes = best.flatMap((other) =>
    most.ways.includes(nth(other.ways, 0)) || touchSame(most.change, other.change)
      ? []
      : (tryWays([...most.ways, ...other.ways]) ?? []),
  );
  return [...pairs, ...threes];
}

/**
 * The few changes that together bring all in: the best for each piece, with what helps everybody where those are not enough, and
 * without what is not needed then.
 * @param forAll what was tried and is about all of them
 */
export function wholeCostume(
  best: readonly Way[],
  forAll: readonly Tried[],
  tryWays: TryWays,
): Tried | undefined {
  let together = tryWays([...best]);
  if (together?.late !== 0) {
    const [helps] = [...forAll].sort((a, b) => a.late - b.late || costOf(a.ways) - costOf(b.ways));
    const more = helps && tryWays([...best, ...helps.ways]);
    if (more && more.late < (together?.late ?? Infinity)) together = more;
  }
  if (together?.late !== 0) return together;
  const dearest = [...together.ways].sort((a, b) => costOf([b]) - costOf([a])).slice(0, MOST_LEFT_OUT);
  return dearest.reduce((needed: Tried, way) => {
    const fewer = needed.ways.filter((one) => one !== way);
    const without = fewer.length > 0 ? tryWays(fewer) : undefined;
    return without?.late === 0 ? without : needed;
  }, together);
}
