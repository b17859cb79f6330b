import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { marginWords } from './marginWords';
import { workloadOf } from '../plan/workload';
import { searchPlan } from '../search/search';
import type { Score } from '../search/score';
import { marginOffers } from './marginOffers';

/** Four pieces, two coats each that nothing but drying keeps apart, on weekday evenings, for a day two weeks away. */
const build = sampleBuild({
  start: '2027-02-15T08:00',
  people: [
    {
      id: 'me',
      name: 'Me',
      availability: [{ days: ['mon', 'tue', 'wed', 'thu', 'fri'], from: '19:00', to: '21:00' }],
    },
  ],
  events: [{ id: 'day', name: 'The day', packAt: '2027-02-27T18:00', wearAt: '2027-02-28T09:00' }],
  pieces: [0, 1, 2, 3, 4, 5].map((n) =>
    samplePiece({ id: `p${n}`, name: `P ${n}` }, [
      { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush', coats: 2 },
      { id: 'base', kind: 'base', material: 'flex-acrylic', method: 'brush', colour: '#7a2f2a', coats: 2 },
      { id: 'clear', kind: 'topcoat', material: 'satin-varnish', method: 'brush' },
    ]),
  ),
});
const workload = workloadOf(build);
const { score } = searchPlan(workload, { now: workload.startAt, iterations: 100 });
const held = (others: Partial<Score>) => marginOffers(workload, workload.startAt, { ...score, ...others });

describe('what margin costs', () => {
  it('is told against plans that were really made: of a wasteful plan that one leaner, of a tight one that one roomier', () => {
    // Held against a plan with nothing to spare, any plan in time gives more; it takes more sessions than none.
    const tight = held({ tightness: -1, sessions: 1 });
    expect(tight?.roomier?.spareMinutes).toBeGreaterThanOrEqual(-score.tightness);
    expect(tight?.roomier?.sessions).toBeGreaterThan(1);
    expect(tight?.leaner).toBeUndefined();
    // And against one with a year to spare any plan has less, and fewer sessions than a thousand.
    const wasteful = held({ tightness: -525_600, sessions: 1000 });
    expect(wasteful?.leaner?.sessions).toBeLessThanOrEqual(score.sessions + 2);
    expect(wasteful?.roomier).toBeUndefined();
  });

  it('is nothing for a plan that is late, or has no date', () => {
    expect(held({ late: 1 })).toBeUndefined();
    expect(held({ unplaced: 1 })).toBeUndefined();
    expect(held({ tightness: 0 })).toBeUndefined();
  });

  it.each([
    [
      { leaner: { sessions: 6, spareMinutes: 4320, isFrail: false } },
      ['8 sessions and set-ups fewer would leave 4 days less to spare.'],
    ],
    [
      { leaner: { sessions: 13, spareMinutes: 10_080, isFrail: true } },
      ['1 session or set-up fewer would make something late when one session falls through.'],
    ],
    [
      { roomier: { sessions: 22, spareMinutes: 15_840, isFrail: false } },
      ['8 sessions and set-ups more would give 4 days more to spare.'],
    ],
    [{}, []],
  ])('is said both ways: %j', (offers, lines) => {
    // The plan at hand: 14 sessions and set-ups, a week to spare.
    expect(marginWords({ sessions: 14, spareMinutes: 10_080, ...offers })).toEqual(lines);
  });
});
