import { lookFromPiece, pieceSchema, schools, shippedLooks, sure, type Look } from '@fixatum/core';
import {
  choicesOf,
  finishSteps,
  freshLookForm,
  isSavedFinish,
  likelyZones,
  lookSlots,
  movedBy,
  otherSchool,
  picksOf,
} from './lookForm';
import { smallBuild } from '../testing/smallBuild';

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

test('what goes on the body is tried on, and everything is looked over', () => {
  const wanted = (fields: object) => {
    const { tryOn, lookOvers } = freshLookForm(piece(fields));
    return { tryOn, lookOvers };
  };
  expect(wanted({})).toEqual({ tryOn: false, lookOvers: true });
  expect(wanted({ flex: [{ name: 'tab', bendRadiusMm: 50 }] })).toEqual({ tryOn: true, lookOvers: true });
  expect(wanted({ onSkin: true }).tryOn).toBe(true);
});

test('what is not chosen is left to the look', () => {
  const form = freshLookForm(zoned);
  form.byZone.rim = { lookId: 'aged-brass', colour: '#aa8844' };
  const picks = picksOf(form, lookSlots(zoned), byId);
  expect(picks.map(({ zone, look, colour }) => [zone, look.id, colour])).toEqual([
    ['rim', 'aged-brass', '#aa8844'],
  ]);
  expect(Object.keys(choicesOf(form, picks)).sort()).toEqual([
    'lookOvers',
    'looks',
    'quicker',
    'straps',
    'tools',
    'tryOn',
    'wipe',
  ]);
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

test('a zone begins with the colour it was given where the piece was made', () => {
  const green = { ...zoned, zones: zoned.zones!.map((zone) => ({ ...zone, colour: '#226644' })) };
  expect(freshLookForm(green).byZone.rim).toEqual({ lookId: '', colour: '#226644' });
});

test('a sealer is never held against itself, nor against none', () => {
  for (const { id } of schools) {
    const other = sure(
      schools.find((school) => school.id === otherSchool(id)),
      'the other',
    );
    expect([other.id === id, other.step === undefined]).toEqual([false, false]);
  }
});

test('a finish that was saved whole asks which zone is which, and says what it changed', () => {
  const steps = [
    { id: 'seal', kind: 'seal', material: 'pva-flex-primer' },
    { id: 'gold', kind: 'base', material: 'acrylic-metallic', zones: ['rim'] },
    { id: 'blue', kind: 'base', material: 'flex-acrylic', zones: ['field'] },
  ];
  const look = lookFromPiece(piece({ ...zoned, steps }), 'Mine', 'mine');
  if (!isSavedFinish(look)) throw new Error('it was saved whole');
  expect([isSavedFinish(byId('aged-brass')), isSavedFinish(undefined)]).toEqual([false, false]);
  const other = piece({
    id: 'q',
    name: 'Q',
    zones: [
      { id: 'plate', name: 'Plate', share: 0.8 },
      { id: 'edge', name: 'Edge', share: 0.2 },
    ],
  });
  expect(likelyZones(look, other)).toEqual({ plate: 'field', edge: 'rim' });
  const build = smallBuild();
  const all = finishSteps(build, other, look, { plate: 'field', edge: 'rim' });
  expect(all.steps.map(({ id, zones }) => [id, zones])).toEqual([
    ['seal', undefined],
    ['gold', ['edge']],
    ['blue', ['plate']],
  ]);
  expect(all.notes).toEqual([]);
  const less = finishSteps(build, other, look, { plate: 'field', edge: '' });
  expect(less.steps.map(({ id }) => id)).toEqual(['seal', 'blue']);
  expect(less.notes).toEqual(['Nothing here is Rim, so its steps are left out.']);
  // A piece without zones takes one of them, the largest to begin with.
  expect(likelyZones(look, piece({ id: 'r', name: 'R' }))).toEqual({ '': 'field' });
});
