import { pieceSchema, shippedLooks, type Look } from '@fixatum/core';
import { choicesOf, freshLookForm, lookSlots, movedBy, picksOf } from './lookForm';

const piece = (fields: object) =>
  pieceSchema.parse({
    id: 'p',
    name: 'P',
    quantity: 1,
    substrate: { kind: 'eva-foam', thicknessMm: 5 },
    faces: { outer: { areaCm2: 100 } },
    steps: [],
    ...fields,
  });
const zoned = piece({
  zones: [
    { id: 'rim', name: 'Rim', share: 0.3 },
    { id: 'field', name: 'Field', share: 0.7 },
  ],
});
const byId = (id: string): Look | undefined => shippedLooks.find((look) => look.id === id);

test('a piece with zones takes a look for each, another takes one', () => {
  expect(lookSlots(zoned).map(({ id }) => id)).toEqual(['rim', 'field']);
  expect(lookSlots(piece({}))).toEqual([{ id: '', name: 'the whole piece' }]);
});

test('straps are ticked where there is something to put on', () => {
  expect(freshLookForm(piece({})).straps).toBe(false);
  expect(freshLookForm(piece({ keepBare: ['tab'] })).straps).toBe(true);
  expect(freshLookForm(piece({ steps: [{ id: 's', kind: 'attach', attaches: 'strap' }] })).straps).toBe(true);
});

test('what is not chosen is left to the look', () => {
  const form = freshLookForm(zoned);
  form.byZone.rim = { lookId: 'aged-brass', colour: '#aa8844' };
  const picks = picksOf(form, lookSlots(zoned), byId);
  expect(picks.map(({ zone, look, colour }) => [zone, look.id, colour])).toEqual([
    ['rim', 'aged-brass', '#aa8844'],
  ]);
  expect(Object.keys(choicesOf(form, picks)).sort()).toEqual(['fill', 'looks', 'quicker', 'straps', 'tools']);
  expect(choicesOf({ ...form, sealer: 'rubber-dip', clear: 'none' }, picks)).toMatchObject({
    sealer: 'rubber-dip',
    clear: 'none',
  });
});

test('an entry is moved within its list and never out of it', () => {
  expect(movedBy(['a', 'b', 'c'], 'a', 1)).toEqual(['b', 'a', 'c']);
  expect(movedBy(['a', 'b', 'c'], 'c', -2)).toEqual(['c', 'a', 'b']);
  expect(movedBy(['a', 'b', 'c'], 'c', 1)).toEqual(['a', 'b', 'c']);
  expect(movedBy(['a', 'b', 'c'], 'x', 1)).toEqual(['a', 'b', 'c']);
});
