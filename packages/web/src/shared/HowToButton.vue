<script setup lang="ts">
import { cardFor, methodOf, safetyLine, type Material, type Step } from '@fixatum/core';
import { computed, ref } from 'vue';
import HowToCard from './HowToCard.vue';

/** "How?" beside a step: opens the card that tells how it is done by hand. Nothing where there is none. */
const props = defineProps<{
  step: Step;
  material: Material | undefined;
  size?: 'small' | 'default';
}>();
const open = ref(false);
const card = computed(() => cardFor(props.step, props.material));
const safety = computed(() => safetyLine(props.step, methodOf(props.step, props.material), props.material));
</script>

<template>
  <template v-if="card">
    <v-btn
      variant="text"
      :size="size ?? 'default'"
      :aria-label="`How? ${card.title}`"
      data-testid="how"
      @click="open = true"
      >How?</v-btn
    >
    <v-dialog v-model="open" max-width="640" scrollable>
      <v-card>
        <v-card-text class="pa-6"><HowToCard :card="card" :safety="safety" /></v-card-text>
        <div class="actions">
          <v-btn @click="open = false">Close</v-btn>
        </div>
      </v-card>
    </v-dialog>
  </template>
</template>
