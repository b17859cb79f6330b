<script setup lang="ts">
import type { Build } from '@fixatum/core';
import { ref, toRef } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import { api, faultsOf } from '../shared/api';
import DialogFoot from '../shared/DialogFoot.vue';
import FaultList from '../shared/FaultList.vue';
import JoinChoice from './JoinChoice.vue';
import { useJoining } from './useJoining';

/** Asks which workshop a build from a file is for, and what becomes of what it brings. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ build: Build }>();
const emit = defineEmits<{ made: [id: string] }>();

const joining = useJoining(toRef(props, 'build'));
const { workshops, faults, isElsewhere, joined } = joining;
const saving = ref(false);
void joining.load(true);

async function make(): Promise<void> {
  saving.value = true;
  faults.value = [];
  try {
    const into = joining.chosen.value;
    const made =
      into && joined.value
        ? await api.createBuild(JSON.stringify(joined.value.build), { id: into.id, version: into.version })
        : await api.createBuild(JSON.stringify(props.build));
    open.value = false;
    emit('made', made.id);
  } catch (error) {
    faults.value = faultsOf(error);
    // Somebody may have changed the workshop: what is there now is matched anew.
    const said = faults.value;
    await joining.load(true);
    faults.value = said;
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <AppDialog v-model="open" max-width="680" scrollable>
    <v-card>
      <v-card-text class="pa-6">
        <h2 class="mb-3">Where is “{{ build.name }}” made?</h2>
        <JoinChoice :build="build" :joining="joining" />
        <FaultList :faults="faults" />
      </v-card-text>
      <DialogFoot
        v-model="open"
        words="Add this build"
        :saving="saving"
        :disabled="!workshops || isElsewhere"
        @done="make"
      />
    </v-card>
  </AppDialog>
</template>
