import type { AirAid, Climate } from '../model/schema';
import { curedShares, dryStack, plainMilestones } from './dryStack';
import { placeAir } from './placeAir';
import { type FilmGrade, filmFactor } from '../model/filmGrades';
import type { Material } from '../model/materialSchema';
import type { CoatMilestones, LaidCoat } from './laidCoat';

/** One coat of a what-if stack: what, how thick, and how long after the one below; 0 for the first. */
export interface WhatIfCoat {
  material: Material;
  film: FilmGrade;
  afterMinutes: number;
  /** The share of the spot that it covers, 0 to 1; all of it unless said otherwise. */
  share?: number;
  air?: AirAid;
}

/** What a stack comes to in some air. Times are minutes after the first coat was laid. */
export interface WhatIfAnswer {
  laidAt: number[];
  milestones: CoatMilestones[];
  packAt: number;
  wearAt: number;
  /** Moments from the first coat to a little past the last milestone, for drawing. */
  moments: number[];
  /** How far each coat has come towards cured at each moment, 0 to 1. */
  progress: number[][];
  /** The air at each moment. */
  temperatureC: number[];
  humidityPct: number[];
}

const POINTS = 160;
/** What is never cured is drawn for this long. */
const LONGEST_MINUTES = 21 * 1440;

/**
 * Dries a stack from minute 0 on in a climate. A coat laid before the one below takes it is laid all the same: that is
 * what the question is about; `milestones` tell whether it was too soon.
 */
export function whatIf(coats: readonly WhatIfCoat[], climate: Climate): WhatIfAnswer {
  let at = 0;
  const laid = coats.map((coat): LaidCoat => {
    at += Math.max(0, coat.afterMinutes);
    return {
      material: coat.material,
      filmFactor: filmFactor[coat.film],
      share: coat.share ?? 1,
      laidAt: at,
      air: coat.air ?? 'still',
    };
  });
  const air = placeAir({ id: 'what-if', climate }, 'UTC', 0);
  const stands = [{ from: 0, placeAir: air, fan: coats.some((coat) => coat.air === 'fan') }];
  const stack = dryStack(laid, stands);
  const cured = Math.max(stack.packAt, stack.wearAt);
  const until = Number.isFinite(cured) && cured > 0 ? cured * 1.08 : LONGEST_MINUTES;
  const moments = Array.from({ length: POINTS + 1 }, (_, n) => (until * n) / POINTS);
  return {
    laidAt: laid.map((coat) => coat.laidAt),
    milestones: stack.coats.map(plainMilestones),
    packAt: stack.packAt,
    wearAt: stack.wearAt,
    moments,
    progress: curedShares(laid, stands, moments),
    temperatureC: moments.map((moment) => air.series.airAt(moment).temperatureC),
    humidityPct: moments.map((moment) => air.series.airAt(moment).humidityPct),
  };
}
