import type { JumpableRandomGenerator } from 'pure-rand/types/JumpableRandomGenerator';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import type { Air } from '../../drying/air';
import type { ClimateSeries } from '../../drying/climateSeries';
import { atZone, type EpochMinute } from '../../model/wallTime';
import { nth } from '../../model/sure';

/** The daily error of the air: σ and correlation from one day to the next (docs/domain.md, "The drying model"). */
const DAILY_C = 2;

const DAILY_PCT = 8;

const DAY_TO_DAY = 0.7;

/** Numbers with the standard normal distribution from a generator (Box and Muller). */
export function normals(generator: JumpableRandomGenerator): () => number {
  // Never 0, of which there is no logarithm.
  const uniform = () => 1 - uniformFloat64(generator);
  return () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
}

/** A series with an error for each day from a moment on: days before it have happened and are known. */
export function disturbed(
  series: ClimateSeries,
  from: EpochMinute,
  timeZone: string,
  normal: () => number,
): ClimateSeries {
  const midnight = Math.floor(atZone(from, timeZone).startOf('day').toMillis() / 60_000);
  const errors: Air[] = [];
  const kept = Math.sqrt(1 - DAY_TO_DAY ** 2);
  const errorOf = (day: number): Air => {
    while (errors.length <= day) {
      const last = errors[errors.length - 1];
      errors.push({
        temperatureC: last ? DAY_TO_DAY * last.temperatureC + kept * DAILY_C * normal() : DAILY_C * normal(),
        humidityPct: last
          ? DAY_TO_DAY * last.humidityPct + kept * DAILY_PCT * normal()
          : DAILY_PCT * normal(),
      });
    }
    return nth(errors, day);
  };
  const dayOf = (minute: EpochMinute) => Math.floor((minute - midnight) / 1440);
  return {
    airAt(minute) {
      const air = series.airAt(minute);
      if (minute < from) return air;
      const error = errorOf(dayOf(minute));
      return {
        temperatureC: air.temperatureC + error.temperatureC,
        humidityPct: Math.min(100, Math.max(1, air.humidityPct + error.humidityPct)),
      };
    },
    nextChangeAfter(minute) {
      const next = series.nextChangeAfter(minute);
      return Math.min(next, minute < from ? from : midnight + (dayOf(minute) + 1) * 1440);
    },
  };
}
