import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { spotsOf } from '../facts/spots';
import { catalogueById } from '../materials/catalogue';
import { parseBuild } from '../materials/parseBuild';
import { planBuild } from '../schedule/answers/planBuild';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { randomBuild } from '../testing/randomBuild';
import { withHistory } from '../testing/randomHistory';
import { keepLaid, withoutEmptyEnds } from './keepLaid';
import { withoutDangling } from './references';
import type { Build, LogEntry, Piece, Step } from './schema';

const entry = (step: string, more: Partial<LogEntry> = {}): LogEntry => ({
  id: `${step}-${more.unit ?? 1}-${more.coat ?? 1}`,
  piece: 'plate',
  unit: 1,
  step,
  coat: 1,
  face: 'outer',
  doneAt: '2027-02-16T19:00',
  ...more,
});
const seal: Step = { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush', coats: 3 };
const black: Step = { id: 'prime', kind: 'prime', material: 'acrylic-pu-primer-black', method: 'brush' };
const blue: Step = { id: 'base', kind: 'base', material: 'craft-acrylic', colour: '#224488', coats: 2 };

const buildOf = (piece: Partial<Piece>, steps: Step[], log: LogEntry[]): Build =>
  sampleBuild({ pieces: [samplePiece(piece, steps)], log });
const withSteps = (build: Build, steps: Step[], more: Partial<Piece> = {}): Build => ({
  ...build,
  pieces: build.pieces.map((piece) => ({ ...piece, ...more, steps })),
});
const stepsOf = (build: Build): Step[] => build.pieces[0]!.steps;

/** What lies on a piece, by unit and spot, from the log alone. */
function filmsOf(build: Build, piece: Piece): string[] {
  const steps = piece.steps.map((step) => ({ ...step, ended: true }));
  const spots = spotsOf({ ...piece, steps }, { materials: catalogueById, build });
  return spots
    .flatMap(({ cell, units, layers }) =>
      units.map((unit) =>
        JSON.stringify([
          unit,
          cell,
          layers.map(({ material, film, coats, step, share }) => [
            material.id,
            film,
            coats,
            step.colour,
            step.place,
            share,
          ]),
        ]),
      ),
    )
    .sort();
}

describe('what is laid', () => {
  it('stays, as far as it was done, when its step is deleted', () => {
    const before = buildOf({}, [seal, black, blue], [entry('seal'), entry('seal', { coat: 2 })]);
    const after = keepLaid(before, withSteps(before, [black, blue]));
    // Two of three coats are logged: those stay, in their place, and no third is planned.
    expect(stepsOf(after)).toEqual([{ ...seal, coats: 2, ended: true }, black, blue]);
    expect(planBuild(after, { latestStarts: false }).operations.filter((o) => o.stepId === 'seal')).toEqual([
      expect.objectContaining({ status: 'done' }),
      expect.objectContaining({ status: 'done' }),
    ]);
  });

  it('is parted from what is still to do when its material or colour is changed', () => {
    const before = buildOf({}, [black, blue], [entry('prime'), entry('base')]);
    const after = keepLaid(before, withSteps(before, [black, { ...blue, colour: '#aa2222' }]));
    // One of two coats is blue; the coat that is left is red.
    expect(stepsOf(after)).toEqual(
      [
        black,
        { ...blue, coats: 1, ended: true } as Step,
        { ...blue, id: 'base-2', colour: '#aa2222', coats: 1 },
      ].map(({ coats, ...step }) => (step.ended || coats === undefined ? step : { ...step, coats })),
    );
  });

  it('is parted unit by unit in a set', () => {
    const before = buildOf(
      { quantity: 3 },
      [seal],
      [entry('seal'), entry('seal', { coat: 2 }), entry('seal', { unit: 2 })],
    );
    const dip: Step = { ...seal, material: 'rubber-dip-spray', method: 'aerosol' };
    const after = keepLaid(before, withSteps(before, [dip]));
    expect(stepsOf(after)).toEqual([
      { ...seal, coats: 2, units: [1, 2], ended: true },
      { ...dip, id: 'seal-2', coats: 1, units: [1] },
      { ...dip, id: 'seal-3', coats: 2, units: [2] },
      { ...dip, id: 'seal-4', coats: 3, units: [3] },
    ]);
  });

  it('keeps the film and the place it was laid with', () => {
    const before = buildOf({}, [{ ...blue, place: 'room' }], [entry('base')]);
    const places = [...before.places, { ...before.places[0]!, id: 'porch', name: 'Porch' }];
    const moved = withSteps({ ...before, places }, [{ ...blue, film: 'heavy', place: 'porch' }]);
    const after = keepLaid({ ...before, places }, moved);
    expect(stepsOf(after)).toEqual(stepsOf(moved));
    expect(after.log).toEqual([{ ...entry('base'), film: 'normal', place: 'room' }]);
  });

  it('stays when fewer coats are wanted than are laid', () => {
    const before = buildOf({}, [seal], [entry('seal'), entry('seal', { coat: 2 })]);
    const after = keepLaid(before, withSteps(before, [{ ...seal, coats: 1 }]));
    expect(stepsOf(after)).toEqual([{ ...seal, coats: 2, ended: true }]);
  });

  it('lies under what is put before it: nothing open is passed over', () => {
    const before = buildOf(
      {},
      [seal, black, blue],
      [1, 2, 3].map((coat) => entry('seal', { coat })),
    );
    const wash: Step = { id: 'fill', kind: 'fill', material: 'foam-filler-paste' };
    expect(
      stepsOf(keepLaid(before, withSteps(before, [wash, seal, black, blue]))).map(({ id }) => id),
    ).toEqual(['seal', 'fill', 'prime', 'base']);
    // What failed is done again, so that a repair stands before it.
    const failed = buildOf({}, [seal, black], [entry('seal', { outcome: 'failed' })]);
    expect(stepsOf(keepLaid(failed, withSteps(failed, [wash, seal, black]))).map(({ id }) => id)).toEqual([
      'fill',
      'seal',
      'prime',
    ]);
    // On a set of which one is sealed the others still get it first.
    const set = buildOf({ quantity: 2 }, [seal, black], [entry('seal')]);
    expect(stepsOf(keepLaid(set, withSteps(set, [wash, seal, black]))).map(({ id }) => id)).toEqual([
      'fill',
      'seal',
      'prime',
    ]);
  });

  it('counts on the whole piece, with its share, when its zone is gone', () => {
    const zones = [
      { id: 'body', name: 'Body', share: 0.8 },
      { id: 'trim', name: 'Trim', share: 0.2 },
    ];
    const red: Step = { ...blue, colour: '#aa2222', coats: 1, zones: ['trim'] };
    const before = buildOf({ zones }, [black, red], [entry('prime'), entry('base')]);
    const after = keepLaid(before, withSteps(before, [black, red], { zones: [] }));
    const { zones: _zones, ...rest } = red;
    expect(stepsOf(after)).toEqual([black, { ...rest, coversPct: 20 }]);
  });

  it('goes with its last log entry, when it is only there for it', () => {
    const before = buildOf({}, [seal, blue], [entry('seal')]);
    const after = keepLaid(before, withSteps(before, [blue]));
    expect(stepsOf(after)).toHaveLength(2);
    expect(stepsOf(withoutEmptyEnds({ ...after, log: [] }))).toEqual([blue]);
    expect(withoutEmptyEnds(after)).toBe(after);
  });

  it('comes back as it is where nothing about it is changed', () => {
    const before = buildOf({}, [seal, black], [entry('seal')]);
    const after = withSteps(before, [{ ...seal, note: 'Thinly.' }, black, blue]);
    expect(stepsOf(keepLaid(before, after))).toEqual(stepsOf(after));
  });
});

describe('any change of steps', () => {
  it('leaves the films of a unit exactly what the log says', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5000 }), fc.integer({ min: 0, max: 1_000_000 }), (seed, how) => {
        const { build } = withHistory(randomBuild(seed, { pieces: 3, steps: 6 }), seed);
        const at = how % build.pieces.length;
        const piece = build.pieces[at]!;
        const n = how % piece.steps.length;
        const change = (steps: Step[]): Step[] => {
          switch (how % 6) {
            case 0:
              return steps.filter((_, k) => k !== n);
            case 1:
              return [];
            case 2:
              return [...steps].reverse().map(({ after: _after, ...step }) => step);
            case 3:
              return steps.map((step, k) => (k === n ? { ...step, colour: '#123456' } : step));
            case 4:
              return steps.map((step, k) => (k === n && step.material ? { ...step, coats: 1 } : step));
            default:
              return steps.map((step, k) =>
                k === n && step.material ? { ...step, material: 'craft-acrylic', method: 'brush' } : step,
              );
          }
        };
        const changed = { ...piece, steps: change(piece.steps) };
        const next = { ...build, pieces: build.pieces.map((one, k) => (k === at ? changed : one)) };
        const after = withoutDangling(keepLaid(build, next), build);
        expect(after.log ?? []).toHaveLength((build.log ?? []).length);
        expect(filmsOf(after, after.pieces[at]!)).toEqual(filmsOf(build, piece));
        expect(parseBuild(after)).toMatchObject({ ok: true });
      }),
      { numRuns: 150 },
    );
  });
});
