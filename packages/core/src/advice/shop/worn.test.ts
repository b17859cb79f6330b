import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import type { LogEntry } from '../../model/schema';
import { timedMinutes, wornIn, wornOut } from './worn';

const entry = (id: string, step: string, doneAt: string, more: Partial<LogEntry> = {}): LogEntry => ({
  id,
  piece: 'plate',
  unit: 1,
  step,
  coat: 1,
  doneAt,
  ...more,
});
const build = sampleBuild({
  pieces: [
    samplePiece({}, [
      { id: 'clean', kind: 'prep', cleans: 'degreased' },
      {
        id: 'lacquer',
        kind: 'prime',
        material: 'alkyd-flat-spray',
        method: 'aerosol',
        minutes: 12,
        coats: 2,
      },
      { id: 'base', kind: 'base', material: 'craft-acrylic', method: 'brush' },
    ]),
  ],
  log: [
    entry('a', 'clean', '2027-02-14T19:00'),
    // Timed it took 18 minutes; by itself it would count as 12.
    entry('b', 'lacquer', '2027-02-15T10:00', { startedAt: '2027-02-15T09:42' }),
    entry('c', 'lacquer', '2027-02-15T12:00', { coat: 2 }),
    entry('d', 'base', '2027-02-16T19:00'),
  ],
});

describe('what is worn out besides paint', () => {
  it('is counted by the minutes that were timed, or those it usually takes', () => {
    expect(wornIn(build).map(({ vapourMinutes }) => vapourMinutes)).toEqual([0, 18, 12, 0]);
    // 30 minutes of spraying; wet work on two days; one wiping down.
    expect(wornOut(wornIn(build))).toEqual({ vapourHours: 0.5, glovePairs: 2, cloths: 1 });
  });

  it('is not taught by a Start that was pressed late, or a Done that was forgotten', () => {
    // A quarter of what it usually takes, and four times that, can just be.
    expect([1, 11, 12, 192, 193].map((minutes) => timedMinutes(minutes, 48))).toEqual([
      undefined,
      undefined,
      12,
      192,
      undefined,
    ]);
    expect(timedMinutes(undefined, 48)).toBeUndefined();
  });

  it('is counted since a day, that day too', () => {
    expect(wornOut(wornIn(build), '2027-02-15')).toEqual({ vapourHours: 0.5, glovePairs: 2, cloths: 0 });
    expect(wornOut(wornIn(build), '2027-02-16')).toEqual({ vapourHours: 0, glovePairs: 1, cloths: 0 });
    expect(wornOut([])).toEqual({ vapourHours: 0, glovePairs: 0, cloths: 0 });
  });
});
