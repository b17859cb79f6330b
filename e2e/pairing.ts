import { expect, type Browser, type Page } from '@playwright/test';
import { PHONE_ADDRESS, type Demo } from './server';

/** Switches sharing on and has a code shown. */
export async function offer(page: Page, demo: Demo, role: 'Finisher' | 'Helper'): Promise<string> {
  await page.goto(`${demo.server.url}/b/${demo.id}/workshop`);
  const share = page.getByLabel('Share on this network');
  if (!(await share.isChecked())) await share.click();
  await expect(page.getByText('On: paired devices find it at')).toBeVisible();
  await page.getByRole('radio', { name: new RegExp(role) }).check();
  await page.getByRole('button', { name: 'Pair a device' }).click();
  await expect(page.getByAltText('A square code with the address and the six figures')).toBeVisible();
  return (await page.getByLabel('Six figures').innerText()).replace(/\s/g, '');
}

/** A browser of its own at the address the network sees. */
export async function phoneOf(browser: Browser, demo: Demo): Promise<Page> {
  const port = new URL(demo.server.url).port;
  const context = await browser.newContext({
    baseURL: `http://${PHONE_ADDRESS}:${port}`,
    viewport: { width: 390, height: 844 },
    serviceWorkers: 'block',
  });
  return context.newPage();
}

/** Pairs it on the page that it is sent to; whoever is at the computer lets it in. */
export async function pair(phone: Page, code: string, name: string, page: Page): Promise<void> {
  await phone.goto('/');
  await expect(phone.getByRole('heading', { name: 'Pair this device' })).toBeVisible();
  await phone.getByLabel('Six figures').fill(code);
  await phone.getByLabel('What this device is called').fill(name);
  await phone.getByRole('button', { name: 'Pair' }).click();
  await expect(phone.getByRole('heading', { name: 'Almost in' })).toBeVisible();
  await page.getByRole('button', { name: `Let ${name} in` }).click();
  await expect(phone).toHaveURL(/\/$/);
}

/** A phone at the network's address, paired from the computer's own screen. */
export async function pairedPhone(
  page: Page,
  browser: Browser,
  demo: Demo,
  { role, name }: { role: 'Finisher' | 'Helper'; name: string },
): Promise<Page> {
  const code = await offer(page, demo, role);
  const phone = await phoneOf(browser, demo);
  await pair(phone, code, name, page);
  return phone;
}
