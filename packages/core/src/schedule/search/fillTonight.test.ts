import { describe, expect, it } from '@jest/globals';
import type { Build, LogEntry } from '../../model/schema';
import { epochMinute, toWallTime } from '../../model/wallTime';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { planBuild } from '../answers/planBuild';
import { warmFrom } from './warmStart';

const at = (wall: string) => epochMinute(wall, 'UTC');
/** Two plates to sand in evenings of an hour: together they take more than that, so that each has an evening of its own. */
const build = (firstMinutes: number, secondMinutes: number, log: LogEntry[] = []): Build =>
  sampleBuild({
    people: [
      {
        id: 'me',
        name: 'Me',
        availability: [
          { days: ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], from: '19:00', to: '20:00' },
        ],
      },
    ],
    pieces: [
      samplePiece({ id: 'first', name: 'First' }, [{ id: 'sand', kind: 'sand', minutes: firstMinutes }]),
      samplePiece({ id: 'second', name: 'Second' }, [{ id: 'sand', kind: 'sand', minutes: secondMinutes }]),
    ],
    log,
  });

/** When the second plate begins, after the first was done at some minute past seven. */
function secondBegins(secondMinutes: number, doneAt: string, firstMinutes = 50): string | undefined {
  const before = planBuild(build(firstMinutes, secondMinutes), {
    now: at('2027-02-15T19:00'),
    latestStarts: false,
  });
  const startOf = (plan: typeof before, id: string) =>
    plan.operations.find(({ pieceId }) => pieceId === id)?.start;
  expect(startOf(before, 'first')).toBe(at('2027-02-15T19:00'));
  expect(startOf(before, 'second')).toBe(at('2027-02-16T19:00'));
  const log = [{ id: 'a', piece: 'first', unit: 1, step: 'sand', coat: 1, doneAt }];
  const after = planBuild(build(firstMinutes, secondMinutes, log), {
    now: at(doneAt),
    latestStarts: false,
    search: { warm: warmFrom(before), keep: true, starts: 'all' },
  });
  const start = startOf(after, 'second');
  return start === undefined ? undefined : toWallTime(start, 'UTC');
}

describe('an evening that goes faster', () => {
  it('is filled with what could be done now', () => {
    // At ten past seven fifty minutes are left, and the other plate takes forty of them.
    expect(secondBegins(40, '2027-02-15T19:10')).toBe('2027-02-15T19:10');
  });

  it('stays as it was where what could be done does not fit', () => {
    expect(secondBegins(40, '2027-02-15T19:21')).toBe('2027-02-16T19:00');
  });

  it('is filled to its last minute, where ten are left', () => {
    expect(secondBegins(10, '2027-02-15T19:50', 55)).toBe('2027-02-15T19:50');
  });

  it('is not filled for the sake of less than ten minutes', () => {
    expect(secondBegins(9, '2027-02-15T19:51', 55)).toBe('2027-02-16T19:00');
  });
});
