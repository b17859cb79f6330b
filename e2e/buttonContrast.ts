import type { Page } from '@playwright/test';

/** The least contrast that text has to have (WCAG 2.2, 1.4.3). */
const LEAST = 4.5;

/**
 * Buttons whose words can't be read on what lies behind them, by the colours they come out in: what a rule of ours does to a link that is a button
 * is seen by no machine that only knows the button's own colours. Those that can't be pressed are left out.
 */
export async function paleButtons(page: Page): Promise<string[]> {
  return page.evaluate((least) => {
    /** Red, green and blue up to 255, and how much of it covers: `rgb(23, 24, 26)` or `color(srgb 1 1 1 / 0.5)`. */
    const parts = (colour: string) =>
      (colour.match(/[\d.]+/g) ?? []).map((part, n) =>
        colour.startsWith('color(') && n < 3 ? Number(part) * 255 : Number(part),
      );
    const over = (top: number[], below: number[]) => {
      const [, , , alpha = 1] = top;
      return [0, 1, 2].map((n) => top[n]! * alpha + below[n]! * (1 - alpha));
    };
    /** What lies behind an element, from the outermost to its own. */
    const behind = (element: Element): number[] => {
      const below = element.parentElement ? behind(element.parentElement) : [255, 255, 255];
      return over(parts(getComputedStyle(element).backgroundColor), below);
    };
    const luminance = (colour: number[]) =>
      [0.2126, 0.7152, 0.0722].reduce((sum, weight, n) => {
        const share = colour[n]! / 255;
        return sum + weight * (share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4);
      }, 0);
    return [...document.querySelectorAll('.v-btn:not(:disabled, .v-btn--disabled)')].flatMap((button) => {
      const words = button.textContent.trim();
      if (words === '' || button.getClientRects().length === 0) return [];
      const ground = behind(button);
      const ink = over(parts(getComputedStyle(button).color), ground);
      const [dark, light] = [luminance(ink), luminance(ground)].sort((a, b) => a - b);
      const ratio = (light! + 0.05) / (dark! + 0.05);
      return ratio < least ? [`${words}: ${ratio.toFixed(2)}:1`] : [];
    });
  }, LEAST);
}
