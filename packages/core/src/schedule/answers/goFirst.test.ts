import { firstDue } from '../../model/firstDue';
import type { Build } from '../../model/schema';
import { epochMinute } from '../../model/wallTime';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { goFirst } from './goFirst';
import { goFirstWords } from './goFirstWords';

/** Prep that fills one evening of two hours, on a day before which it has to be done. */
const evening = (id: string, packDay: number, minutes = 120): Build => {
  const packAt = `2027-02-${packDay}T23:00`;
  const build = sampleBuild({
    name: id,
    events: [{ id: 'day', name: 'The day', packAt, wearAt: `2027-02-${packDay}T23:30` }],
    pieces: [samplePiece({ id, name: id }, [{ id: 'p', kind: 'prep', minutes }])],
  });
  build.people[0]!.availability = [
    { days: ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], from: '19:00', to: '21:00' },
  ];
  return build;
};
const at = { now: epochMinute('2027-02-15T08:00', 'UTC') };

describe('goFirst', () => {
  it('names the build that has the evening, and what giving it up costs that one', () => {
    // One evening of two hours a day from Monday the 15th: the first has it, the second is due that very night.
    const [patient, urgent] = [evening('patient', 20), evening('urgent', 15)];
    const offers = goFirst(
      [
        { id: 'a', build: patient },
        { id: 'b', build: urgent },
      ],
      'b',
      at,
    );
    expect(offers).toHaveLength(1);
    const [offer] = offers;
    expect(offer).toMatchObject({
      other: 'a',
      order: ['b', 'a'],
      // Tuesday 21:00 in place of Monday 23:00: 22 h late.
      mine: { before: { lateMinutes: 22 * 60, latePieces: 1 }, then: { lateMinutes: 0, latePieces: 0 } },
      theirs: { before: { lateMinutes: 0 }, then: { lateMinutes: 0 } },
    });
    expect(goFirstWords(offer!, 'Patient', 'UTC')).toBe(
      'Patient goes first and has evenings that this build needs. Before it, this build would be ready Mon 15 Feb, 21:00, in time; Patient would still be in time.',
    );
  });

  it('says what it costs where both can’t be in time', () => {
    const [offer] = goFirst(
      [
        { id: 'a', build: evening('first', 15) },
        { id: 'b', build: evening('second', 15) },
      ],
      'b',
      at,
    );
    expect(offer!.theirs.then.lateMinutes).toBe(22 * 60);
    expect(goFirstWords(offer!, 'First', 'UTC')).toContain(
      'First would then be ready Tue 16 Feb, 21:00, 1 piece late by 22 h.',
    );
  });

  it('offers nothing to what is in time, is first, or is late by itself', () => {
    const two = [
      { id: 'a', build: evening('first', 20) },
      { id: 'b', build: evening('second', 20) },
    ];
    expect(goFirst(two, 'b', at)).toEqual([]);
    expect(goFirst(two, 'a', at)).toEqual([]);
    // Five hours do not fit into one evening, whoever has it.
    const never = [
      { id: 'a', build: evening('first', 20) },
      { id: 'b', build: evening('never', 15, 300) },
    ];
    expect(goFirst(never, 'b', at)).toEqual([]);
  });
});

describe('firstDue', () => {
  const events = (...dates: [string, string?][]) => ({
    events: dates.map(([wearAt, packAt], n) => ({
      id: `e${n}`,
      name: 'E',
      wearAt,
      ...(packAt ? { packAt } : {}),
    })),
  });
  it('is when it is packed, of the first date that is yet to come', () => {
    const build = events(
      ['2027-05-01T09:00', '2027-04-30T18:00'],
      ['2027-03-06T09:00'],
      ['2027-09-01T09:00'],
    );
    expect(firstDue(build, '2027-02-01T00:00')).toBe('2027-03-06T09:00');
    expect(firstDue(build, '2027-03-06T09:00')).toBe('2027-03-06T09:00');
    expect(firstDue(build, '2027-03-06T09:01')).toBe('2027-04-30T18:00');
    // Between packing and wearing it is still that date.
    expect(firstDue(build, '2027-04-30T20:00')).toBe('2027-04-30T18:00');
    expect(firstDue(build, '2028-01-01T00:00')).toBe('2027-09-01T09:00');
    expect(firstDue({ events: [] }, '2027-02-01T00:00')).toBeUndefined();
  });
});
