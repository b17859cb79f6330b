import { choose, field } from '../fields';
import { startDemo, startServer, type RunningServer } from '../server';
import { expect, test, type Page } from '../test';

let server: RunningServer;
test.afterEach(() => server.stop());

/** Starts the server of a test with the demo builds; the id of the courier's. */
async function demo(): Promise<string> {
  const { server: started, id } = await startDemo();
  server = started;
  return id;
}
const stepWords = (page: Page) => page.locator('.step-row strong').allInnerTexts();

test('a beginner gets from nothing to a full plan with masking and a date in under 40 clicks', async ({
  page,
}) => {
  server = await startServer({ samples: false });
  // Every press of the mouse in the page is counted where it lands.
  await page.addInitScript(() => {
    addEventListener(
      'click',
      (event) =>
        event.isTrusted &&
        sessionStorage.setItem('clicks', String(Number(sessionStorage.getItem('clicks') ?? 0) + 1)),
      true,
    );
  });
  await page.goto(server.url);
  await page.getByRole('button', { name: 'New build' }).click();
  await expect(page.getByLabel('What is it called?')).toBeFocused();
  await page.getByLabel('What is it called?').fill('Kelp warden');
  await page.getByLabel('Worn on', { exact: true }).fill('20 March 2027');
  // Where spring is warm enough for cans; elsewhere a can that is cold is a risk, and said to be.
  await choose(page, 'What is it like outside?', 'warm: hardly any frost, hot summers');
  await page.getByRole('button', { name: 'Make it' }).click();
  await page.getByRole('link', { name: 'Go to Pieces' }).click();

  await page.getByRole('button', { name: 'Add the first piece' }).click();
  await expect(page.getByLabel('Name')).toBeFocused();
  await page.getByLabel('Name').fill('Breastplate');
  await page.getByLabel('Width').fill('400');
  await page.getByLabel('Height').fill('450');
  await expect(page.getByTestId('area')).toContainText('1800 cm²');
  await page.getByRole('button', { name: 'Split into zones' }).click();
  await page.getByRole('button', { name: 'Another zone' }).click();
  await page
    .getByRole('button', { name: 'Make it 100 %' })
    .or(page.getByText('100 % of the piece'))
    .first()
    .waitFor();
  await choose(page, 'Look of Zone 1', 'Aged brass');
  await choose(page, 'Look of Zone 2', 'Clean toy plastic');
  await choose(page, 'Look of Zone 3', 'Worn brown leather');
  // All of it could be brushed up to the edge, so tape is asked for.
  await choose(page, 'Edge of Zone 2 kept', 'with tape, sharp');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('heading', { name: 'Breastplate' })).toBeVisible();
  await expect(page.locator('.step-row').first()).toBeVisible();
  const steps = await stepWords(page);
  expect(steps.slice(0, 7)).toEqual([
    'Prep',
    'Heat-seal',
    'Look over before the first coat',
    'Seal',
    'Seal',
    'Look over the sealer, without water',
    'Prime',
  ]);
  expect(steps.filter((step) => step === 'Mask').length).toBeGreaterThan(0);
  expect(steps.filter((step) => step === 'Mask')).toHaveLength(
    steps.filter((step) => step === 'Pull the tape').length,
  );

  for (const [name, shape, look] of [
    ['Bracer', 'Cone section', 'Battle-worn steel'],
    ['Staff', 'Dowel', 'Carved wood'],
  ] as const) {
    await page.keyboard.press('p');
    await page.getByRole('button', { name: 'Add a piece' }).click();
    await expect(page.getByLabel('Name')).toBeFocused();
    await page.getByLabel('Name').fill(name);
    await choose(page, 'Shape', shape);
    await choose(page, 'Look', look);
    await page.getByRole('button', { name: 'Add it' }).click();
    await expect(page.getByRole('heading', { name })).toBeVisible();
  }
  await page.keyboard.press('p');
  for (const id of ['breastplate', 'bracer', 'staff']) {
    await expect(page.getByTestId(`piece-${id}`)).toContainText('in time');
    await expect(page.getByTestId(`piece-${id}`).getByTestId('ready-dates')).toContainText(
      /\d+ (Feb|Mar), \d\d:\d\d/,
    );
  }
  await expect(page.locator('.row .warn')).toHaveCount(0);
  expect(Number(await page.evaluate(() => sessionStorage.getItem('clicks')))).toBeLessThan(40);
});

test('a look shows its dates, compares two sealers, and writes the steps; undo brings the old ones back', async ({
  page,
}) => {
  const id = await demo();
  await page.goto(`${server.url}/b/${id}/pieces/baton`);
  await expect(page.getByText('too late')).toBeVisible();
  const before = await stepWords(page);
  await page.getByRole('button', { name: 'Choose a look' }).click();
  await choose(page, 'Look', 'Verdigris copper');
  const table = page.locator('.outcome table');
  await expect(table.getByRole('row', { name: /Against the date/ })).toContainText('to spare');
  await expect(table.getByRole('row', { name: /Where/ })).toContainText('Back porch');
  await page.getByRole('button', { name: 'Write these steps' }).click();
  await expect(page.getByText('Steps written for Telescope baton')).toBeVisible();
  await expect(page.locator('.step-row').filter({ hasText: 'Real-copper acrylic' })).toHaveCount(1);
  await expect(page.getByText('too late')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect.poll(() => stepWords(page)).toEqual(before);
});

test('a look goes over what is laid: logged work stays, whatever the look', async ({ page }) => {
  const { server: started, id, stored } = await startDemo();
  server = started;
  await page.goto(`${server.url}/b/${id}/pieces/crown`);
  await page.getByRole('button', { name: 'Choose a look' }).click();
  await choose(page, 'Look', 'Gunmetal');
  // The red-brown primer is in the log, and gunmetal wants black over it; what is sealed is not sealed again.
  await expect(page.getByText(/What is logged stays as it is; \d+ steps are new/)).toBeVisible();
  await expect(page.getByText(/^Goes over what is laid already: .*primer/)).toBeVisible();
  const logged = (await stored(id)).log;
  await page.getByRole('button', { name: 'Write these steps' }).click();
  await expect(page.getByText('Steps written for')).toBeVisible();
  const after = await stored(id);
  expect(after.log).toEqual(logged);
  const { steps } = after.pieces.find((piece) => piece.id === 'crown')!;
  const done = new Set(logged!.filter((entry) => entry.piece === 'crown').map((entry) => entry.step));
  for (const step of done) expect(steps.map((one) => one.id)).toContain(step);
  expect(steps.filter((one) => one.kind === 'seal' && !done.has(one.id))).toEqual([]);
});

test('steps are changed, moved by keyboard and mouse, doubled and deleted; the plan follows', async ({
  page,
}) => {
  const id = await demo();
  await page.goto(`${server.url}/b/${id}/pieces/buckle`);
  const menu = async (step: number, entry: string) => {
    await page.getByRole('button', { name: new RegExp(`^Step ${step},`) }).click();
    await page.getByText(entry, { exact: true }).click();
  };
  await expect
    .poll(() => stepWords(page))
    .toEqual(['Heat-seal', 'Seal', 'Prime', 'Base colour', 'Weather', 'Weather', 'Topcoat']);
  await page.getByTestId('step-clear').focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect
    .poll(() => stepWords(page))
    .toEqual(['Heat-seal', 'Seal', 'Prime', 'Base colour', 'Weather', 'Topcoat', 'Weather']);
  await expect(page.getByText('Steps put in another order')).toBeVisible();
  await expect(page.locator('.working.on')).toHaveCount(0);
  // By mouse, from its handle to below the step that follows it.
  const grip = (await page.getByTestId('step-clear').locator('.handle').boundingBox())!;
  const goal = (await page.getByTestId('step-edges').boundingBox())!;
  await page.mouse.move(grip.x + grip.width / 2, grip.y + grip.height / 2);
  await page.mouse.down();
  await page.mouse.move(goal.x + 20, goal.y + goal.height / 2, { steps: 8 });
  await page.mouse.move(goal.x + 20, goal.y + goal.height - 4, { steps: 8 });
  await page.mouse.up();
  await expect
    .poll(() => stepWords(page))
    .toEqual(['Heat-seal', 'Seal', 'Prime', 'Base colour', 'Weather', 'Weather', 'Topcoat']);
  await menu(7, 'Copy');
  await expect(page.locator('.step-row')).toHaveCount(8);
  await menu(8, 'Delete');
  await expect(page.locator('.step-row')).toHaveCount(7);
  await menu(7, 'Change');
  await page.getByLabel('Coats').fill('3');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByTestId('step-clear')).toContainText('3 light coats of Gloss acrylic varnish');
  await page.reload();
  await expect(page.getByTestId('step-clear')).toContainText('3 light coats of Gloss acrylic varnish');
});

test('a piece is changed, copied, mirrored and deleted, and bad input is told beside the fields', async ({
  page,
}) => {
  const id = await demo();
  await page.goto(`${server.url}/b/${id}/pieces/bracer`);
  await page.getByRole('button', { name: 'Change the piece' }).click();
  await page.getByLabel('How many').fill('500');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.locator('.faults')).toContainText('At most 200 of a kind.');
  await page.getByLabel('How many').fill('3');
  await page.getByLabel('Length').fill('0');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.locator('.faults')).toContainText('each more than zero');
  await page.getByLabel('Length').fill('300');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Star-chart bracer ×3' })).toBeVisible();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByText('Mirror: the other hand').click();
  await expect(page.getByRole('heading', { name: 'Star-chart bracer, mirrored ×3' })).toBeVisible();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByText('Delete the piece').click();
  // Of a long list only what is in sight is there.
  const search = page.getByRole('searchbox', { name: 'Find a piece' });
  await search.fill('bracer');
  await expect(page.getByTestId('piece-bracer')).toBeVisible();
  await expect(page.getByTestId('piece-star-chart-bracer-mirrored')).toHaveCount(0);
  await search.blur();
  await page.keyboard.press('u');
  await expect(page.getByTestId('piece-star-chart-bracer-mirrored')).toBeVisible();
});

test('two windows change one piece: the second is told, and both changes can be kept', async ({
  page,
  context,
}) => {
  const id = await demo();
  const other = await context.newPage();
  for (const one of [page, other]) {
    await one.goto(`${server.url}/b/${id}/pieces/gorget`);
    await one.getByRole('button', { name: 'Change the piece' }).click();
  }
  await expect(page.getByLabel('Name')).toBeFocused();
  await page.getByLabel('Name').fill('Orbit collar');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'Orbit collar' })).toBeVisible();
  await other.getByLabel('Thickness').fill('8');
  await other.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(other.getByText('was changed somewhere else')).toBeVisible();
  await expect(other.getByText('both changes fit together')).toBeVisible();
  await other.getByRole('button', { name: 'Put both together' }).click();
  await expect(other.getByRole('heading', { name: 'Orbit collar' })).toBeVisible();
  await expect(other.getByText('EVA foam, 8 mm')).toBeVisible();
});

test('steps are given to other pieces, and a plan is kept as a look', async ({ page }) => {
  const id = await demo();
  await page.goto(`${server.url}/b/${id}/pieces/pauldron`);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByText('Give steps to other pieces').click();
  await page.getByRole('checkbox', { name: 'Telescope baton' }).check();
  await page.getByRole('button', { name: 'Give them' }).click();
  await expect(page.getByText('Given to Telescope baton')).toBeVisible();
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByText('Save as a look').click();
  await page.getByLabel('What is the look called?').fill('Courier brass');
  await page.getByRole('button', { name: 'Keep it here' }).click();
  await expect(page.getByText('Saved as a look: Courier brass')).toBeVisible();
  await server.restart();
  await page.goto(`${server.url}/b/${id}/pieces/baton`);
  await expect(page.locator('.step-row').filter({ hasText: 'Rubber dip spray' })).toHaveCount(1);
  await page.getByRole('button', { name: 'Choose a look' }).click();
  await field(page, 'Look').click();
  await expect(page.getByRole('option', { name: 'Courier brass' })).toBeVisible();
});

test('a look goes out as a file and comes in on another computer; a file that is no look is refused', async ({
  page,
}) => {
  const id = await demo();
  await page.goto(`${server.url}/b/${id}/pieces/bracer`);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByText('Save as a look').click();
  await page.getByLabel('What is the look called?').fill('Star enamel');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save to a file' }).click(),
  ]);
  const path = await download.path();
  const other = await startServer();
  try {
    const { builds } = (await (await fetch(`${other.url}/api/builds`)).json()) as {
      builds: { id: string }[];
    };
    await page.goto(`${other.url}/b/${builds[0]!.id}/pieces`);
    await page.getByLabel('Look file').setInputFiles({
      name: 'not-a-look.json',
      mimeType: 'application/json',
      buffer: Buffer.from('{"format":"x"}'),
    });
    await expect(page.getByText('not-a-look.json is not a look file')).toBeVisible();
    await page.getByLabel('Look file').setInputFiles(path);
    await expect(page.getByText('Taken in: Star enamel')).toBeVisible();
    const { looks } = (await (await fetch(`${other.url}/api/looks`)).json()) as { looks: { name: string }[] };
    expect(looks.map((look) => look.name)).toEqual(['Star enamel']);
  } finally {
    await other.stop();
  }
});

test('pieces are joined into another, which waits for them', async ({ page }) => {
  const id = await demo();
  await page.goto(`${server.url}/b/${id}/pieces/buckle`);
  await page.getByRole('button', { name: 'More', exact: true }).click();
  await page.getByText('Join other pieces into this').click();
  await choose(page, 'Joined with', 'Counterweight pendant');
  await page.keyboard.press('Escape');
  await page.getByRole('dialog').getByRole('button', { name: 'Save' }).click();
  const join = page.getByTestId('step-join');
  await expect(join).toContainText('Counterweight pendant into this');
  const { build } = (await (await fetch(`${server.url}/api/builds/${id}`)).json()) as {
    build: { pieces: { id: string; steps: { id: string; parts?: string[] }[] }[] };
  };
  // Without links of its own it waits for what stands before it, and for the last that is done to each part.
  expect(build.pieces.find((piece) => piece.id === 'buckle')!.steps.at(-1)).toEqual({
    id: 'join',
    kind: 'join',
    parts: ['pendant'],
  });
});
