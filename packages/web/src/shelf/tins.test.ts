import {
  epochMinute,
  expandBuild,
  materialsOf,
  passNeeds,
  shelfNow,
  withUsed,
  type Mix,
  type Tin,
  type TinLevel,
} from '@fixatum/core';
import { smallBuild } from '../testing/smallBuild';
import { isMuchLeft, mlOfWeight, withLevel, withMixMade, withTins } from './tins';

/** 15 February 2027, 08:00 UTC. */
const NOW = 30_044_640;
const tin: Tin = {
  id: 't',
  material: 'pva-flex-primer',
  containerMl: 500,
  remainingMl: 400,
  levelAt: '2027-02-10T10:00',
};
/** The book says that what is gone went by brush. */
const level = (ml: number, bookMl = 400 - ml): TinLevel => ({
  at: 0,
  tin,
  ml,
  bookMl: new Map([['brush', bookMl]]),
});
const build = smallBuild({ stock: [tin, { material: 'craft-acrylic', containerMl: 60, remainingMl: 60 }] });

test('a level that is set counts from now on, and what was used is held against what was reckoned', () => {
  // Reckoned from the log 50 ml went, by eye 60.
  const { stock, amounts } = withLevel(build, level(350), 340, NOW);
  expect(stock[0]).toMatchObject({ id: 't', remainingMl: 340, levelAt: '2027-02-15T08:00' });
  expect(stock[1]).toEqual(build.stock![1]);
  expect(amounts).toMatchObject([
    { material: 'pva-flex-primer', method: 'brush', reckonedMl: 50, usedMl: 60, on: '2027-02-15' },
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

test('only what was used teaches', () => {
  for (const why of ['spilt', 'dried up', 'lent'] as const) {
    const { stock, amounts } = withLevel(build, level(350), 0, NOW, why);
    expect(stock[0]!.remainingMl).toBe(0);
    expect(amounts).toBeUndefined();
  }
  expect(withLevel(build, level(350), 0, NOW, 'used').amounts).toHaveLength(1);
});

test('where the rest went is asked of more than 10 ml and more than 15 % of a tin', () => {
  // 15 % of 500 ml are 75 ml; of 60 ml they are 9, where 10 ml are the limit.
  expect([75, 75.1].map((ml) => isMuchLeft({ ml, tin }))).toEqual([false, true]);
  const small = { ...tin, containerMl: 60 };
  expect([9.5, 10, 10.1].map((ml) => isMuchLeft({ ml, tin: small }))).toEqual([false, false, true]);
});

test('what went in several ways is learned of each, but of none that took little', () => {
  // 45 ml by brush and 15 by sponge were reckoned, 72 are gone: 1.2 times as much of each. The 4 by can say nothing.
  const bookMl = new Map([
    ['brush', 45],
    ['sponge', 15],
    ['aerosol', 4],
  ] as const);
  const { amounts } = withLevel(build, { at: 0, tin, ml: 340, bookMl }, 400 - 76.8, NOW);
  expect(amounts!.map(({ method, reckonedMl, usedMl }) => [method, reckonedMl, usedMl])).toEqual([
    ['brush', 45, expect.closeTo(54, 9)],
    ['sponge', 15, expect.closeTo(18, 9)],
  ]);
  // What files of before say is of no one way.
  const old = { at: 0, tin, ml: 350, bookMl: new Map([[undefined, 50]]) };
  expect(withLevel(build, old, 340, NOW).amounts![0]).not.toHaveProperty('method');
});

test('what is reckoned comes to what a made-up user takes, who brushes thick and sponges thin', () => {
  const truth = { brush: 1.4, sponge: 0.7 } as const;
  const isMethod = (method: string): method is keyof typeof truth => method in truth;
  const steps = (['brush', 'sponge'] as const).flatMap((method) =>
    Array.from({ length: 40 }, (_, n) => ({
      id: `${method}${n}`,
      kind: 'base' as const,
      material: 'craft-acrylic',
      method,
    })),
  );
  const [plate] = smallBuild().pieces;
  let build = smallBuild({
    pieces: [{ ...plate!, faces: { outer: { areaCm2: 2000 } }, steps }],
    stock: [{ ...tin, material: 'craft-acrylic', containerMl: 100_000, remainingMl: 100_000 }],
    amounts: [],
    log: [],
  });
  const needs = () => passNeeds(build, expandBuild(build));
  const needOf = (step: string) => [...needs().values()].find(({ stepId }) => stepId === step)!;
  let held = 100_000;
  // A user is no machine: some coats take a tenth more than theirs, some a tenth less.
  const mood = [1.1, 0.9, 1, 0.95, 1.05];
  for (const [n, step] of steps.entries()) {
    const { bookMl } = needOf(step.id);
    if (!isMethod(step.method)) throw new Error('a way nobody has a figure for');
    held -= bookMl * truth[step.method] * mood[n % mood.length]!;
    const at = `2027-02-${11 + Math.floor(n / 20)}T${String(1 + (n % 20)).padStart(2, '0')}`;
    const [entry] = withUsed(
      build,
      [{ id: `e${n}`, piece: plate!.id, unit: 1, step: step.id, coat: 1, face: 'outer', doneAt: `${at}:00` }],
      needs(),
    );
    build = { ...build, log: [...build.log!, entry!] };
    const [level] = shelfNow(build, needs()).tins;
    build = { ...build, ...withLevel(build, level!, held, epochMinute(`${at}:30`, 'UTC')) };
  }
  // Forty times each, by its volume, the book counted three times; the moods come to −0.0025 in logarithms.
  const moods = mood.reduce((sum, one) => sum + Math.log(one), 0) / mood.length;
  expect(moods).toBeCloseTo(-0.0025, 4);
  for (const [method, near] of [
    ['brush', 1.33],
    ['sponge', 0.73],
  ] as const) {
    // The first coat of all goes on bare foam, and is one of eighty.
    const { ml, bookMl } = needOf(`${method}1`);
    const weight = 40 * (bookMl / (bookMl + 20));
    const factor = Math.exp((weight * (Math.log(truth[method]) + moods)) / (3 + weight));
    expect(factor).toBeCloseTo(near, 2);
    expect(ml / bookMl).toBeCloseTo(factor, 2);
  }
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
  const levels = stock.map((one, at) => ({ at, tin: one, ml: one.remainingMl, bookMl: new Map() }));
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
