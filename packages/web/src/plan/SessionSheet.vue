<script setup lang="ts">
import { sayDayOf, sayTimeOfDay } from '@fixatum/core';
import type { Session } from '@fixatum/core';
import { computed } from 'vue';
import BatchLine from '../shared/BatchLine.vue';
import { useBuild } from '../shared/build';

import { beginByWords } from '../shared/words';

/** The run sheet of one session. */
const props = defineProps<{ session: Session }>();
const store = useBuild();
const zone = computed(() => store.view?.timeZone ?? 'UTC');
const by = computed(() => (store.build ? beginByWords(store.build, props.session) : undefined));
const people = computed(() => store.build?.people ?? []);
const person = computed(() => people.value.find((one) => one.id === props.session.personId)?.name ?? '');
const batches = computed(() =>
  props.session.batches.map((batch) => ({
    ...batch,
    operations: batch.operationIds.flatMap((id) => store.operations.get(id) ?? []),
  })),
);
</script>

<template>
  <section class="sheet" aria-labelledby="sheet-title">
    <h2 id="sheet-title">
      Run sheet: {{ sayDayOf(session.from, zone) }}, {{ sayTimeOfDay(session.from, zone) }} to
      {{ sayTimeOfDay(session.to, zone) }}<template v-if="people.length > 1">, {{ person }}</template>
    </h2>
    <p v-if="by" class="mt-1">
      <strong class="figures">{{ by }}.</strong>
    </p>
    <ol>
      <BatchLine
        v-for="batch in batches"
        :key="batch.start"
        :start="batch.start"
        :end="batch.end"
        :operations="batch.operations"
      />
    </ol>
  </section>
</template>

<style scoped>
ol {
  list-style: none;
  padding: 0;
  margin: 10px 0 0;
  max-width: 900px;
}
</style>
