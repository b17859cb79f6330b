import type { Material } from '../../model/materialSchema';
import type { LogEntry, Tin } from '../../model/schema';
import type { PassNeed } from '../../quantity/needs';
import { colourDistance } from '../../colour/hiding';

/** One tin with what is in it now. */
export interface TinLevel {
  /** Its place in the build's list. */
  at: number;
  tin: Tin;
  /** What is left, ml. */
  ml: number;
}

/** What the shelf holds. */
export interface Shelf {
  tins: TinLevel[];
  /** What was laid that the tins on the shelf did not have, ml by material id; of what no tin is kept of, nothing is said. */
  missingMl: Map<string, number>;
}

/** Two tints that nobody would buy apart, ΔE00. */
const SAME_TINT_DELTA_E = 2;

/** Whether two colours would be bought as one; what has none is only like what has none. */
export const sameTint = (one: string | undefined, other: string | undefined): boolean =>
  one === other ||
  (one !== undefined && other !== undefined && colourDistance(one, other) < SAME_TINT_DELTA_E);

/** Whether a tin can be used where some material is wanted in some colour; a tin without one is taken for any. */
export const serves = (
  tin: Pick<Tin, 'material' | 'colour'>,
  materialId: string,
  colour: string | undefined,
): boolean =>
  tin.material === materialId &&
  (tin.colour === undefined || colour === undefined || sameTint(tin.colour, colour));

/** Which of two tins is taken first: what is open, then what has to be used up sooner, then what holds less. */
function takenFirst(a: TinLevel, b: TinLevel): number {
  const open = ({ tin }: TinLevel) => (tin.openedOn === undefined ? 1 : 0);
  const by = ({ tin }: TinLevel) => tin.bestBefore ?? '9999';
  return open(a) - open(b) || (by(a) < by(b) ? -1 : by(a) > by(b) ? 1 : 0) || a.ml - b.ml || a.at - b.at;
}

/** The tins that serve a material, in the order they are used. */
export const tinsFor = (
  tins: readonly TinLevel[],
  materialId: string,
  colour: string | undefined,
): TinLevel[] => tins.filter(({ tin }) => serves(tin, materialId, colour)).sort(takenFirst);

/**
 * What is in every tin now: what it held when its level was last set, less what was laid since, from the tin that is used first.
 * Taking an entry of the log back puts its amount back, as nothing is counted but the log.
 * @param needs what each pass takes, by its id
 * @param passIdOf the pass that an entry means
 */
export function shelfOf(
  stock: readonly Tin[],
  log: readonly LogEntry[],
  needs: ReadonlyMap<string, PassNeed>,
  passIdOf: (entry: LogEntry) => string | undefined,
): Shelf {
  const tins = stock.map((tin, at): TinLevel => ({ at, tin, ml: tin.remainingMl }));
  const missingMl = new Map<string, number>();
  const inOrder = [...log].sort((a, b) => (a.doneAt < b.doneAt ? -1 : a.doneAt > b.doneAt ? 1 : 0));
  for (const entry of inOrder) {
    const need = needs.get(passIdOf(entry) ?? '');
    if (!need) continue;
    const materialId = entry.material ?? need.material.id;
    let left = need.ml;
    const own = tinsFor(tins, materialId, need.colour).filter(
      ({ tin }) => tin.arrivesOn === undefined || tin.arrivesOn <= entry.doneAt.slice(0, 10),
    );
    // A tin whose level was set since has had it taken off by hand.
    const isCounted = own.some(({ tin }) => tin.levelAt === undefined || tin.levelAt > entry.doneAt);
    for (const level of own) {
      const { levelAt } = level.tin;
      if (levelAt === undefined || levelAt > entry.doneAt) continue;
      const taken = Math.min(left, level.ml);
      level.ml -= taken;
      left -= taken;
      if (left <= 0) break;
    }
    if (left > 1e-9 && own.length > 0 && !isCounted)
      missingMl.set(materialId, (missingMl.get(materialId) ?? 0) + left);
  }
  return { tins, missingMl };
}

/** How far a tin is to be trusted for its age. */
export type TinAge = 'good' | 'try-first' | 'not-trusted';

/** After so many times its life a tin is not trusted at all. */
const DEAD_AFTER = 1.5;
const DAYS_A_MONTH = 30.44;
const DAY_MS = 86_400_000;

/**
 * How a tin stands by its age: good until its own date, or for its months on the shelf and half of them once it is open; then to be tried on an
 * offcut first, and after one and a half times that not to be trusted.
 * @param today `yyyy-MM-dd`
 */
export function tinAge(
  { openedOn, bestBefore }: Pick<Tin, 'openedOn' | 'bestBefore'>,
  { shelfMonths }: Pick<Material, 'shelfMonths'>,
  today: string,
): TinAge {
  const days = (from: string) => (Date.parse(today) - Date.parse(from)) / DAY_MS;
  if (bestBefore !== undefined && shelfMonths === undefined)
    return days(bestBefore) > 0 ? 'try-first' : 'good';
  if (bestBefore !== undefined) {
    const over = days(bestBefore);
    const life = (shelfMonths ?? 0) * DAYS_A_MONTH;
    return over <= 0 ? 'good' : over > (DEAD_AFTER - 1) * life ? 'not-trusted' : 'try-first';
  }
  // Without a day it was bought on, an unopened tin says nothing of its age.
  if (openedOn === undefined || shelfMonths === undefined) return 'good';
  const life = (shelfMonths * DAYS_A_MONTH) / 2;
  const age = days(openedOn);
  return age <= life ? 'good' : age > DEAD_AFTER * life ? 'not-trusted' : 'try-first';
}
