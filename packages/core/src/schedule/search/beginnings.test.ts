import { Beginnings } from './beginnings';
import type { Score } from './score';

const score = (sessions: number, finishDay: number, others: Partial<Score> = {}): Score => ({
  unplaced: 0,
  late: 0,
  taped: 0,
  frail: 0,
  lacking: 0,
  putOff: 0,
  apart: 0,
  sessions,
  idle: 0,
  tightness: 0,
  finish: finishDay * 1440 + 60,
  ...others,
});
const plan = (name: string, beginDay: number, one: Score) => ({ name, begins: beginDay * 1440, score: one });

describe('Beginnings', () => {
  it('gives its plans in turn, the best itself between rounds', () => {
    const beginnings = new Beginnings<ReturnType<typeof plan>>();
    beginnings.add(plan('a', 1, score(5, 2)));
    beginnings.add(plan('b', 3, score(6, 3)));
    const given = Array.from({ length: 6 }, () => beginnings.next(score(5, 2))?.name);
    expect(given).toEqual(['b', undefined, 'a', 'b', undefined, 'a']);
  });

  it('keeps the better of two that begin and end on the same days', () => {
    const beginnings = new Beginnings<ReturnType<typeof plan>>();
    beginnings.add(plan('worse', 1, score(6, 2)));
    beginnings.add(plan('better', 1, score(5, 2)));
    beginnings.add(plan('worst', 1, score(7, 2)));
    expect(beginnings.next(score(5, 2))).toBeUndefined();
    expect(beginnings.next(score(5, 2))?.name).toBe('better');
  });

  // Three sessions and set-ups more than the best, or less safe: not worth it.
  it.each([
    ['far worse', score(8, 2)],
    ['late', score(4, 2, { late: 10 })],
    ['short of time to spare', score(4, 2, { lacking: 15 })],
  ])('leaves out what is %s', (_what, one) => {
    const beginnings = new Beginnings<ReturnType<typeof plan>>();
    beginnings.add(plan('poor', 1, one));
    expect([1, 2, 3].map(() => beginnings.next(score(5, 2)))).toEqual([undefined, undefined, undefined]);
  });

  it('takes one with two more', () => {
    const beginnings = new Beginnings<ReturnType<typeof plan>>();
    beginnings.add(plan('near', 1, score(7, 2)));
    expect([1, 2].map(() => beginnings.next(score(5, 2))?.name)).toContain('near');
  });

  it('keeps twelve', () => {
    const beginnings = new Beginnings<ReturnType<typeof plan>>();
    for (let day = 1; day <= 15; day += 1) beginnings.add(plan(`day ${day}`, day, score(5, day)));
    const given = new Set(Array.from({ length: 40 }, () => beginnings.next(score(5, 1))?.name));
    expect(given.size).toBe(13);
  });
});
