import { judgeBuild } from '../advice/judgeBuild';
import { lookById } from '../looks/shippedLooks';
import { writeSteps } from '../looks/writeSteps';
import type { Piece, Step } from '../model/schema';
import { entryOf } from '../model/sure';
import { needsOf } from '../quantity/needs';
import { planBuild } from '../schedule/answers/planBuild';
import { expandBuild } from '../schedule/plan/operations';
import { checkPlan } from '../testing/checkPlan';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { groundsOf, substrateOf } from './grounds';

/** A foam head on a pipe that stays in sight. */
const sceptre = (steps: Step[] = []): Piece =>
  samplePiece(
    {
      zones: [
        { id: 'head', name: 'Head', share: 0.4 },
        { id: 'shaft', name: 'Shaft', share: 0.6, substrate: { kind: 'pvc-pipe', thicknessMm: 25 } },
      ],
    },
    steps,
  );
const said = (piece: Piece) =>
  judgeBuild(sampleBuild({ pieces: [piece] })).map(({ rule, step }) => `${rule} ${step}`);

describe('a piece that is made of several things', () => {
  it('is each of them on its own zones, with all steps in their places', () => {
    const piece = sceptre([
      { id: 'heat', kind: 'heat-seal', zones: ['head'] },
      { id: 'paint', kind: 'base', material: 'craft-acrylic' },
    ]);
    expect(substrateOf(piece, 'head').kind).toBe('eva-foam');
    expect(substrateOf(piece, 'shaft')).toMatchObject({ kind: 'pvc-pipe', thicknessMm: 25 });
    const [foam, pipe] = groundsOf(piece);
    expect(foam!.steps.map(({ kind }) => kind)).toEqual(['heat-seal', 'base']);
    expect(pipe!.steps.map(({ id, kind }) => [id, kind])).toEqual([
      ['heat', 'inspect'],
      ['paint', 'base'],
    ]);
    expect(groundsOf(samplePiece())).toHaveLength(1);
  });

  it('is judged by what lies below: pipe is never heated, bare foam drinks, smooth plastic wants a key', () => {
    const heat = (zones?: string[]): Step => ({ id: 'heat', kind: 'heat-seal', ...(zones ? { zones } : {}) });
    expect(said(sceptre([heat(['head'])]))).not.toContain('R32 heat');
    expect(said(sceptre([heat(['shaft'])]))).toContain('R32 heat');
    expect(said(sceptre([heat()]))).toContain('R32 heat');
    const paint = (zone: string): Step => ({
      id: 'p',
      kind: 'base',
      material: 'craft-acrylic',
      zones: [zone],
    });
    expect(said(sceptre([paint('head')]))).toContain('R03 p');
    expect(said(sceptre([paint('shaft')]))).not.toContain('R03 p');
    expect(said(sceptre([paint('shaft')]))).toContain('R47 p');
  });

  it('drinks only where it is foam', () => {
    const build = sampleBuild({
      pieces: [sceptre([{ id: 's', kind: 'seal', material: 'pva-flex-primer', method: 'brush' }])],
    });
    // 600 cm² at 120 µm by brush are 7.579 ml; four tenths of its area are foam: 0.4 of 80 ml/m² on 0.06 m² are 1.92 ml.
    expect(needsOf(build, expandBuild(build)).map(({ ml }) => Number(ml.toFixed(3)))).toEqual([9.499]);
  });

  it('gets the ground each of them needs, and one look over all', () => {
    const piece = sceptre();
    const build = sampleBuild();
    const { steps } = writeSteps(build, piece, { looks: [{ look: entryOf(lookById, 'aged-brass') }] });
    const on = (kind: string) => steps.filter((step) => step.kind === kind).map(({ zones }) => zones);
    expect(on('heat-seal')).toEqual([['head']]);
    expect(on('seal')).toEqual([['head']]);
    expect(on('prep')).toEqual([['head'], ['shaft']]);
    expect(steps.filter(({ looksOver }) => looksOver === 'bare')).toHaveLength(1);
    const dressed = { ...build, pieces: [{ ...piece, steps }] };
    expect(judgeBuild(dressed).filter(({ severity }) => severity !== 'note')).toEqual([]);
    expect(checkPlan(dressed, planBuild(dressed, { latestStarts: false }))).toEqual([]);
  });
});

describe('heat', () => {
  const over = (thicknessMm: number) =>
    said(
      samplePiece({ substrate: { kind: 'eva-foam', thicknessMm, over: ['pvc-pipe'] } }, [
        { id: 'heat', kind: 'heat-seal' },
      ]),
    );
  it('reaches a pipe through 4 mm of foam, and not through more', () => {
    expect(over(4)).toContain('R32 heat');
    expect(over(4.1)).not.toContain('R32 heat');
  });
});
