import type { Build, Piece } from '@fixatum/core';
import { expect, test, type Page } from '@playwright/test';
import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { choose } from '../fields';
import { pairedPhone } from '../pairing';
import { startDemo, type Demo } from '../server';

const folder = resolve(dirname(fileURLToPath(import.meta.url)), '../../docs/screenshots');
const only = process.env.ONLY?.split(',');
/** Whether a picture is to be taken: all are, unless some are named. */
const isWanted = (name: string): boolean => only === undefined || only.includes(name);
let demo: Demo;
let server: Demo['server'];
let build: Demo['id'];

// Each picture has a server of its own: the plan that one leaves behind is not that of the next.
test.beforeEach(async () => {
  demo = await startDemo();
  ({ server, id: build } = demo);
});
test.afterEach(() => server.stop());

async function shoot(page: Page, name: string): Promise<void> {
  await page.evaluate(() => document.fonts.ready);
  await expect(page.getByText('Opening the build…')).toHaveCount(0);
  await expect(page.locator('.working.on')).toHaveCount(0);
  // The soft edges come a moment after the plan.
  if (name === 'plan' || name === 'piece') await expect(page.locator('.edge').first()).toBeVisible();
  if (name === 'start')
    await expect(page.getByRole('group', { name: 'Its pieces along time' })).toHaveCount(2);
  await expect(page.locator('.stale')).toHaveCount(0);
  // Choosing in a dialog may have scrolled it.
  await page.evaluate(() => {
    scrollTo(0, 0);
    for (const one of document.querySelectorAll('.v-dialog *')) one.scrollTop = 0;
  });
  await page.screenshot({ path: `${folder}/${name}.png`, animations: 'disabled' });
}

/** The sample template, read. */
async function takeKelpWarden(page: Page): Promise<void> {
  await page
    .getByLabel('Template, mesh or photo')
    .setInputFiles(resolve(folder, '../../demo/templates/kelp-warden.pdf'));
  await expect(page.getByRole('button', { name: 'Take in 6 pieces' })).toBeEnabled();
}

const views: [name: string, path: () => string, size?: { width: number; height: number }][] = [
  ['start', () => '/'],
  ['bench', () => `/b/${build}/bench`],
  ['shopping-phone', () => `/b/${build}/shopping`, { width: 390, height: 844 }],
  ['pieces', () => `/b/${build}/pieces`],
  ['piece', () => `/b/${build}/pieces/breastplate`],
  ['plan', () => `/b/${build}/plan?zoom=all`],
  ['workshop', () => `/b/${build}/workshop`],
  ['journal', () => `/b/${build}/journal`],
];

/** Views that take a few presses to get to. */
const deeper: [name: string, path: () => string, steps: (page: Page) => Promise<void>][] = [
  [
    'shelf',
    () => `/b/${build}/shelf`,
    // What is planned is told once there is a plan.
    (page) => expect(page.getByText(/the plans? takes? up to/).first()).toBeVisible(),
  ],
  [
    'materials',
    () => `/b/${build}/materials`,
    async (page) => {
      for (const id of ['rubber-dip-spray', 'pva-flex-primer', 'neoprene-soft'])
        await page.getByTestId(`material-${id}`).click();
    },
  ],
  [
    'rescue',
    () => `/b/${build}/plan`,
    async (page) => {
      await expect(page.locator('.working.on')).toHaveCount(0);
      await page.getByRole('button', { name: 'Look for ways' }).click();
      await expect(page.getByTestId('rescues')).toBeVisible({ timeout: 120_000 });
    },
  ],
  [
    'how-to',
    () => `/b/${build}/pieces/breastplate`,
    async (page) => {
      await expect(page.locator('.working.on')).toHaveCount(0);
      await page.locator('.step-row').filter({ hasText: 'Mask' }).last().getByTestId('how').click();
      await expect(page.getByRole('article')).toBeVisible();
    },
  ],
  [
    'findings',
    () => `/b/${build}/pieces/pauldron`,
    async (page) => {
      // Enamel and marker in place of the brass: what a shop full of spray cans tempts one to.
      const url = `${server.url}/api/builds/${build}`;
      const demo = ((await (await page.request.get(url)).json()) as { build: Build }).build;
      const pauldron = demo.pieces.find((piece) => piece.id === 'pauldron')!;
      const at = pauldron.steps.findIndex((step) => step.id === 'brass');
      const changed: Piece = {
        ...pauldron,
        steps: [
          ...pauldron.steps.slice(0, at),
          {
            id: 'enamel',
            kind: 'base',
            material: 'hobby-enamel',
            method: 'brush',
            colour: '#3f7f72',
            coats: 2,
          },
          { id: 'stars', kind: 'detail', material: 'alcohol-marker', method: 'pen' },
          {
            id: 'clear',
            kind: 'topcoat',
            material: 'matte-clear-spray',
            method: 'aerosol',
            film: 'light',
            place: 'porch',
          },
        ],
      };
      await page.request.put(`${url}/pieces/pauldron`, { data: changed });
      await page.reload();
      await expect(page.getByText('Trying ways out…').first()).toBeVisible();
      await expect(page.getByText('Trying ways out…')).toHaveCount(0);
    },
  ],
  [
    'look',
    () => `/b/${build}/pieces/breastplate`,
    async (page) => {
      await expect(page.locator('.working.on')).toHaveCount(0);
      await page.getByRole('button', { name: 'Choose a look' }).click();
      for (const [zone, look] of [
        ['Brass rim', 'Aged brass'],
        ['Sea-green dial', 'Chipped enamel over steel'],
        ['Bone pointers', 'Bone and horn'],
      ] as const) {
        await choose(page, zone, look);
      }
      await expect(page.locator('.outcome tbody')).toBeVisible();
      await expect(page.locator('.outcome tbody.stale')).toHaveCount(0);
    },
  ],
  [
    'colour',
    () => `/b/${build}/colour?c=sea-green-enamel`,
    async (page) => {
      await page.getByText('also from what could be bought').click();
      await expect(page.getByTestId('recipe').nth(1)).toBeVisible();
      await expect(page.locator('.recipes.stale')).toHaveCount(0);
      await page.evaluate(() => window.scrollTo(0, 0));
    },
  ],
  [
    'finish',
    () => `/b/${build}/finish?piece=breastplate`,
    async (page) => {
      await expect(page.locator('[data-turnable=true]')).toHaveCount(1);
    },
  ],
  [
    'template',
    () => `/b/${build}/template`,
    async (page) => {
      await takeKelpWarden(page);
      await page.evaluate(() => window.scrollTo(0, 0));
    },
  ],
  [
    'drawing',
    () => `/b/${build}/template`,
    async (page) => {
      await takeKelpWarden(page);
      await choose(page, 'Look of Main', 'Worn brown leather');
      await choose(page, 'Look of Rim', 'Aged brass');
      await page.getByRole('button', { name: 'Take in 6 pieces' }).click();
      await page.getByTestId('piece-shoulder').click();
      await expect(page.locator('.working.on')).toHaveCount(0);
      await page.getByRole('link', { name: 'The drawing, to change it' }).click();
      await page.getByRole('button', { name: 'Rim, 59 points' }).click();
      await page.getByRole('button', { name: 'Close', exact: true }).click();
    },
  ],
];

for (const [name, path, size] of views) {
  if (!isWanted(name)) continue;
  test(name, async ({ page }) => {
    if (size) await page.setViewportSize(size);
    await page.goto(`${server.url}${path()}`);
    await expect(page.locator('h1').first()).toBeVisible();
    await shoot(page, name);
  });
}

for (const [name, path, steps] of deeper) {
  if (!isWanted(name)) continue;
  test(name, async ({ page }) => {
    await page.goto(`${server.url}${path()}`);
    await steps(page);
    await shoot(page, name);
  });
}

if (isWanted('helper-phone'))
  test('helper-phone', async ({ page, browser }) => {
    const phone = await pairedPhone(page, browser, demo, {
      role: 'Helper',
      name: 'Phone at the spray booth',
    });
    await expect(page.getByText('Phone at the spray booth')).toBeVisible();
    await phone.goto(`/b/${build}/run-sheets`);
    await expect(phone.getByRole('button', { name: /^Done: / }).first()).toBeVisible();
    await expect(phone.locator('.working.on')).toHaveCount(0);
    await shoot(phone, 'helper-phone');
  });
