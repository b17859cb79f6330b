<script setup lang="ts">
import { workWord, type Material, type Step } from '@fixatum/core';
import { ref } from 'vue';
import { later } from './later';

const HowToDialog = later(() => import('./HowToDialog.vue'));

/** "How?" beside a step: opens the card that tells how it is done by hand. */
defineProps<{
  step: Step;
  material: Material | undefined;
  size?: 'small' | 'default';
}>();
const open = ref(false);
</script>

<template>
  <v-btn
    variant="text"
    :size="size ?? 'default'"
    :aria-label="`How? ${workWord(step)}`"
    data-testid="how"
    @click="open = true"
    >How?</v-btn
  >
  <HowToDialog v-if="open" v-model="open" :step="step" :material="material" />
</template>
