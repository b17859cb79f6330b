<script setup lang="ts">
import { epochMinute, sayMoment, type Piece, type PlanView } from '@fixatum/core';
import { computed } from 'vue';
import { useBuild } from '../shared/build';
import { reachedWords } from '../shared/words';

/** When a piece is ready as planned, against when it is due, and how far it has come. */
const props = defineProps<{ piece: Piece; state: PlanView['pieces'][number] }>();
const store = useBuild();
const zone = computed(() => store.view?.timeZone ?? 'UTC');
const packedAt = computed(() =>
  props.piece.packedAt === undefined ? undefined : epochMinute(props.piece.packedAt, zone.value),
);
const at = (minute: number | undefined) => reachedWords(props.state, minute, zone.value);
</script>

<template>
  <dl class="dates figures">
    <div>
      <dt>Packable</dt>
      <dd>
        {{ at(state.packableAt)
        }}<span v-if="state.packDueAt" class="quiet"> · due {{ at(state.packDueAt) }}</span>
      </dd>
    </div>
    <div>
      <dt>Wearable</dt>
      <dd>
        {{ at(state.wearableAt)
        }}<span v-if="state.wearDueAt" class="quiet"> · due {{ at(state.wearDueAt) }}</span>
      </dd>
    </div>
    <div v-if="state.latestStartAt !== undefined">
      <dt>Next coat by</dt>
      <dd>{{ at(state.latestStartAt) }}<span class="quiet"> or miss the date</span></dd>
    </div>
    <div v-if="packedAt !== undefined">
      <dt>Packed</dt>
      <dd>{{ sayMoment(packedAt, zone) }}</dd>
    </div>
    <div>
      <dt>Coats and tasks</dt>
      <dd>{{ state.doneCount }} of {{ state.totalCount }} done</dd>
    </div>
  </dl>
</template>

<style scoped>
.dates {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 32px;
  margin-bottom: 14px;
}

.dates dt {
  font-size: 0.8rem;
  color: var(--quiet);
}
</style>
