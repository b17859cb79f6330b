import type { Material } from '../../model/materialSchema';
import type { Method } from '../../model/methods';
import type { LogEntry, Tin } from '../../model/schema';
import type { PassNeed } from '../../quantity/needs';
import { serves, type Tinted } from '../../colour/tint';
import { compareLogged } from '../../model/wallTime';

/** One tin with what is in it now. */
export interface TinLevel {
  /** Its place in the build's list. */
  at: number;
  tin: Tin;
  /** What is left, ml. */
  ml: number;
  /** What the book says went out of it since its level was set, ml by how it was put on. */
  bookMl: ReadonlyMap<Method | undefined, number>;
}

/** A level while it is reckoned. */
type OpenLevel = Omit<TinLevel, 'bookMl'> & { bookMl: Map<Method | undefined, number> };

/** What the shelf holds. */
export interface Shelf {
  tins: TinLevel[];
  /** What was laid that the tins on the shelf did not have, ml by material id; of what no tin is kept of, nothing is said. */
  missingMl: Map<string, number>;
  /** What each entry of the log took, by its id. */
  used: Map<string, readonly Used[]>;
}

/** What one entry of the log took, ml, and out of which tin; what no tin had stands without one. */
export type Used = NonNullable<LogEntry['used']>[number];

/** Which of two tins is taken first: what is open, then what has to be used up sooner, then what holds less. */
function takenFirst(a: TinLevel, b: TinLevel): number {
  const open = ({ tin }: TinLevel) => (tin.openedOn === undefined ? 1 : 0);
  const by = ({ tin }: TinLevel) => tin.bestBefore ?? '9999';
  return open(a) - open(b) || (by(a) < by(b) ? -1 : by(a) > by(b) ? 1 : 0) || a.ml - b.ml || a.at - b.at;
}

/** The tins that serve a material, in the order they are used. */
export const tinsFor = <Level extends TinLevel>(
  tins: readonly Level[],
  material: Tinted,
  colour: string | undefined,
): Level[] => tins.filter(({ tin }) => serves(tin, material, colour)).sort(takenFirst);

/**
 * What is in every tin now: what it held when its level was last set, less what was laid since. An entry that says what it took is believed;
 * any other is reckoned from its pass, out of the tin that is used first. Taking an entry of the log back puts its amount back, as nothing
 * is counted but the log.
 * @param needs what each pass takes, by its id
 * @param passIdOf the pass that an entry means
 * @param elsewhere entries of other builds that share the shelf, which say what they took
 */
export function shelfOf(
  stock: readonly Tin[],
  log: readonly LogEntry[],
  needs: ReadonlyMap<string, PassNeed>,
  passIdOf: (entry: LogEntry) => string | undefined,
  elsewhere: readonly Drawn[] = [],
): Shelf {
  const tins = stock.map((tin, at): OpenLevel => ({ at, tin, ml: tin.remainingMl, bookMl: new Map() }));
  const byId = new Map(tins.flatMap((level) => (level.tin.id === undefined ? [] : [[level.tin.id, level]])));
  const shelf: Shelf = { tins, missingMl: new Map(), used: new Map() };
  const inOrder: Laid[] = [
    ...log.map((entry) => ({ entry, doneAt: entry.doneAt, used: entry.used })),
    ...elsewhere,
  ].sort((a, b) => compareLogged(a.doneAt, b.doneAt));
  for (const { entry, doneAt, used } of inOrder) {
    if (used)
      for (const one of used) {
        const level = one.tin === undefined ? undefined : byId.get(one.tin);
        // A tin whose level was set since has had it taken off by hand.
        if (level && isSetBefore(level, doneAt)) takeOff(level, one);
      }
    const need = entry && needs.get(passIdOf(entry) ?? '');
    if (!entry || (!used && !need)) continue;
    const materialId = entry.material ?? need?.material.id;
    const own =
      need && materialId !== undefined
        ? usable(tins, { ...need.material, id: materialId }, need.colour, doneAt)
        : [];
    const taken = used ?? takeOut(own, need, doneAt);
    shelf.used.set(entry.id, taken);
    const lacking = taken.reduce((sum, { tin, ml }) => (tin === undefined ? sum + ml : sum), 0);
    // What came out of a tin whose level was set since is in that level already.
    if (
      materialId !== undefined &&
      lacking > 1e-9 &&
      own.length > 0 &&
      own.every((one) => isSetBefore(one, doneAt))
    )
      shelf.missingMl.set(materialId, (shelf.missingMl.get(materialId) ?? 0) + lacking);
  }
  return shelf;
}

/** What somebody took out of the tins in another build, and when. */
export interface Drawn {
  doneAt: string;
  used: readonly Used[];
}
interface Laid {
  doneAt: string;
  used: readonly Used[] | undefined;
  entry?: LogEntry;
}

const isSetBefore = ({ tin: { levelAt } }: TinLevel, doneAt: string): boolean =>
  levelAt !== undefined && compareLogged(levelAt, doneAt) <= 0;

/** The tins a pass of some moment could come out of, in the order they are used. */
const usable = (tins: readonly OpenLevel[], material: Tinted, colour: string | undefined, doneAt: string) =>
  tinsFor(tins, material, colour).filter(
    ({ tin }) => tin.arrivesOn === undefined || tin.arrivesOn <= doneAt.slice(0, 10),
  );

/** Takes off a level what a pass took; what earlier versions wrote down was the book's. */
function takeOff(level: OpenLevel, { ml, bookMl = ml, method }: Used): void {
  level.ml = Math.max(0, level.ml - ml);
  level.bookMl.set(method, (level.bookMl.get(method) ?? 0) + bookMl);
}

/** Takes what a pass needs out of tins, one after the other, and says what came from where. */
function takeOut(own: readonly OpenLevel[], need: PassNeed | undefined, doneAt: string): Used[] {
  if (!need) return [];
  let left = need.ml;
  const part = (ml: number): Used => ({ ml, bookMl: (ml / need.ml) * need.bookMl, method: need.method });
  const used: Used[] = [];
  for (const level of own) {
    const ml = isSetBefore(level, doneAt) ? Math.min(left, level.ml) : 0;
    if (ml <= 0) continue;
    takeOff(level, part(ml));
    left -= ml;
    used.push({ ...(level.tin.id === undefined ? {} : { tin: level.tin.id }), ...part(ml) });
  }
  return left > 1e-9 ? [...used, part(left)] : used;
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
