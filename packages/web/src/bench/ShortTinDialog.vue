<script setup lang="ts">
import { sayMl, type PlannedOperation } from '@fixatum/core';
import AppDialog from '../shared/AppDialog.vue';
import { useBuild } from '../shared/build';
import type { TinCheck } from './useTinCheck';

/** Before a pass is begun that takes more than there is. */
const open = defineModel<boolean>({ required: true });
defineProps<{ check: TinCheck; pass: PlannedOperation }>();
defineEmits<{ begin: [] }>();
const store = useBuild();
</script>

<template>
  <AppDialog v-model="open" max-width="500">
    <v-card class="pa-6">
      <h2 class="mb-2">Not enough {{ pass.material?.name ?? 'of it' }}</h2>
      <p>
        It takes about {{ sayMl(check.ml) }};
        {{ check.all > 0 ? `there are ${sayMl(check.all)} on the shelf` : 'none is left on the shelf' }}. A
        coat that runs out half way shows where it stopped.
      </p>
      <div class="d-flex flex-column align-start ga-3 mt-5">
        <v-btn
          size="large"
          variant="flat"
          color="primary"
          :to="{ name: 'shelf', params: { build: store.theId } }"
          >I have another tin: add it</v-btn
        >
        <v-btn size="large" :to="{ name: 'shopping', params: { build: store.theId } }">See what to buy</v-btn>
        <v-btn size="large" data-testid="less-will-do" @click="$emit('begin')">Less will do: start</v-btn>
        <v-btn size="large" variant="text" @click="open = false">Not now</v-btn>
      </div>
    </v-card>
  </AppDialog>
</template>
