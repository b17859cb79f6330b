import type { BenchTimer, Dryness } from '@fixatum/core';
import { smallBuild } from '../testing/smallBuild';
import type { Drying } from './drying';
import { dryingRings, timerRings } from './ringing';

const began = '2027-02-20T19:30:00Z';
const start = Date.parse(began) / 60_000;
const timer: BenchTimer = { id: 't', label: 'Pot life', startedAt: began, minutes: 30, everyMinutes: 4 };

describe('timers', () => {
  it('ring once on the way and once at the end', () => {
    const rung = new Map<string, number>();
    const at = (minutes: number) => timerRings([timer], start + minutes, rung).map(({ words }) => words);
    expect([at(0), at(3.9), at(4), at(4.1), at(8.5), at(30), at(31)]).toEqual([
      [],
      [],
      ['Again: Pot life'],
      [],
      ['Again: Pot life'],
      ['Time is up: Pot life'],
      [],
    ]);
  });

  it('that were over long before one looked are not rung for, those just over are', () => {
    expect(timerRings([timer], start + 40, new Map())).toEqual([]);
    expect(timerRings([timer], start + 31, new Map())).toEqual([
      { words: 'Time is up: Pot life', isEnd: true },
    ]);
  });
});

describe('coats', () => {
  const coat = (state: Dryness, laidAt = 0): Drying => ({
    key: 'k',
    pieceId: 'plate',
    units: [1],
    face: 'outer',
    material: 'Primer',
    colour: '#888888',
    state,
    laidAt,
    next: 'recoatable',
    nextAt: 100,
    closesAt: undefined,
    restsUntil: undefined,
    stepId: 'seal',
  });
  const build = smallBuild();

  it('ring when they come to their next state, not when they are first seen or just laid', () => {
    const states = new Map<string, Dryness>();
    const look = (drying: Drying[], now: number) =>
      dryingRings(build, drying, now, states).map(({ words }) => words);
    expect(look([coat('wet')], 10)).toEqual([]);
    expect(look([coat('wet')], 11)).toEqual([]);
    expect(look([coat('touch-dry')], 20)).toEqual(['Plate: touch-dry']);
    expect(look([coat('touch-dry')], 21)).toEqual([]);
    // A new coat on top is wet again, which nobody has to be told.
    expect(look([coat('wet', 30)], 30.5)).toEqual([]);
  });

  it('of a set ring for the units that came on, and not again while others stand differently', () => {
    const set = smallBuild({ pieces: [{ ...build.pieces[0]!, quantity: 3 }] });
    const states = new Map<string, Dryness>();
    const look = (drying: Drying[], now: number) =>
      dryingRings(set, drying, now, states).map(({ words }) => words);
    const apart = (state: Dryness, units: number[]) => ({ ...coat(state), units });
    const mixed = [apart('wet', [1, 2]), apart('touch-dry', [3])];
    expect([look(mixed, 10), look(mixed, 11), look(mixed, 12)]).toEqual([[], [], []]);
    expect(look([apart('wet', [1]), apart('touch-dry', [2, 3])], 13)).toEqual(['Plate, 2 of 3: touch-dry']);
  });
});
