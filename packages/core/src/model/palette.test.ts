import fc from 'fast-check';
import { applyPatch } from '../materials/applyPatch';
import { parseBuild } from '../materials/parseBuild';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import {
  addToPalette,
  changePalette,
  follow,
  inPalette,
  looseUses,
  paletteUses,
  removeFromPalette,
} from './palette';
import type { Build, LogEntry, Step } from './schema';
import type { PatchStep } from './patch';

const paint = (id: string, colour: string, more: Partial<Step> = {}): Step => ({
  id,
  kind: 'base',
  material: 'flex-acrylic',
  coats: 2,
  colour,
  ...more,
});
const build = (): Build =>
  sampleBuild({
    pieces: [
      samplePiece({ id: 'plate', name: 'Plate' }, [paint('green', '#3f7f72'), paint('bone', '#D9CFB4')]),
      samplePiece({ id: 'band', name: 'Band' }, [paint('green', '#3f7f72')]),
    ],
    log: [],
  });
function done(before: Build, change: PatchStep[]): Build {
  const result = applyPatch(before, change);
  if (!result.ok) throw new Error(JSON.stringify(result.faults));
  return result.value;
}
const green = { name: 'Sea green', role: 'base' as const, colour: '#3f7f72' };
const coloursOf = ({ pieces }: Build) => pieces.map(({ steps }) => steps.map(({ colour }) => colour));

describe('a palette', () => {
  it('takes in a colour, and the steps in it follow from then on', () => {
    const named = done(build(), addToPalette(build(), [green]));
    expect(named.palette).toEqual([{ ...green, id: 'sea-green' }]);
    expect(paletteUses(named, 'sea-green').map(({ piece, step }) => [piece, step.id])).toEqual([
      ['plate', 'green'],
      ['band', 'green'],
    ]);
    const changed = done(named, changePalette(named, { ...green, id: 'sea-green', colour: '#224455' }));
    expect(coloursOf(changed)).toEqual([['#224455', '#D9CFB4'], ['#224455']]);
    expect(changed.palette![0]!.colour).toBe('#224455');
  });

  it('gives two colours of one name ids of their own, and writes colours of either case as one', () => {
    const two = done(build(), addToPalette(build(), [green, { ...green, colour: '#d9cfb4' }]));
    expect(two.palette!.map(({ id }) => id)).toEqual(['sea-green', 'sea-green-2']);
    expect(paletteUses(two, 'sea-green-2').map(({ step }) => step.id)).toEqual(['bone']);
  });

  it('leaves what is begun in the colour that it was laid in', () => {
    const entry: LogEntry = {
      id: 'l1',
      piece: 'plate',
      unit: 1,
      step: 'green',
      coat: 1,
      face: 'outer',
      doneAt: '2027-02-15T19:00',
    };
    const named = { ...done(build(), addToPalette(build(), [green])), log: [entry] };
    const changed = done(named, changePalette(named, { ...green, id: 'sea-green', colour: '#224455' }));
    expect(coloursOf(changed)).toEqual([['#3f7f72', '#D9CFB4'], ['#224455']]);
    expect(paletteUses(changed, 'sea-green').map(({ piece }) => piece)).toEqual(['band']);
    // A new name alone moves nothing.
    const renamed = done(named, changePalette(named, { ...named.palette![0]!, name: 'Enamel' }));
    expect(paletteUses(renamed, 'sea-green')).toHaveLength(2);
  });

  it('lets go of its steps when it loses a colour, and they keep it', () => {
    const named = done(build(), addToPalette(build(), [green]));
    const without = done(named, removeFromPalette(named, 'sea-green'));
    expect(without.palette).toEqual([]);
    expect(coloursOf(without)).toEqual(coloursOf(named));
    expect(looseUses(without, '#3F7F72')).toHaveLength(2);
    expect(removeFromPalette(named, 'other')).toEqual([]);
    expect(changePalette(named, { ...green, id: 'other' })).toEqual([]);
  });

  it('is followed by a new step in just its colour', () => {
    const [own] = done(build(), addToPalette(build(), [green])).palette!;
    expect(inPalette(paint('new', '#3F7F72'), [own!]).palette).toBe('sea-green');
    expect(inPalette(paint('new', '#3f7f73'), [own!]).palette).toBeUndefined();
  });

  it('is refused with a path where a step names a colour that is not in it, or two share an id', () => {
    const wrong = build();
    wrong.pieces[0]!.steps[0]!.palette = 'gone';
    expect(parseBuild(wrong)).toMatchObject({
      ok: false,
      faults: [
        { path: ['pieces', 0, 'steps', 0, 'palette'], message: 'There is no colour "gone" in this build.' },
      ],
    });
    const twice = {
      ...build(),
      palette: [
        { ...green, id: 'a' },
        { ...green, id: 'a' },
      ],
    };
    expect(parseBuild(twice)).toMatchObject({ ok: false, faults: [{ code: 'id-twice' }] });
  });

  it('never leaves a step in another colour than the one it names', () => {
    const colour = fc.constantFrom('#3f7f72', '#d9cfb4', '#224455', '#a8803a');
    const act = fc.oneof(
      fc.record({ kind: fc.constant('add' as const), colour }),
      fc.record({ kind: fc.constant('change' as const), at: fc.nat(3), colour }),
      fc.record({ kind: fc.constant('remove' as const), at: fc.nat(3) }),
      fc.record({ kind: fc.constant('follow' as const), at: fc.nat(3) }),
      fc.record({ kind: fc.constant('log' as const), at: fc.nat(1) }),
    );
    fc.assert(
      fc.property(fc.array(act, { maxLength: 12 }), (acts) => {
        let now = build();
        for (const one of acts) {
          const own = now.palette?.[('at' in one ? one.at : 0) % (now.palette.length || 1)];
          if (one.kind === 'add') now = done(now, addToPalette(now, [{ ...green, colour: one.colour }]));
          else if (one.kind === 'log') {
            const entry = {
              id: `l${now.log!.length}`,
              piece: 'plate',
              unit: 1,
              coat: 1,
              face: 'outer' as const,
            };
            const step = ['green', 'bone'][one.at]!;
            if (!now.log!.some((other) => other.step === step))
              now = { ...now, log: [...now.log!, { ...entry, step, doneAt: '2027-02-15T19:00' }] };
          } else if (own && one.kind === 'change')
            now = done(now, changePalette(now, { ...own, colour: one.colour }));
          else if (own && one.kind === 'remove') now = done(now, removeFromPalette(now, own.id));
          else if (own && one.kind === 'follow') now = done(now, follow(looseUses(now, own.colour), own));
          const colours = new Map(now.palette?.map(({ id, colour: shade }) => [id, shade]));
          for (const { steps } of now.pieces)
            for (const step of steps)
              if (step.palette !== undefined)
                expect(step.colour!.toLowerCase()).toBe(colours.get(step.palette)!.toLowerCase());
          expect(parseBuild(now).ok).toBe(true);
        }
      }),
    );
  });
});
