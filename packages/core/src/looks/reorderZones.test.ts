import { catalogueById } from '../materials/catalogue';
import { pieceSchema } from '../model/schema';
import { reorderZones } from './reorderZones';

const base = (zone: string, method: string) => ({
  id: `base-${zone}`,
  kind: 'base',
  material: 'flex-acrylic',
  method,
  colour: zone === 'rim' ? '#202020' : '#d0d0d0',
  zones: [zone],
});
const piece = (steps: object[]) =>
  pieceSchema.parse({
    id: 'p',
    name: 'P',
    quantity: 1,
    substrate: { kind: 'eva-foam', thicknessMm: 5 },
    faces: { outer: { areaCm2: 400 } },
    zones: [
      { id: 'rim', name: 'Rim', share: 0.3, edgeMm: 600 },
      { id: 'field', name: 'Field', share: 0.7, edgeMm: 900 },
    ],
    steps,
  });
const seal = { id: 'seal', kind: 'seal', material: 'pva-flex-primer', coats: 3 };
const clear = { id: 'clear', kind: 'topcoat', material: 'satin-varnish' };

test('what is sprayed goes first and is taped off for nothing; what is common stays where it was', () => {
  // Brushing the rim first would want 600 mm of tape, the edge they share, before the field is sprayed.
  const made = reorderZones(
    piece([seal, base('rim', 'brush'), base('field', 'airbrush'), clear]),
    catalogueById,
  );
  expect(made!.plan.order).toEqual(['field', 'rim']);
  expect(made!.plan.tapeMm).toBe(0);
  expect(made!.steps.map(({ id }) => id)).toEqual(['seal', 'base-field', 'base-rim', 'clear']);
});

test('with both sprayed there is tape between, and its steps have ids of their own', () => {
  const made = reorderZones(
    piece([seal, base('rim', 'airbrush'), base('field', 'airbrush'), clear]),
    catalogueById,
  )!;
  expect(made.plan.tapeMm).toBe(600);
  const ids = made.steps.map(({ id }) => id);
  expect(new Set(ids).size).toBe(ids.length);
  expect(made.steps.map(({ kind }) => kind)).toEqual(['seal', 'base', 'mask', 'base', 'unmask', 'topcoat']);
});

test('one zone with coats of its own has no order', () => {
  expect(reorderZones(piece([seal, base('rim', 'brush'), clear]), catalogueById)).toBeUndefined();
});
