import { catalogueById } from '../materials/catalogue';
import { judgeBuild } from '../advice/judgeBuild';
import { parseBuild } from '../materials/parseBuild';
import { cardFor } from '../techniques/index';
import type { Method } from '../model/methods';
import type { Build, Piece } from '../model/schema';
import { entryOf, sure } from '../model/sure';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { addFinish } from './addFinish';
import { finishes } from './finishes';
import { lookById } from './shippedLooks';
import { writeSteps } from './writeSteps';

const climate = { kind: 'constant' as const, temperatureC: 20, humidityPct: 50 };
const ground: Build = sampleBuild({
  places: [
    { id: 'room', name: 'Room', ventilation: 'window', slots: 6, climate },
    { id: 'porch', name: 'Porch', ventilation: 'outdoor', slots: 6, climate },
  ],
});
const zones = [
  { id: 'field', name: 'Field', share: 0.7 },
  { id: 'rim', name: 'Rim', share: 0.3 },
];
function dressed(lookId: string, changes: Partial<Piece> = {}): Piece {
  const piece = samplePiece({ faces: { outer: { areaCm2: 900 } }, ...changes }, []);
  return {
    ...piece,
    steps: writeSteps(ground, piece, { looks: [{ look: entryOf(lookById, lookId) }] }).steps,
  };
}
const finish = (id: string) =>
  sure(
    finishes.find((one) => one.id === id),
    id,
  );
const told = (piece: Piece) =>
  judgeBuild({ ...ground, pieces: [piece] })
    .filter(({ severity }) => severity !== 'note')
    .map(({ rule, message }) => `${rule} ${message}`);

describe('every finish', () => {
  const tools: Record<string, readonly Method[]> = {
    usual: ['brush', 'foam-brush', 'sponge', 'aerosol'],
    airbrush: ['brush', 'sponge', 'airbrush'],
    brushes: ['brush'],
  };
  it.each(finishes.flatMap(({ id }) => Object.keys(tools).map((owned) => [id, owned] as const)))(
    '%s with %s can be added to a metal and to a plain look without a stop or a risk',
    (id, owned) => {
      for (const look of ['gunmetal', 'clean-toy-plastic']) {
        const piece = dressed(look);
        expect(told(piece)).toEqual([]);
        const made = addFinish(ground, piece, finish(id), { tools: tools[owned]! });
        const after = { ...piece, steps: made.steps };
        expect(parseBuild({ ...ground, pieces: [after] })).toMatchObject({ ok: true });
        expect(made.added.length).toBeGreaterThan(0);
        expect(told(after)).toEqual([]);
        // What was there is there, in its order, and the new is told how.
        expect(made.steps.filter((step) => !made.added.includes(step.id))).toEqual(piece.steps);
        for (const step of made.steps.filter((one) => made.added.includes(one.id)))
          expect([step.id, cardFor(step, catalogueById.get(step.material ?? '')) !== undefined]).toEqual([
            step.id,
            true,
          ]);
      }
    },
  );
});

describe('a finish', () => {
  it('goes over the colours or after the weathering, and before the clear', () => {
    const piece = dressed('battle-worn-steel');
    const at = (id: string) => {
      const { steps, added } = addFinish(ground, piece, finish(id));
      const first = steps.findIndex((step) => added.includes(step.id));
      return [steps[first - 1]!.kind, steps[first + added.length]!.kind];
    };
    // Steel and a look at it, then its wash, edges and graphite, then the clear.
    expect(at('chipped')).toEqual(['base', 'inspect']);
    expect(at('dirty-wash')).toEqual(['weather', 'topcoat']);
  });

  it('goes on some zones only, in a colour of one’s own', () => {
    const piece = dressed('gunmetal', { zones });
    const { steps, added } = addFinish(ground, piece, finish('edge-wear'), {
      zones: ['rim'],
      colour: '#d0b060',
    });
    const [step] = steps.filter(({ id }) => added.includes(id));
    expect([step!.zones, step!.colour, step!.placement]).toEqual([['rim'], '#d0b060', 'edges']);
    const all = addFinish(ground, piece, finish('edge-wear'), { zones: ['rim', 'field'] });
    expect(all.steps.find(({ id }) => all.added.includes(id))!.zones).toBeUndefined();
  });

  it('can be added twice', () => {
    const once = addFinish(ground, dressed('gunmetal'), finish('spatter')).steps;
    const twice = addFinish(ground, { ...dressed('gunmetal'), steps: once }, finish('spatter')).steps;
    expect(new Set(twice.map(({ id }) => id)).size).toBe(twice.length);
  });

  it('lays powder where a mist of clear holds it, and paint elsewhere', () => {
    const materials = (lookId: string) => {
      const { steps, added, notes } = addFinish(ground, dressed(lookId), finish('dust'));
      return [steps.find(({ id }) => added.includes(id))!.material, notes];
    };
    expect(materials('battle-worn-steel')).toEqual(['earth-dab', []]);
    expect(materials('gunmetal')).toEqual([
      'dry-brush-acrylic',
      ['Painted in place of powder, as no clear is misted over it here.'],
    ]);
  });

  it('says what there is no tool for', () => {
    const { notes } = addFinish(ground, dressed('gunmetal'), finish('heat-tint'), { tools: ['aerosol'] });
    expect(notes).toEqual(['Washes and highlights want a brush or a sponge, so they are left out.']);
  });
});
