<script setup lang="ts">
import type { RuleFinding } from '@fixatum/core';
import AppDialog from '../shared/AppDialog.vue';
import { useBuild } from '../shared/build';
import { pieceName } from '../shared/words';

/** Asks before something is begun that the rules say stop to. */
const open = defineModel<boolean>({ required: true });
defineProps<{ stops: readonly RuleFinding[] }>();
defineEmits<{ begin: [] }>();
const store = useBuild();
</script>

<template>
  <AppDialog v-model="open" max-width="560">
    <v-card class="pa-6" data-testid="ask-before-stop">
      <h2 class="mb-3">The rules say stop</h2>
      <p v-for="finding in stops" :key="`${finding.piece} ${finding.rule}`" class="mb-2">
        <strong>{{ pieceName(store.build, finding.piece) }}:</strong> {{ finding.message }}
      </p>
      <p class="quiet">{{ stops[0]?.reason }}</p>
      <div class="d-flex flex-wrap ga-3 mt-5">
        <v-btn
          v-if="stops[0]"
          variant="flat"
          color="primary"
          :to="{ name: 'piece', params: { build: store.theId, piece: stops[0].piece } }"
          >See the ways out</v-btn
        >
        <v-btn variant="outlined" data-testid="start-all-the-same" @click="$emit('begin')"
          >Start all the same</v-btn
        >
        <v-btn variant="text" @click="open = false">Not now</v-btn>
      </div>
    </v-card>
  </AppDialog>
</template>
