import type { UnitSystem } from '@fixatum/core';
import { useLocalStorage, usePreferredDark } from '@vueuse/core';
import { defineStore } from 'pinia';
import { CLOCK_KEY, UNITS_KEY, unitSystemHere, type ClockChoice } from './deviceStyle';

/** How the screens look on this device: which light they are in, which units they measure in, and whether single keys are commands. */
export const useAppearance = defineStore('appearance', () => {
  const light = useLocalStorage<'auto' | 'paper' | 'workshop'>('fixatum-light', 'auto');
  /** The units that are measured in; what was said in others already is said anew when the app is opened again. */
  const units = useLocalStorage<UnitSystem>(UNITS_KEY, unitSystemHere(), { writeDefaults: false });
  /** Whether single keys are commands. */
  const keys = useLocalStorage('fixatum-keys', true);
  /** The clock moments are said by; another goes from the next time the app is opened, as what is said already stays. */
  const clock = useLocalStorage<ClockChoice>(CLOCK_KEY, 'auto');
  const lastBuild = useLocalStorage<string>('fixatum-last-build', '');
  const isDark = usePreferredDark();
  /** The bench is dim, and so is everything on a device that is set to dark, unless another light was chosen. */
  const themeFor = (bench: boolean) =>
    light.value === 'auto' ? (bench || isDark.value ? 'workshop' : 'paper') : light.value;
  return { light, units, keys, clock, lastBuild, themeFor };
});
