import { unitSystems, type MomentStyle, type UnitSystem } from '@fixatum/core';

/** Which clock somebody goes by: what the device is set to, or one that was chosen. */
export type ClockChoice = 'auto' | '24' | '12';

/** Where the choice is kept on the device; read before anything is drawn. */
export const CLOCK_KEY = 'fixatum-clock';

/** How moments are said in a locale: which of day and month comes first, and by which clock. */
export function momentStyleOf(locale: string | undefined, choice: ClockChoice = 'auto'): MomentStyle {
  const parts = new Intl.DateTimeFormat(locale, { day: 'numeric', month: 'numeric' }).formatToParts(0);
  const kinds = parts.map(({ type }) => type);
  const { hour12 } = new Intl.DateTimeFormat(locale, { hour: 'numeric' }).resolvedOptions();
  return {
    // The words are English: only where English is written with the month first are dates said so.
    monthFirst: kinds.indexOf('month') < kinds.indexOf('day') && /^en\b/i.test(locale ?? ''),
    hours: choice === 'auto' ? (hour12 === true ? 12 : 24) : Number(choice) === 12 ? 12 : 24,
  };
}

/** How moments are said on this device. */
export function momentStyleHere(): MomentStyle {
  const kept = localStorage.getItem(CLOCK_KEY);
  return momentStyleOf(navigator.language, kept === '12' || kept === '24' ? kept : 'auto');
}

/** Where the choice of units is kept on the device; read before anything is drawn. */
export const UNITS_KEY = 'fixatum-units';

/** Where inches, ounces and °F are what people grew up with. */
const IMPERIAL_REGIONS: ReadonlySet<string> = new Set(['US', 'LR', 'MM']);

/** What people measure in where a locale is spoken; metric where it names no country. */
export function unitSystemOf(locale: string | undefined): UnitSystem {
  const region = locale === undefined ? undefined : new Intl.Locale(locale).region;
  return region !== undefined && IMPERIAL_REGIONS.has(region) ? 'imperial' : 'metric';
}

/** What is measured in on this device: as was chosen, or as its locale has it. */
export function unitSystemHere(): UnitSystem {
  const kept = localStorage.getItem(UNITS_KEY);
  return unitSystems.find((one) => one === kept) ?? unitSystemOf(navigator.language);
}
