import { parseRecoat, touchLabelMinutes } from '../materials/material';
import type { EpochMinute } from '../model/wallTime';
import { earlyAid, passed, reach, spansFor } from './clocks';
import { recoatFactor, throughFactor, touchFactor } from './filmTimes';
import type { LaidCoat, Stand } from './laidCoat';

/** What a coat still holds of what has to leave it when it can be coated again. */
const AT_RECOAT = 0.3;
/** How fast that goes from there, over the way to tape-safe. */
const FALL = 3;

/**
 * The share of what it was laid with that a coat still holds at a moment: 1 when laid, falling evenly to 0.3 at its recoat
 * moment, from there `0.3·e^(−3q)`, with `q` the share of its way from recoat to tape-safe that has passed. By its own clocks,
 * bare (docs/domain.md, "The drying model").
 */
export function residue(coat: LaidCoat, stands: readonly Stand[], minute: EpochMinute): number {
  const { material, filmFactor, laidAt, timeFactor = 1 } = coat;
  if (minute <= laidAt) return 1;
  const window = parseRecoat(material.recoat)[0];
  const early = window
    ? window.from * recoatFactor(material, filmFactor) * timeFactor
    : touchLabelMinutes(material) * touchFactor(material, filmFactor) * timeFactor;
  const earlySpans = spansFor(material, 'early', laidAt, stands, [], earlyAid(coat));
  const gone = passed(earlySpans, minute);
  if (gone < early) return 1 - (1 - AT_RECOAT) * (gone / early);
  const late = (material.tape ?? material.handle ?? 0) * throughFactor(material, filmFactor) * timeFactor;
  const lateSpans = spansFor(material, 'late', laidAt, stands, [], 1);
  const atRecoat = passed(lateSpans, reach(earlySpans, early));
  const way = late - atRecoat;
  const share = way > 0 ? (passed(lateSpans, minute) - atRecoat) / way : Infinity;
  return AT_RECOAT * Math.exp(-FALL * share);
}
