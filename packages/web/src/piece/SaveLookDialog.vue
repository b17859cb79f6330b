<script setup lang="ts">
import { idFromName, LOOK_FORMAT, lookFromPiece, type Piece } from '@fixatum/core';
import { ref } from 'vue';
import { saveFile } from '../shared/saveFile';
import { useLooks } from '../shared/looks';
import { useNotice } from '../shared/notice';

/** Keeps the steps of a piece as a look, here or in a file. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ piece: Piece }>();
const looks = useLooks();
const notice = useNotice();
const lookName = ref('');

async function saveLook(download: boolean): Promise<void> {
  const name = lookName.value.trim();
  if (name === '') return;
  const taken = looks.all.map((one) => one.id);
  const look = lookFromPiece(props.piece, name, idFromName(name, taken));
  if (download) {
    const text = `${JSON.stringify({ format: LOOK_FORMAT, look }, null, 2)}\n`;
    saveFile(`${look.id}.fixatum-look.json`, text, 'application/json');
  } else if (!(await looks.save(look))) return;
  open.value = false;
  notice.say(download ? `Saved to a file: ${name}` : `Saved as a look: ${name}`);
}
</script>

<template>
  <v-dialog v-model="open" max-width="460">
    <v-card class="pa-6">
      <h2 class="mb-3">Save the plan of {{ piece.name }} as a look</h2>
      <v-text-field v-model="lookName" label="What is the look called?" maxlength="120" autofocus />
      <div class="d-flex flex-wrap ga-3 mt-4">
        <v-btn variant="flat" color="primary" :disabled="lookName.trim() === ''" @click="saveLook(false)"
          >Keep it here</v-btn
        >
        <v-btn :disabled="lookName.trim() === ''" @click="saveLook(true)">Save to a file</v-btn>
        <v-btn variant="text" @click="open = false">Not now</v-btn>
      </div>
    </v-card>
  </v-dialog>
</template>
