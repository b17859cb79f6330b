import type { UnitSystem } from '@fixatum/core';
import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';

/** How the screens look on this device: which light they are in, which units they measure in, and whether single keys are commands. */
export const useAppearance = defineStore('appearance', () => {
  const light = useLocalStorage<'auto' | 'paper' | 'workshop'>('fixatum-light', 'auto');
  const units = useLocalStorage<UnitSystem>('fixatum-units', 'metric');
  /** Whether single keys are commands. */
  const keys = useLocalStorage('fixatum-keys', true);
  const lastBuild = useLocalStorage<string>('fixatum-last-build', '');
  const themeFor = (bench: boolean) =>
    light.value === 'auto' ? (bench ? 'workshop' : 'paper') : light.value;
  return { light, units, keys, lastBuild, themeFor };
});
