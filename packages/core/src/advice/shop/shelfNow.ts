import { passesMeant } from '../../model/logPasses';
import type { Method } from '../../model/methods';
import type { Build, LogEntry } from '../../model/schema';
import { amountFactor } from '../../quantity/learned';
import { needsOf, type MeasuredPass, type PassNeed } from '../../quantity/needs';
import { shelfOf, type Drawn, type Shelf } from './shelf';

/** What every pass of a build takes, by its id, as the user takes it. */
export function passNeeds(build: Build, operations: readonly MeasuredPass[]): Map<string, PassNeed> {
  const known = new Map<string, number>();
  const factorOf = (materialId: string, method: Method): number => {
    const key = `${materialId} ${method}`;
    const factor = known.get(key) ?? amountFactor(build.amounts ?? [], materialId, method).factor;
    known.set(key, factor);
    return factor;
  };
  return new Map(needsOf(build, operations, factorOf).map((need) => [need.passId, need]));
}

/**
 * What the shelf of a build holds now, by its log.
 * @param elsewhere what other builds took from the same shelf
 */
export function shelfNow(
  build: Build,
  needs: ReadonlyMap<string, PassNeed>,
  elsewhere: readonly Drawn[] = [],
): Shelf {
  const meant = new Map(passesMeant(build.pieces, build.log ?? []).map(({ entry, id }) => [entry.id, id]));
  return shelfOf(build.stock ?? [], build.log ?? [], needs, ({ id }) => meant.get(id), elsewhere);
}

/**
 * Entries that are about to be logged, each with what it takes and out of which tin. Written down so, neither a change of its step nor of
 * what is reckoned later moves the level of a tin.
 */
export function withUsed(
  build: Build,
  entries: readonly LogEntry[],
  needs: ReadonlyMap<string, PassNeed>,
  elsewhere: readonly Drawn[] = [],
): LogEntry[] {
  // Where an old file names its tins by nothing, there is no saying which it was.
  const isNamed = (build.stock ?? []).every((tin) => tin.id !== undefined);
  const { used } = shelfNow({ ...build, log: [...(build.log ?? []), ...entries] }, needs, elsewhere);
  return entries.map((entry) => {
    const own = used.get(entry.id);
    return own && own.length > 0 && isNamed ? { ...entry, used: [...own] } : entry;
  });
}
