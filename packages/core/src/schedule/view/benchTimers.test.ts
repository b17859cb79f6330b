import { expandBuild } from '../plan/operations';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { catalogueById } from '../../materials/catalogue';
import { timersFor, timerState } from './benchTimers';

const ideas = (id: string, method: 'brush' | 'aerosol' = 'brush', filmFactor = 1) =>
  timersFor({ material: catalogueById.get(id), method, filmFactor });

describe('timersFor', () => {
  it.each([
    ['epoxy-clear', [{ label: 'Pot life: Clear epoxy 1:1', minutes: 30, everyMinutes: 4 }]],
    ['contact-cement', [{ label: 'Tack: Contact cement', minutes: 10 }]],
    ['acrylic-wash', [{ label: 'Wipe back: Acrylic wash', minutes: 3 }]],
    ['panel-wash', [{ label: 'Clean up: Panel-line wash', minutes: 30 }]],
    ['craft-acrylic', []],
    ['oil-wash', []],
  ])('%s', (id, expected) => {
    expect(ideas(id)).toEqual(expected);
  });

  it('waits for the solvent to leave between spray passes, shorter for a thin one', () => {
    // Touch 20 min · 0.6.
    expect(ideas('rubber-dip-spray', 'aerosol', 0.6)).toEqual([
      { label: 'Flash-off: Rubber dip spray', minutes: 12 },
    ]);
  });

  it('has nothing for work without material', () => {
    expect(timersFor({ material: undefined, method: 'brush', filmFactor: 1 })).toEqual([]);
  });
});

describe('timerState', () => {
  const began = Date.parse('2027-02-20T19:30:00Z') / 60_000;
  const pot = { startedAt: '2027-02-20T19:30:00Z', minutes: 30, everyMinutes: 4 };

  it.each([
    // Rings at 4, 8, … 28, and at the end.
    [0, { left: 30, toNextRing: 4, rings: 0 }],
    [3.5, { left: 26.5, toNextRing: 0.5, rings: 0 }],
    [4, { left: 26, toNextRing: 4, rings: 1 }],
    [29, { left: 1, toNextRing: 1, rings: 7 }],
    [30, { left: 0, toNextRing: 0, rings: 8 }],
    [90, { left: -60, toNextRing: 0, rings: 8 }],
  ])('after %s minutes', (passed, expected) => {
    const state = timerState(pot, began + passed);
    expect(state.left).toBeCloseTo(expected.left, 6);
    expect(state.toNextRing).toBeCloseTo(expected.toNextRing, 6);
    expect(state.rings).toBe(expected.rings);
  });

  it('rings once at an end that a ring on the way would fall on', () => {
    expect(timerState({ ...pot, minutes: 8 }, began + 8).rings).toBe(2);
  });

  it('waits for one that begins later', () => {
    expect(timerState(pot, began - 5)).toMatchObject({ left: 30, rings: 0 });
  });
});

it('resin that is worked over holds the hands, and rings at its intervals until it stands', () => {
  const build = sampleBuild({
    pieces: [
      samplePiece({}, [
        { id: 'r', kind: 'seal', material: 'epoxy-clear', method: 'brush', reworkEveryMinutes: 8 },
      ]),
    ],
  });
  const [pass] = expandBuild(build);
  // A pot life of 30 min: it stands after 45; cleaning up takes 10 more.
  expect(pass!.cleanUpMinutes).toBe(55);
  expect(timersFor(pass!)).toEqual([
    { label: 'Work it over: Clear epoxy 1:1', minutes: 45, everyMinutes: 8 },
    { label: 'Pot life: Clear epoxy 1:1', minutes: 30 },
  ]);
});
