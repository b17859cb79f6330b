import { xorshift128plus } from 'pure-rand/generator/xorshift128plus';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { cheapestSet, type Offer } from './purchase';

const told = (need: number, offers: Offer[]) => {
  const { containers, cost, leftMl } = cheapestSet(need, offers);
  return { set: containers.map(({ containerMl, count }) => `${count}×${containerMl}`), cost, leftMl };
};

describe('the cheapest set of containers', () => {
  it('mixes sizes where that is cheaper than rounding one up', () => {
    // 300 ml: 3×120 for 21, 2×240 for 24, 120 + 240 for 19.
    expect(
      told(300, [
        { containerMl: 120, price: 7 },
        { containerMl: 240, price: 12 },
      ]),
    ).toEqual({ set: ['1×240', '1×120'], cost: 19, leftMl: 60 });
  });

  it('of equal price is the one that leaves least', () => {
    // 250 ml for 10 either way.
    expect(
      told(240, [
        { containerMl: 500, price: 10 },
        { containerMl: 250, price: 10 },
      ]).set,
    ).toEqual(['1×250']);
  });

  it('without prices is what shops would ask least for, by size to the power of 0.75', () => {
    // 60^0.75 = 21.6, 120^0.75 = 36.3, 240^0.75 = 61.0: 57.9 for the two small ones.
    expect(
      told(
        130,
        [60, 120, 240].map((containerMl) => ({ containerMl })),
      ),
    ).toEqual({
      set: ['1×120', '1×60'],
      cost: undefined,
      leftMl: 50,
    });
    // 177.8 + 105.7 + 62.9 = 346 for 1750 ml, 356 for two of 1000, 595 for the tub.
    expect(
      told(
        1637,
        [250, 500, 1000, 5000].map((containerMl) => ({ containerMl })),
      ).set,
    ).toEqual(['1×1000', '1×500', '1×250']);
    expect(
      told(
        350,
        [60, 120, 240].map((containerMl) => ({ containerMl })),
      ).set,
    ).toEqual(['1×240', '1×120']);
  });

  it('takes only sizes that have a price once any has, and nothing for nothing', () => {
    expect(told(100, [{ containerMl: 120, price: 9 }, { containerMl: 240 }]).set).toEqual(['1×120']);
    expect(told(0, [{ containerMl: 120 }])).toEqual({ set: [], cost: undefined, leftMl: 0 });
    expect(told(-5, [{ containerMl: 120, price: 3 }])).toEqual({ set: [], cost: 0, leftMl: 0 });
    expect(told(50, [])).toEqual({ set: [], cost: undefined, leftMl: 0 });
  });

  it('is that of trying every set, over 500 made-up shops', () => {
    const random = xorshift128plus(20270226);
    const draw = (from: number, to: number) => uniformInt(random, from, to);
    for (let n = 0; n < 500; n += 1) {
      const priced = draw(0, 1) === 1;
      const offers = Array.from({ length: draw(1, 3) }, (): Offer => ({
        containerMl: draw(10, 60),
        ...(priced ? { price: draw(1, 30) } : {}),
      }));
      const need = draw(1, 150);
      let best: [number, number] = [Infinity, Infinity];
      const most = offers.map(({ containerMl }) => Math.ceil(need / containerMl));
      const each = (at: number, ml: number, cost: number): void => {
        if (at === offers.length) {
          if (ml >= need && (cost < best[0] - 1e-9 || (cost < best[0] + 1e-9 && ml < best[1])))
            best = [cost, ml];
          return;
        }
        const { containerMl, price = containerMl ** 0.75 } = offers[at]!;
        for (let count = 0; count <= most[at]!; count += 1)
          each(at + 1, ml + count * containerMl, cost + count * price);
      };
      each(0, 0, 0);
      const { containers, cost, leftMl } = cheapestSet(need, offers);
      const ml = containers.reduce((sum, one) => sum + one.containerMl * one.count, 0);
      const paid = containers.reduce(
        (sum, one) => sum + (one.price ?? one.containerMl ** 0.75) * one.count,
        0,
      );
      expect([n, Number(paid.toFixed(6)), ml]).toEqual([n, Number(best[0].toFixed(6)), best[1]]);
      expect([cost, leftMl]).toEqual([priced ? paid : undefined, ml - need]);
    }
  });
});
