<script setup lang="ts">
import { sayMoment, sayWait } from '@fixatum/core';
import { computed } from 'vue';
import { useBuild } from './build';
import { useClock } from './clock';

/** Says that the clock of the computer was set back, and what hangs on it. */
const clock = useClock();
const store = useBuild();
const minuteOf = (iso: string) => Math.floor(Date.parse(iso) / 60_000);
const said = computed(() => {
  if (!clock.behind) return undefined;
  const zone = store.build?.timeZone ?? Intl.DateTimeFormat().resolvedOptions().timeZone;
  const [now, saved] = [minuteOf(clock.behind.now), minuteOf(clock.behind.savedAt)];
  return { now: sayMoment(now, zone), saved: sayMoment(saved, zone), by: sayWait(saved - now) };
});
</script>

<template>
  <section v-if="said" class="behind" aria-label="Clock" role="status">
    <p>
      <strong>■ The computer’s clock is behind by {{ said.by }}.</strong> It says {{ said.now }}, and the last
      change was saved at {{ said.saved }}. Nothing is lost. Set the clock right before you log or plan: every
      drying time and date here goes by it.
    </p>
  </section>
</template>

<style scoped>
.behind {
  border-left: 4px solid rgb(var(--v-theme-error));
  background: rgb(var(--v-theme-surface));
  padding: 10px 16px;
}
</style>
