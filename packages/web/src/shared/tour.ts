import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed } from 'vue';

/** A stop of the tour: the screen it is at, and what is to be seen there. */
export interface TourStop {
  screen: 'pieces' | 'piece' | 'plan' | 'bench' | 'shopping';
  title: string;
  text: string;
}

export const tourStops: readonly TourStop[] = [
  {
    screen: 'pieces',
    title: 'Every piece, from bare foam to ready',
    text: 'Each band is one kind of piece along time: bare, wet, dry, and from where it says so ready to wear. The red lines are the dates.',
  },
  {
    screen: 'piece',
    title: 'One piece, cut through',
    text: 'Its coats lie on the foam as they will on the part, in their colours. What the rules have to say stands at the step it belongs to, with ways out.',
  },
  {
    screen: 'plan',
    title: 'Evenings, racks and drying in one picture',
    text: 'Work lies only where somebody is free, paint can dry and the rack has room. Drag a mark to move it; what is late says why, and how to catch up.',
  },
  {
    screen: 'bench',
    title: 'At the bench: what to do now',
    text: 'One big button starts it, and logs it when it is done. What is drying, and for how long, stands beside it, with timers.',
  },
  {
    screen: 'shopping',
    title: 'What to buy, and by when',
    text: 'What all open steps take, less what is on the shelf. That was it: change what you like, every change can be taken back.',
  },
];

/** The tour of the demo: which stop it is at in which build, until it is left. */
export const useTour = defineStore('tour', () => {
  const kept = useLocalStorage<{ build: string; at: number } | null>('fixatum-tour', null, {
    serializer: { read: (text) => JSON.parse(text), write: (value) => JSON.stringify(value) },
  });
  const at = computed(() => kept.value?.at ?? 0);
  const stop = computed(() => (kept.value ? tourStops[at.value] : undefined));
  const build = computed(() => kept.value?.build);
  const begin = (id: string) => (kept.value = { build: id, at: 0 });
  const leave = () => (kept.value = null);
  function go(to: number): void {
    if (!kept.value) return;
    if (to >= tourStops.length) leave();
    else kept.value = { ...kept.value, at: Math.max(0, to) };
  }
  return { at, stop, build, begin, leave, go };
});
