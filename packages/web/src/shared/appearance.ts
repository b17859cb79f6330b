import type { UnitSystem } from '@fixatum/core';
import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';

/** How the screens look on this device: which light they are in, and which units they measure in. */
export const useAppearance = defineStore('appearance', () => {
  const light = useLocalStorage<'auto' | 'paper' | 'workshop'>('fixatum-light', 'auto');
  const units = useLocalStorage<UnitSystem>('fixatum-units', 'metric');
  const lastBuild = useLocalStorage<string>('fixatum-last-build', '');
  const themeFor = (bench: boolean) =>
    light.value === 'auto' ? (bench ? 'workshop' : 'paper') : light.value;
  return { light, units, lastBuild, themeFor };
});
