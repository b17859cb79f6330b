<script setup lang="ts">
import { computed, ref } from 'vue';
import { api, faultsOf, type ArchiveAnswer } from './api';
import BuildsInside from './BuildsInside.vue';
import DialogFoot from './DialogFoot.vue';
import FaultList from './FaultList.vue';

/**
 * Looks into a saved zip before anything is done with it: a build is added to those that are here, a whole workshop takes the place of
 * everything.
 */
const open = defineModel<boolean>({ required: true });
const { file } = defineProps<{ file: File }>();
const emit = defineEmits<{ added: [id: string] }>();

const inside = ref<ArchiveAnswer>();
const faults = ref<ReturnType<typeof faultsOf>>([]);
const saving = ref(false);
api.sendArchive(file).then(
  (answer) => (inside.value = answer),
  (error: unknown) => (faults.value = faultsOf(error)),
);

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
    const taken = await api.takeArchive(inside.value.id);
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
  <v-dialog v-model="isOpen" max-width="560">
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
          <p class="my-4">It is added as a build of its own. What is here already stays as it is.</p>
        </template>
        <template v-else-if="inside">
          <BuildsInside :builds="inside.builds" :photos="inside.photos" />
          <p class="my-4">
            This is a whole workshop. It takes the place of everything that is here, for all builds and on all
            devices. What there is now is backed up first, so you can come back to it.
          </p>
        </template>
        <FaultList :faults="faults" />
      </div>
      <DialogFoot
        v-model="isOpen"
        :words="words"
        :saving="saving"
        :disabled="!inside || faults.length > 0"
        @done="take"
      />
    </v-card>
  </v-dialog>
</template>
