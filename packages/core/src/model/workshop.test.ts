import fc from 'fast-check';
import { thingsChanged, takenBack } from './workshopChange';
import { inWorkshop, ownParts, sharedParts, workshopOf, workshopSchema, type SharedParts } from './workshop';
import { sampleBuild } from '../testing/sampleBuild';
import type { Tin } from './schema';

const tin = (id: string, remainingMl: number): Tin => ({
  id,
  material: 'flex-acrylic',
  containerMl: 120,
  remainingMl,
});
const parts = (changes: Partial<SharedParts>): SharedParts => ({ ...sharedParts(sampleBuild()), ...changes });

describe('a build and its workshop', () => {
  const build = {
    ...sampleBuild({ stock: [tin('a', 60)], quiet: { from: '22:00', to: '07:00' } }),
    later: 'kept',
  };

  it('come apart and together again without a loss', () => {
    expect(inWorkshop(ownParts(build), sharedParts(build))).toEqual(build);
    expect(Object.keys(ownParts(build))).not.toContain('people');
    expect(ownParts(build)['later']).toBe('kept');
  });

  it('take nothing of another workshop along', () => {
    const other = sharedParts(sampleBuild({ places: [] }));
    expect(inWorkshop(build, other)).not.toHaveProperty('stock');
    expect(inWorkshop(build, other)).not.toHaveProperty('quiet');
  });

  it('make a workshop file that is read again', () => {
    const file = workshopOf(build, 'Home');
    expect(workshopSchema.parse(JSON.parse(JSON.stringify(file)))).toEqual(file);
  });
});

describe('changes of a workshop', () => {
  const before = parts({ stock: [tin('a', 60), tin('b', 30)], deliveryDays: 3 });
  const after = parts({ stock: [tin('b', 20), tin('c', 120)] });

  it('are told thing by thing', () => {
    expect(thingsChanged(before, after)).toEqual([
      { key: 'stock', id: 'a', before: tin('a', 60) },
      { key: 'stock', id: 'b', before: tin('b', 30), after: tin('b', 20) },
      { key: 'stock', id: 'c', after: tin('c', 120) },
      { key: 'stock', order: ['a', 'b'] },
      { key: 'deliveryDays', before: 3 },
    ]);
    expect(thingsChanged(before, before)).toEqual([]);
  });

  it('are taken back, also where others went on from them', () => {
    const changes = thingsChanged(before, after);
    const back = takenBack(after, changes);
    expect(back).toEqual({ parts: before, stayed: 0 });
    // Somebody weighed b meanwhile and bought d: both stay.
    const since = { ...after, stock: [tin('b', 11), tin('c', 120), tin('d', 60)] };
    const { parts: mixed, stayed } = takenBack(since, changes);
    expect(stayed).toBe(1);
    expect(mixed.stock!.map(({ id, remainingMl }) => [id, remainingMl])).toEqual([
      ['a', 60],
      ['b', 11],
      ['d', 60],
    ]);
    expect(mixed.deliveryDays).toBe(3);
  });

  it('are taken back to the letter, whatever was done', () => {
    const shelf = fc.record(
      {
        stock: fc
          .uniqueArray(fc.record({ id: fc.constantFrom('a', 'b', 'c', 'd'), ml: fc.constantFrom(10, 20) }), {
            selector: ({ id }) => id,
          })
          .map((tins) => tins.map(({ id, ml }) => tin(id, ml))),
        deliveryDays: fc.constantFrom(1, 2),
        prices: fc.uniqueArray(
          fc.record(
            {
              material: fc.constant('flex-acrylic'),
              containerMl: fc.constantFrom(60, 120),
              price: fc.constantFrom(3, 4),
            },
            { noNullPrototype: true },
          ),
          { selector: ({ containerMl }) => containerMl },
        ),
      },
      { requiredKeys: [], noNullPrototype: true },
    );
    fc.assert(
      fc.property(shelf, shelf, (one, other) => {
        const [from, to] = [parts(one), parts(other)];
        expect(takenBack(to, thingsChanged(from, to))).toEqual({ parts: from, stayed: 0 });
      }),
      { numRuns: 300 },
    );
  });
});
