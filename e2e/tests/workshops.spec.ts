import { readFile } from 'node:fs/promises';
import type { Build } from '@fixatum/core';
import { begin, logNext } from '../bench';
import { choose, field } from '../fields';
import { startDemo, type Demo } from '../server';
import { expect, test, type Locator, type Page } from '../test';

let server: Demo['server'];
let courier: Demo['id'];
let stored: Demo['stored'];
test.beforeEach(async () => {
  ({ server, id: courier, stored } = await startDemo());
});
test.afterEach(() => server.stop());

interface Workshops {
  workshops: { id: string; name: string; people: string[]; places: string[]; builds: string[] }[];
}
const workshops = async () =>
  ((await (await fetch(`${server.url}/api/workshops`)).json()) as Workshops).workshops;
const idOf = (page: Page) => /\/b\/([^/]+)\//.exec(page.url())![1]!;
const listed = (page: Page, workshop: string) => page.getByRole('region', { name: workshop });

test('a new build in a workshop has its first piece in under ten presses, and waits for hands that are busy', async ({
  page,
}) => {
  let presses = 0;
  const press = async (what: Locator) => {
    presses += 1;
    await what.click();
  };
  await page.goto(server.url);
  await press(page.getByRole('button', { name: 'New build' }));
  await expect(page.getByLabel('What is it called?')).toBeFocused();
  await page.getByLabel('What is it called?').fill('Ferry warden');
  await expect(page.getByText('With Wren, Oda, Spare room, Back porch')).toBeVisible();
  await press(page.getByRole('button', { name: 'Make it' }));
  await press(page.getByRole('link', { name: 'Go to Pieces' }));
  await press(page.getByRole('button', { name: 'Add the first piece' }));
  await expect(page.getByLabel('Name')).toBeFocused();
  await page.getByLabel('Name').fill('Mantle plate');
  await page.getByLabel('Width').fill('300');
  await page.getByLabel('Height').fill('200');
  await press(page.getByLabel('The inner face is sealed too'));
  await choose(page, 'Look', 'Gunmetal');
  presses += 2;
  await press(page.getByRole('button', { name: 'Add it' }));
  await expect(page.getByRole('heading', { name: 'Mantle plate' })).toBeVisible();
  expect(presses).toBeLessThan(10);
  const warden = idOf(page);
  expect((await workshops()).map(({ builds }) => builds.length)).toEqual([3]);
  expect((await stored(warden)).people).toEqual((await stored(courier)).people);

  // Tonight Wren's hands are in the courier, which goes first; both are told in one list.
  await server.restart();
  await page.goto(`${server.url}/b/${warden}/bench`);
  await expect(page.getByText('Nothing here needs hands until')).toBeVisible();
  await expect(page.getByTestId('goes-first')).toHaveText(
    /^(Orrery Courier|Tidepool lantern)\s+goes first: /,
  );
  const then = page.getByRole('region', { name: 'In turn, over all builds' });
  await expect(then.getByRole('link', { name: 'Orrery Courier' }).first()).toBeVisible();

  // Put first and begun all the same, the courier finds Wren busy and says where.
  await page.goto(server.url);
  for (let n = 0; n < 2; n += 1) {
    await page.getByRole('button', { name: 'Ferry warden goes before the one above' }).click();
    await expect.poll(async () => (await workshops())[0]!.builds.indexOf(warden)).toBe(1 - n);
  }
  await page.getByRole('link', { name: /Ferry warden/ }).click();
  await begin(page);
  await page.goto(`${server.url}/b/${courier}/bench`);
  await expect(
    page.getByRole('status').filter({ hasText: 'Under way in Ferry warden: Prep.' }),
  ).toBeVisible();
});

test('what is laid in one build is out of the tin in the other, and what is set there counts here', async ({
  page,
}) => {
  await page.goto(server.url);
  await page.getByRole('link', { name: /Tidepool lantern/ }).click();
  await expect(page.getByTestId('next-pass')).toBeVisible();
  const lantern = idOf(page);
  const level = page.getByTestId('tin').filter({ hasText: 'Flexible PVA foam primer' }).getByTestId('level');
  await page.goto(`${server.url}/b/${courier}/shelf`);
  await expect(level).toHaveText('700 ml of 1 l');
  const seal = { piece: 'handle', unit: 1, step: 'seal', coat: 1, doneAt: '2027-02-20T19:25' };
  const logged = await fetch(`${server.url}/api/builds/${lantern}/log`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ ...seal, used: [{ tin: 'primer', ml: 40 }] }),
  });
  expect(logged.status).toBe(201);
  await expect(level).toHaveText('660 ml of 1 l');
  await page
    .getByTestId('tin')
    .filter({ hasText: 'Flexible PVA foam primer' })
    .getByText('Half left')
    .click();
  await expect(level).toHaveText('500 ml of 1 l');
  await page.goto(`${server.url}/b/${lantern}/shelf`);
  await expect(level).toHaveText('500 ml of 1 l');
});

test('a file is matched with the workshop it is opened in, thing by thing, and nothing is doubled', async ({
  page,
}) => {
  const file = JSON.parse(await readFile('demo/tidepool-lantern.json', 'utf8')) as Build;
  const [room, porch] = file.places;
  // The porch is a smaller one, and there is a friend with hands of their own.
  const changed = {
    ...file,
    name: 'Buoy',
    places: [room, { ...porch, slots: 2 }],
    people: [...file.people, { id: 'isk', name: 'Isk', availability: file.people[0]!.availability }],
  };
  const take = async (build: object) => {
    await page.goto(server.url);
    await expect(listed(page, 'Wren’s workshop')).toBeVisible();
    await page.getByLabel('Build file').setInputFiles({
      name: 'b.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(build)),
    });
    return page.getByRole('dialog');
  };
  const dialog = await take(changed);
  await expect(field(page, 'Workshop')).toBeVisible();
  await expect(dialog.getByText('is “Back porch” there, which stays as it is')).toBeVisible();
  await expect(dialog.getByText('comes along').first()).toBeVisible();
  await choose(page, 'Isk', 'stays behind');
  await dialog.getByRole('button', { name: 'Add this build' }).click();
  await expect(page.getByTestId('next-pass')).toBeVisible();
  const buoy = idOf(page);
  const said = await workshops();
  expect(said.map(({ people, places, builds }) => [people, places, builds.length])).toEqual([
    [['Wren', 'Oda'], ['Spare room', 'Back porch'], 3],
  ]);
  const [ours, theirs] = [await stored(buoy), await stored(courier)];
  expect([ours.people, ours.places, ours.stock]).toEqual([theirs.people, theirs.places, theirs.stock]);

  // A club room is another workshop; the build moves there and keeps what it names.
  const club = {
    format: 'fixatum-workshop/1',
    name: 'Club room',
    timeZone: 'Europe/Lisbon',
    people: [],
    places: [],
  };
  await take(club);
  await expect(listed(page, 'Club room')).toContainText('No build in it');
  await page.goto(`${server.url}/b/${buoy}/workshop`);
  await page.getByRole('button', { name: 'Move it to another workshop' }).click();
  await choose(page, 'Back porch', 'stays behind');
  await page.getByRole('button', { name: 'Move it', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Club room' })).toBeVisible();
  await server.restart();
  expect((await workshops()).map(({ name, places, builds }) => [name, places, builds.length])).toEqual([
    ['Wren’s workshop', ['Spare room', 'Back porch'], 2],
    ['Club room', ['Spare room'], 1],
  ]);
});

test('a build that is done stays as a record, and is taken up again', async ({ page }) => {
  await page.goto(server.url);
  await page.getByRole('link', { name: /Tidepool lantern/ }).click();
  await page.getByRole('link', { name: 'Workshop', exact: true }).click();
  await page.getByRole('button', { name: 'Rename the workshop' }).click();
  await page.getByLabel('What the workshop is called').fill('Attic');
  await page.getByRole('button', { name: 'Rename', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Attic' })).toBeVisible();
  await page.getByRole('button', { name: 'Finish the build…' }).click();
  await expect(page.getByRole('heading', { name: 'What it took' })).toBeVisible();
  await page.getByRole('button', { name: 'Finish the build', exact: true }).click();
  await expect(listed(page, 'Attic')).toContainText('✓ done 20 Feb 2027');
  await server.restart();
  await page.reload();
  await page.getByRole('button', { name: 'Open it again' }).first().click();
  await expect(listed(page, 'Attic')).not.toContainText('✓ done');
  await page.getByRole('link', { name: /Orrery Courier/ }).click();
  await logNext(page);
});
