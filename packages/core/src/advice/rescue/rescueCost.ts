import type { LookChange } from '../finding';
import type { PatchStep } from '../../model/patch';
import { nth } from '../../model/sure';

/** What a way of catching up costs, in kind. */
export interface RescueCost {
  look: LookChange;
  /** More hands-on minutes than before; negative for less. */
  workMinutes: number;
  /** Somebody else's evening, in minutes. */
  favourMinutes: number;
  /** Things to buy or hire, by name. */
  buys: string[];
  /** What is given up, in a few words. */
  givesUp: string[];
}

/** What a way costs on one scale, for ranking (docs/domain.md, "Rescue"): a slight change of look 0.6, another look 2.5, four
 * hours of somebody's evening 1, a purchase 0.5, something given up 0.7, and 0.1 for each single way. */
const weights = {
  look: { same: 0, slight: 0.6, other: 2.5 },
  favour: 1 / 240,
  buy: 0.5,
  givesUp: 0.7,
  each: 0.1,
};

/** A single way of catching up, not tried yet. */
export interface Way {
  label: string;
  change: PatchStep[];
  cost: Partial<RescueCost>;
}

/** What several ways cost together, in kind. */
export function sumOf(ways: readonly Way[]): RescueCost {
  const looks: LookChange[] = ['same', 'slight', 'other'];
  return {
    look: nth(looks, Math.max(...ways.map((way) => looks.indexOf(way.cost.look ?? 'same')))),
    workMinutes: 0,
    favourMinutes: ways.reduce((sum, way) => sum + (way.cost.favourMinutes ?? 0), 0),
    buys: ways.flatMap((way) => way.cost.buys ?? []),
    givesUp: ways.flatMap((way) => way.cost.givesUp ?? []),
  };
}

/** What several ways cost together on the one scale. */
export function costOf(ways: readonly Way[]): number {
  const cost = sumOf(ways);
  return (
    weights.look[cost.look] +
    cost.favourMinutes * weights.favour +
    cost.buys.length * weights.buy +
    cost.givesUp.length * weights.givesUp +
    weights.each * ways.length
  );
}

/** Whether two changes are about the same part of the build, so that they can't both be made as they are. */
export function touchSame(one: readonly PatchStep[], other: readonly PatchStep[]): boolean {
  const roots = (list: readonly PatchStep[]) =>
    new Set(
      list.map((step) =>
        step.path
          .split('/')
          .slice(0, step.path.startsWith('/pieces') ? 5 : 3)
          .join('/'),
      ),
    );
  const mine = roots(one);
  // What takes a step away moves those behind it.
  const removes = [...one, ...other].some((step) => step.op === 'remove' && step.path.startsWith('/pieces'));
  const pieceOf = (list: readonly PatchStep[]) =>
    new Set(list.map((step) => step.path.split('/').slice(0, 3).join('/')));
  if (removes && [...pieceOf(one)].some((piece) => pieceOf(other).has(piece))) return true;
  return [...roots(other)].some((root) => mine.has(root));
}
