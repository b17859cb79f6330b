import { catalogueById } from '../materials/catalogue';
import { entryOf } from '../model/sure';
import type { Piece, Step } from '../model/schema';
import { needsOf } from '../quantity/needs';
import { samplePiece } from '../testing/sampleBuild';
import { cutEdgeCm2, passArea } from './passArea';
import { tapeMmOf } from './tape';

const step = (kind: Step['kind'], material: string, changes: Partial<Step> = {}): Step => ({
  id: 's',
  kind,
  material,
  ...changes,
});
const flexPrimer = entryOf(catalogueById, 'pva-flex-primer');
const acrylic = entryOf(catalogueById, 'flex-acrylic');
/** 300 by 200 mm of 6 mm foam, drawn: 1000 mm of open edge, 400 mm of grooves, 150 mm of seam. */
const drawn = (changes: Partial<Piece> = {}): Piece => ({
  ...samplePiece({ faces: { outer: { areaCm2: 600 }, inner: { areaCm2: 600 } } }),
  substrate: { kind: 'eva-foam', thicknessMm: 6 },
  lengths: { outlineMm: 1300, openMm: 1000, seamMm: 150, grooveMm: 400 },
  zones: undefined,
  ...changes,
});

describe('what a pass works on', () => {
  it('cut edges are sealed with the outer face: 1000 mm of 6 mm are 60 cm²', () => {
    expect(cutEdgeCm2(drawn())).toBe(60);
    expect(passArea(drawn(), step('seal', 'pva-flex-primer'), ['outer'], flexPrimer, 'brush').areaCm2).toBe(
      660,
    );
    expect(passArea(drawn(), step('seal', 'pva-flex-primer'), ['inner'], flexPrimer, 'brush').areaCm2).toBe(
      600,
    );
    expect(passArea(drawn(), step('base', 'flex-acrylic'), ['outer'], acrylic, 'brush').areaCm2).toBe(600);
  });
  it('a zone has its share of them, and what is no foam has none', () => {
    const zones = [
      { id: 'a', name: 'A', share: 0.75 },
      { id: 'b', name: 'B', share: 0.25 },
    ];
    const sealed = step('seal', 'pva-flex-primer', { zones: ['b'] });
    expect(passArea(drawn({ zones }), sealed, ['outer'], flexPrimer, 'brush').areaCm2).toBe(165);
    expect(cutEdgeCm2(drawn({ substrate: { kind: 'pla-print', thicknessMm: 6 } }))).toBe(0);
    expect(cutEdgeCm2(drawn({ lengths: undefined }))).toBe(0);
  });
  it('they drink: 660 cm² at 120 µm by brush and 80 ml a square metre', () => {
    const piece = drawn({ steps: [step('seal', 'pva-flex-primer')] });
    const [need] = needsOf({ pieces: [piece] }, [
      {
        id: 'p',
        pieceId: piece.id,
        unit: 1,
        stepId: 's',
        stepIndex: 0,
        coat: 1,
        face: 'outer',
        cells: ['outer:whole'],
        placement: 'all',
        share: 1,
        colour: undefined,
        method: 'brush',
        material: flexPrimer,
        wetUm: 120,
        areaCm2: 660,
      },
    ]);
    // 660 · 120 · 1e-4 / 0.95 + 0.066 · 80.
    expect(need?.ml).toBeCloseTo(8.337 + 5.28, 2);
  });
  it('lines follow the grooves, seams the seams: 400 mm by 2 and 150 mm by 10 of 600 cm²', () => {
    const share = (placement: Step['placement'], piece = drawn()) =>
      passArea(
        piece,
        step('detail', 'flex-acrylic', placement ? { placement } : {}),
        ['outer'],
        acrylic,
        'brush',
      ).share;
    expect(share('lines')).toBeCloseTo(8 / 600, 9);
    expect(share('seams')).toBeCloseTo(15 / 600, 9);
    expect(share('edges')).toBeCloseTo((1300 * 6) / 100 / 600, 9);
    // Where they are not known, lines follow the edges, and seams are a tenth.
    expect(share('lines', drawn({ lengths: { outlineMm: 1300 } }))).toBeCloseTo(26 / 600, 9);
    expect(share('seams', drawn({ lengths: undefined }))).toBe(0.1);
  });
  it('tape runs where zones meet, and nowhere else', () => {
    const zones = [
      { id: 'a', name: 'A', share: 0.6, edgeMm: 900, borders: [{ zone: 'b', mm: 200 }] },
      {
        id: 'b',
        name: 'B',
        share: 0.3,
        edgeMm: 700,
        borders: [
          { zone: 'a', mm: 200 },
          { zone: 'c', mm: 120 },
        ],
      },
      { id: 'c', name: 'C', share: 0.1, edgeMm: 300, borders: [{ zone: 'b', mm: 120 }] },
    ];
    const steps: Step[] = [
      { id: 'm', kind: 'mask', zones: ['a', 'c'] },
      step('base', 'flex-acrylic', { id: 'x', zones: ['b'] }),
      { id: 'u', kind: 'unmask', zones: ['a', 'c'] },
    ];
    const piece = drawn({ zones, steps });
    expect(tapeMmOf(piece, steps[0]!)).toBe(320);
    // Not known of all of them: no more than the shorter outline.
    const unknown = zones.map(({ borders: _borders, ...zone }) => zone);
    expect(tapeMmOf(drawn({ zones: unknown, steps }), steps[0]!)).toBe(700);
  });
});
