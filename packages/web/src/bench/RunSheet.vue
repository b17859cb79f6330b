<script setup lang="ts">
import { sayDayOf } from '@fixatum/core';
import { mdiHistory } from '@mdi/js';
import { computed, ref } from 'vue';
import type { BenchBatch } from './bench';
import { useBuild } from '../shared/build';
import BatchLine from '../shared/BatchLine.vue';
import { later } from '../shared/later';

import { beginByWords } from '../shared/words';

const ForgottenDialog = later(() => import('./ForgottenDialog.vue'));

/** What comes after, session by session; in the other builds of the workshop too. */
const props = defineProps<{ batches: BenchBatch[] }>();
const store = useBuild();
const SHOWN = 10;

/** At the bench only what presses is worth saying. */
const NEAR_MINUTES = 2 * 1440;
const isNear = (session: BenchBatch['session']) =>
  session?.beginBy !== undefined && session.beginBy.at - session.from < NEAR_MINUTES;

const forgetting = ref(false);
const mayForget = computed(() => store.operations.size > 0);

const groups = computed(() => {
  const list: { id: string; day: string; person: string; by?: string | undefined; batches: BenchBatch[] }[] =
    [];
  for (const batch of props.batches.slice(0, SHOWN)) {
    const id = batch.session?.id ?? '';
    const known = list.find((group) => group.id === id);
    if (known) known.batches.push(batch);
    else
      list.push({
        id,
        day: sayDayOf(batch.start, store.theView.timeZone),
        person: store.build?.people.find((person) => person.id === batch.session?.personId)?.name ?? '',
        by: isNear(batch.session) ? beginByWords(store.theBuild, batch.session) : undefined,
        batches: [batch],
      });
  }
  return list;
});
</script>

<template>
  <section aria-labelledby="then-title">
    <v-btn
      v-if="mayForget"
      class="forgot"
      variant="text"
      :prepend-icon="mdiHistory"
      data-testid="forgot"
      @click="forgetting = true"
      >I forgot to log…</v-btn
    >
    <h2 id="then-title">{{ batches.some(({ of }) => of) ? 'In turn, over all builds' : 'Then' }}</h2>
    <p v-if="groups.length === 0" class="quiet mt-2">Nothing more is planned.</p>
    <ForgottenDialog v-if="forgetting" v-model="forgetting" />
    <div v-for="group in groups" :key="group.id" class="group">
      <h3 class="quiet">
        {{ group.day }}<template v-if="(store.build?.people.length ?? 0) > 1">, {{ group.person }}</template>
      </h3>
      <p v-if="group.by" class="small figures">{{ group.by }}</p>
      <ol>
        <BatchLine
          v-for="batch in group.batches"
          :key="batch.key"
          :start="batch.start"
          :end="batch.end"
          :operations="batch.operations"
          :of="batch.of"
        />
      </ol>
    </div>
  </section>
</template>

<style scoped>
.forgot {
  float: right;
}

.group {
  margin-top: 14px;
}

ol {
  list-style: none;
  padding: 0;
  margin: 4px 0 0;
}
</style>
