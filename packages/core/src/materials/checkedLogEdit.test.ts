import fc from 'fast-check';
import { applyLogEdit, type LogEdit } from '../model/logEdits';
import type { Build } from '../model/schema';
import { randomBuild } from '../testing/randomBuild';
import { withHistory } from '../testing/randomHistory';
import { checkedLogEdit } from './checkedLogEdit';
import { parseBuild } from './parseBuild';

/** What the rest of the log says is not looked at again, so every list here has entries before the new ones. */
const begun: Build = (() => {
  const { build } = withHistory(randomBuild(5, { pieces: 3, steps: 5, people: 2 }), 5);
  const [piece] = build.pieces;
  return {
    ...build,
    underway: [
      { id: 'u0', piece: piece!.id, unit: 1, step: piece!.steps[4]!.id, coat: 1, startedAt: build.start },
    ],
  };
})();
const names = (own: readonly string[]) => fc.constantFrom(...own, 'nowhere');
const spot = fc
  .record({
    piece: names(begun.pieces.map(({ id }) => id)),
    unit: fc.constantFrom(1, 1, 1, 2),
    step: names(begun.pieces[0]!.steps.map(({ id }) => id)),
    coat: fc.constantFrom(1, 1, 2, 3),
    face: fc.constantFrom('outer' as const, 'inner' as const, undefined),
  })
  .map(({ face, ...rest }) => ({ ...rest, ...(face === undefined ? {} : { face }) }));
const id = fc.constantFrom('a', 'b', 'c', 'd', 'u0');
const moment = fc.constantFrom(
  '2027-02-16T19:00',
  '2027-02-16T20:30',
  '2027-02-30T20:30',
  '2027-03-28T01:30',
);
const edits: fc.Arbitrary<LogEdit> = fc.oneof(
  fc.record({
    kind: fc.constant('log' as const),
    entries: fc.array(
      fc
        .tuple(
          spot,
          fc.record({ id, doneAt: moment }),
          fc.record(
            {
              place: names(begun.places.map((place) => place.id)),
              material: fc.constantFrom('craft-acrylic', 'moon-dust'),
            },
            { requiredKeys: [] },
          ),
        )
        .map(([where, what, more]) => ({ ...where, ...what, ...more })),
      { minLength: 1, maxLength: 3 },
    ),
  }),
  fc.record({
    kind: fc.constant('start' as const),
    passes: fc.array(
      fc.tuple(spot, fc.record({ id, startedAt: moment })).map(([where, what]) => ({ ...where, ...what })),
      { minLength: 1, maxLength: 3 },
    ),
  }),
  fc.record({
    kind: fc.constant('touch' as const),
    tests: fc.array(
      fc
        .tuple(spot, fc.record({ id, at: moment, state: fc.constantFrom('dry' as const, 'tacky' as const) }))
        .map(([{ coat: _coat, ...where }, what]) => ({ face: 'outer' as const, ...where, ...what })),
      { minLength: 1, maxLength: 2 },
    ),
  }),
  fc.record({
    kind: fc.constant('pause' as const),
    ids: fc.array(id, { minLength: 1, maxLength: 2 }),
    at: fc.constant('2027-02-16T21:00'),
    resume: fc.boolean(),
  }),
  fc.record({ kind: fc.constant('stop' as const), ids: fc.array(id, { minLength: 1, maxLength: 2 }) }),
);

describe('an edit checked by itself', () => {
  it('is begun from a build that is whole', () => {
    expect(parseBuild(begun)).toEqual({ ok: true, value: begun });
  });

  it('is taken or refused as when all of the build is checked again, with the same faults', () => {
    const seen = { taken: 0, faulty: 0, refused: 0 };
    fc.assert(
      fc.property(edits, (edit) => {
        const checked = checkedLogEdit(begun, edit);
        const applied = applyLogEdit(begun, edit);
        if (!applied.ok) {
          seen.refused += 1;
          return expect(checked).toEqual(applied);
        }
        const whole = parseBuild(applied.build);
        if (whole.ok) {
          seen.taken += 1;
          return expect(checked).toEqual({ ok: true, build: whole.value });
        }
        seen.faulty += 1;
        return expect(checked).toEqual({ ok: false, why: 'faults', faults: whole.faults });
      }),
      { numRuns: 1500, seed: 7 },
    );
    // All three are met often, or the comparison says little.
    expect(Math.min(...Object.values(seen))).toBeGreaterThan(50);
  });
});
