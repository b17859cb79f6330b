import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { MOST_PASSES, passesIn, tooMuch } from './tooMuch';

describe('tooMuch', () => {
  // Two units of: prep 1, two coats on two faces 4.
  it('counts passes as units times coats times faces', () => {
    const build = sampleBuild({
      pieces: [
        samplePiece({ quantity: 2, faces: { outer: { areaCm2: 100 }, inner: { areaCm2: 100 } } }, [
          { id: 'p', kind: 'prep' },
          { id: 's', kind: 'seal', material: 'pva-flex-primer', coats: 2, faces: ['inner', 'outer'] },
        ]),
      ],
    });
    expect(passesIn(build)).toBe(10);
    expect(tooMuch(build)).toEqual([]);
  });

  it('says what it comes to', () => {
    const steps = Array.from({ length: 301 }, (_, n) => ({ id: `s${n}`, kind: 'prep' as const }));
    const build = sampleBuild({ pieces: [samplePiece({ quantity: 100 }, steps)] });
    expect(tooMuch(build)).toEqual([
      expect.objectContaining({
        code: 'too-much',
        path: ['pieces'],
        message: expect.stringContaining('30100 coats and tasks'),
      }),
    ]);
    build.pieces[0]!.steps.pop();
    expect(passesIn(build)).toBe(MOST_PASSES);
    expect(tooMuch(build)).toEqual([]);
  });

  // The sample begins in 2027.
  it.each([
    ['2037-12-31T12:00', 0],
    ['2038-01-01T12:00', 1],
    ['9999-01-01T12:00', 1],
  ])('worn %s: %i faults', (wearAt, count) => {
    const build = sampleBuild({ events: [{ id: 'day', name: 'Day', wearAt }] });
    expect(tooMuch(build).map(({ path }) => path)).toEqual(Array(count).fill(['events', 0, 'wearAt']));
  });
});
