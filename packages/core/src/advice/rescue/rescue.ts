import { applyPatch } from '../../materials/applyPatch';
import { type Build } from '../../model/schema';
import { judgeBuild } from '../judgeBuild';
import { type EpochMinute } from '../../model/wallTime';
import { forecastBuild } from '../../schedule/answers/forecast';
import { nothingTaken } from '../../schedule/plan/taken';
import type { Around } from '../../schedule/plan/workload';
import { planBuild } from '../../schedule/answers/planBuild';
import { warmFrom, type WarmStart } from '../../schedule/search/warmStart';
import type { PatchStep } from '../../model/patch';
import { type RescueCost, type Way, costOf, sumOf } from './rescueCost';
import { lateMinutes, readySum, handsOn, readyAt } from './standing';
import { waysFor } from './waysFor';
import { pairsAndThrees, wholeCostume, type Tried } from './combine';
import { mostPromising, pieceOfWay, sifter, type Sifted } from './sift';

/** A way to catch up, planned for real and free of new stops. */
export interface Rescue {
  label: string;
  change: PatchStep[];
  /** Which single ways it is made of. */
  parts: string[];
  /** Pieces that it moves to the front of the plan, by id; the others stay where they are. */
  urgent: string[];
  /** Days the pieces it is about are ready sooner, taken together. */
  daysGained: number;
  /** Whether the pieces it is about make their dates then, and their chance to do so holds as well. */
  makesIt: boolean;
  /** When the last of the pieces it is about is ready then. */
  readyAt: EpochMinute;
  /** The chance of the riskiest of those to make its dates. */
  chance: number | undefined;
  cost: RescueCost;
}

export interface RescueOptions extends Around {
  now?: EpochMinute;
  /** The plan that is gone by; without it one is made. */
  warm?: WarmStart;
  /** Chances by piece from a forecast that was made already; those under 80 % are in trouble too. */
  chances?: ReadonlyMap<string, number | undefined>;
  /** How many futures each offered way is tried in. */
  samples?: number;
  onProgress?: (done: number, of: number) => boolean | void;
}

/** What all the ways came to. */
export interface RescueAnswer {
  /** Pieces that are late or likely to be. */
  inTrouble: string[];
  rescues: Rescue[];
}

/** A date that is made less often than this is in danger. */
export const SAFE_CHANCE = 0.8;
/** How many single ways are planned with everything: for each piece, in all, and of those that are about no one piece. */
const MOST_EACH = 40;
const MOST_SINGLES = 60;
const MOST_OF_MANY = 24;
/** In a build with more passes than this, where planning takes long, so many of each kind; */
const MANY_PASSES = 500;
const FEW_OF_MANY = 4;
const FEW_PIECES = 10;
/** More changes than this are counted, not named in a row. */
const MOST_NAMED = 3;
const MOST_OFFERED = 8;
/** So many of them at least for each piece in trouble. */
const LEAST_OFFERED = 2;
const SAMPLES = 40;
const FEW_SAMPLES = 15;

/**
 * Ways to catch up for a build with a missed date, or with one whose chance is under 80 %: singly and in the cheapest
 * combination. Every offer has been applied, planned and judged: it brings no new stop. Ranked by whether it makes the
 * dates, then by cost, then by days gained.
 */
export function rescueBuild(build: Build, options: RescueOptions = {}): RescueAnswer {
  const { readings = {}, taken = nothingTaken } = options;
  const around = { readings, taken };
  const before = planBuild(build, {
    ...(options.now === undefined ? {} : { now: options.now }),
    ...around,
    latestStarts: false,
    ...(options.warm ? { search: { warm: options.warm, keep: true, starts: 'none' } } : {}),
  });
  const inTrouble = before.pieces
    .filter(
      (piece) =>
        piece.readiness === 'late' ||
        piece.readiness === 'stuck' ||
        (options.chances?.get(piece.pieceId) ?? 1) < SAFE_CHANCE,
    )
    .map((piece) => piece.pieceId);
  if (inTrouble.length === 0) return { inTrouble, rescues: [] };
  const stopsBefore = new Set(
    judgeBuild(build, before).flatMap((one) =>
      one.severity === 'stop' ? [`${one.piece} ${one.rule} ${one.step}`] : [],
    ),
  );
  const lateBefore = lateMinutes(before, inTrouble);
  const warm = warmFrom(before);

  const pieceIn = (one: Build, id: string) => one.pieces.find((piece) => piece.id === id);

  const tryWays = (ways: Way[], forAll = false): Tried | undefined => {
    let changed = build;
    const change: PatchStep[] = [];
    for (const way of ways) {
      const applied = applyPatch(changed, way.change);
      if (!applied.ok) return undefined;
      changed = applied.value;
      change.push(...way.change);
    }
    const touched = inTrouble.filter(
      (id) => JSON.stringify(pieceIn(build, id)) !== JSON.stringify(pieceIn(changed, id)),
    );
    // What helps everybody, such as another evening, is for all that are in trouble.
    const urgent = touched.length > 0 && !forAll ? touched : inTrouble;
    const plan = planBuild(changed, {
      now: before.now,
      ...around,
      latestStarts: false,
      search: { warm, urgent: new Set(urgent), starts: 'none' },
    });
    const late = lateMinutes(plan, inTrouble);
    const gained = readySum(before, urgent) - readySum(plan, urgent);
    const others = plan.pieces.some(
      (piece) =>
        (piece.readiness === 'late' || piece.readiness === 'stuck') &&
        !urgent.includes(piece.pieceId) &&
        before.pieces.find((one) => one.pieceId === piece.pieceId)!.readiness !== piece.readiness,
    );
    // What gets nothing ready sooner has to make the date all the same, as moving that does.
    if (others || late >= lateBefore + 1 || (gained < 15 && late > 0)) return undefined;
    const stops = judgeBuild(changed, plan).filter(
      (one) => one.severity === 'stop' && !stopsBefore.has(`${one.piece} ${one.rule} ${one.step}`),
    );
    return stops.length > 0
      ? undefined
      : { ways, change, build: changed, urgent, plan, late, ownLate: lateMinutes(plan, urgent), gained };
  };

  const isLarge = before.operations.length > MANY_PASSES;
  const singles: Tried[] = [];
  const sifted: Sifted[] = [];
  let stopped = false;
  // Where most is late, hands are short: what helps those that are worst off is told, and what helps everybody.
  const worstOff = [...inTrouble]
    .sort((a, b) => lateMinutes(before, [b]) - lateMinutes(before, [a]))
    .slice(0, isLarge ? FEW_PIECES : inTrouble.length);
  const all = waysFor(build, before, worstOff);
  const sifters = new Map(worstOff.map((id) => [id, sifter(build, before, id)]));
  // Ways that are about one piece are tried on that alone first, which is quick, and the promising ones with everything.
  const ofOne = all.flatMap((way) => {
    const pieceId = pieceOfWay(build, way);
    const sift = pieceId === undefined ? undefined : sifters.get(pieceId);
    return sift ? [{ way, sift }] : [];
  });
  const ofMany = all
    .filter((way) => !ofOne.some((one) => one.way === way))
    .slice(0, isLarge ? FEW_OF_MANY : MOST_OF_MANY);
  const goesOn = (done: number, of: number): boolean => options.onProgress?.(done, of) !== false;
  for (const [at, { way, sift }] of ofOne.entries()) {
    const one = sift(way);
    // What gets nothing ready sooner has to make the date all the same, as moving that does; where there is time everything is tried in full.
    if (one && (!isLarge || one.gained >= 15 || one.late === 0)) sifted.push(one);
    if (!goesOn(at + 1, ofOne.length * 2)) {
      stopped = true;
      break;
    }
  }
  const promising = mostPromising(sifted, isLarge ? 1 : MOST_EACH);
  const inFull = [
    ...[...promising.values()]
      .flat()
      .slice(0, isLarge ? FEW_OF_MANY : MOST_SINGLES)
      .map(({ way }) => way),
    ...ofMany,
  ];
  for (const [at, way] of stopped ? [] : inFull.entries()) {
    const tried = tryWays([way]);
    if (tried) singles.push(tried);
    if (!goesOn(inFull.length + at + 1, inFull.length * 2)) {
      stopped = true;
      break;
    }
  }
  const found = [...singles];
  if (!stopped && !singles.some((one) => one.late === 0 && costOf(one.ways) < 0.5))
    found.push(...pairsAndThrees(singles, tryWays));
  const costume =
    !stopped && inTrouble.length > 1
      ? wholeCostume(
          [...promising.values()].flatMap(([one]) => one?.way ?? []),
          singles.filter(({ urgent }) => urgent.length === inTrouble.length),
          (ways) => tryWays(ways, true),
        )
      : undefined;
  if (costume) found.push(costume);
  const isCostume = (one: Tried) => one === costume && one.late === 0;
  const ranked = found
    .sort(
      (a, b) =>
        // What was put together to bring all in comes before what brings one in.
        Number(isCostume(b)) - Number(isCostume(a)) ||
        Number(a.ownLate > 0) - Number(b.ownLate > 0) ||
        costOf(a.ways) - costOf(b.ways) ||
        b.gained - a.gained,
    )
    // A combination that does no more than one of its parts is no offer.
    .filter(
      (one, _at, all) =>
        one.ways.length === 1 ||
        !all.some(
          (other) =>
            other.ways.length < one.ways.length &&
            other.ways.every((way) => one.ways.includes(way)) &&
            other.late <= one.late,
        ),
    );
  // Every piece in trouble has a few of the offers; the others go by rank.
  const offered = new Set(
    inTrouble.flatMap((id) => ranked.filter((one) => one.urgent.includes(id)).slice(0, LEAST_OFFERED)),
  );
  for (const one of ranked) if (offered.size < MOST_OFFERED) offered.add(one);
  const handsBefore = handsOn(before);
  const chanceOf = (id: string) => options.chances?.get(id) ?? 0;
  /** What each way is called, with its piece where there are several. */
  const partsOf = (ways: readonly Way[]): string[] => {
    const about = ways.map((way) => pieceOfWay(build, way));
    const isOne = new Set(about).size <= 1;
    return ways.map(({ label }, at) => {
      const name = isOne ? undefined : pieceIn(build, about[at] ?? '')?.name;
      return name === undefined || label.includes(name) ? label : `${label} (${name})`;
    });
  };
  const rescues = ranked.flatMap((one): Rescue[] => {
    if (!offered.has(one)) return [];
    const forecast = forecastBuild(one.build, one.plan, 1, {
      samples: options.samples ?? (isLarge ? FEW_SAMPLES : SAMPLES),
    });
    const chances = forecast.flatMap((piece) =>
      one.urgent.includes(piece.pieceId) && piece.chance !== undefined ? [piece.chance] : [],
    );
    const chance = chances.length > 0 ? Math.min(...chances) : undefined;
    // What is in time and only likely to miss its date gains nothing by being ready sooner without a better chance.
    const wasLate = lateMinutes(before, one.urgent) > 0;
    if (!wasLate && chance !== undefined && chance <= Math.min(...one.urgent.map(chanceOf))) return [];
    return [
      {
        label: labelOf(partsOf(one.ways)),
        change: one.change,
        urgent: one.urgent,
        parts: partsOf(one.ways),
        daysGained: one.gained / 1440,
        makesIt: one.ownLate === 0 && (chance === undefined || chance >= SAFE_CHANCE),
        readyAt: Math.max(...one.urgent.map((id) => readyAt(one.plan, id))),
        chance,
        cost: { ...sumOf(one.ways), workMinutes: handsOn(one.plan) - handsBefore },
      },
    ];
  });
  return {
    inTrouble,
    rescues: rescues.sort((a, b) => Number(b.makesIt) - Number(a.makesIt)),
  };
}

/** Several ways as one: named while they are few; more of them are listed beside it. */
const labelOf = (parts: readonly string[]): string =>
  parts.length <= MOST_NAMED ? parts.join(' + ') : `${parts.length} changes together`;
