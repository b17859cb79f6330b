import { epochMinute, materialsOf, type Mix, type Tin, type TinLevel } from '@fixatum/core';
import { smallBuild } from '../testing/smallBuild';
import { mlOfWeight, withLevel, withMixMade, withTins } from './tins';

/** 15 February 2027, 08:00 UTC. */
const NOW = 30_044_640;
const tin: Tin = {
  id: 't',
  material: 'pva-flex-primer',
  containerMl: 500,
  remainingMl: 400,
  levelAt: '2027-02-10T10:00',
};
const level = (ml: number): TinLevel => ({ at: 0, tin, ml });
const build = smallBuild({ stock: [tin, { material: 'craft-acrylic', containerMl: 60, remainingMl: 60 }] });

test('a level that is set counts from now on, and what was used is held against what was reckoned', () => {
  // Reckoned from the log 50 ml went, by eye 60.
  const { stock, amounts } = withLevel(build, level(350), 340, NOW);
  expect(stock[0]).toMatchObject({ id: 't', remainingMl: 340, levelAt: '2027-02-15T08:00' });
  expect(stock[1]).toEqual(build.stock![1]);
  expect(amounts).toMatchObject([
    { material: 'pva-flex-primer', reckonedMl: 50, usedMl: 60, on: '2027-02-15' },
  ]);
});

test('nothing is learned from little, from more than there was, or where no day was known', () => {
  expect(withLevel(build, level(395.1), 380, NOW).amounts).toBeUndefined();
  expect(withLevel(build, level(394.9), 380, NOW).amounts).toHaveLength(1);
  expect(withLevel(build, level(350), 450, NOW).amounts).toBeUndefined();
  const { levelAt: _day, ...undated } = tin;
  expect(withLevel(build, { ...level(350), tin: undated }, 340, NOW).amounts).toBeUndefined();
  // It holds no more than it holds.
  expect(withLevel(build, level(350), 900, NOW).stock[0]!.remainingMl).toBe(500);
});

test('tins come on to the shelf full, each with an id of its own', () => {
  const stock = withTins(build, { material: 'matte-varnish', containerMl: 120, price: 8 }, 2, NOW);
  expect(stock).toHaveLength(4);
  expect(stock.slice(2)).toMatchObject([
    { material: 'matte-varnish', remainingMl: 120, price: 8, levelAt: '2027-02-15T08:00' },
    { remainingMl: 120 },
  ]);
  expect(stock[2]!.id).not.toBe(stock[3]!.id);
  expect(withTins(build, { material: 'x', containerMl: 120, remainingMl: 30 }, 1, NOW)[2]!.remainingMl).toBe(
    30,
  );
});

test('what a tin weighs less its pot, by its density', () => {
  expect(mlOfWeight(253, 33, 1.1)).toBeCloseTo(200, 10);
  expect(mlOfWeight(20, 33, 1.1)).toBe(0);
});

describe('a mix that is made', () => {
  const mix: Mix = {
    id: 'm',
    name: 'Grey',
    material: 'craft-acrylic',
    colour: '#808080',
    parts: [
      { material: 'craft-acrylic', colour: '#ffffff', parts: 3 },
      { material: 'craft-acrylic', colour: '#000000', parts: 1 },
    ],
  };
  const tin = (id: string, colour: string, remainingMl: number): Tin => ({
    id,
    material: 'craft-acrylic',
    colour,
    containerMl: 60,
    remainingMl,
    levelAt: '2027-02-15T07:00',
  });
  const stock = [tin('w1', '#ffffff', 20), tin('w2', '#ffffff', 50), tin('k', '#000000', 5)];
  const levels = stock.map((one, at) => ({ at, tin: one, ml: one.remainingMl }));
  const now = epochMinute('2027-02-20T19:30', 'UTC');

  it('is a pot on the shelf, its parts are out of their tins, and what no tin had is said', () => {
    const build = { stock, timeZone: 'UTC', mixes: [] };
    const { change, missing } = withMixMade(build, { mix, ml: 40 }, levels, materialsOf(), now);
    // 30 ml of white, 20 of them from the tin that holds less; 10 ml of black, of which there are 5.
    expect(
      change.stock.map(({ id, remainingMl }) =>
        id === change.stock[3]!.id ? remainingMl : [id, remainingMl],
      ),
    ).toEqual([['w1', 0], ['w2', 40], ['k', 0], 40]);
    expect(change.stock[3]).toMatchObject({
      material: 'craft-acrylic',
      colour: '#808080',
      containerMl: 40,
      mix: 'm',
      openedOn: '2027-02-20',
    });
    expect(missing).toEqual([{ name: 'Craft acrylic', ml: 5 }]);
    expect(change.mixes).toEqual([{ ...mix, made: [{ at: '2027-02-20T19:30', ml: 40 }] }]);
  });

  it('again is written beside the times before, and others stay', () => {
    const once = { ...mix, made: [{ at: '2027-02-01T10:00', ml: 20 }] };
    const other = { ...mix, id: 'o' };
    const build = { stock: [], timeZone: 'UTC', mixes: [other, once] };
    const { change } = withMixMade(build, { mix: once, ml: 10 }, [], materialsOf(), now);
    expect(change.mixes.map(({ id, made }) => [id, made?.length])).toEqual([
      ['o', undefined],
      ['m', 2],
    ]);
  });
});
