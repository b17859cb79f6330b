<script setup lang="ts">
import { sayWait, type PlannedOperation } from '@fixatum/core';
import AppDialog from '../shared/AppDialog.vue';
import { passWords } from '../shared/words';

/** Asks before what was begun is as if it had never been. */
const open = defineModel<boolean>({ required: true });
defineProps<{
  pass: PlannedOperation;
  /** Worked on it so far, minutes. */
  elapsed: number;
}>();
defineEmits<{ stop: [] }>();
</script>

<template>
  <AppDialog v-model="open" max-width="480">
    <v-card class="pa-6">
      <h2 class="mb-2">Not after all?</h2>
      <p>
        {{ passWords(pass) }} is then as if it had never been begun<template v-if="elapsed >= 1"
          >, and the {{ sayWait(elapsed) }} worked so far are not kept</template
        >. Where paint is on already, log it as done or as failed instead.
      </p>
      <div class="d-flex flex-wrap ga-3 mt-5">
        <v-btn size="large" variant="flat" color="primary" @click="open = false">Keep at it</v-btn>
        <v-btn size="large" data-testid="not-after-all" @click="$emit('stop')">Not after all</v-btn>
      </div>
    </v-card>
  </AppDialog>
</template>
