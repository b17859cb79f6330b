import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import type { Build, Person, Step } from '../../model/schema';
import { planBuild } from '../answers/planBuild';
import type { PlannedOperation } from '../plan/plan';
import { tapedMinutes } from '../plan/tapes';
import { frailMinutes } from './lostSession';
import { putOffSessions } from './putOff';

const acrylic = (id: string, more: Partial<Step> = {}): Step => ({
  id,
  kind: 'base',
  material: 'craft-acrylic',
  method: 'brush',
  ...more,
});
const everyDay = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;
const free = (id: string, from: string, to: string): Person => ({
  id,
  name: id,
  availability: [{ days: [...everyDay], from, to }],
});
/** One piece from Monday 15 February on, worn at a moment; somebody is free each evening from seven to ten. */
const worn = (wearAt: string, steps: Step[], more: Partial<Build> = {}): Build =>
  sampleBuild({
    people: [free('me', '19:00', '22:00')],
    pieces: [samplePiece({}, steps)],
    events: [{ id: 'day', name: 'The day', wearAt }],
    ...more,
  });
const planned = (build: Build) => planBuild(build, { latestStarts: false, search: { starts: 'first' } });
const frail = (build: Build) => {
  const plan = planned(build);
  return frailMinutes(plan.pieces[0]!, plan.operations, plan.units, plan.workload);
};

describe('what comes late when one session falls through', () => {
  // Three minutes of set-up, two of brushing: laid at 19:05, worn a day later by the label.
  it('is what the work of that session, done in the next, is late by, to a quarter of an hour', () => {
    // Done on Tuesday it is worn from Wednesday, 19:05, on: 425 min after noon.
    expect(frail(worn('2027-02-17T12:00', [acrylic('c')]))).toBe(435);
    expect(frail(worn('2027-02-17T19:05', [acrylic('c')]))).toBe(0);
  });

  it('is nothing for what is late anyway', () => {
    // Laid on Monday at 19:05 it is worn a day later: a minute makes the difference between in time and late.
    expect(frail(worn('2027-02-16T19:05', [acrylic('c')]))).toBe(1440);
    expect(frail(worn('2027-02-16T19:04', [acrylic('c')]))).toBe(0);
  });

  it('is summed over the sessions, each taken out by itself', () => {
    // The second coat goes on ten hours after the first, so on Tuesday; without either evening it goes on on Wednesday and is worn on
    // Thursday at 19:05.
    const slow = { materials: [{ id: 'slow', extends: 'craft-acrylic', name: 'Slow', recoat: '600-' }] };
    const steps = [acrylic('a', { material: 'slow' }), acrylic('b', { material: 'slow' })];
    expect(frail(worn('2027-02-18T12:00', steps, slow))).toBe(2 * 435);
  });

  it('is less where what follows has room to wait, or somebody else is free', () => {
    // Two coats on Monday, on Tuesday without it: one evening falls through, and not one for each coat.
    const twice = worn('2027-02-17T12:00', [acrylic('a'), acrylic('b')]);
    expect(frail(twice)).toBeGreaterThan(435);
    expect(frail(twice)).toBeLessThan(2 * 435);
    // From half past ten on another pair of hands: laid at 22:35, worn on Tuesday at 22:35; worn at 20:00 that is 155 min late.
    const both = { people: [free('me', '19:00', '22:00'), free('kim', '22:30', '23:00')] };
    expect(frail(worn('2027-02-16T20:00', [acrylic('c')], both))).toBe(165);
  });

  it('is nothing without a date', () => {
    const build = worn('2027-02-16T20:00', [acrylic('c')]);
    delete build.pieces[0]!.event;
    expect(frail(build)).toBe(0);
  });
});

describe('tape that stays on', () => {
  const pass = (id: string, laidAt: number, status: PlannedOperation['status'] = 'planned') =>
    ({ id, status, laidAt, workMinutes: 2 }) as PlannedOperation;
  const over = (pulledAt: number, status?: PlannedOperation['status']) =>
    tapedMinutes([pass('mask', 600), pass('pull', pulledAt, status)], new Map([['pull', ['mask']]]));

  it('counts from a day after it was laid to when its pull begins', () => {
    // Laid at 600; a day on is 2,040, and pulling takes two minutes.
    expect([over(2042), over(2043), over(2642)]).toEqual([0, 1, 600]);
  });

  it('is no matter once it is pulled', () => {
    expect(over(2642, 'done')).toBe(0);
  });

  it('is what a bond area that is covered does not count as', () => {
    const steps = (covers: boolean): Step[] => [
      { id: 'm', kind: 'mask', ...(covers ? { covers: ['strap tabs'] } : {}) },
      acrylic('c'),
      { id: 'p', kind: 'unmask', ...(covers ? { covers: ['strap tabs'] } : {}) },
    ];
    const tapes = (covers: boolean) => planned(worn('2027-03-20T12:00', steps(covers))).workload.tapeOf.size;
    expect([tapes(false), tapes(true)]).toEqual([1, 0]);
  });
});

describe('sessions that go by in which a piece could have been done', () => {
  const plan = planned(worn('2027-03-20T12:00', [acrylic('c')]));
  const DAY = 1440;
  /** The coat of Monday put off by so many days, with so many minutes to spare. */
  const putOff = (days: number, slackMinutes: number | undefined) =>
    putOffSessions(
      { slackMinutes },
      plan.operations.map((one) => ({
        ...one,
        start: one.start! + days * DAY,
        end: one.end! + days * DAY,
        laidAt: one.laidAt! + days * DAY,
      })),
      plan.workload,
    );

  it('are counted for a piece with fewer than two sessions to spare', () => {
    // On Wednesday in place of Monday: Monday and Tuesday go by. A day and a half to spare are one more evening, two days two.
    expect([putOff(0, DAY * 1.5), putOff(2, DAY * 1.5), putOff(2, DAY * 2)]).toEqual([0, 2, 0]);
    expect(putOff(3, 0)).toBe(3);
  });

  it('are as many as fourteen at most, and none without a date', () => {
    expect([putOff(14, 0), putOff(20, 0), putOff(2, undefined)]).toEqual([14, 14, 0]);
  });
});
