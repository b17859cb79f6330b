<script setup lang="ts">
import { refDebounced } from '@vueuse/core';
import { computed } from 'vue';
import { useBuild } from './build';
import { useOutbox } from './outbox';

/** Says that the server does not answer, what becomes of what is pressed, and that nothing has to be done about it. */
const store = useBuild();
const outbox = useOutbox();

/** A line that drops for a moment is taken up again before anybody has to know. */
const PATIENCE_MS = 4000;
const isAway = computed(() => store.id !== undefined && !store.missing && (!store.isLive || outbox.away));
const saidAway = refDebounced(isAway, PATIENCE_MS);
/** What was pressed and waits is told of at once. */
const waits = computed(() => outbox.away && outbox.count > 0);
const kept = computed(() =>
  outbox.count === 0
    ? 'What you press at the Bench is kept on this machine and sent by itself then.'
    : `${outbox.count} ${outbox.count === 1 ? 'press is' : 'presses are'} kept on this machine and sent by ${outbox.count === 1 ? 'itself' : 'themselves'} then.`,
);
</script>

<template>
  <section v-if="isAway && (saidAway || waits)" class="away" aria-label="Connection" role="status">
    <p v-if="!store.build">
      <strong>▲ No answer from the computer with the data.</strong> It is asked again every few seconds; the
      build opens as soon as it answers.
    </p>
    <p v-else-if="outbox.trouble">
      <strong>▲ Nothing can be saved just now.</strong> {{ outbox.trouble }} It is tried again every few
      seconds. {{ kept }}
    </p>
    <p v-else>
      <strong>▲ No answer from the computer with the data.</strong> It is asked again every few seconds.
      {{ kept }} Other changes have to wait.
    </p>
  </section>
</template>

<style scoped>
.away {
  border-left: 4px solid rgb(var(--v-theme-error));
  background: rgb(var(--v-theme-surface));
  padding: 10px 16px;
}
</style>
