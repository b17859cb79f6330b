import fc from 'fast-check';
import { personCalendar } from '../plan/calendar';
import type { PlannedOperation } from '../plan/plan';
import { Timeline } from './timeline';

const monday = Date.UTC(2027, 1, 15) / 60_000;
const calendar = () =>
  personCalendar(
    { id: 'p', name: 'P', availability: [{ days: ['mon', 'tue'], from: '10:00', to: '12:00' }] },
    'UTC',
    monday,
  );
const operation = (batchKey: string, laidAt: number) =>
  ({ batchKey, rinseKey: batchKey, laidAt }) as PlannedOperation;
const line = () => {
  const made = new Timeline('p', calendar());
  made.startAt(monday, monday);
  return made;
};
const at = (hour: number, minute = 0, day = 0) => monday + day * 1440 + hour * 60 + minute;

describe('Timeline', () => {
  it('finds gaps inside free windows only, and the next window when none is long enough', () => {
    const timeline = line();
    expect(timeline.firstFree(at(8), 30)).toBe(at(10));
    timeline.add({ start: at(10), end: at(10, 40), operation: operation('x', at(10, 35)) });
    timeline.add({ start: at(11), end: at(11, 30), operation: operation('x', at(11, 25)) });
    expect(timeline.firstFree(at(8), 20)).toBe(at(10, 40));
    expect(timeline.firstFree(at(8), 25)).toBe(at(11, 30));
    expect(timeline.firstFree(at(8), 31)).toBe(at(10, 0, 1));
    expect(timeline.firstFree(at(11, 35), 30)).toBe(at(10, 0, 1));
    expect(timeline.firstFree(at(8), 121)).toBe(Infinity);
  });

  it('gives back what is taken out again', () => {
    const timeline = line();
    const stretch = { start: at(10), end: at(12), operation: operation('x', at(11)) };
    timeline.add(stretch);
    expect(timeline.firstFree(at(8), 10)).toBe(at(10, 0, 1));
    timeline.remove(stretch);
    expect(timeline.firstFree(at(8), 10)).toBe(at(10));
    expect([...timeline.withKey('x', 0)]).toEqual([]);
  });

  it('tells what is done with the same things in order of time, from a moment on', () => {
    const timeline = line();
    for (const minute of [40, 0, 20])
      timeline.add({
        start: at(10, minute),
        end: at(10, minute + 10),
        operation: operation('x', at(10, minute + 5)),
      });
    timeline.add({ start: at(11), end: at(11, 10), operation: operation('y', at(11, 5)) });
    expect([...timeline.withKey('x', at(10, 20))].map((one) => one.start)).toEqual([at(10, 20), at(10, 40)]);
  });

  it('never lets two stretches overlap, nor leave the free windows, whatever is asked for', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.record({ from: fc.integer({ min: 0, max: 2880 }), minutes: fc.integer({ min: 1, max: 50 }) }),
          {
            maxLength: 14,
          },
        ),
        (wishes) => {
          const timeline = line();
          const taken: { start: number; end: number }[] = [];
          for (const { from, minutes } of wishes) {
            const start = timeline.firstFree(monday + from, minutes);
            if (start === Infinity) continue;
            const stretch = { start, end: start + minutes };
            for (const other of taken)
              expect(other.end <= stretch.start || other.start >= stretch.end).toBe(true);
            const window = calendar().windowAt(start)!;
            expect(window.to).toBeGreaterThanOrEqual(stretch.end);
            expect(start).toBeGreaterThanOrEqual(monday + from);
            taken.push(stretch);
            timeline.add({ ...stretch, operation: operation('x', start) });
          }
        },
      ),
    );
  });

  it('keeps a tenth of what is left of a session free, where that was asked for', () => {
    const timeline = line();
    // Of the 120 min from ten to noon 12 stay free: what ends by 11:48 fits.
    const from = at(11, 8);
    expect(timeline.firstFree(from, 40)).toBe(from);
    timeline.give({ keepsTenth: true, overMinutes: 0 });
    expect(timeline.firstFree(from, 40)).toBe(from);
    expect(timeline.firstFree(from, 41)).toBe(at(10, 0, 1));
    expect(timeline.isFree(from, 41)).toBe(false);
    // What was planned for that moment before keeps it,
    expect(timeline.isFree(from, 41, undefined, true)).toBe(true);
    // and what needs more than nine tenths of an evening has all of it.
    expect(timeline.firstFree(at(10), 108)).toBe(at(10));
    expect(timeline.firstFree(at(10), 120)).toBe(at(10));
    expect(timeline.firstFree(at(10, 1), 109)).toBe(at(10, 1));
  });

  it('keeps a tenth of the hour that is left when the session is half over', () => {
    const timeline = new Timeline('p', calendar());
    timeline.startAt(monday, at(11));
    timeline.give({ keepsTenth: true, overMinutes: 0 });
    expect(timeline.firstFree(at(11, 14), 40)).toBe(at(11, 14));
    expect(timeline.firstFree(at(11, 15), 40)).toBe(at(10, 0, 1));
  });

  it('runs over tonight by what is allowed, with work that is begun in time', () => {
    const timeline = new Timeline('p', calendar());
    timeline.startAt(monday, at(11));
    timeline.give({ keepsTenth: false, overMinutes: 15 });
    expect(timeline.firstFree(at(11, 45), 30)).toBe(at(11, 45));
    expect(timeline.firstFree(at(11, 45), 31)).toBe(at(10, 0, 1));
    expect(timeline.firstFree(at(12), 10)).toBe(at(10, 0, 1));
    // Tomorrow ends in time: it is for next Monday.
    expect(timeline.firstFree(at(11, 45, 1), 16)).toBe(at(10, 0, 7));
  });
});
