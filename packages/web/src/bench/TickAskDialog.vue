<script setup lang="ts">
import { sayMoment, type PlannedOperation } from '@fixatum/core';
import { computed } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import { useBuild } from '../shared/build';
import { passWords, pieceNames } from '../shared/words';
import BeforeStart from './BeforeStart.vue';
import { checksFor } from './lookOver';
import { useBeforeStart } from './useBeforeStart';

/** Asks before what is not due, is looked over, or is spoken against is ticked on a sheet. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ passes: readonly PlannedOperation[]; start: number }>();
defineEmits<{ done: [] }>();
const store = useBuild();
const { findings } = useBeforeStart(
  computed(() => props.passes),
  () => false,
);
const checks = computed(() => checksFor(store.theBuild, props.passes));
</script>

<template>
  <AppDialog v-model="open" max-width="560">
    <v-card class="pa-6" data-testid="tick-ask">
      <h2 class="mb-2">{{ checks.length > 0 ? 'Is all of it right?' : 'Is it done already?' }}</h2>
      <p>
        <strong>{{ passWords(passes[0]!) }}</strong>: {{ pieceNames(store.build, passes) }}
      </p>
      <p v-if="start > store.minute" class="quiet">
        Planned for {{ sayMoment(start, store.theView.timeZone) }}.
      </p>
      <ul v-if="checks.length > 0" class="checks mt-2">
        <li v-for="check in checks" :key="check.id">{{ check.right }}</li>
      </ul>
      <BeforeStart :findings="findings" :later="[]" :late="[]" />
      <div class="d-flex flex-wrap ga-3 mt-5">
        <v-btn size="large" variant="flat" color="primary" data-testid="tick-yes" @click="$emit('done')">{{
          checks.length > 0 ? 'All right, log it' : 'It is done'
        }}</v-btn>
        <v-btn size="large" variant="text" @click="open = false">{{
          checks.length > 0 ? 'Not all of it' : 'Not yet'
        }}</v-btn>
      </div>
      <p v-if="checks.length > 0" class="small quiet mt-3">
        What is not right is said at the Bench, when it is looked over there.
      </p>
    </v-card>
  </AppDialog>
</template>

<style scoped>
.checks {
  padding-left: 1.2em;
}
</style>
