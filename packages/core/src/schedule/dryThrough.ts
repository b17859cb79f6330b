import { coverFactor } from '../drying/cover';
import type { PlanningGround } from './ground';
import type { Operation } from '../stack/operations';

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
    const smothers = below.some((under) => under !== material.id) && coverFactor(material) < SMOTHERING;
    const joins = material.redissolves && below.includes(material.id);
    return [{ id, early: joins ? 'joins' : smothers ? 'smothers' : 'little' }];
  });
}

/**
 * Which coats of some pieces are worth putting off until what they land on is dry through, when nothing else helps, by id:
 * those that would join the one below; and then those that would smother what is below as well.
 */
export function worthPuttingOff(ground: PlanningGround, pieceIds: ReadonlySet<string>): string[][] {
  const coats = [...ground.byUnit].flatMap(([key, own]) =>
    pieceIds.has(own[0]!.pieceId) ? ground.coatsOnCoats.get(key)! : [],
  );
  const joining = coats.filter(({ early }) => early === 'joins');
  const slowing = coats.filter(({ early }) => early !== 'little');
  const sets = slowing.length > joining.length ? [joining, slowing] : [joining];
  return sets.filter((set) => set.length > 0).map((set) => set.map(({ id }) => id));
}

/** The passes of a plan that wait until what they land on is dry through, by id. */
export const dryThroughOf = (
  operations: Iterable<{ id: string; letsDryThrough: boolean }>,
): ReadonlySet<string> =>
  new Set([...operations].flatMap(({ id, letsDryThrough }) => (letsDryThrough ? [id] : [])));
