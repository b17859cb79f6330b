import { groupBy } from '../../model/groupBy';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { Build } from '../../model/schema';
import { placeAirOf, withIndoors } from '../../drying/placeAir';
import { indoorsOf } from '../../model/places';
import { sayReached } from '../../model/sayMoment';
import { epochMinute, type EpochMinute } from '../../model/wallTime';
import { decode } from '../place/decode';
import type { Kept } from '../place/decodeOptions';
import { dryThroughOf } from '../place/dryThrough';
import { aroundOf, workloadOf, type Workload } from '../plan/workload';
import { pieceReadiness } from '../state/readiness';
import { isPlaced, workBegins } from '../plan/plan';
import type { Plan } from './plan';
import { timeFactor } from '../../drying/spread';
import { normals, disturbed } from './futures';
import { entryOf, nth } from '../../model/sure';

/** The 10th, 50th and 90th percentile of a moment; Infinity for never. */
export interface Spread {
  p10: EpochMinute;
  p50: EpochMinute;
  p90: EpochMinute;
}

/** What is likely to become of one piece. */
export interface PieceForecast {
  pieceId: string;
  packable: Spread;
  wearable: Spread;
  /** Packable and wearable both. */
  ready: Spread;
  /** The chance to make every date it has, 0 to 1; undefined for a piece without a date. */
  chance: number | undefined;
  /** That in a sentence. */
  sentence: string;
}

/** So many futures put a chance of 80 % within 3 to 6 points. */
const MOST_FUTURES = 150;
const LEAST_FUTURES = 40;
/** A future takes as long as planning once: so many passes are placed in all, a matter of seconds. */
const PASSES_PLACED = 75_000;

/** How many futures a plan of so many passes is tried in. */
export const futuresFor = (passes: number): number =>
  Math.max(LEAST_FUTURES, Math.min(MOST_FUTURES, Math.floor(PASSES_PLACED / Math.max(1, passes))));

export interface ForecastOptions {
  /** How many futures are tried; as many as are worth their time unless said otherwise. */
  samples?: number;
  /** Told after each future; returning false stops there with what there is. */
  onProgress?: (done: number, of: number) => boolean | void;
}

/** What came of a piece in the futures tried so far: the moments it was packable and wearable, and how often it was made. */
interface Outcomes {
  packable: number[];
  wearable: number[];
  made: number;
}
const noOutcomes = (): Outcomes => ({ packable: [], wearable: [], made: 0 });

/**
 * Tries a plan in many futures: label times that are a little off, each material by its own factor, and air that is warmer
 * or damper than assumed for days on end. In each, everybody keeps to the plan's times where they can, and waits where something
 * is not dry yet. The same seed gives the same answer, and more futures go on from the first ones.
 */
export class Forecast {
  /** How many futures were tried. */
  tried = 0;
  private readonly workload: Workload;
  private readonly sequence: string[];
  private readonly kept: Kept;
  private readonly letDryThrough: ReadonlySet<string>;
  private readonly confirmed: ReadonlySet<string>;
  private readonly used: readonly string[];
  private readonly outcomes: Map<string, Outcomes>;
  private readonly generator;

  constructor(
    private readonly build: Build,
    private readonly plan: Plan,
    seed: number,
  ) {
    this.workload = workloadOf(build, aroundOf(plan.workload));
    const placed = plan.operations
      .filter(isPlaced)
      .filter((operation) => operation.status === 'planned')
      .sort((a, b) => a.start - b.start);
    this.sequence = placed.map((operation) => operation.id);
    this.kept = {
      beginsAt: new Map(placed.map((operation) => [operation.id, workBegins(operation)])),
      personOf: new Map(placed.map((operation) => [operation.id, operation.personId])),
    };
    this.letDryThrough = dryThroughOf(placed);
    this.confirmed = new Set(plan.measured.filter((one) => one.confirmed).map((one) => one.materialId));
    this.used = [...new Set(this.workload.operations.flatMap((operation) => operation.material?.id ?? []))];
    this.outcomes = new Map(build.pieces.map((piece) => [piece.id, noOutcomes()]));
    this.generator = xoroshiro128plus(seed);
  }

  /** Tries one more future. */
  tryOne(): void {
    const { build, plan, workload } = this;
    // Each future has numbers of its own, far along the same sequence, so that more futures do not change the first ones.
    this.generator.jump();
    const normal = normals(this.generator.clone());
    const timeFactors = new Map(this.used.map((id) => [id, timeFactor(normal(), this.confirmed.has(id))]));
    const future: Workload = {
      ...workload,
      airs: withIndoors(
        new Map(
          [...workload.airs].map(([id, place]) => [
            id,
            placeAirOf(id, disturbed(place.series, plan.now, build.timeZone, normal), workload.originAt),
          ]),
        ),
        indoorsOf(build.places),
      ),
    };
    const { operations, units } = decode(future, this.sequence, {
      now: plan.now,
      timeFactors,
      kept: this.kept,
      letDryThrough: this.letDryThrough,
    });
    const byPiece = groupBy(operations, ({ pieceId }) => pieceId);
    for (const piece of build.pieces) {
      const state = pieceReadiness(build, piece, byPiece.get(piece.id) ?? [], units, plan.now);
      const outcome = entryOf(this.outcomes, piece.id);
      outcome.packable.push(state.packableAt ?? Infinity);
      outcome.wearable.push(state.wearableAt ?? Infinity);
      if (state.readiness !== 'late' && state.readiness !== 'stuck') outcome.made += 1;
    }
    this.tried += 1;
  }

  /** What the futures tried so far say of each piece. */
  result(): PieceForecast[] {
    const { build, tried } = this;
    return build.pieces.map((piece) => {
      const { packable, wearable, made } = entryOf(this.outcomes, piece.id);
      const event = build.events.find((one) => one.id === piece.event);
      // Of a piece without steps nobody can say anything.
      const chance = event && tried > 0 && piece.steps.length > 0 ? made / tried : undefined;
      const spread = spreadOf(packable);
      const dueAt = event && epochMinute(event.packAt ?? event.wearAt, build.timeZone);
      return {
        pieceId: piece.id,
        packable: spread,
        wearable: spreadOf(wearable),
        ready: spreadOf(packable.map((moment, at) => Math.max(moment, nth(wearable, at)))),
        chance,
        sentence: sentenceOf(chance, dueAt, spread, build.timeZone),
      };
    });
  }
}

/**
 * What so many futures of a plan say.
 * @example forecastBuild(build, plan, 1, { samples: 100 })[0].chance // 0.83
 */
export function forecastBuild(
  build: Build,
  plan: Plan,
  seed: number,
  options: ForecastOptions = {},
): PieceForecast[] {
  const samples = options.samples ?? futuresFor(plan.operations.length);
  const forecast = new Forecast(build, plan, seed);
  while (forecast.tried < samples) {
    forecast.tryOne();
    if (options.onProgress?.(forecast.tried, samples) === false) break;
  }
  return forecast.result();
}

function spreadOf(moments: number[]): Spread {
  const sorted = [...moments].sort((a, b) => a - b);
  const at = (share: number) =>
    sorted[Math.min(sorted.length - 1, Math.max(0, Math.round(share * (sorted.length - 1))))] ?? Infinity;
  return { p10: at(0.1), p50: at(0.5), p90: at(0.9) };
}

/** The chance as people say it: never a flat 0 or 100, which a model can't promise. */
export function sayChance(chance: number): string {
  if (chance >= 0.99) return 'over 99 %';
  if (chance <= 0.01) return 'under 1 %';
  return `${Math.round(chance * 100)} %`;
}

function sentenceOf(
  chance: number | undefined,
  dueAt: EpochMinute | undefined,
  packable: Spread,
  timeZone: string,
): string {
  const day = (minute: EpochMinute) => sayReached(minute, timeZone);
  // What has no place in most futures has none to speak of.
  if (!Number.isFinite(packable.p50))
    return 'It has no place in the plan: something stands against one of its steps.';
  const range = `Nine times in ten it is packable by ${day(packable.p90)}, and half the time by ${day(packable.p50)}.`;
  if (chance === undefined || dueAt === undefined) return range;
  return `${sayChance(chance)} to make ${day(dueAt)}. ${range}`;
}
