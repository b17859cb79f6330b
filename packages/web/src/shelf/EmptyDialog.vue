<script setup lang="ts">
import { sayMl } from '@fixatum/core';
import { computed } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import type { GoneBy } from './tins';

/** A tin is empty that should hold much by the book: where that went. Only what was used says how much is taken. */
defineProps<{ name: string; ml: number }>();
const emit = defineEmits<{ gone: [why: GoneBy]; close: [] }>();
const open = computed({ get: () => true, set: (is) => !is && emit('close') });
const ways: { why: GoneBy; words: string }[] = [
  { why: 'used', words: 'Used: I take more than was reckoned' },
  { why: 'spilt', words: 'Spilt' },
  { why: 'dried up', words: 'Dried up' },
  { why: 'lent', words: 'Lent or given away' },
];
</script>

<template>
  <AppDialog v-model="open" max-width="480">
    <v-card class="pa-6">
      <h2 class="mb-2">Where did the rest go?</h2>
      <p class="mb-4">By the log {{ sayMl(ml) }} of {{ name }} should be left.</p>
      <div class="d-flex flex-column align-start ga-3">
        <v-btn v-for="way in ways" :key="way.why" @click="$emit('gone', way.why)">{{ way.words }}</v-btn>
        <v-btn variant="text" @click="open = false">It is not empty</v-btn>
      </div>
    </v-card>
  </AppDialog>
</template>
