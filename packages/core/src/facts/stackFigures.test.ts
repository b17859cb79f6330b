import { catalogueById } from '../materials/catalogue';
import type { Piece, Step } from '../model/schema';
import { samplePiece } from '../testing/sampleBuild';
import { sheenClass } from './sheen';
import { stackFigures } from './stackFigures';

const seal: Step = { id: 'seal', kind: 'seal', material: 'pva-flex-primer', coats: 2 };
const gloss: Step = { id: 'gloss', kind: 'base', material: 'flex-acrylic-gloss' };
const matte: Step = { id: 'matte', kind: 'topcoat', material: 'matte-varnish' };
const figures = (steps: Step[], piece: Partial<Piece> = {}) =>
  stackFigures(samplePiece(piece, steps), { materials: catalogueById, build: {} })[0]!;

describe('stackFigures', () => {
  it('adds up dry films, all coats counted', () => {
    // PVA 120 µm · 0.42 = 50.4 a coat, twice 100.8; gloss acrylic 90 · 0.36 = 32.4.
    expect(figures([seal, gloss]).filmUm).toBeCloseTo(133.2, 9);
  });

  it('gives the strain of the film nearest to cracking at each bend', () => {
    // At R 40 on 6 mm: under PVA (3 + 0.1008)/40 = 7.752 % of 200; on top (3 + 0.1332 + 0.021)/40 of varnish 80 %.
    const { bends } = figures([seal, gloss, matte], { flex: [{ name: 'tab', bendRadiusMm: 40 }] });
    expect(bends).toHaveLength(1);
    expect(bends[0]).toMatchObject({ spot: 'tab', elongationPct: 80 });
    // Varnish 70 · 0.30 = 21 µm: (3 + 0.1542)/40 = 7.8855 %.
    expect(bends[0]!.strainPct).toBeCloseTo(7.8855, 4);
    expect(bends[0]!.share).toBeCloseTo(0.0985688, 6);
  });

  it('says what share of the finest detail is filled in, at most all of it', () => {
    // 100.8 µm in 0.4 mm.
    expect(figures([seal], { finestDetailMm: 0.4 }).detailLost).toBeCloseTo(0.252, 9);
    expect(figures([seal], { finestDetailMm: 0.05 }).detailLost).toBe(1);
    expect(figures([seal]).detailLost).toBeUndefined();
  });

  it('forecasts the sheen of the top, which a matte clear over strong gloss does not reach', () => {
    expect(figures([seal, gloss]).sheen).toEqual({
      class: 'gloss',
      gu: 80,
      setBy: 'Flexible costume acrylic gloss',
    });
    expect(figures([seal, gloss, matte]).sheen).toMatchObject({ class: 'satin', gu: undefined });
    expect(figures([seal, gloss, { id: 'scuff', kind: 'sand' }, matte]).sheen).toMatchObject({
      class: 'matte',
      gu: 10,
    });
    // A wash covers too little to set the sheen.
    expect(figures([seal, gloss, { id: 'w', kind: 'weather', material: 'acrylic-wash' }]).sheen!.class).toBe(
      'gloss',
    );
    expect(figures([]).sheen).toBeUndefined();
  });

  it.each([
    [4.9, 'dead-matte'],
    [5, 'matte'],
    [15, 'satin'],
    [40, 'semi-gloss'],
    [70, 'semi-gloss'],
    [70.1, 'gloss'],
  ])('calls %s gloss units %s', (gu, word) => {
    expect(sheenClass(gu)).toBe(word);
  });
});
