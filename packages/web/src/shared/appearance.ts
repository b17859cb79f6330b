import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';

/** Which light the screens are in: the one that suits each, or always the same. */
export const useAppearance = defineStore('appearance', () => {
  const light = useLocalStorage<'auto' | 'paper' | 'workshop'>('fixatum-light', 'auto');
  const lastBuild = useLocalStorage<string>('fixatum-last-build', '');
  const themeFor = (bench: boolean) =>
    light.value === 'auto' ? (bench ? 'workshop' : 'paper') : light.value;
  return { light, lastBuild, themeFor };
});
