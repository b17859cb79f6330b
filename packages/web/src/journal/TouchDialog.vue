<script setup lang="ts">
import { toEpochMinute, type Fault, type JournalEdit, type TouchTest } from '@fixatum/core';
import { mdiDeleteOutline } from '@mdi/js';
import { computed, reactive, ref, watch } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import DialogFoot from '../shared/DialogFoot.vue';
import FaultList from '../shared/FaultList.vue';
import MomentField from '../shared/MomentField.vue';
import { api, faultsOf } from '../shared/api';
import { useBuild } from '../shared/build';

/** Puts a touch test right, or takes it out: what it taught of the material goes with it. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ ids: readonly string[] }>();
const store = useBuild();
const first = computed(() => store.build?.touchTests?.find(({ id }) => props.ids.includes(id)));
const form = reactive<{ at: string; state: TouchTest['state'] }>({ at: '', state: 'dry' });
const faults = ref<Fault[]>([]);
const saving = ref(false);
watch(
  open,
  (isOpen) => {
    if (!isOpen || !first.value) return;
    faults.value = [];
    Object.assign(form, { at: first.value.at, state: first.value.state });
  },
  { immediate: true },
);

async function send(edit: JournalEdit, said: string): Promise<void> {
  saving.value = true;
  faults.value = [];
  try {
    if (await store.attempt(() => api.editJournal(store.theId, edit, store.etag), said)) open.value = false;
  } catch (error) {
    faults.value = faultsOf(error);
  } finally {
    saving.value = false;
  }
}
function save(): void {
  if (toEpochMinute(form.at.slice(0, 16), store.theBuild.timeZone) === undefined)
    faults.value = [{ code: 'time', path: ['at'], message: 'That time does not exist.' }];
  else void send({ tests: props.ids.map((id) => ({ id, set: { ...form } })) }, 'Touch test put right');
}
</script>

<template>
  <AppDialog v-model="open" asks max-width="520">
    <v-card v-if="first">
      <v-card-text class="pa-6">
        <h2 class="mb-4">Put a touch test right</h2>
        <form id="touch-form" class="form-grid" novalidate @submit.prevent="save">
          <MomentField v-model="form.at" class="wide" label="Touched on" />
          <v-select
            v-model="form.state"
            label="It was"
            :items="[
              { value: 'dry', title: 'dry' },
              { value: 'tacky', title: 'still tacky' },
            ]"
          />
        </form>
      </v-card-text>
      <FaultList class="px-6 py-2" :faults="faults" :within="form" />
      <DialogFoot v-model="open" form="touch-form" words="Save" :saving="saving">
        <v-spacer />
        <v-btn
          variant="text"
          :prepend-icon="mdiDeleteOutline"
          :disabled="saving"
          @click="send({ remove: [...ids] }, 'Touch test taken out')"
          >Take it out</v-btn
        >
      </DialogFoot>
    </v-card>
  </AppDialog>
</template>
