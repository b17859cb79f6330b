import type { Material } from '../model/materialSchema';
import type { Method } from '../model/methods';
import { placementOf, placementTable } from '../model/placements';
import type { Step } from '../model/schema';
import { thinnerWords } from '../model/thinners';
import { wantedWords } from './fieldWords';
import { sayMm } from '../model/sayMeasure';

/** "30 % of reducer stirred in"; undefined where nothing is. */
function thinnedWords({ thinWith, thinPct, kind }: Step): string | undefined {
  if (thinWith === undefined) return undefined;
  if (kind === 'sand') return 'wet';
  return thinPct === undefined
    ? `${thinnerWords[thinWith]} stirred in`
    : `${thinPct} % of ${thinnerWords[thinWith]} stirred in`;
}

/** "on the high points", "on 40 % of it"; empty for all over. */
export const placementPhrase = (step: Step, material: Material | undefined, method: Method): string =>
  step.coversPct === undefined
    ? placementTable[placementOf(step, material, method)].words
    : `on ${step.coversPct} % of it`;

/** What it is mixed from: as the step says, or else its label, and that only where its name does not say so already. */
function mixWords({ dilution }: Step, material: Material | undefined): string[] {
  if (dilution !== undefined) return [dilution];
  const ratio = /\d+(?:\.\d+)?\s*:\s*\d+/.exec(material?.mix ?? '')?.[0];
  return material?.mix === undefined || (ratio !== undefined && material.name.includes(ratio))
    ? []
    : [material.mix];
}

/**
 * What hands have to know of a step beyond what, with what and how thick: where it goes, its mix, what is stirred in, the air it
 * gets, where it is glued, and what is meant to come out. In a few words each, in the order they are needed.
 * @example ["into the recesses", "1:6 paint:water", "a fan on it", "patchy"]
 */
export function passDetails(step: Step, material: Material | undefined, method: Method): string[] {
  const { pourMm, mixes = 1, tintPct, air, bondArea } = step;
  return [
    placementPhrase(step, material, method),
    pourMm === undefined ? '' : `${sayMm(pourMm)} thick`,
    ...mixWords(step, material),
    thinnedWords(step) ?? '',
    tintPct === undefined ? '' : `tinted with ${tintPct} % pigment`,
    step.reworkEveryMinutes === undefined
      ? ''
      : `worked over every ${step.reworkEveryMinutes} min until it stands`,
    mixes > 1 ? `mixed in ${mixes} lots` : '',
    bondArea === undefined ? '' : `on the bare ${bondArea}`,
    air === 'fan' ? 'a fan on it' : air === 'warm' ? 'warm air by hand' : '',
    ...(step.wanted ?? []).map((effect) => wantedWords[effect]),
  ].filter(Boolean);
}
