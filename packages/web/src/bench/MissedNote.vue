<script setup lang="ts">
import { sayDayOf, sayMoment, sayWait, type MissedWork } from '@fixatum/core';
import { computed, onMounted } from 'vue';
import { useBetterPlan } from '../plan/betterPlan';
import { useBuild } from '../shared/build';
import { useMe } from '../shared/me';
import { pieceName } from '../shared/words';

/** After days that went by without all of their work: which, what that costs, and that the list below is made for what is left. */
const props = defineProps<{ missed: MissedWork }>();
const store = useBuild();
const me = useMe();
const better = useBetterPlan();

/** Somebody who comes back waits for no press: the order of what is left is looked for at once, longer than usual. */
const LOOKS_SECONDS = 9;
onMounted(() => {
  if (!me.isHelper) better.look(LOOKS_SECONDS, true);
});

const days = computed(() => {
  const { days: all } = props.missed;
  const say = (at: number) => sayDayOf(at + 12 * 60, store.theView.timeZone);
  const [first, last] = [all[0] ?? 0, all.at(-1) ?? 0];
  const span = all.length === 1 ? say(first) : `${all.length} days, ${say(first)} to ${say(last)},`;
  // Who worked on that day has not missed it, but what was planned for it is left all the same.
  return props.missed.someDone ? `${span} left undone` : `${span} went by without`;
});
const MOST_PIECES = 3;
/** The pieces of what was missed, those with the least to spare first. */
const pieces = computed(() =>
  props.missed.pieceIds
    .flatMap((id) => store.planOf(id) ?? [])
    .sort((a, b) => (a.slackMinutes ?? Infinity) - (b.slackMinutes ?? Infinity))
    .slice(0, MOST_PIECES)
    .map((state) => {
      const ready = Math.max(state.packableAt ?? Infinity, state.wearableAt ?? Infinity);
      const name = pieceName(store.build, state.pieceId);
      if (!Number.isFinite(ready)) return `${name} is stuck: see its steps`;
      const { slackMinutes: slack } = state;
      const spare =
        slack === undefined
          ? ''
          : slack < 0
            ? `, ${sayWait(-slack)} too late`
            : `, ${sayWait(slack)} to spare`;
      return `${name} is ready ${sayMoment(ready, store.theView.timeZone)} now${spare}`;
    }),
);
const isLate = computed(() =>
  props.missed.pieceIds.some((id) => {
    const readiness = store.planOf(id)?.readiness;
    return readiness === 'late' || readiness === 'stuck';
  }),
);
</script>

<template>
  <div class="missed" role="status" data-testid="missed">
    <p>
      <strong
        >{{ days }} {{ missed.passes === 1 ? 'a coat or task' : `${missed.passes} coats and tasks` }} that
        {{ missed.passes === 1 ? 'was' : 'were' }} planned.</strong
      >
      {{ pieces.join('; ') }}.
    </p>
    <p class="small quiet">
      {{
        better.share === undefined
          ? 'The list below is made for what is left.'
          : 'Looking for the best order for what is left…'
      }}
      Done after all? Say so by “I forgot to log…”.
    </p>
    <div class="acts">
      <v-btn v-if="isLate && !me.isHelper" :to="{ name: 'plan', params: { build: store.theId } }"
        >Catch up</v-btn
      >
      <v-btn variant="text" @click="store.forgetMissed()">All right</v-btn>
    </div>
  </div>
</template>

<style scoped>
.missed {
  margin-bottom: 12px;
  padding: 10px 14px;
  border-left: 4px solid rgb(var(--v-theme-warning));
  background: rgb(var(--v-theme-surface));
}

.acts {
  display: flex;
  gap: 10px;
  margin-top: 8px;
}
</style>
