import type { Material } from '../model/materialSchema';
import { placementOf } from '../model/placements';
import type { Step } from '../model/schema';
import { methodOf } from '../model/stepSpots';
import type { TechniqueCard } from './card';
import { groundCards } from './groundCards';
import { paintCards } from './paintCards';
import { wearCards } from './wearCards';

/** Every card, in the order of work; where two could tell of a step the more particular one stands first. */
export const techniqueCards: readonly TechniqueCard[] = [...groundCards, ...paintCards, ...wearCards];

/** The card that tells how a step is done; undefined where there is none. */
export function cardFor(step: Step, material: Material | undefined): TechniqueCard | undefined {
  const method = methodOf(step, material);
  const work = { step, material, method, placement: placementOf(step, material, method) };
  return order.find((card) => card.tells(work));
}

/** What lies on by itself, such as leaf and glue, is told of before the tool that lays it. */
const first = new Set([
  'leaf',
  'glue',
  'wax',
  'chip-resist',
  'pen',
  'detail',
  'dry-brush',
  'graphite',
  'pigment',
  'spatter',
]);
const order = [
  ...techniqueCards.filter(({ id }) => first.has(id)),
  ...techniqueCards.filter(({ id }) => !first.has(id)),
];

/** The cards that hold every word of a search, in their title, their use or their lines. */
export function cardsWith(search: string): TechniqueCard[] {
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  return techniqueCards.filter(({ title, about, lines, wrong, rescue }) => {
    const text = [title, about, ...lines, wrong, rescue].join(' ').toLowerCase();
    return words.every((word) => text.includes(word));
  });
}
