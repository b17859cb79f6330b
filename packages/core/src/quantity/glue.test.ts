import { catalogueById } from '../materials/catalogue';
import type { Piece, Step } from '../model/schema';
import { entryOf } from '../model/sure';
import { expandBuild } from '../schedule/plan/operations';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { passMl } from './amounts';
import { glueMl } from './glue';

const ml = (glue: string, step: Partial<Step>, lengthMm = 0, piece: Partial<Piece> = {}) =>
  glueMl(
    samplePiece(piece, []),
    { id: 's', kind: 'attach', ...step },
    entryOf(catalogueById, glue),
    lengthMm,
  );

describe('glue goes where it holds', () => {
  it.each([
    // A dab of hot glue is 0.8 ml, one of cement 0.5.
    ['hot-glue', {}, 0.8],
    ['contact-cement', {}, 0.5],
    ['hot-glue', { fixings: 12 }, 9.6],
    ['contact-cement', { fixings: 2 }, 1],
    // A bead: 2 ml on 10 cm.
    ['hot-glue', { alongMm: 350 }, 7],
    // A badge of 180 cm²: 0.2 l/m² on each of two faces.
    ['contact-cement', { bondCm2: 180 }, 7.2],
    // Hook-and-loop of 100 mm, 25 mm wide: 25 cm² · 0.04.
    ['contact-cement', { attaches: 'closure', alongMm: 100 }, 1],
  ] as const)('%s, %j: %d ml', (glue, step, expected) => expect(ml(glue, step)).toBeCloseTo(expected, 9));

  it('along the edges that are joined, as wide as the foam', () => {
    // 300 mm of 6 mm foam are 18 cm²: 0.72 ml; a bead of hot glue 6 ml.
    expect(ml('contact-cement', { kind: 'join' }, 300)).toBeCloseTo(0.72, 9);
    expect(ml('hot-glue', { kind: 'join' }, 300)).toBeCloseTo(6, 9);
  });

  it('along the turned-in edges of what covers a face, never all over it', () => {
    // 600 cm² have an outline of 4 · √60000 = 980 mm; 25 mm of that are 245 cm², 9.8 ml, where all over would be 24.
    expect(ml('contact-cement', { attaches: 'leather' })).toBeCloseTo(
      ((4 * Math.sqrt(60_000) * 25) / 100) * 0.04,
      6,
    );
  });

  it('is what a pass takes out of its tin', () => {
    const build = sampleBuild({
      pieces: [samplePiece({ quantity: 3 }, [{ id: 's', kind: 'attach', material: 'hot-glue', fixings: 4 }])],
    });
    expect(expandBuild(build).map(passMl)).toEqual([3.2, 3.2, 3.2]);
  });
});
