<script setup lang="ts">
import type { Build } from '@fixatum/core';
import { computed, ref, toRef } from 'vue';
import { api, faultsOf } from '../shared/api';
import DialogFoot from '../shared/DialogFoot.vue';
import FaultList from '../shared/FaultList.vue';
import JoinTable from './JoinTable.vue';
import { useJoining } from './useJoining';

/** Asks which workshop a build from a file is for, and what becomes of what it brings. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ build: Build }>();
const emit = defineEmits<{ made: [id: string] }>();

const joining = useJoining(toRef(props, 'build'));
const { workshops, faults, chosenId, choices, isElsewhere, matches, joined } = joining;
const saving = ref(false);
void joining.load(true);

const OWN = '';
const target = computed({
  get: () => chosenId.value ?? OWN,
  set: (id) => (chosenId.value = id === OWN ? undefined : id),
});
const items = computed(() => [
  ...(workshops.value ?? []).map(({ id, workshop }) => ({ value: id, title: workshop.name })),
  { value: OWN, title: 'A workshop of its own' },
]);

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
  <v-dialog v-model="open" max-width="680" scrollable>
    <v-card>
      <v-card-text class="pa-6">
        <h2 class="mb-3">Where is “{{ build.name }}” made?</h2>
        <p class="mb-4">
          The people, places and tins of a workshop serve all builds in it: an hour spent on one is not free
          for the others.
        </p>
        <p v-if="!workshops" role="status">Looking what is here…</p>
        <template v-else>
          <v-select v-model="target" :items="items" label="Workshop" class="mb-4" />
          <p v-if="isElsewhere" role="alert">
            Its dates are written in {{ build.timeZone }}, those of this workshop in
            {{ joining.chosen.value?.workshop.timeZone }}. Choose another, or one of its own.
          </p>
          <JoinTable v-else-if="chosenId" v-model="choices" :matches="matches" />
          <p v-else>It brings its own people, places and tins, which have nothing to do with those here.</p>
        </template>
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
  </v-dialog>
</template>
