import { planBuild } from '../answers/planBuild';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import fc from 'fast-check';
import type { Person, Place } from '../../model/schema';
import { epochMinute, toWallTime } from '../../model/wallTime';
import { personCalendar, placeCalendar } from './calendar';

const zone = 'Europe/Lisbon';
const at = (wall: string) => epochMinute(wall, zone);
const wall = (minute: number) => toWallTime(minute, zone);
// 15 February 2027 is a Monday.
const origin = at('2027-02-15T00:00');

const person = (changes: Partial<Person> = {}): Person => ({
  id: 'me',
  name: 'Me',
  availability: [
    { days: ['mon', 'wed'], from: '19:00', to: '22:00' },
    { days: ['sat'], from: '09:00', to: '12:00' },
    { days: ['sat'], from: '12:00', to: '18:00' },
  ],
  ...changes,
});
const free = (changes: Partial<Person> = {}) => personCalendar(person(changes), zone, origin);

describe('when a person is free', () => {
  it('finds the next window that holds the work', () => {
    expect(wall(free().firstFit(at('2027-02-15T08:00'), 60))).toBe('2027-02-15T19:00');
    expect(wall(free().firstFit(at('2027-02-15T20:30'), 60))).toBe('2027-02-15T20:30');
    // Ninety minutes no longer fit before 22:00, and Tuesday is taken: Wednesday.
    expect(wall(free().firstFit(at('2027-02-15T20:31'), 90))).toBe('2027-02-17T19:00');
  });

  it('joins windows that touch', () => {
    // Nine hours fit only if Saturday's two windows are one.
    expect(wall(free().firstFit(at('2027-02-18T00:00'), 9 * 60))).toBe('2027-02-20T09:00');
    expect(free().firstFit(at('2027-02-18T00:00'), 9 * 60 + 1)).toBe(Infinity);
  });

  it('knows the window a moment lies in', () => {
    const window = free().windowAt(at('2027-02-20T15:00'))!;
    expect([wall(window.from), wall(window.to)]).toEqual(['2027-02-20T09:00', '2027-02-20T18:00']);
    expect(free().windowAt(at('2027-02-20T18:00'))).toBeUndefined();
  });

  it('takes exceptions in place of the usual day', () => {
    const calendar = free({
      exceptions: [
        { date: '2027-02-15', windows: [] },
        { date: '2027-02-16', windows: [{ from: '07:00', to: '08:00' }] },
      ],
    });
    expect(wall(calendar.firstFit(origin, 30))).toBe('2027-02-16T07:00');
  });

  it('lets a window run past midnight', () => {
    const calendar = free({ availability: [{ days: ['mon'], from: '22:00', to: '01:30' }] });
    const window = calendar.windowAt(at('2027-02-16T01:00'))!;
    expect([wall(window.from), wall(window.to)]).toEqual(['2027-02-15T22:00', '2027-02-16T01:30']);
  });

  it('keeps to the clock on the wall when the clocks change', () => {
    // Summer time begins on Sunday 28 March: 19:00 is an hour earlier in UTC from then on.
    const calendar = free({ availability: [{ days: ['sat', 'sun'], from: '19:00', to: '20:00' }] });
    const saturday = calendar.firstFit(at('2027-03-27T12:00'), 30);
    const sunday = calendar.firstFit(saturday + 120, 30);
    expect(wall(sunday)).toBe('2027-03-28T19:00');
    expect(sunday - saturday).toBe(23 * 60);
  });

  it('says never for who is never free, and removals what it is asked for', () => {
    expect(free({ availability: [] }).firstFit(origin, 1)).toBe(Infinity);
    expect(free().firstFit(Infinity, 1)).toBe(Infinity);
    const cut = free().between(at('2027-02-15T20:00'), at('2027-02-17T20:00'));
    expect(cut.map((window) => [wall(window.from), wall(window.to)])).toEqual([
      ['2027-02-15T20:00', '2027-02-15T22:00'],
      ['2027-02-17T19:00', '2027-02-17T20:00'],
    ]);
  });

  it('never answers before it is asked, nor outside a window', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 40_000 }), fc.integer({ min: 1, max: 180 }), (ahead, minutes) => {
        const calendar = free();
        const start = calendar.firstFit(origin + ahead, minutes);
        expect(start).toBeGreaterThanOrEqual(origin + ahead);
        const window = calendar.windowAt(start)!;
        expect(start + minutes).toBeLessThanOrEqual(window.to);
      }),
    );
  });
});

describe('when a place may be used', () => {
  const place = (hours?: Place['hours']): Place => ({
    id: 'porch',
    name: 'Porch',
    ventilation: 'outdoor',
    slots: 2,
    climate: { kind: 'constant', temperatureC: 15, humidityPct: 60 },
    ...(hours ? { hours } : {}),
  });

  it('is always, unless it has hours', () => {
    expect(placeCalendar(place(), zone, origin).firstFit(origin + 17, 9999)).toBe(origin + 17);
    expect(
      wall(
        placeCalendar(place({ from: '09:00', to: '17:00' }), zone, origin).firstFit(
          at('2027-02-15T16:45'),
          30,
        ),
      ),
    ).toBe('2027-02-16T09:00');
  });
});

describe('work that fits into nobody’s evenings', () => {
  it('has no place, and the plan comes to an end', () => {
    const build = sampleBuild({
      people: [
        { id: 'me', name: 'Me', availability: [{ days: ['mon', 'tue'], from: '19:00', to: '22:00' }] },
      ],
      pieces: [samplePiece({}, [{ id: 'carve', kind: 'prep', minutes: 200 }])],
    });
    expect(planBuild(build).operations[0]).toMatchObject({ status: 'unplaced', boundBy: 'hands' });
  });
});

describe('a build that began long ago', () => {
  it('is planned as any other: years after its start and its first log entry', () => {
    const build = sampleBuild({
      start: '2023-01-10T08:00',
      events: [{ id: 'day', name: 'The day', packAt: '2027-03-05T18:00', wearAt: '2027-03-06T09:00' }],
      log: [
        {
          id: 'l',
          piece: 'plate',
          unit: 1,
          step: 'seal',
          coat: 1,
          face: 'outer',
          doneAt: '2024-05-02T09:00',
        },
      ],
    });
    const { operations } = planBuild(build, { now: epochMinute('2027-02-15T08:00', 'UTC') });
    expect(operations.map(({ status }) => status)).toEqual(['done', 'planned', 'planned']);
    expect(toWallTime(operations[1]!.start!, 'UTC')).toBe('2027-02-15T08:00');
  });

  it('dries in the swing of its porch as any other', () => {
    const [room] = sampleBuild().places;
    const porch = (start: string) =>
      planBuild(
        sampleBuild({
          start,
          places: [{ ...room!, climate: { kind: 'daily', meanC: 18, swingC: 5, humidityPct: 50 } }],
        }),
        { now: epochMinute('2027-02-15T08:00', 'UTC'), latestStarts: false },
      ).pieces[0]!.packableAt;
    expect(porch('2022-02-15T08:00')).toBe(porch('2027-02-15T08:00'));
  });
});
