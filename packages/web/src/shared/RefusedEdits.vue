<script setup lang="ts">
import { computed } from 'vue';
import { useBuild } from './build';
import { useOutbox } from './outbox';
import { editWords } from './words';

/** Presses that the server would not take: what they were, why not, and what shall become of them. */
const store = useBuild();
const outbox = useOutbox();
const own = computed(() => outbox.refused.filter((one) => one.buildId === store.id));
</script>

<template>
  <section v-if="own.length > 0" class="refused" aria-label="Not taken" role="status">
    <p v-for="one in own" :key="one.id">
      <span class="what"
        ><strong>■ Not taken: {{ editWords(store.build, one.edit) }}.</strong> {{ one.why }}</span
      >
      <v-btn size="small" @click="outbox.sendAgain(one.id)">Send it again</v-btn>
      <v-btn size="small" variant="text" @click="outbox.letGo(one.id)">Let it go</v-btn>
    </p>
  </section>
</template>

<style scoped>
.refused {
  border-left: 4px solid rgb(var(--v-theme-error));
  background: rgb(var(--v-theme-surface));
  padding: 6px 16px;
}

p {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  padding: 4px 0;
}

.what {
  flex: 1 1 320px;
}
</style>
