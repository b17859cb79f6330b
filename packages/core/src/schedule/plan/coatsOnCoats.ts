import { binderOf } from '../../model/binders';
import type { Operation } from './operations';

/** A coat that lands on others of its unit, and may be put off until they are dry through. */
export interface CoatOnCoat {
  id: string;
  /**
   * What becomes of those if it is laid before they are dry through: it dissolves into one and they dry as one thick film; or it
   * lets them dry at less than half their pace; or little.
   */
  early: 'joins' | 'smothers' | 'little';
}

/** Films under which others keep less than this share of their pace are better not laid on what is still drying. */
const SMOTHERING = 0.5;

/**
 * The coats of one unit that land on others of it, in order. Each can be laid as soon as the one below may be coated, or
 * when what it lands on is dry through. The first is quicker to do. The second is often ready sooner: three coats that
 * join take nine times as long as one, and a film that is covered dries more slowly (docs/domain.md, "Drying").
 * @param own the operations of the unit in order
 */
export function coatsOnCoats(own: readonly Operation[]): CoatOnCoat[] {
  const tops = new Map<string, string>();
  return own.flatMap(({ id, material, cells }) => {
    if (!material || material.role === 'bond') return [];
    const below = cells.flatMap((cell) => tops.get(cell) ?? []);
    for (const cell of cells) tops.set(cell, material.id);
    if (below.length === 0) return [];
    const smothers =
      below.some((under) => under !== material.id) && binderOf(material).coverFactor < SMOTHERING;
    const joins = material.redissolves && below.includes(material.id);
    return [{ id, early: joins ? 'joins' : smothers ? 'smothers' : 'little' }];
  });
}
