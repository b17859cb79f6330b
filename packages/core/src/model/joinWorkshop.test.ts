import { parseBuild } from '../materials/parseBuild';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { joinWorkshop, matchWorkshop, type JoinChoice, type Match } from './joinWorkshop';
import type { Build, Place, Tin } from './schema';
import { sharedParts, type SharedParts } from './workshop';

const place = (id: string, name: string, slots = 6): Place => ({
  id,
  name,
  ventilation: 'window',
  slots,
  climate: { kind: 'constant', temperatureC: 21, humidityPct: 50 },
});
const tin = (id: string, changes: Partial<Tin> = {}): Tin => ({
  id,
  material: 'own-red',
  containerMl: 60,
  remainingMl: 50,
  levelAt: '2027-02-15T08:00',
  ...changes,
});
/** Comes with a room, a shed that something is done in, an own red, and a tin of it that a coat came out of. */
const build: Build = sampleBuild({
  name: 'Heron',
  places: [place('room', 'Room'), place('shed', 'Shed')],
  materials: [{ id: 'own-red', extends: 'flex-acrylic', name: 'My red' }],
  stock: [tin('t1')],
  prices: [
    { material: 'own-red', containerMl: 60, price: 4 },
    { material: 'flex-acrylic', containerMl: 60, price: 5 },
  ],
  pieces: [
    samplePiece({}, [
      { id: 'base', kind: 'base', material: 'own-red', method: 'brush', place: 'shed', colour: '#aa2211' },
    ]),
  ],
  log: [
    {
      id: 'l',
      piece: 'plate',
      unit: 1,
      step: 'base',
      coat: 1,
      face: 'outer',
      doneAt: '2027-02-15T09:00',
      place: 'shed',
      material: 'own-red',
      used: [{ tin: 't1', ml: 5 }],
    },
  ],
});
const workshop = (changes: Partial<SharedParts>): SharedParts => ({
  ...sharedParts(sampleBuild({ places: [place('room', 'Room')] })),
  ...changes,
});
const materialName = (id: string) => (id === 'own-red' ? 'My red' : id);
const joined = (into: SharedParts, choices: Record<string, JoinChoice> = {}) => {
  const matches = matchWorkshop(build, into, materialName);
  return joinWorkshop(build, into, matches, ({ kind, id }: Match) => choices[`${kind} ${id}`]);
};
const said = (into: SharedParts) =>
  matchWorkshop(build, into, materialName).map(({ kind, id, how, there }) => [kind, id, how, there?.id]);

describe('a build that comes into a workshop', () => {
  it('is matched thing by thing, by content first and then by id or name', () => {
    expect(said(workshop({}))).toEqual([
      ['people', 'me', 'same', 'me'],
      ['places', 'room', 'same', 'room'],
      ['places', 'shed', 'new', undefined],
      ['materials', 'own-red', 'new', undefined],
      ['stock', 't1', 'new', undefined],
    ]);
    // The same room under another id; a shed of that name which is smaller; a tin of that kind which is fuller.
    const there = workshop({
      places: [place('studio', 'Room'), place('hut', 'shed ', 2)],
      materials: [{ id: 'own-red', extends: 'flex-acrylic', name: 'My red' }],
      stock: [tin('a', { remainingMl: 60 })],
    });
    expect(said(there).slice(1)).toEqual([
      ['places', 'room', 'same', 'studio'],
      ['places', 'shed', 'like', 'hut'],
      ['materials', 'own-red', 'same', 'own-red'],
      ['stock', 't1', 'like', 'a'],
    ]);
  });

  it('can leave behind what nothing of it names, and nothing else', () => {
    const choices = (id: string) =>
      matchWorkshop(build, workshop({ places: [], people: [] }), materialName).find((one) => one.id === id)!
        .choices;
    expect(choices('me')).toEqual(['apart', 'leave']);
    expect(choices('room')).toEqual(['apart', 'leave']);
    expect(choices('shed')).toEqual(['apart']);
    expect(choices('own-red')).toEqual(['apart']);
    expect(choices('t1')).toEqual(['apart', 'leave']);
    expect(
      joined(workshop({ places: [], people: [] }), { 'people me': 'leave', 'stock t1': 'leave' }).build,
    ).toMatchObject({
      people: [],
      places: [{ id: 'room' }, { id: 'shed' }],
    });
  });

  it('names what it names by what it is called there: steps, log, tins, prices', () => {
    const into = workshop({
      places: [place('room', 'Room'), place('hut', 'Shed', 2)],
      materials: [
        { id: 'own-red', extends: 'craft-acrylic', name: 'Somebody’s red' },
        { id: 'red-2', extends: 'flex-acrylic', name: 'My red' },
      ],
      stock: [tin('t1', { material: 'matte-varnish', containerMl: 240, remainingMl: 200 })],
      prices: [{ material: 'flex-acrylic', containerMl: 60, price: 6 }],
    });
    const { build: after, placeIds } = joined(into);
    const [step] = after.pieces[0]!.steps;
    const [entry] = after.log!;
    expect([step!.place, step!.material]).toEqual(['hut', 'red-2']);
    expect([entry!.place, entry!.material, entry!.used]).toEqual(['hut', 'red-2', [{ tin: 't1-2', ml: 5 }]]);
    expect(after.stock).toEqual([into.stock![0], tin('t1-2', { material: 'red-2' })]);
    // What was paid there stands; what was not known comes along.
    expect(after.prices).toEqual([into.prices![0], { material: 'red-2', containerMl: 60, price: 4 }]);
    expect(after.places.map(({ id, slots }) => [id, slots])).toEqual([
      ['room', 6],
      ['hut', 2],
    ]);
    expect(placeIds).toEqual({ room: 'room', shed: 'hut' });
    expect(parseBuild(after).ok).toBe(true);
  });

  it('takes its own figures over, or keeps apart, as the user says', () => {
    const into = workshop({ places: [place('room', 'Room'), place('hut', 'Shed', 2)] });
    expect(joined(into, { 'places shed': 'mine' }).build.places).toEqual([
      place('room', 'Room'),
      place('hut', 'Shed', 6),
    ]);
    const apart = joined(into, { 'places shed': 'apart' }).build;
    expect(apart.places.map(({ id, name }) => [id, name])).toEqual([
      ['room', 'Room'],
      ['hut', 'Shed'],
      ['shed', 'Shed (Heron)'],
    ]);
    expect(apart.pieces[0]!.steps[0]!.place).toBe('shed');
  });

  it('is never doubled: coming again, it finds all there', () => {
    const once = joined(workshop({})).build;
    const again = matchWorkshop(build, sharedParts(once), materialName);
    expect(again.map(({ how }) => how)).toEqual(again.map(() => 'same'));
    expect(joinWorkshop(build, sharedParts(once), again).build).toEqual(once);
  });
});
