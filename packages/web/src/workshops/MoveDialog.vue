<script setup lang="ts">
import { computed, ref } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import { api } from '../shared/api';
import { useBuild } from '../shared/build';
import { useNotice } from '../shared/notice';
import DialogFoot from '../shared/DialogFoot.vue';
import FaultList from '../shared/FaultList.vue';
import { plain } from '../shared/offThread/workerLink';
import JoinTable from './JoinTable.vue';
import { useJoining } from './useJoining';

/** Moves the open build to another workshop, with what it brings there. */
const open = defineModel<boolean>({ required: true });
const { from } = defineProps<{ from: string }>();
const emit = defineEmits<{ moved: [] }>();
const store = useBuild();
const notice = useNotice();
const build = ref(plain(store.theBuild));
const joining = useJoining(build, from);
const { workshops, faults, chosenId, choices, isElsewhere, matches, joined } = joining;
const saving = ref(false);
void joining.load(false);

const items = computed(() =>
  (workshops.value ?? []).map(({ id, workshop }) => ({ value: id, title: workshop.name })),
);
async function move(): Promise<void> {
  const [into, what] = [joining.chosen.value, joined.value];
  if (!into || !what) return;
  saving.value = true;
  const done = await store.change(() =>
    api.moveBuild(store.theId, { id: into.id, version: into.version }, what, store.etag),
  );
  saving.value = false;
  if (!done) return;
  await store.loadBeside();
  notice.say(`Moved to ${into.workshop.name}`);
  open.value = false;
  emit('moved');
}
</script>

<template>
  <AppDialog v-model="open" max-width="680" scrollable>
    <v-card>
      <v-card-text class="pa-6">
        <h2 class="mb-3">Move “{{ build.name }}” to another workshop</h2>
        <p class="mb-4">
          It then has the hands, racks and tins of that one. Changes made before can’t be undone any more.
        </p>
        <p v-if="!workshops" role="status">Looking what is here…</p>
        <p v-else-if="workshops.length === 0">
          There is no other workshop yet. One comes with each new build that is not made in one that is here.
        </p>
        <template v-else>
          <v-select v-model="chosenId" :items="items" label="To" class="mb-4" />
          <p v-if="isElsewhere" role="alert">
            The dates of this build are written in {{ build.timeZone }}, those of that workshop in
            {{ joining.chosen.value?.workshop.timeZone }}.
          </p>
          <JoinTable v-else v-model="choices" :matches="matches" />
        </template>
        <FaultList :faults="faults" />
      </v-card-text>
      <DialogFoot v-model="open" words="Move it" :saving="saving" :disabled="!joined" @done="move" />
    </v-card>
  </AppDialog>
</template>
