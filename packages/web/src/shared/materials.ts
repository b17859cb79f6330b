import { materialsOf } from '@fixatum/core';
import { defineStore } from 'pinia';
import { computed } from 'vue';
import { useBuild } from './build';

/** The materials that the open build may use, by id. Apart from the build, as the first screens do without the catalogue. */
export const useMaterials = defineStore('materials', () => {
  const store = useBuild();
  const known = computed(() => materialsOf(store.build?.materials));
  return { known };
});
