<script setup lang="ts">
import AppDialog from '../shared/AppDialog.vue';

/** A piece is packed with work left: what becomes of that. */
const open = defineModel<boolean>({ required: true });
defineProps<{ name: string; left: number }>();
defineEmits<{ pack: [rest: 'later' | 'drop'] }>();
</script>

<template>
  <AppDialog v-model="open" max-width="520">
    <v-card class="pa-6">
      <h2 class="mb-2">
        {{ name }} has {{ left }} {{ left === 1 ? 'coat or task' : 'coats and tasks' }} left
      </h2>
      <p class="mb-4">A packed piece is not planned any more. What becomes of the rest?</p>
      <div class="d-flex flex-column ga-3 align-start">
        <v-btn variant="flat" color="primary" @click="$emit('pack', 'later')"
          >Pack it; the rest is done later</v-btn
        >
        <v-btn @click="$emit('pack', 'drop')">Pack it as it is; drop the rest</v-btn>
        <v-btn variant="text" @click="open = false">It is not packed yet</v-btn>
      </div>
      <p class="small quiet mt-4">
        Later: taking it out again is one press, and its plan goes on. Dropped: what is logged stays; Undo
        brings the rest back.
      </p>
    </v-card>
  </AppDialog>
</template>
