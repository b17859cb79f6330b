import { catalogueById } from '../materials/catalogue';
import { expandBuild } from '../schedule/plan/operations';
import { passMl } from '../quantity/amounts';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { describeStep } from '../words/describeStep';
import { coveredShare, placementOf } from './placements';
import type { Piece, Step } from './schema';
import { methodOf } from './stepSpots';
import { entryOf } from './sure';

const step = (kind: Step['kind'], material: string, changes: Partial<Step> = {}): Step => ({
  id: 's',
  kind,
  material,
  ...changes,
});
const placed = (one: Step) => {
  const material = entryOf(catalogueById, one.material!);
  return placementOf(one, material, methodOf(one, material));
};

describe('where a coat goes', () => {
  it.each([
    ['all', step('seal', 'pva-flex-primer')],
    ['all', step('base', 'flex-acrylic')],
    ['all', step('topcoat', 'satin-varnish')],
    // Clay all over is texture, clay as filler is on the seams.
    ['all', step('texture', 'foam-clay')],
    ['seams', step('fill', 'foam-clay')],
    ['seams', step('fill', 'acrylic-caulk')],
    ['recesses', step('weather', 'acrylic-wash')],
    ['recesses', step('weather', 'earth-dab')],
    ['recesses', step('weather', 'panel-wash')],
    ['high-points', step('weather', 'dry-brush-acrylic')],
    ['high-points', step('weather', 'metal-wax', { method: 'wipe' })],
    ['high-points', step('weather', 'graphite-powder')],
    ['high-points', step('base', 'craft-acrylic', { method: 'dry-brush' })],
    // A sponged paint for weathering is no wash.
    ['all', step('weather', 'craft-acrylic', { method: 'sponge' })],
    ['lines', step('detail', 'alcohol-marker')],
    ['fade', step('weather', 'acrylic-wash', { placement: 'fade' })],
  ] as const)('is %s by kind, method and what it is', (expected, one) => expect(placed(one)).toBe(expected));

  it.each([
    ['all', 1],
    ['recesses', 0.3],
    ['high-points', 0.2],
    ['worn-spots', 0.08],
    ['splatter', 0.1],
    ['fade', 0.5],
    ['patches', 0.6],
    ['seams', 0.1],
    // 900 mm of edge: 900 · 6 mm = 54 cm², 900 · 2 mm = 18 cm², of 600.
    ['edges', 0.09],
    ['lines', 0.03],
  ] as const)('%s covers %d of the area', (placement, share) => {
    const one = step('base', 'flex-acrylic', { placement });
    const material = entryOf(catalogueById, 'flex-acrylic');
    expect(coveredShare(one, material, 'brush', 600, { edgesMm: 900 })).toBeCloseTo(share, 10);
    expect(coveredShare({ ...one, coversPct: 45 }, material, 'brush', 600, { edgesMm: 900 })).toBe(0.45);
  });

  const washed = (changes: Partial<Step> = {}, piece: Partial<Piece> = {}) =>
    sampleBuild({
      pieces: [samplePiece(piece, [step('weather', 'acrylic-wash', { method: 'brush', ...changes })])],
    });

  it('takes material and minutes for what it covers', () => {
    // 600 cm² · 0.3 at 40 µm by brush (0.95 of it lands): 180 · 40 · 1e-4 / 0.95; 0.018 m² at 2 m²/h is half a minute, so one.
    const [wash] = expandBuild(washed());
    expect([wash!.areaCm2, wash!.share, wash!.workMinutes]).toEqual([180, 0.3, 1]);
    expect(passMl(wash!)).toBeCloseTo(0.757895, 5);
    expect(expandBuild(washed({ placement: 'all' }))[0]!.areaCm2).toBe(600);
    expect(expandBuild(washed({ coversPct: 5 }))[0]!.areaCm2).toBe(30);
  });

  it('is said in the line about the step', () => {
    const line = (changes: Partial<Step> = {}) => {
      const build = washed(changes);
      const piece = build.pieces[0]!;
      return describeStep(build, piece, piece.steps[0]!, entryOf(catalogueById, 'acrylic-wash'));
    };
    expect(line()).toContain(' · into the recesses · ');
    expect(line({ placement: 'all' })).not.toContain('into the recesses');
    expect(line({ coversPct: 5 })).toContain(' · on 5 % of it · ');
  });
});
