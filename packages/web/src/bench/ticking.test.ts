import { epochMinute, planView, type Build } from '@fixatum/core';
import { batchesOf } from './bench';
import { comesBefore, doneSince, isDue } from './ticking';
import { smallBuild } from '../testing/smallBuild';

const build = (changes: Partial<Build> = {}): Build =>
  smallBuild({
    events: [],
    pieces: ['Tasset', 'Greave'].map((name) => ({
      id: name.toLowerCase(),
      name,
      quantity: name === 'Tasset' ? 2 : 1,
      substrate: { kind: 'eva-foam' as const, thicknessMm: 6 },
      faces: { outer: { areaCm2: 400 } },
      steps: [
        {
          id: 'seal',
          kind: 'seal' as const,
          material: 'pva-flex-primer',
          method: 'brush' as const,
          coats: 2,
        },
      ],
    })),
    ...changes,
  });
const now = epochMinute('2027-02-15T08:00', 'UTC');
const entry = (id: string, piece: string, unit: number, doneAt: string, coat = 1) => ({
  id,
  piece,
  unit,
  step: 'seal',
  coat,
  face: 'outer' as const,
  doneAt,
});

describe('what comes before a line of a sheet', () => {
  it('is the first open coat of the same unit, and nothing of another', () => {
    const view = planView(build(), { now });
    const batches = batchesOf(view).map(({ operations }) => operations);
    const firsts = batches.filter(([one]) => one!.coat === 1);
    const seconds = batches.filter(([one]) => one!.coat === 2);
    expect(firsts.map((batch) => comesBefore(batch, view.operations))).toEqual(firsts.map(() => undefined));
    for (const batch of seconds)
      expect(comesBefore(batch, view.operations)).toMatchObject({
        coat: 1,
        pieceId: batch.map(({ pieceId }) => pieceId).find(Boolean),
      });
    // One unit alone waits for its own coat only.
    const second = seconds.flat().find(({ pieceId, unit }) => pieceId === 'tasset' && unit === 2)!;
    expect(comesBefore([second], view.operations)).toMatchObject({ pieceId: 'tasset', unit: 2, coat: 1 });
  });

  it('is nothing once that is in the log', () => {
    const view = planView(build({ log: [entry('a', 'greave', 1, '2027-02-15T07:00')] }), { now });
    const second = view.operations.find(({ pieceId, coat }) => pieceId === 'greave' && coat === 2)!;
    expect(comesBefore([second], view.operations)).toBeUndefined();
  });
});

describe('what was done today', () => {
  it('stands in its order, what was done together in one line, and nothing from before', () => {
    const at = (time: string, day = '15') => `2027-02-${day}T${time}`;
    const view = planView(
      build({
        log: [
          entry('y', 'tasset', 1, at('20:00', '14')),
          entry('b', 'tasset', 2, at('07:15')),
          entry('c', 'greave', 1, at('07:30')),
          entry('d', 'tasset', 1, at('07:20'), 2),
          entry('e', 'tasset', 2, at('07:36'), 2),
        ],
      }),
      { now },
    );
    const midnight = epochMinute(at('00:00'), 'UTC');
    expect(
      doneSince(view.operations, midnight).map(({ from, until, operations }) => [
        from - midnight,
        until - midnight,
        operations.map(({ pieceId, unit, coat }) => `${pieceId} ${unit}/${coat}`).sort(),
      ]),
    ).toEqual([
      // 07:15 to 07:30 are fifteen minutes: together. 07:20 to 07:36 are sixteen: not.
      [435, 450, ['greave 1/1', 'tasset 2/1']],
      [440, 440, ['tasset 1/2']],
      [456, 456, ['tasset 2/2']],
    ]);
  });
});

describe('what is ticked without a question', () => {
  const [pass] = planView(build(), { now }).operations;
  const planned = (start: number, opensAt: number | undefined) => [{ ...pass!, start, opensAt }];

  it('is what is planned for now, give or take five minutes', () => {
    expect(isDue(planned(now + 5, now + 5), now, 'UTC')).toBe(true);
    expect(isDue(planned(now + 6, now + 6), now, 'UTC')).toBe(false);
  });

  it('is what is planned for later today and free already', () => {
    expect(isDue(planned(now + 300, now), now, 'UTC')).toBe(true);
    // What lies there is still wet, or it has no place in the plan.
    expect(isDue(planned(now + 300, now + 1), now, 'UTC')).toBe(false);
    expect(isDue(planned(now + 300, undefined), now, 'UTC')).toBe(false);
    // 08:00 and a day, which is another day's work.
    expect(isDue(planned(now + 1440, now), now, 'UTC')).toBe(false);
    // At 23:50 half an hour past midnight is tonight.
    const late = epochMinute('2027-02-15T23:50', 'UTC');
    expect(isDue(planned(late + 40, late), late, 'UTC')).toBe(true);
  });
});
