import type { Locator, Page } from '@playwright/test';

/** The date and the time of day of a field for a moment. */
export const momentOf = (scope: Page | Locator, label: string): { date: Locator; time: Locator } => {
  const field = scope.getByRole('group', { name: label, exact: true });
  return { date: field.getByLabel(label, { exact: true }), time: field.getByLabel('at', { exact: true }) };
};

/** Writes a date and a time into a field for a moment, as people would. */
export async function fillMoment(
  scope: Page | Locator,
  label: string,
  date: string,
  time: string,
): Promise<void> {
  const field = momentOf(scope, label);
  await field.date.fill(date);
  await field.time.fill(time);
  await field.time.blur();
}

/** A field to choose from. It lies over its input, so that is what gets pressed. */
export const field = (page: Page, label: string | RegExp): Locator =>
  page
    .locator('.v-field')
    .filter({ has: page.getByRole('combobox', { name: label, exact: typeof label === 'string' }) });

/** Chooses one of a field's options; the list of the one before may still be going, with the same words in it. */
export async function choose(page: Page, label: string | RegExp, option: string): Promise<void> {
  await field(page, label).click();
  const list = page.getByRole('listbox', { name: label, exact: typeof label === 'string' });
  await list.getByRole('option', { name: option, exact: true }).click();
}

/** Holds a file over a part of the screen, or lets it go there; returns what became of each event: false where it was taken. */
export const withFile = (
  page: Page,
  over: string,
  events: readonly string[],
  name: string,
  content: string | Buffer,
  type = '',
): Promise<boolean[]> =>
  page.locator(over).evaluate(
    (one, file) => {
      const dataTransfer = new DataTransfer();
      dataTransfer.items.add(new File([new Uint8Array(file.bytes)], file.name, { type: file.type }));
      return file.events.map((event) =>
        one.dispatchEvent(new DragEvent(event, { dataTransfer, bubbles: true, cancelable: true })),
      );
    },
    { events, name, type, bytes: [...Buffer.from(content)] },
  );
