<script setup lang="ts">
import {
  daylightWords,
  sayMoment,
  toEpochMinute,
  toWallTime,
  type PlannedOperation,
  type Reason,
} from '@fixatum/core';
import { computed, ref, watch } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import { useBuild } from '../shared/build';
import MomentField from '../shared/MomentField.vue';
import { passWords, unitName, withWords } from '../shared/words';

/** One pass of the plan: when, why not sooner, and pinning it to a moment. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ operation: PlannedOperation | undefined }>();
const store = useBuild();
const at = ref('');
const problem = ref('');
const zone = computed(() => store.view?.timeZone ?? 'UTC');
const pinned = computed(() => store.build?.pins?.find((one) => one.operation === props.operation?.id));

watch(open, (isOpen) => {
  if (!isOpen || props.operation?.start === undefined) return;
  problem.value = '';
  at.value = pinned.value?.at ?? toWallTime(props.operation.start, zone.value);
});

const why: Record<Exclude<Reason, 'daylight' | 'elsewhere'>, string> = {
  start: 'It begins as soon as it can.',
  order: 'It begins when what goes before is done.',
  drying: 'What lies below has to dry first.',
  through:
    'What lies below is dry through by then. Laid sooner, the coats would hold each other up and be ready later.',
  window: 'It has to fall into a recoat window.',
  hands: 'Nobody is free sooner.',
  tool: 'Its tool is in other hands before; how many there are stands in Workshop.',
  place: 'The place opens only then.',
  quiet: 'It makes noise, and there are quiet hours before.',
  rack: 'The rack is full before.',
  air: 'The air is unfit before.',
  dust: 'Before, dust would settle on wet paint in the same room.',
  material: 'What it is laid with is on order and not here before.',
  busy: 'Hands are at other work of this build before.',
  choice: 'It could begin sooner, but that would cost a set-up or an evening more, or move what was planned.',
};

function whyOf(operation: PlannedOperation): string {
  const reason = operation.waitsFor?.why ?? operation.boundBy;
  if (reason === undefined) return '';
  if (reason === 'daylight') return daylightWords(operation, zone.value);
  const { freeAt } = operation.waitsFor ?? {};
  if (freeAt !== undefined)
    return `Nobody is free until ${sayMoment(freeAt, zone.value)}; then hands are at other work.`;
  return reason === 'elsewhere'
    ? `${operation.waitsFor?.by ?? 'Another build'} has the hands before.`
    : why[reason];
}

async function pin(): Promise<void> {
  const minute = toEpochMinute(at.value, zone.value);
  if (minute === undefined || minute < store.now - 1) {
    problem.value = minute === undefined ? 'That time does not exist.' : 'That time has passed.';
    return;
  }
  if (props.operation && (await store.pin([props.operation.id], minute))) open.value = false;
}
async function letGo(): Promise<void> {
  if (props.operation && (await store.unpin([props.operation.id]))) open.value = false;
}
</script>

<template>
  <AppDialog v-model="open" max-width="480">
    <v-card v-if="operation && operation.start !== undefined" class="pa-6">
      <h2 class="mb-1">{{ unitName(store.build, operation.pieceId, operation.unit) }}</h2>
      <p>{{ passWords(operation) }} · {{ withWords(operation) }}</p>
      <p class="mt-2">
        <strong>{{ sayMoment(operation.start, zone) }}.</strong>{{ ' ' }}
        <span class="quiet">{{ whyOf(operation) }}</span>
      </p>
      <form class="mt-4" novalidate @submit.prevent="pin">
        <MomentField v-model="at" label="Begin it on" />
        <p class="small quiet mt-1">
          It begins then, or as soon after as all that matters allows; the rest goes round it.
        </p>
        <p v-if="problem" class="problem" role="alert">{{ problem }}</p>
        <div class="d-flex ga-3 mt-4">
          <v-btn type="submit" variant="flat" color="primary">{{ pinned ? 'Move the pin' : 'Pin it' }}</v-btn>
          <v-btn v-if="pinned" @click="letGo">Let it go</v-btn>
          <v-btn variant="text" @click="open = false">Close</v-btn>
        </div>
      </form>
    </v-card>
  </AppDialog>
</template>

<style scoped>
.problem {
  margin-top: 8px;
  color: rgb(var(--v-theme-error));
}
</style>
