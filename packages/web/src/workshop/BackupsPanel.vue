<script setup lang="ts">
import { sayMoment, sayWait } from '@fixatum/core';
import { mdiContentSaveOutline, mdiFileUploadOutline, mdiHistory } from '@mdi/js';
import { computed, onMounted, ref, useTemplateRef, type ComponentPublicInstance } from 'vue';
import { useRouter } from 'vue-router';
import AppDialog from '../shared/AppDialog.vue';
import { api, type BackupsAnswer } from '../shared/api';
import ArchiveDialog from '../workshops/ArchiveDialog.vue';
import { useBuild } from '../shared/build';
import BuildsInside from '../shared/BuildsInside.vue';
import FileButton from '../shared/FileButton.vue';
import { useMe } from '../shared/me';
import { useNotice } from '../shared/notice';
import SecondPlace from './SecondPlace.vue';
import WorkshopPanel from './WorkshopPanel.vue';
import DialogFoot from '../shared/DialogFoot.vue';

type Backup = BackupsAnswer['backups'][number];

/** The copies of everything: how old the newest is, one more by hand, one as a file, and the way back to one. */
const store = useBuild();
const notice = useNotice();
const me = useMe();
const state = ref<BackupsAnswer>();
const busy = ref(false);
/** The one that is looked into before it is put back. */
const chosen = ref<Backup>();
/** A file that was saved somewhere, to be looked into. */
const file = ref<File>();
/** A saved file can be dropped anywhere on it. */
const panel = useTemplateRef<ComponentPublicInstance>('panel');
const isLooking = computed({
  get: () => file.value !== undefined,
  set: (is) => {
    if (!is) file.value = undefined;
  },
});
const router = useRouter();
const goTo = (id: string) => void router.push({ name: 'bench', params: { build: id } });
const isChosen = computed({
  get: () => chosen.value !== undefined,
  set: (is) => {
    if (!is) chosen.value = undefined;
  },
});

async function run(work: () => Promise<BackupsAnswer>, said?: string): Promise<boolean> {
  busy.value = true;
  try {
    state.value = await work();
    if (said) notice.say(said);
    return true;
  } catch (error) {
    notice.complain(error);
    return false;
  } finally {
    busy.value = false;
  }
}
onMounted(() => run(api.backups));

/** The file that holds everything, once it does by itself. */
const ready = ref<string>();
async function fold(): Promise<void> {
  busy.value = true;
  try {
    ready.value = (await api.foldData()).file;
  } catch (error) {
    notice.complain(error);
  } finally {
    busy.value = false;
  }
}

async function putBack({ id }: Backup): Promise<void> {
  if (!(await run(() => api.restoreBackup(id)))) return;
  chosen.value = undefined;
  // Everything may be another now, the build that is open too.
  location.assign('/');
}

const minuteOf = (iso: string) => Math.floor(Date.parse(iso) / 60_000);
const when = (iso: string) => sayMoment(minuteOf(iso), store.theBuild.timeZone);
const age = computed(() => {
  const newest = state.value?.backups[0];
  return newest && sayWait(Math.max(1, Math.floor(Date.now() / 60_000) - minuteOf(newest.madeAt)));
});
const reasonWords: Record<Backup['reason'], string> = {
  start: 'when the program started',
  daily: 'the daily one',
  'by-hand': 'made by hand',
  'before-upgrade': 'before a new version changed the tables',
  'before-restore': 'before another was put back',
};
</script>

<template>
  <WorkshopPanel v-if="state" id="backups" ref="panel" class="backups" title="Backups">
    <p class="quiet">
      <template v-if="age">The newest is {{ age }} old. </template>
      All builds, logs, readings and photos are copied when the program starts and once a day; seven days,
      four weeks and twelve months are kept, each copy checked by opening it.
    </p>
    <p class="small quiet">
      They lie {{ state.folder === null ? 'on the computer with the data' : `in ${state.folder}` }}.
    </p>
    <SecondPlace
      :second="state.second"
      :is-here="me.device === null"
      :when="when"
      @changed="state = $event"
    />
    <div class="ways">
      <v-btn :prepend-icon="mdiContentSaveOutline" :loading="busy" @click="run(api.makeBackup, 'Backed up')"
        >Back up now</v-btn
      >
      <FileButton
        :prepend-icon="mdiFileUploadOutline"
        variant="text"
        field="Saved backup or build"
        accept=".zip,application/zip"
        drop="Drop a saved file here to look into it"
        :within="panel?.$el"
        is-part
        @file="file = $event"
        >Open a saved file…</FileButton
      >
      <v-btn v-if="me.device === null" variant="text" :loading="busy" @click="fold"
        >Ready the data for copying</v-btn
      >
    </div>
    <p v-if="ready" class="small" role="status">
      All is in {{ ready }} now, and the photos are in “photos” beside it. Copy both before anything else is
      logged.
    </p>
    <ul v-if="state.backups.length > 0" aria-label="Backups">
      <li v-for="backup in state.backups" :key="backup.id">
        <span>{{ when(backup.madeAt) }}</span>
        <span class="small quiet">{{ reasonWords[backup.reason] }} · {{ backup.megabytes }} MB</span>
        <span class="acts">
          <v-btn
            size="small"
            variant="text"
            :href="api.backupUrl(backup.id)"
            :aria-label="`Save the backup of ${when(backup.madeAt)} as a file`"
            >Save as a file</v-btn
          >
          <v-btn
            size="small"
            variant="text"
            :prepend-icon="mdiHistory"
            :aria-label="`Look into the backup of ${when(backup.madeAt)}`"
            @click="chosen = backup"
            >Look inside</v-btn
          >
        </span>
      </li>
    </ul>
    <p v-else class="small quiet">There is none yet.</p>

    <ArchiveDialog v-if="file" v-model="isLooking" :file="file" @added="goTo" />
    <AppDialog v-model="isChosen" max-width="560">
      <v-card v-if="chosen">
        <div class="pa-6 pb-2">
          <h2>{{ when(chosen.madeAt) }}</h2>
          <BuildsInside :builds="chosen.builds" :photos="chosen.photos" />
          <p class="my-4">
            Putting it back makes everything what it was then, for all builds and on all devices. What there
            is now is backed up first, so you can come back to it.
          </p>
        </div>
        <DialogFoot v-model="isChosen" words="Put it back" :saving="busy" @done="putBack(chosen)" />
      </v-card>
    </AppDialog>
  </WorkshopPanel>
</template>

<style scoped>
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin: 12px 0;
}

ul {
  list-style: none;
  padding: 0;
}

.backups > ul li {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr) auto;
  gap: 12px;
  align-items: center;
  padding: 4px 0;
  border-bottom: 1px solid var(--line);
}

@media (max-width: 600px) {
  .backups > ul li {
    grid-template-columns: minmax(0, 1fr);
    gap: 0;
  }
}
</style>
