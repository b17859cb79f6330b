<script setup lang="ts">
import AppDialog from './AppDialog.vue';
import { useUnsaved } from './unsaved';

/** Asks before what is typed would be lost. */
const unsaved = useUnsaved();
</script>

<template>
  <AppDialog
    :model-value="unsaved.isAsking"
    max-width="460"
    @update:model-value="$event || unsaved.answer(false)"
  >
    <v-card class="pa-6">
      <h2 class="mb-2">Leave what you typed?</h2>
      <p>It is not saved yet.</p>
      <div class="d-flex flex-wrap ga-3 mt-5">
        <v-btn variant="flat" color="primary" autofocus @click="unsaved.answer(false)">Keep on</v-btn>
        <v-btn @click="unsaved.answer(true)">Throw it away</v-btn>
      </div>
    </v-card>
  </AppDialog>
</template>
