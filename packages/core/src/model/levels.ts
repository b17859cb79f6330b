import type { Build } from './schema';
import { compareLogged } from './wallTime';

/**
 * A build out of whose log some entries went by themselves, as with their piece, with the tins left as full as they were: what was laid
 * is out of them, whoever writes it down. An entry that is taken back on purpose goes without this and puts its amount back.
 */
export function levelsKept(after: Build, before: Build): Build {
  const kept = new Set(after.log?.map(({ id }) => id));
  const gone = (before.log ?? []).filter(({ id, used }) => used !== undefined && !kept.has(id));
  if (gone.length === 0 || !after.stock) return after;
  return { ...after, stock: lessDrawn(after.stock, gone) };
}

type Stock = NonNullable<Build['stock']>;

/**
 * Tins with what was taken out of them since their levels were set written off, as nobody else tells of it any more.
 * @param draws what was taken, and when, as wall time
 */
export const lessDrawn = (
  stock: Stock,
  draws: readonly {
    doneAt: string;
    used?: readonly { tin?: string | undefined; ml: number }[] | undefined;
  }[],
): Stock =>
  stock.map((tin) => {
    const { id, levelAt } = tin;
    if (id === undefined || levelAt === undefined) return tin;
    const ml = draws
      .filter(({ doneAt }) => compareLogged(levelAt, doneAt) <= 0)
      .flatMap(({ used }) => used ?? [])
      .reduce((sum, one) => (one.tin === id ? sum + one.ml : sum), 0);
    return ml === 0 ? tin : { ...tin, remainingMl: Math.max(0, tin.remainingMl - ml) };
  });
