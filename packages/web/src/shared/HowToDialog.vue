<script setup lang="ts">
import { cardFor, methodOf, safetyLine, type Material, type Step } from '@fixatum/core';
import { computed } from 'vue';
import AppDialog from './AppDialog.vue';
import HowToCard from './HowToCard.vue';

/** How a step is done, with what to wear and mind. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ step: Step; material: Material | undefined }>();
const card = computed(() => cardFor(props.step, props.material));
const safety = computed(() => safetyLine(props.step, methodOf(props.step, props.material), props.material));
</script>

<template>
  <AppDialog v-model="open" max-width="640" scrollable>
    <v-card>
      <v-card-text class="pa-6">
        <HowToCard v-if="card" :card="card" :safety="safety" />
        <p v-else>No card tells of this yet. The label on the tin does.</p>
      </v-card-text>
      <div class="actions">
        <v-btn @click="open = false">Close</v-btn>
      </div>
    </v-card>
  </AppDialog>
</template>
