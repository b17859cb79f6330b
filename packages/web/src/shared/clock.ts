import { epochMinute } from '@fixatum/core';
import { useIntervalFn } from '@vueuse/core';
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { api } from './api';

/**
 * The present as the server sees it, in epoch minutes with seconds as a fraction. A server with a fixed clock
 * stands still, and so does this.
 */
export const useClock = defineStore('clock', () => {
  const offsetMs = ref(0);
  const fixedAt = ref<string | null>(null);
  const tick = ref(Date.now());
  useIntervalFn(() => (tick.value = Date.now()), 1000);

  async function synchronise(): Promise<void> {
    const before = Date.now();
    const health = await api.health();
    offsetMs.value = Date.parse(health.now) - (before + Date.now()) / 2;
    fixedAt.value = health.fixedAt;
  }

  /** Now, in epoch minutes, for a build in this time zone. */
  function now(timeZone: string): number {
    return fixedAt.value === null
      ? (tick.value + offsetMs.value) / 60_000
      : epochMinute(fixedAt.value, timeZone);
  }

  return { synchronise, now, fixedAt };
});
