import { describe, expect, it } from '@jest/globals';
import { dataMark, textMark } from '../../model/textMark';
import { epochMinute } from '../../model/wallTime';
import { sampleBuild } from '../../testing/sampleBuild';
import { promisedBy, promisedOfStored, storedPlanOf, warmFrom } from '../search/warmStart';
import { missedWork } from './missed';
import { planBuild } from './planBuild';

const at = (wall: string) => epochMinute(wall, 'UTC');
const build = sampleBuild();
interface Planned {
  plan: ReturnType<typeof planBuild>;
  warm: ReturnType<typeof warmFrom>;
  promised: ReturnType<typeof promisedBy>;
}
/** A plan made at a moment, going on from an earlier one. */
const planned = (now: string, before?: Planned, of = 'x'): Planned => {
  const plan = planBuild(build, {
    now: at(now),
    latestStarts: false,
    ...(before ? { search: { warm: before.warm, keep: true, starts: 'all' as const } } : {}),
  });
  const warm = warmFrom(plan);
  return { plan, warm, promised: promisedBy(warm, before?.promised, of) };
};

describe('days that went by without their work', () => {
  it('are told from what was first said, however often the plan has slipped since', () => {
    const monday = planned('2027-02-15T08:00');
    const wednesday = planned('2027-02-17T08:00', monday);
    const thursday = planned('2027-02-18T08:00', wednesday);
    const missed = missedWork(wednesday.promised, thursday.plan.operations, at('2027-02-18T08:00'), 'UTC');
    // Sealing and the colour are four hours' work of one Monday: all three passes were for that day.
    expect(missed).toEqual({
      days: [at('2027-02-15T00:00')],
      someDone: false,
      passes: 3,
      pieceIds: ['plate'],
    });
  });

  it('are said to be days of work where something else was done on them', () => {
    const monday = planned('2027-02-15T08:00');
    const { operations } = planned('2027-02-17T08:00', monday).plan;
    const doneAt = (laidAt: string) => [
      { ...operations[0]!, id: 'other', status: 'done' as const, laidAt: at(laidAt) },
      ...operations,
    ];
    const someDone = (laidAt: string) =>
      missedWork(monday.promised, doneAt(laidAt), at('2027-02-17T08:00'), 'UTC')?.someDone;
    // Until five in the morning it is still Monday.
    expect(someDone('2027-02-15T10:00')).toBe(true);
    expect(someDone('2027-02-16T04:59')).toBe(true);
    expect(someDone('2027-02-16T05:00')).toBe(false);
  });

  it('are not those of today, not even past midnight', () => {
    const monday = planned('2027-02-15T08:00');
    const told = (now: string) =>
      missedWork(monday.promised, planned(now, monday).plan.operations, at(now), 'UTC');
    expect(told('2027-02-15T21:00')).toBeUndefined();
    // Until five in the morning it is still the evening before.
    expect(told('2027-02-16T04:59')).toBeUndefined();
    expect(told('2027-02-16T05:00')).toMatchObject({ passes: 3 });
  });

  it('are forgotten where the build was changed since, and kept over a restart', () => {
    const monday = planned('2027-02-15T08:00');
    const later = planned('2027-02-17T08:00', monday);
    expect(promisedOfStored(storedPlanOf(later.warm, later.promised))).toEqual(later.promised);
    const other = planned('2027-02-17T08:00', monday, 'y');
    expect(missedWork(other.promised, other.plan.operations, at('2027-02-17T08:00'), 'UTC')).toBeUndefined();
  });

  it('marks a text by its length and its FNV-1a', () => {
    // Published test vectors of the 32-bit FNV-1a: "" is 811c9dc5, "a" is e40c292c, "foobar" is bf9cf968.
    expect(['', 'a', 'foobar'].map(textMark)).toEqual(['0-811c9dc5', '1-e40c292c', '6-bf9cf968']);
    expect(dataMark({ a: 1, b: [{ d: 1, c: 2 }] })).toBe(dataMark({ b: [{ c: 2, d: 1 }], a: 1 }));
    expect(dataMark({ a: 1, b: [2, 1] })).not.toBe(dataMark({ a: 1, b: [1, 2] }));
  });
});
