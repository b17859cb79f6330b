<script setup lang="ts">
import { mergePieces, type Piece } from '@fixatum/core';
import { computed } from 'vue';
import AppDialog from './AppDialog.vue';
import { useBuild } from './build';

/** Told when the piece being saved was changed somewhere else: put both together, take over, or let it be. */
const store = useBuild();
const open = computed({
  get: () => store.conflict !== undefined,
  set: (value) => {
    if (!value) void store.settleConflict(undefined);
  },
});
const merged = computed(() =>
  store.conflict ? mergePieces(store.conflict.base, store.conflict.mine, store.conflict.theirs) : undefined,
);
const fieldWords: Record<string, string> = {
  steps: 'the steps',
  name: 'the name',
  quantity: 'how many',
  faces: 'the areas',
  substrate: 'the material',
  zones: 'the zones',
  flex: 'the bends',
  event: 'the date',
  note: 'the note',
};
const clashes = computed(() =>
  (merged.value?.clashes ?? []).map((clash) => fieldWords[clash.field] ?? clash.field).join(', '),
);
const settle = (piece: Piece | undefined) => store.settleConflict(piece);
</script>

<template>
  <AppDialog v-model="open" max-width="560" persistent>
    <v-card v-if="store.conflict && merged" class="pa-6">
      <h2 class="mb-3">{{ store.conflict.theirs.name }} was changed somewhere else</h2>
      <p class="mb-3">
        Since you opened it, another window or person saved a change. Nothing of either is lost yet.
      </p>
      <p v-if="clashes" class="mb-3">
        Both of you changed {{ clashes }}; putting both together keeps yours there.
      </p>
      <p v-else class="mb-3">You changed different things, so both changes fit together.</p>
      <div class="ways">
        <v-btn variant="flat" color="primary" @click="settle(merged.piece)">Put both together</v-btn>
        <v-btn @click="settle(store.conflict.mine)">Take mine over theirs</v-btn>
        <v-btn @click="settle(undefined)">Keep theirs</v-btn>
      </div>
    </v-card>
  </AppDialog>
</template>

<style scoped>
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
</style>
