import { dryingFamily } from '../materials/material';
import type { EpochMinute } from '../model/wallTime';
import { Covering } from './covering';
import type { RateTrack } from './rateTrack';
import type { Material } from '../model/materialSchema';
import type { LaidCoat, Stand } from './laidCoat';
import { nth } from '../model/sure';

const FAN = 1.5;

const WARM_AIR = 3;

export interface Span {
  from: EpochMinute;
  track: RateTrack;
  factor: number;
}

/** The minute at which `need` label minutes have passed, over spans that each run at their own speed. */
export function reach(spans: readonly Span[], need: number): EpochMinute {
  let left = need;
  for (let at = 0; at < spans.length; at += 1) {
    const span = nth(spans, at);
    const until = spans[at + 1]?.from ?? Infinity;
    const base = span.track.progressAt(span.from);
    const minute = left <= 0 ? span.from : span.track.minuteAt(base + left / span.factor);
    if (minute <= until) return minute;
    left -= (span.track.progressAt(until) - base) * span.factor;
  }
  return Infinity;
}

/** The label minutes that have passed by a moment. */
export function passed(spans: readonly Span[], minute: EpochMinute): number {
  return spans.reduce((sum, span, at) => {
    const until = Math.min(minute, spans[at + 1]?.from ?? Infinity);
    if (until <= span.from) return sum;
    return sum + (span.track.progressAt(until) - span.track.progressAt(span.from)) * span.factor;
  }, 0);
}

export const earlyAid = (coat: LaidCoat) =>
  coat.air === 'warm' && dryingFamily(coat.material) !== 'two-part' ? WARM_AIR : 1;

/**
 * The spans over which one clock runs: cut wherever the unit is moved or a coat is laid on top.
 * @param covers the coats above, in order
 */
export function spansFor(
  material: Material,
  clock: 'early' | 'late',
  from: EpochMinute,
  stands: readonly Stand[],
  covers: readonly LaidCoat[],
  aid: number,
): Span[] {
  let stand = 0;
  while (stand + 1 < stands.length && nth(stands, stand + 1).from <= from) stand += 1;
  let cover = 0;
  const covering = new Covering(material.id);
  const spans: Span[] = [];
  for (let cut = from; ;) {
    while (cover < covers.length && nth(covers, cover).laidAt <= cut) {
      covering.lay(nth(covers, cover));
      cover += 1;
    }
    const here = nth(stands, stand);
    spans.push({
      from: cut,
      track: here.placeAir.track(material, clock),
      factor: aid * (here.fan ? FAN : 1) * covering.pace,
    });
    const moved = stands[stand + 1]?.from ?? Infinity;
    const covered = covers[cover]?.laidAt ?? Infinity;
    cut = Math.min(moved, covered);
    if (cut === Infinity) return spans;
    if (moved === cut) stand += 1;
  }
}
