import type { EpochMinute } from '../model/wallTime';
import type { Air } from './air';
import type { ClimateSeries } from './climateSeries';

/**
 * The running total of `∫ r dt` for one rate in one place's air. Progress 1 is one minute of drying at label air.
 * Invariants: `progressAt` never falls; `minuteAt(progressAt(m)) <= m`, with equality where the rate is above zero.
 */
export interface RateTrack {
  progressAt(minute: EpochMinute): number;
  /** The first minute at which the total reaches this progress; Infinity if it never does. */
  minuteAt(progress: number): EpochMinute;
}

/** How far past the last moment asked about a track looks for progress before it says "never": two years. */
const HORIZON_MINUTES = 2 * 365 * 1440;

/**
 * Integrates a rate over a climate from `origin` on. Air is constant between changes of the series, so the total is
 * a chain of straight lines and both look-ups are exact. The chain grows only as far as it is asked for.
 * Moments before `origin` count as the air at `origin`.
 */
export function rateTrack(series: ClimateSeries, rate: (air: Air) => number, origin: EpochMinute): RateTrack {
  const minutes: number[] = [origin];
  const totals: number[] = [0];
  const rates: number[] = [rate(series.airAt(origin))];
  /** The latest moment anybody asked about. */
  let asked = origin;

  /** Adds one straight piece; false when there is no further change within the horizon. */
  const grow = (): boolean => {
    const last = minutes.length - 1;
    const next = series.nextChangeAfter(minutes[last]!);
    if (next === Infinity || next > asked + HORIZON_MINUTES) return false;
    minutes.push(next);
    totals.push(totals[last]! + rates[last]! * (next - minutes[last]!));
    rates.push(rate(series.airAt(next)));
    return true;
  };

  /** The last index whose value is at most `value`. */
  const indexOf = (list: number[], value: number): number => {
    let low = 0;
    let high = list.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (list[middle]! <= value) low = middle;
      else high = middle - 1;
    }
    return low;
  };

  return {
    progressAt(minute) {
      if (minute > asked && Number.isFinite(minute)) asked = minute;
      while (minute > minutes[minutes.length - 1]! && grow());
      const at = indexOf(minutes, minute);
      return totals[at]! + rates[at]! * (minute - minutes[at]!);
    },
    minuteAt(progress) {
      for (;;) {
        const last = minutes.length - 1;
        if (progress <= totals[last]! || !grow()) break;
      }
      let at = indexOf(totals, progress);
      // Where the clock stands still several minutes share one total: the first of them counts.
      while (at > 0 && totals[at - 1] === progress) at -= 1;
      if (progress === totals[at]) return minutes[at]!;
      const speed = rates[at]!;
      return speed > 0 ? minutes[at]! + (progress - totals[at]!) / speed : Infinity;
    },
  };
}
