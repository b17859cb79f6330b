import type { Sundries } from './sundries';
import { sayM } from '../../model/sayMeasure';

const times = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`;

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
