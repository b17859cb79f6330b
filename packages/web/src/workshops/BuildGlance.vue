<script setup lang="ts">
import { sayMoment, sayWait, warmOfStored } from '@fixatum/core';
import { onMounted, onScopeDispose, shallowRef } from 'vue';
import DryingRibbon from '../shared/DryingRibbon.vue';
import { api } from '../shared/api';
import { useClock } from '../shared/clock';
import { nextDateOf, type NextDate } from '../shared/nextDate';
import type { Glance } from '../shared/offThread/glanceWork';
import { keptWorker, plain } from '../shared/offThread/workerLink';
import { readinessWords } from '../shared/words';

/** How a build stands, before it is opened: its pieces along time, the days to go, what is next. */
const props = defineProps<{
  id: string;
  /** Whether it has the hands and tins of its workshop before all others. */
  isFirst: boolean;
}>();
const clock = useClock();
const glance = shallowRef<Glance>();
const date = shallowRef<NextDate>();
let isGone = false;
onScopeDispose(() => (isGone = true));

// One after the other, so that a long list does not keep the machine busy all at once.
onMounted(() => {
  turn = turn.then(look, look);
});
async function look(): Promise<void> {
  if (isGone) return;
  try {
    const [{ build }, kept] = await Promise.all([
      api.build(props.id),
      api.plan(props.id).catch(() => undefined),
    ]);
    const now = Math.floor(clock.now(build.timeZone));
    date.value = nextDateOf(build, now);
    const warm = kept?.plan ? warmOfStored(kept.plan) : undefined;
    if (build.pieces.length === 0) return;
    const seen = await inWorker((remote) => remote.glance({ ...plain({ build }), now, warm }));
    // What comes next in a build that was never planned hangs on those before it, which this look does not know of.
    glance.value = warm || props.isFirst ? seen : { ...seen, next: undefined };
  } catch {
    // The list stands without it.
  }
}
</script>

<script lang="ts">
let turn: Promise<void> = Promise.resolve();
const inWorker = keptWorker('glance');
</script>

<template>
  <div class="glance">
    <p v-if="date" class="figures">
      <strong>{{ sayWait(date.at - (glance?.now ?? clock.now('UTC'))) }}</strong> to {{ date.word }}
    </p>
    <template v-if="glance">
      <p>
        <template v-if="glance.late > 0"
          ><strong class="late">▲ {{ glance.late }} not in time</strong> · </template
        ><template v-if="glance.next"
          >{{ glance.next.isUnderway ? 'Under way:' : 'Next:' }} {{ glance.next.words }},
          {{ glance.next.piece
          }}<span v-if="!glance.next.isUnderway" class="quiet figures">
            ·
            {{ glance.next.at <= glance.now + 1 ? 'now' : sayMoment(glance.next.at, glance.timeZone) }}</span
          ></template
        ><template v-else-if="glance.isDone">All hands-on work is done.</template>
      </p>
      <div class="rows" role="group" aria-label="Its pieces along time">
        <div
          v-for="row in glance.rows"
          :key="row.id"
          class="row"
          :title="`${row.name}: ${readinessWords[row.readiness]}`"
        >
          <span class="small name">{{ row.name }}</span>
          <DryingRibbon
            :spans="row.ribbon"
            :from="glance.from"
            :until="glance.until"
            :time-zone="glance.timeZone"
            :now="glance.now"
            :height="10"
            :words="false"
          />
        </div>
      </div>
      <p v-if="glance.more > 0" class="small quiet">and {{ glance.more }} more</p>
    </template>
  </div>
</template>

<style scoped>
.glance {
  flex: 1 0 100%;
  padding: 0 4px 14px;
}

.late {
  color: rgb(var(--v-theme-error));
}

.rows {
  margin: 8px 0 4px;
}

.row {
  display: grid;
  grid-template-columns: minmax(80px, 150px) 1fr;
  gap: 12px;
  align-items: center;
  min-height: 20px;
}

.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
