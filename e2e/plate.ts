import { expect, type Page } from '@playwright/test';
import { choose } from './fields';

/** A new build with one plate in one look, as a beginner makes it; its address. */
export async function newPlate(page: Page, url: string, look = 'Gunmetal'): Promise<string> {
  await page.goto(url);
  await page.getByRole('button', { name: 'New build' }).click();
  await expect(page.getByLabel('What is it called?')).toBeFocused();
  await page.getByLabel('What is it called?').fill('Ferry warden');
  await page.getByLabel('Worn on', { exact: true }).fill('20 March 2027');
  await page.getByRole('button', { name: 'Make it' }).click();
  await page.getByRole('link', { name: 'Go to Pieces' }).click();
  await page.getByRole('button', { name: 'Add the first piece' }).click();
  await expect(page.getByLabel('Name')).toBeFocused();
  await page.getByLabel('Name').fill('Plate');
  await page.getByLabel('Width').fill('400');
  await page.getByLabel('Height').fill('300');
  await page.getByLabel('The inner face is sealed too').uncheck();
  await choose(page, 'Look', look);
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('heading', { name: 'Plate' })).toBeVisible();
  return new URL(page.url()).pathname.replace(/\/pieces.*/, '');
}
