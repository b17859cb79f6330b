<script setup lang="ts">
import { ref, watch } from 'vue';
import { api, faultsOf, type BackupsAnswer } from '../shared/api';
import FaultList from '../shared/FaultList.vue';

/** A second folder that copies go to, such as one on another drive: where it is, how it went there last, and whether that is long ago. */
const { second, isHere, when } = defineProps<{
  second: BackupsAnswer['second'];
  /** At the computer itself, where a folder can be chosen. */
  isHere: boolean;
  when: (iso: string) => string;
}>();
const emit = defineEmits<{ changed: [state: BackupsAnswer] }>();
const folder = ref('');
const isChoosing = ref(false);
const saving = ref(false);
const faults = ref<ReturnType<typeof faultsOf>>([]);
watch(isChoosing, () => {
  folder.value = second?.folder ?? '';
  faults.value = [];
});

async function choose(path: string | null): Promise<void> {
  saving.value = true;
  faults.value = [];
  try {
    emit('changed', await api.chooseSecondPlace(path));
    // What lies in it only once a backup was made is no copy yet.
    if (path !== null) emit('changed', await api.makeBackup());
    isChoosing.value = false;
  } catch (error) {
    faults.value = faultsOf(error);
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <div class="second">
    <template v-if="second">
      <p>
        Each backup goes to {{ second.folder ?? 'a second folder of the computer' }}, too, as a zip.
        <template v-if="second.lastAt">The last one got there {{ when(second.lastAt) }}.</template>
        <template v-else>None has got there yet.</template>
      </p>
      <p v-if="second.trouble || second.isOld" class="warn" role="status">
        ▲
        <template v-if="second.isOld">
          {{ second.lastAt ? 'No copy has got there for a week.' : 'No copy is there.' }}
        </template>
        <template v-if="second.trouble"
          >The last try failed: {{ second.trouble }}. Is the drive there?</template
        >
      </p>
    </template>
    <p v-else class="small quiet">
      If this disk fails, builds and backups go together. Name a second folder, on another drive or one that
      is kept the same on another machine.
    </p>
    <template v-if="isHere">
      <form v-if="isChoosing" class="choose" @submit.prevent="choose(folder.trim())">
        <v-text-field v-model="folder" label="Second folder for backups, its whole path" maxlength="1000" />
        <FaultList :faults="faults" />
        <div class="acts">
          <v-btn
            type="submit"
            variant="flat"
            color="primary"
            :disabled="folder.trim() === ''"
            :loading="saving"
            >Use it</v-btn
          >
          <v-btn variant="text" @click="isChoosing = false">Not now</v-btn>
        </div>
      </form>
      <div v-else class="acts">
        <v-btn size="small" @click="isChoosing = true">{{
          second ? 'Another folder' : 'Choose a second folder'
        }}</v-btn>
        <v-btn v-if="second" size="small" variant="text" :loading="saving" @click="choose(null)"
          >Without a second folder</v-btn
        >
      </div>
    </template>
  </div>
</template>

<style scoped>
.second {
  margin: 16px 0;
}

.warn {
  color: rgb(var(--v-theme-warning));
  font-weight: 600;
}

.choose {
  max-width: 560px;
  margin-top: 8px;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 8px;
}
</style>
