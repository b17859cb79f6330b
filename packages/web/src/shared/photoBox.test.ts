import 'fake-indexeddb/auto';
import { isPhotoName } from '@fixatum/core';
import { createPinia, setActivePinia } from 'pinia';
import { ApiProblem, api } from './api';
import { useNotice } from './notice';
import { usePhotoBox } from './photoBox';

/** The box as a window that was just opened has it. */
async function opened() {
  setActivePinia(createPinia());
  const box = usePhotoBox();
  await box.ready;
  return box;
}
const picture = (says: string) => new Blob([says], { type: 'image/jpeg' });
const away = new ApiProblem(0, 'away', 'No answer', 'The server does not answer.', []);
/** What reached the server: its bytes as text, by name. */
function server(says: (name: string) => ApiProblem | undefined = () => undefined) {
  const got = new Map<string, string>();
  const add = jest.spyOn(api, 'addPhoto');
  add.mockClear();
  add.mockImplementation(async (file, name = '') => {
    const problem = says(name);
    if (problem) throw problem;
    got.set(name, Buffer.from(await file.arrayBuffer()).toString());
    return { photo: name };
  });
  return got;
}

let nextAddress = 0;
beforeEach(() => {
  URL.createObjectURL = () => `blob:${(nextAddress += 1)}`;
  URL.revokeObjectURL = jest.fn();
});
afterEach(async () => {
  server();
  await (await opened()).flush();
  jest.restoreAllMocks();
});

it('a photo is seen here until the server has it, and there from then on', async () => {
  const got = server();
  const box = await opened();
  const name = await box.put(picture('a gorget'));
  expect([isPhotoName(name), box.count]).toEqual([true, 1]);
  const here = box.addressOf(name);
  expect(here).toMatch(/^blob:/);
  await box.flush();
  expect([[...got], box.count, box.addressOf(name)]).toEqual([
    [[name, 'a gorget']],
    0,
    `/api/photos/${name}`,
  ]);
  expect(URL.revokeObjectURL).toHaveBeenCalledWith(here);
});

it('photos wait over a reload while nobody answers, and are sent once each', async () => {
  server(() => away);
  const before = await opened();
  const first = await before.put(picture('one'));
  const second = await before.put(picture('two'));
  await expect(before.flush()).rejects.toBe(away);
  const got = server();
  const after = await opened();
  expect([after.count, after.addressOf(first)]).toEqual([2, expect.stringMatching(/^blob:/)]);
  await Promise.all([after.flush(), after.flush()]);
  expect(got).toEqual(
    new Map([
      [first, 'one'],
      [second, 'two'],
    ]),
  );
  expect(api.addPhoto).toHaveBeenCalledTimes(2);
  expect((await opened()).count).toBe(0);
});

it('what the server will never take is said once, and holds up no other', async () => {
  const box = await opened();
  const bad = await box.put(picture('no picture'));
  const good = await box.put(picture('a picture'));
  const got = server((name) =>
    name === bad ? new ApiProblem(415, 'no-photo', 'Not a photo', 'That is no picture.', []) : undefined,
  );
  await box.flush();
  expect([[...got.keys()], box.count, useNotice().text]).toEqual([
    [good],
    0,
    'Not a photo. That is no picture.',
  ]);
});

it('one that is left out is forgotten, over a reload too', async () => {
  const got = server();
  const box = await opened();
  const name = await box.put(picture('blurred'));
  await box.drop(name);
  await box.drop('never-was.jpg');
  expect([box.count, (await opened()).count]).toEqual([0, 0]);
  await box.flush();
  expect(got.size).toBe(0);
});
