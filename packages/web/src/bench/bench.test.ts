import { epochMinute, planView, type Build } from '@fixatum/core';
import { batchesOf, underwayOf } from './bench';
import { dryingOf } from '../shared/drying';
import { smallBuild } from '../testing/smallBuild';

const build = (changes: Partial<Build> = {}): Build =>
  smallBuild({
    events: [],
    pieces: [
      {
        id: 'tasset',
        name: 'Tasset',
        quantity: 2,
        substrate: { kind: 'eva-foam', thicknessMm: 6 },
        faces: { outer: { areaCm2: 400 } },
        steps: [{ id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush', coats: 2 }],
      },
    ],
    ...changes,
  });
const now = epochMinute('2027-02-15T08:00', 'UTC');
const entry = (unit: number, doneAt: string) => ({
  id: `l${unit}`,
  piece: 'tasset',
  unit,
  step: 'seal',
  coat: 1,
  face: 'outer' as const,
  doneAt,
});

describe('batches', () => {
  it('come in order of time, units of a set together', () => {
    const batches = batchesOf(planView(build(), { now }));
    expect(
      batches.map((batch) => batch.operations.map((operation) => `${operation.unit}/${operation.coat}`)),
    ).toEqual([
      ['1/1', '2/1'],
      ['1/2', '2/2'],
    ]);
  });

  it('leave out what is under way', () => {
    const view = planView(
      build({ underway: [{ ...entry(1, ''), id: 'u', startedAt: '2027-02-15T07:59' }] }),
      { now },
    );
    expect(underwayOf(view).map((operation) => operation.id)).toEqual(['tasset/1/seal/1/outer']);
    expect(batchesOf(view)[0]!.operations.map((operation) => operation.unit)).toEqual([2]);
  });
});

describe('what is drying', () => {
  // PVA foam primer: touch-dry after 20 min, recoatable after 45, handleable after 60, cured after a day.
  const log = [entry(1, '2027-02-15T08:00'), entry(2, '2027-02-15T08:05')];
  const at = (minutes: number) => dryingOf(planView(build({ log }), { now: now + minutes }), now + minutes);

  it('tells units of a set together while they stand alike', () => {
    const [wet, ...rest] = at(10);
    expect(rest).toEqual([]);
    expect(wet).toMatchObject({ units: [1, 2], state: 'wet', next: 'touch-dry', nextAt: now + 25 });
  });

  it('tells them apart when one is further', () => {
    expect(at(22).map((one) => [one.units, one.state])).toEqual([
      [[2], 'wet'],
      [[1], 'touch-dry'],
    ]);
  });

  it('says how long a coat is left alone that has to dry through before the next', () => {
    const patient = build({ log });
    patient.pieces[0]!.steps[0]!.waitFor = 'through';
    const rests = (one: Build) => dryingOf(planView(one, { now: now + 30 }), now + 30)[0]!.restsUntil;
    // The second coat goes on once the first is tape-safe, 720 min after the later unit was laid at 08:05.
    expect(rests(patient)).toBe(now + 5 + 720);
    expect(rests(build({ log }))).toBeUndefined();
  });

  it('puts what only has to cure last, and drops what is cured', () => {
    expect(at(70).map((one) => [one.state, one.next])).toEqual([['handleable', 'cured']]);
    expect(at(3 * 1440)).toEqual([]);
  });
});

describe('windows that close', () => {
  it('are told while they are open, and not for coats that stay open', () => {
    const enamel = build({
      pieces: [
        {
          ...build().pieces[0]!,
          steps: [{ id: 'coat', kind: 'base', material: 'alkyd-flat-spray', method: 'aerosol' }],
        },
      ],
      log: [{ ...entry(1, '2027-02-15T08:05'), step: 'coat' }],
    });
    // Flat alkyd takes the next coat from 15 to 60 min after it was laid, then again after two days.
    const closes = (at: string) => dryingOf(planView(enamel, { now }), epochMinute(at, 'UTC'))[0]!.closesAt;
    expect(closes('2027-02-15T08:25')).toBe(epochMinute('2027-02-15T09:05', 'UTC'));
    expect(closes('2027-02-15T09:30')).toBeUndefined();
    const open = build({ log: [entry(1, '2027-02-15T08:05')] });
    expect(dryingOf(planView(open, { now }), now + 30)[0]!.closesAt).toBeUndefined();
  });
});
