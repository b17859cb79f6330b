import type { Score } from './score';
import { isWorthTaking, movesSoon, type Weighed } from './worthTaking';

const score = (changes: Partial<Score> = {}): Score => ({
  unplaced: 0,
  late: 0,
  taped: 0,
  frail: 0,
  lacking: 600,
  putOff: 0,
  apart: 0,
  sessions: 40,
  idle: 90,
  tightness: -1000,
  finish: 90_000,
  ...changes,
});
/** A plan of two passes of mine: one an hour from now, one in five days. */
const plan = (changes: Partial<Score> = {}, soonest = 60, personId = 'me'): Weighed => ({
  score: score(changes),
  operations: [
    { id: 'soon', status: 'planned', start: soonest, personId },
    { id: 'far', status: 'planned', start: 7200, personId: 'me' },
  ],
});
const begun = { now: 0, hasBegun: true };

describe('a better plan', () => {
  it('is simply taken while nothing is logged, however little better it is, and a worse one never', () => {
    const fresh = { now: 0, hasBegun: false };
    expect(isWorthTaking(plan(), plan({ idle: 89 }, 600), fresh)).toBe(true);
    expect(isWorthTaking(plan(), plan(), fresh)).toBe(false);
    expect(isWorthTaking(plan(), plan({ idle: 91 }), fresh)).toBe(false);
  });

  it('is taken later on too where it moves nothing of the next two days', () => {
    expect(isWorthTaking(plan(), plan({ sessions: 39 }), begun)).toBe(true);
    // Within 20 minutes and in the same hands is no move.
    expect(isWorthTaking(plan(), plan({ sessions: 39 }, 79), begun)).toBe(true);
  });

  it.each([
    ['two sessions fewer', { sessions: 38 }, false],
    ['three sessions fewer', { sessions: 37 }, true],
    ['less than four hours more to spare', { lacking: 361 }, false],
    ['four hours more to spare', { lacking: 360 }, true],
    ['work that had no place', { unplaced: -1 }, true],
  ] as const)('that moves tonight is taken or not for %s', (_what, changes, expected) => {
    expect(isWorthTaking(plan(), plan(changes, 80), begun)).toBe(expected);
  });

  it('that moves tonight is taken for an hour less late, or none at all', () => {
    const late = plan({ late: 300 });
    expect(isWorthTaking(late, plan({ late: 241 }, 80), begun)).toBe(false);
    expect(isWorthTaking(late, plan({ late: 240 }, 80), begun)).toBe(true);
    expect(isWorthTaking(plan({ late: 30 }), plan({ late: 0 }, 80), begun)).toBe(true);
  });
});

describe('moves of the next two days', () => {
  it('are those of 20 minutes or more, or into other hands', () => {
    expect([79, 80].map((start) => movesSoon(plan(), plan({}, start), 0))).toEqual([0, 1]);
    expect(movesSoon(plan(), plan({}, 61, 'you'), 0)).toBe(1);
    // Away from now to the far end counts, as somebody was to come; what was far and stays far does not.
    expect(movesSoon(plan(), plan({}, 9000), 0)).toBe(1);
    expect(movesSoon(plan({}, 2881), plan({}, 9000), 0)).toBe(0);
    expect(movesSoon(plan({}, 2880), plan({}, 9000), 0)).toBe(1);
  });
});
