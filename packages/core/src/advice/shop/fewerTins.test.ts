import { planBuild } from '../../schedule/answers/planBuild';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import type { Build, Piece, Step } from '../../model/schema';
import { applyPatch } from '../../materials/applyPatch';
import { insteadOf, isLittleUsed } from './fewerTins';
import { shopBuild } from './shopBuild';

const foam = (
  id: string,
  areaCm2: number,
  prime: string,
  colour: string,
  { more = [], coats = 3 }: { more?: Step[]; coats?: number } = {},
): Piece =>
  samplePiece(
    {
      id,
      name: id,
      substrate: { kind: 'eva-foam', thicknessMm: 6, heatSealed: true },
      faces: { outer: { areaCm2 } },
    },
    [
      { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush', coats: 2 },
      { id: 'prime', kind: 'prime', material: prime, method: 'foam-brush', film: 'light' },
      { id: 'base', kind: 'base', material: 'flex-acrylic', method: 'foam-brush', colour, coats },
      ...more,
    ],
  );
const wash = (colour: string): Step => ({
  id: 'wash',
  kind: 'weather',
  material: 'acrylic-wash',
  method: 'brush',
  colour,
});
const asked = (build: Build, materialId: string, colour?: string) => {
  const plan = planBuild(build, { latestStarts: false });
  const list = shopBuild(build, plan);
  const line = list.lines.find(
    (one) => one.materialId === materialId && (colour === undefined || one.colour === colour),
  )!;
  return { line, instead: insteadOf(build, plan, line, list) };
};

describe('a tin of which little is used', () => {
  it('is one of which at most a tenth is', () => {
    // 120 ml are the smallest: 12 ml are a tenth of it.
    const { line } = asked(
      sampleBuild({ pieces: [foam('case', 4000, 'acrylic-pu-primer-grey', '#8aa08a')] }),
      'acrylic-pu-primer-grey',
    );
    expect(line.buy.containers).toMatchObject([{ containerMl: 120, count: 1 }]);
    expect(isLittleUsed({ ...line, enoughMl: 12 })).toBe(true);
    expect(isLittleUsed({ ...line, enoughMl: 12.01 })).toBe(false);
    expect(isLittleUsed({ ...line, enoughMl: 1, buy: { ...line.buy, containers: [] } })).toBe(false);
  });

  it('gives way to a primer that is bought anyway, where the paint over it covers either', () => {
    const build = sampleBuild({
      pieces: [
        foam('case', 8000, 'acrylic-pu-primer-grey', '#46584a'),
        foam('rod', 300, 'acrylic-pu-primer-black', '#4a3a2a'),
      ],
    });
    const { instead } = asked(build, 'acrylic-pu-primer-black');
    expect(instead).toEqual({
      materialId: 'acrylic-pu-primer-grey',
      name: 'Acrylic-urethane primer grey',
      colour: undefined,
      change: [{ op: 'replace', path: '/pieces/1/steps/1/material', value: 'acrylic-pu-primer-grey' }],
      shows: [],
    });
    // Done, and nothing is bought for it any more.
    const changed = applyPatch(build, instead!.change);
    if (!changed.ok) throw new Error('it can be done');
    const lines = shopBuild(changed.value, planBuild(changed.value, { latestStarts: false })).lines;
    expect(lines.map(({ materialId }) => materialId)).not.toContain('acrylic-pu-primer-black');
  });

  it('stays where nothing alike is bought, where that is little used too, or where it has been begun', () => {
    const two = [
      foam('case', 8000, 'acrylic-pu-primer-grey', '#46584a'),
      foam('rod', 300, 'acrylic-pu-primer-black', '#4a3a2a'),
    ];
    expect(asked(sampleBuild({ pieces: [two[1]!] }), 'acrylic-pu-primer-black').instead).toBeUndefined();
    const small = foam('bead', 300, 'acrylic-pu-primer-grey', '#46584a');
    expect(
      asked(sampleBuild({ pieces: [small, two[1]!] }), 'acrylic-pu-primer-black').instead,
    ).toBeUndefined();
    const [case_, rod] = two;
    const twice = {
      ...rod!,
      steps: rod!.steps.map((step) => (step.id === 'prime' ? { ...step, coats: 2 } : step)),
    };
    const log = [
      {
        id: 'l',
        piece: 'rod',
        unit: 1,
        step: 'prime',
        coat: 1,
        face: 'outer' as const,
        doneAt: '2027-02-15T08:00',
      },
    ];
    expect(
      asked(sampleBuild({ pieces: [case_!, twice], log }), 'acrylic-pu-primer-black').instead,
    ).toBeUndefined();
  });

  it('does not give way to what would show: black below yellow', () => {
    const build = sampleBuild({
      pieces: [
        foam('case', 8000, 'acrylic-pu-primer-black', '#2a2a30'),
        // One coat of it lets black through, which is a risk; white it does not.
        foam('rod', 300, 'acrylic-pu-primer-white', '#f7e017', { coats: 1 }),
      ],
    });
    expect(asked(build, 'acrylic-pu-primer-white').instead).toBeUndefined();
  });

  it('gives way to another wash only where it looks nearly the same', () => {
    const pieces = (other: string) => [
      foam('case', 60_000, 'acrylic-pu-primer-grey', '#8a6a4a', { more: [wash('#2a1a10')] }),
      foam('rod', 300, 'acrylic-pu-primer-grey', '#8a6a4a', { more: [wash(other)] }),
    ];
    const dark = asked(sampleBuild({ pieces: pieces('#4a3317') }), 'acrylic-wash', '#4a3317');
    expect(dark.instead?.change).toEqual([
      { op: 'replace', path: '/pieces/1/steps/3/colour', value: '#2a1a10' },
    ]);
    expect(dark.instead?.shows).toEqual(['a shade darker']);
    // The bound is 15: ΔE00 of #594125 from it is 14.8, of #5a4225 15.2.
    const near = (other: string) =>
      asked(sampleBuild({ pieces: pieces(other) }), 'acrylic-wash', other).instead;
    expect([near('#594125')?.colour, near('#5a4225')?.colour]).toEqual(['#2a1a10', undefined]);
    const pale = asked(sampleBuild({ pieces: pieces('#a8c8d8') }), 'acrylic-wash', '#a8c8d8');
    expect(pale.line.enoughMl).toBeLessThan(6);
    expect(pale.instead).toBeUndefined();
  });

  it('gives way to another shade of its paint only where nobody would call it another colour', () => {
    const line = (colour: string): Step => ({
      id: 'glow',
      kind: 'detail',
      material: 'flex-acrylic',
      method: 'brush',
      placement: 'lines',
      colour,
    });
    const pieces = (other: string) => [
      foam('case', 20_000, 'acrylic-pu-primer-grey', '#eeeaea'),
      foam('rune', 300, 'acrylic-pu-primer-grey', '#8a6a4a', { more: [line(other)] }),
    ];
    // The bound is 5: ΔE00 of #f4f4f4 from #eeeaea is 2.8, of white 4.6, of #f9faf4 5.4.
    const instead = (other: string) =>
      asked(sampleBuild({ pieces: pieces(other) }), 'flex-acrylic', other).instead;
    expect(instead('#f4f4f4')?.shows).toEqual(['a shade darker']);
    expect(instead('#ffffff')?.shows).toEqual(['a shade darker']);
    expect(instead('#f9faf4')).toBeUndefined();
  });
});
