import type { Sundries } from './sundries';
import { capitalised } from '../../model/capitalised';
import { thinnerWords } from '../../model/thinners';
import { attachmentWords } from '../../words/fieldWords';
import { sayCm2, sayM, sayMl } from '../../model/sayMeasure';

const times = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`;

/** "Elastic: 1.2 m", "Leather: 0.12 m²", "A lens: 2". */
function attachedWords({ what, lengthM, areaM2, count }: Sundries['attached'][number]): string {
  const much = [
    lengthM > 0 ? sayM(lengthM) : '',
    areaM2 > 0 ? sayCm2(areaM2 * 10_000) : '',
    count > 0 ? String(count) : '',
  ].filter(Boolean);
  return `${capitalised(attachmentWords[what])}: ${much.join(' and ')}`;
}

/** What is used up besides paint, a line each; nothing of what is not. */
export function sundryWords(all: Sundries): string[] {
  const rolls = all.tapeRolls.containers
    .map(({ count, containerMl }) => `${count} × ${sayM(containerMl)}`)
    .join(' + ');
  const papers =
    all.papers.length > 0 ? `; the steps say: ${all.papers.map((one) => `“${one}”`).join(', ')}` : '';
  return [
    all.tapeM > 0 ? `Tape: ${sayM(all.tapeM)} with its waste, ${rolls}` : '',
    all.sandings > 0
      ? `Sandpaper: ${times(all.sandings, 'sanding', 'sandings')}, ${all.sandedM2.toFixed(2)} m² in all${papers}`
      : '',
    ...all.attached.map(attachedWords),
    ...all.stirred.map(({ what, ml }) => `${capitalised(thinnerWords[what])}: ${sayMl(ml)}, to stir in`),
    all.glovePairs > 0
      ? `Gloves, nitrile: ${times(all.glovePairs, 'pair', 'pairs')}, one for each session with anything wet`
      : '',
    all.cloths > 0 ? `Cloths: ${times(all.cloths, 'wipe', 'wipes')}` : '',
    all.cups > 0 ? `Cups: ${all.cups}, one for each mix` : '',
    all.brushes > 0
      ? `Brushes to throw away: ${all.brushes}, one for each two-part mix, as it sets in them`
      : '',
    all.cartridgeHours > 0
      ? `Mask: ${all.cartridgeHours.toFixed(1)} h of work with vapour; the maker says when its cartridges are changed`
      : '',
  ].filter(Boolean);
}
