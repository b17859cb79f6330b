import { AxeBuilder } from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { startDemo, type Demo } from '../server';

/** WCAG 2.2, A and AA. */
const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'];
/** Every screen of a build, and what opens on it. */
const screens: [path: string, open?: (page: Page) => Promise<void>][] = [
  ['bench'],
  ['pieces'],
  ['pieces', (page) => page.getByRole('button', { name: 'Add a piece' }).click()],
  ['pieces/shell'],
  ['pieces/shell', (page) => page.getByRole('button', { name: 'Choose a look' }).click()],
  ['pieces/shell', (page) => page.getByRole('button', { name: 'Change the piece' }).click()],
  ['pieces/shell/card'],
  ['pieces/shell/drawing'],
  ['template'],
  ['plan'],
  ['materials'],
  ['materials?tab=pairs'],
  ['materials?tab=swatches'],
  ['shelf'],
  ['shelf', (page) => page.getByRole('button', { name: 'Add a tin' }).click()],
  ['plan', (page) => page.keyboard.press('?')],
  ['pieces/shell', (page) => page.getByRole('button', { name: 'Add a step' }).first().click()],
  ['mixes'],
  ['shopping'],
  ['colour'],
  ['finish'],
  ['journal'],
  ['workshop'],
  ['techniques'],
  ['run-sheets'],
];
/** What a rule finds and is meant so, with the reason. */
const exceptions: { rule: string; of: RegExp; because: string }[] = [
  {
    rule: 'target-size',
    of: /class="pass /,
    because:
      'a pass on the plan is as wide as it is long; it is pressed 12 px beyond itself, reached by keys, and in the run sheets',
  },
  {
    rule: 'target-size',
    of: /class="session/,
    because:
      'an evening on the plan is as wide as it is long; on a phone the list of run sheets has all of them as large buttons',
  },
];
/** Both lights and four widths; what differs with the light alone is looked at in each once more. */
const passes = [
  { light: 'paper', width: 1280, rules: undefined },
  { light: 'workshop', width: 390, rules: undefined },
  { light: 'paper', width: 768, rules: undefined },
  { light: 'workshop', width: 1024, rules: undefined },
  { light: 'workshop', width: 1280, rules: ['color-contrast'] },
  { light: 'paper', width: 390, rules: ['color-contrast'] },
] as const;
/** The screens in two lots, so that both workers have something to do. */
const lots = [screens.slice(0, 9), screens.slice(9)];

let demo: Demo;
/** The small build of the demo: planned at once, and with something of everything. */
let build: string;
test.beforeEach(async () => {
  demo = await startDemo();
  const { builds } = (await (await fetch(`${demo.server.url}/api/builds`)).json()) as {
    builds: { id: string; name: string }[];
  };
  build = builds.find(({ name }) => name === 'Tidepool lantern')!.id;
});
test.afterEach(() => demo.server.stop());

lots.forEach((lot, at) =>
  test(`no screen breaks a rule of accessibility that a machine can check, lot ${at + 1}`, async ({
    page,
  }) => {
    test.setTimeout(480_000);
    const found: string[] = [];
    const check = async (where: string) => {
      for (const { light, width, rules } of passes) {
        await page.setViewportSize({ width, height: 800 });
        await page.evaluate((chosen) => {
          localStorage.setItem('fixatum-light', chosen);
          window.dispatchEvent(
            new StorageEvent('storage', {
              key: 'fixatum-light',
              newValue: chosen,
              storageArea: localStorage,
            }),
          );
        }, light);
        await expect(page.locator(`.v-application.v-theme--${light}`)).toBeVisible();
        const axe = new AxeBuilder({ page });
        const { violations } = await (rules ? axe.withRules([...rules]) : axe.withTags(RULES)).analyze();
        for (const { id, nodes } of violations) {
          const meant = (html: string) => exceptions.some(({ rule, of }) => rule === id && of.test(html));
          const left = nodes.filter(({ html }) => !meant(html));
          if (left.length > 0)
            found.push(
              `${where}, ${light}, ${width} px: ${id} ×${left.length}, ${left[0]?.html.slice(0, 160) ?? ''}`,
            );
        }
      }
    };
    for (const path of at === 0 ? ['/', '/find'] : []) {
      await page.goto(`${demo.server.url}${path}`);
      await expect(page.locator('h1').first()).toBeVisible();
      await check(path);
    }
    for (const [path, open] of lot) {
      await page.setViewportSize({ width: 1280, height: 800 });
      await page.goto(`${demo.server.url}/b/${build}/${path}`);
      await expect(page.locator('h1').first()).toBeVisible();
      await expect(page.locator('.working.on')).toHaveCount(0);
      if (open) {
        await open(page);
        await expect(page.getByRole('dialog')).toBeVisible();
      }
      await check(open ? `${path}, with a dialog` : path);
    }
    expect(found).toEqual([]);
  }),
);
