<script setup lang="ts">
import type { Build } from '@fixatum/core';
import { computed, ref, shallowRef } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import { api, faultsOf, type ArchiveAnswer } from '../shared/api';
import BuildsInside from '../shared/BuildsInside.vue';
import DialogFoot from '../shared/DialogFoot.vue';
import FaultList from '../shared/FaultList.vue';
import JoinChoice from './JoinChoice.vue';
import { useJoining } from './useJoining';

/**
 * Looks into a saved zip before anything is done with it: a build is added to a workshop that is here or one of its own, a copy of everything
 * takes the place of everything.
 */
const open = defineModel<boolean>({ required: true });
const { file } = defineProps<{ file: File }>();
const emit = defineEmits<{ added: [id: string] }>();

const inside = ref<ArchiveAnswer>();
const faults = ref<ReturnType<typeof faultsOf>>([]);
const saving = ref(false);
const build = shallowRef<Build>();
/** Which workshop it is for; asked about only where there is one. */
const joining = shallowRef<ReturnType<typeof useJoining>>();
async function look(): Promise<void> {
  try {
    const answer = await api.sendArchive(file);
    if (answer.kind === 'build') {
      const arrived = await api.archiveBuild(answer.id);
      const asked = useJoining(ref(arrived));
      await asked.load(true);
      build.value = arrived;
      if ((asked.workshops.value ?? []).length > 0) joining.value = asked;
    }
    inside.value = answer;
  } catch (error) {
    faults.value = faultsOf(error);
  }
}
void look();

const isOpen = computed({
  get: () => open.value,
  set: (is) => {
    open.value = is;
    // What nobody takes is let go.
    if (!is && inside.value) void api.letArchiveGo(inside.value.id).catch(() => undefined);
  },
});

async function take(): Promise<void> {
  if (!inside.value) return;
  saving.value = true;
  try {
    const [into, joined] = [joining.value?.chosen.value, joining.value?.joined.value];
    const taken = await api.takeArchive(
      inside.value.id,
      into && joined ? { into: { id: into.id, version: into.version }, joined } : undefined,
    );
    open.value = false;
    // After a whole workshop everything may be another, whatever was open too.
    if ('id' in taken) emit('added', taken.id);
    else location.assign('/');
  } catch (error) {
    faults.value = faultsOf(error);
  } finally {
    saving.value = false;
  }
}
const words = computed(() =>
  inside.value?.kind === 'workshop' ? 'Put it in place of everything' : 'Add this build',
);
</script>

<template>
  <AppDialog v-model="isOpen" max-width="680" scrollable>
    <v-card>
      <div class="pa-6 pb-2">
        <h2>{{ file.name }}</h2>
        <p v-if="!inside && faults.length === 0" class="my-4" role="status">Looking inside…</p>
        <template v-if="inside?.kind === 'build'">
          <BuildsInside :builds="[inside]" :photos="inside.photos"
            >, {{ inside.readings === 0 ? 'no' : inside.readings }} readings of the air,
            {{ inside.looks === 0 ? 'no' : inside.looks }} saved
            {{ inside.looks === 1 ? 'look' : 'looks' }}</BuildsInside
          >
          <p class="my-4">
            It is added as a build of its own. Builds that are here already stay as they are.
          </p>
          <JoinChoice v-if="build && joining" :build="build" :joining="joining" />
        </template>
        <template v-else-if="inside">
          <BuildsInside :builds="inside.builds" :photos="inside.photos" />
          <p class="my-4">
            This is a copy of everything. It takes the place of all that is here, for all builds and on all
            devices. What there is now is backed up first, so you can come back to it.
          </p>
        </template>
        <p v-if="inside && inside.leftOut.length > 0" class="my-4" role="status">
          {{ inside.leftOut.length === 1 ? 'One photo' : `${inside.leftOut.length} photos` }} in it can’t be
          read and {{ inside.leftOut.length === 1 ? 'is' : 'are' }} left out:
          {{ [...new Set(inside.leftOut)].join(', ') }}.
        </p>
        <FaultList :faults="faults" />
      </div>
      <DialogFoot
        v-model="isOpen"
        :words="words"
        :saving="saving"
        :disabled="!inside || faults.length > 0 || joining?.isElsewhere.value"
        @done="take"
      />
    </v-card>
  </AppDialog>
</template>
