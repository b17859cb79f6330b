import { test as base } from '@playwright/test';

export { expect, type Locator, type Page } from '@playwright/test';

/**
 * A test in a browser in which plans are not bettered behind its back while it waits for something: switched off as anybody can, on the
 * plan. A test of just that switches it on again.
 */
export const test = base.extend({
  context: async ({ context }, use) => {
    await context.addInitScript(() => {
      if (localStorage.getItem('fixatum-idle-search') === null)
        localStorage.setItem('fixatum-idle-search', 'false');
    });
    await use(context);
  },
});
