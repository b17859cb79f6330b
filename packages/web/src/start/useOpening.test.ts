import { createPinia, setActivePinia } from 'pinia';
import { api } from '../shared/api';
import { useOpening } from './useOpening';

const textOf = (name: string) =>
  JSON.stringify({ format: 'fixatum-build/1', name, timeZone: 'UTC', start: '2027-02-20T18:00', pieces: [] });
const file = (name: string, text: string) =>
  Object.assign(new File([text], name), { text: () => Promise.resolve(text) });
/** Lets everything go on that waits for nothing but its turn. */
const settle = () => new Promise((done) => setTimeout(done));

let created: string[];
let workshops: number;
let gone: string[];
const opening = () =>
  useOpening({
    hasWorkshops: () => workshops > 0,
    refresh: () => Promise.resolve(),
    goTo: (id) => gone.push(id),
  });
beforeEach(() => {
  setActivePinia(createPinia());
  [created, workshops, gone] = [[], 0, []];
  jest.spyOn(api, 'createBuild').mockImplementation((text) => {
    const { name } = JSON.parse(text) as { name: string };
    created.push(name);
    workshops += 1;
    return Promise.resolve({ id: name, version: 1, pieceEtags: {}, build: JSON.parse(text) });
  });
});
afterEach(() => void jest.restoreAllMocks());

test('one file is opened and gone to', async () => {
  const { take } = opening();
  await take([file('a.json', textOf('A'))]);
  expect([created, gone]).toEqual([['A'], ['A']]);
});

test('of three at once each is taken, in order; the screen stays, and what is refused is named', async () => {
  const { take, arriving, isArriving, arrived, refused, turn } = opening();
  const done = take([
    file('a.json', textOf('A')),
    file('torn.json', '{"format"'),
    file('b.json', textOf('B')),
    file('c.json', textOf('C')),
  ]);
  await settle();
  // The second is asked about, as there is a workshop now; the third waits for it.
  expect(arriving.value?.name).toBe('B');
  const asked = turn.value;
  isArriving.value = false;
  await arrived('B');
  await settle();
  expect(arriving.value?.name).toBe('C');
  expect(turn.value).toBeGreaterThan(asked);
  // Let go, it is done with.
  isArriving.value = false;
  await done;
  expect([created, gone]).toEqual([['A'], []]);
  expect(refused.value.map(({ name, faults }) => [name, faults.length > 0])).toEqual([['torn.json', true]]);
});

test('files that come while one is asked about wait for their turn', async () => {
  workshops = 1;
  const { take, arriving, isArriving, archive, isLooking } = opening();
  const first = take([file('a.json', textOf('A'))]);
  await settle();
  await take([file('all.zip', '')]);
  expect([arriving.value?.name, archive.value]).toEqual(['A', undefined]);
  isArriving.value = false;
  await settle();
  expect(archive.value?.name).toBe('all.zip');
  isLooking.value = false;
  await first;
});
