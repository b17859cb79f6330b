import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { Build } from '../../model/schema';
import { placeAirOf } from '../../drying/placeAir';
import { atZone, epochMinute, type EpochMinute } from '../../model/wallTime';
import { decode } from '../place/decode';
import { dryThroughOf } from '../place/dryThrough';
import { workloadOf, type Workload, type ReadingsByPlace } from '../plan/workload';
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

export interface ForecastOptions {
  /** How many futures are tried; 200 unless said otherwise. */
  samples?: number;
  readings?: ReadingsByPlace;
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
 * or damper than assumed for days on end. In each, everybody keeps to the plan's order and times where they can, and waits
 * where something is not dry yet. The same seed gives the same answer.
 * @example forecastBuild(build, plan, 1, { samples: 100 })[0].chance // 0.83
 */
export function forecastBuild(
  build: Build,
  plan: Plan,
  seed: number,
  options: ForecastOptions = {},
): PieceForecast[] {
  const samples = options.samples ?? 200;
  const workload = workloadOf(build, options.readings);
  const placed = plan.operations
    .filter(isPlaced)
    .filter((operation) => operation.status === 'planned')
    .sort((a, b) => a.start - b.start);
  const sequence = placed.map((operation) => operation.id);
  const personOf = new Map(placed.map((operation) => [operation.id, operation.personId]));
  const notBefore = new Map(placed.map((operation) => [operation.id, workBegins(operation)]));
  const letDryThrough = dryThroughOf(placed);
  const confirmed = new Set(plan.measured.filter((one) => one.confirmed).map((one) => one.materialId));
  const used = [...new Set(workload.operations.flatMap((operation) => operation.material?.id ?? []))];
  const outcomes = new Map(build.pieces.map((piece) => [piece.id, noOutcomes()]));
  const generator = xoroshiro128plus(seed);
  let tried = 0;
  for (; tried < samples; tried += 1) {
    // Each future has numbers of its own, far along the same sequence, so that more futures do not change the first ones.
    generator.jump();
    const normal = normals(generator.clone());
    const timeFactors = new Map(used.map((id) => [id, timeFactor(normal(), confirmed.has(id))]));
    const future: Workload = {
      ...workload,
      airs: new Map(
        [...workload.airs].map(([id, place]) => [
          id,
          placeAirOf(id, disturbed(place.series, plan.now, build.timeZone, normal), workload.originAt),
        ]),
      ),
    };
    const run = decode(future, sequence, {
      now: plan.now,
      timeFactors,
      kept: { beginsAt: notBefore, personOf },
      letDryThrough,
    });
    const byPiece = new Map<string, typeof run.operations>();
    for (const operation of run.operations) {
      const list = byPiece.get(operation.pieceId);
      if (list) list.push(operation);
      else byPiece.set(operation.pieceId, [operation]);
    }
    for (const piece of build.pieces) {
      const state = pieceReadiness(build, piece, byPiece.get(piece.id) ?? [], run.units, plan.now);
      const outcome = entryOf(outcomes, piece.id);
      outcome.packable.push(state.packableAt ?? Infinity);
      outcome.wearable.push(state.wearableAt ?? Infinity);
      if (state.readiness !== 'late' && state.readiness !== 'stuck') outcome.made += 1;
    }
    if (options.onProgress?.(tried + 1, samples) === false) {
      tried += 1;
      break;
    }
  }
  return build.pieces.map((piece) => {
    const { packable, wearable, made } = entryOf(outcomes, piece.id);
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
  const day = (minute: EpochMinute) =>
    Number.isFinite(minute)
      ? atZone(minute, timeZone).setLocale('en-GB').toFormat('ccc d LLL, HH:mm')
      : 'never';
  const range = `Nine times in ten it is packable by ${day(packable.p90)}, and half the time by ${day(packable.p50)}.`;
  if (chance === undefined || dueAt === undefined) return range;
  return `${sayChance(chance)} to make ${day(dueAt)}. ${range}`;
}
