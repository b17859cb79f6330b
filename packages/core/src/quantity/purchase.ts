/** A container that can be bought: how much is in it, and its price where the user knows one. */
export interface Offer {
  containerMl: number;
  price?: number | undefined;
}

/** So many of one container. */
export interface Bought {
  containerMl: number;
  count: number;
  price: number | undefined;
}

/** What to buy, what it costs where that is known, and what is left of it. */
export interface Purchase {
  containers: Bought[];
  cost: number | undefined;
  leftMl: number;
}

/** A container of twice the size costs about 1.7 times as much. Only ever weighs sizes against each other, and is shown as no price. */
const SHOP_POWER = 0.75;

/**
 * The cheapest set of whole containers that holds at least what is needed; of equally cheap ones that which leaves least over. Where no price is
 * known a container is taken to cost as shops ask, about its size to the power of 0.75; where some are, only of those. Exact: every total up to one container more than needed is tried.
 * @param needMl 0 or less needs nothing
 * @example 300 ml of 120 at 7 and 240 at 12: 120 + 240 for 19, 60 ml left
 */
export function cheapestSet(needMl: number, offers: readonly Offer[]): Purchase {
  const priced = offers.filter(({ price }) => price !== undefined);
  const known = priced.length > 0;
  const able = (known ? priced : offers).filter(({ containerMl }) => containerMl > 0);
  const need = Math.ceil(needMl - 1e-9);
  if (need <= 0 || able.length === 0) return { containers: [], cost: known ? 0 : undefined, leftMl: 0 };
  // Whole millilitres; a container that holds a broken one counts for less.
  const sizes = able.map(({ containerMl, price }) => ({
    ml: Math.floor(containerMl),
    cost: price ?? containerMl ** SHOP_POWER,
  }));
  const most = need + Math.max(...sizes.map(({ ml }) => ml));
  const least = new Float64Array(most + 1).fill(Infinity);
  const last = new Int32Array(most + 1).fill(-1);
  least[0] = 0;
  for (let total = 1; total <= most; total += 1)
    sizes.forEach(({ ml, cost }, at) => {
      if (ml <= 0 || ml > total) return;
      const sum = (least[total - ml] ?? Infinity) + cost;
      if (sum < (least[total] ?? Infinity) - 1e-9) {
        least[total] = sum;
        last[total] = at;
      }
    });
  let best = need;
  for (let total = need; total <= most; total += 1)
    if ((least[total] ?? Infinity) < (least[best] ?? Infinity) - 1e-9) best = total;
  const counts = new Map<number, number>();
  for (let total = best; total > 0 && (last[total] ?? -1) >= 0;) {
    const at = last[total] ?? 0;
    counts.set(at, (counts.get(at) ?? 0) + 1);
    total -= sizes[at]?.ml ?? total;
  }
  const containers = [...counts]
    .map(([at, count]): Bought => ({
      containerMl: able[at]?.containerMl ?? 0,
      count,
      price: able[at]?.price,
    }))
    .sort((a, b) => b.containerMl - a.containerMl);
  const held = containers.reduce((sum, { containerMl, count }) => sum + containerMl * count, 0);
  return { containers, cost: known ? least[best] : undefined, leftMl: held - Math.max(0, needMl) };
}
