<script setup lang="ts">
import { mdiFileUploadOutline, mdiLayersOutline, mdiPlus } from '@mdi/js';
import { useTimeoutFn } from '@vueuse/core';
import { onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api, type BuildSummary, type WorkshopSummary } from '../shared/api';
import { faultPlace } from '../shared/faultPlace';
import FileButton from '../shared/FileButton.vue';
import { useMe } from '../shared/me';
import { useNotice } from '../shared/notice';
import { useTour } from '../shared/tour';
import { later } from '../shared/later';
import { useOpening } from './useOpening';

const ArchiveDialog = later(() => import('../workshops/ArchiveDialog.vue'));
const NewBuildDialog = later(() => import('./NewBuildDialog.vue'));
const JoinDialog = later(() => import('../workshops/JoinDialog.vue'));
const AsideList = later(() => import('../workshops/AsideList.vue'));
const WorkshopsList = later(() => import('../workshops/WorkshopsList.vue'));

const router = useRouter();
const notice = useNotice();
const me = useMe();
const tour = useTour();
const builds = ref<BuildSummary[]>();
const workshops = ref<WorkshopSummary[]>([]);
/** What was put aside is asked for again whenever the list is. */
const asideKey = ref(0);
const creating = ref(false);
const loadingDemo = ref(false);
/** What could not be fetched is asked for again after so long, and complained of once. */
const LIST_AGAIN_MS = 3000;
async function list(isRetry = false): Promise<void> {
  try {
    const [all, there] = await Promise.all([api.builds(), api.workshops()]);
    workshops.value = there.workshops;
    builds.value = all.builds;
    asideKey.value += 1;
  } catch (error) {
    if (!isRetry) notice.complain(error);
    listAgain.start();
  }
}
const listAgain = useTimeoutFn(() => void list(true), LIST_AGAIN_MS, { immediate: false });
onMounted(() => list());

const openBuild = (id: string) => router.push({ name: 'bench', params: { build: id } });

const { refused, turn, archive, arriving, take, arrived, isLooking, isArriving } = useOpening({
  hasWorkshops: () => workshops.value.length > 0,
  refresh: () => list(),
  goTo: openBuild,
});

async function loadDemo(): Promise<void> {
  loadingDemo.value = true;
  try {
    const { builds: loaded } = await api.loadSamples();
    const [first] = loaded;
    if (!first) return;
    tour.begin(first.id);
    await router.push({ name: 'pieces', params: { build: first.id } });
  } catch (error) {
    notice.complain(error);
  } finally {
    loadingDemo.value = false;
  }
}
</script>

<template>
  <div class="start">
    <div class="cut" aria-hidden="true">
      <div class="film wet" style="--paint: #3f7f72; flex: 3" />
      <div class="film touch-dry" style="--paint: #a8803a; flex: 4" />
      <div class="film recoatable" style="--paint: #7a3b2a; flex: 4" />
      <div class="film" style="--paint: #2a2a2c; flex: 6" />
      <div class="foam" />
    </div>
    <div class="text">
      <h1>Fixatum</h1>
      <p class="lead">
        Plans every coat on your foam pieces, from bare foam to packed case: what to do tonight, when it is
        dry, and whether it will be ready in time.
      </p>

      <!-- First, and where it is from the start: what comes in later pushes no button away beneath a press. -->
      <div v-if="!me.isHelper" class="ways">
        <v-btn size="large" variant="flat" color="primary" :prepend-icon="mdiPlus" @click="creating = true"
          >New build</v-btn
        >
        <FileButton
          size="large"
          :prepend-icon="mdiFileUploadOutline"
          field="Build file or workshop file"
          accept=".json,.zip,application/json,application/zip"
          drop="Drop builds or a workshop here to open them"
          multiple
          @files="take"
          >Open a file</FileButton
        >
        <v-btn size="large" :prepend-icon="mdiLayersOutline" :loading="loadingDemo" @click="loadDemo"
          >Look at the demo</v-btn
        >
        <v-btn v-if="builds && builds.length > 0" size="large" variant="text" :to="{ name: 'find' }"
          >Find in all builds</v-btn
        >
      </div>

      <section v-for="file in refused" :key="file.name" class="faults" role="alert">
        <h2>{{ file.name }} can’t be opened</h2>
        <p class="quiet mb-2">Nothing of it was taken in. What stands in the way:</p>
        <ul>
          <li v-for="(fault, at) in file.faults.slice(0, 30)" :key="at">
            <template v-if="fault.path.length > 0"
              ><strong>{{ faultPlace(fault.path, file.within) }}</strong
              >: </template
            >{{ fault.message }}
          </li>
        </ul>
        <p v-if="file.faults.length > 30" class="quiet">And {{ file.faults.length - 30 }} more.</p>
      </section>

      <WorkshopsList
        v-if="builds && builds.length + workshops.length > 0"
        :builds="builds"
        :workshops="workshops"
        @changed="list()"
      />
      <p v-else-if="builds">
        {{
          me.isHelper
            ? 'Nothing here yet. Ask at the computer.'
            : 'Nothing here yet: begin in one of three ways.'
        }}
      </p>

      <AsideList v-if="builds && !me.isHelper" :key="asideKey" @changed="list()" />
    </div>
    <ArchiveDialog v-if="archive" :key="turn" v-model="isLooking" :file="archive" @added="arrived" />
    <NewBuildDialog v-if="creating" v-model="creating" :workshops="workshops" @made="openBuild" />
    <JoinDialog v-if="arriving" :key="turn" v-model="isArriving" :build="arriving" @made="arrived" />
  </div>
</template>

<style scoped>
.start {
  min-height: 100vh;
  display: grid;
  grid-template-columns: minmax(120px, 26vw) 1fr;
}

.cut {
  display: flex;
  flex-direction: column;
  min-height: 100%;
  padding-top: 12vh;
}

.cut .film {
  min-height: 12px;
}

.foam {
  flex: 14;
  background-color: #5f6163;
  background-image:
    radial-gradient(circle at 10px 12px, #77797b 5px, transparent 5.6px),
    radial-gradient(circle at 28px 26px, #4c4e50 6px, transparent 6.6px),
    radial-gradient(circle at 20px 40px, #727476 4px, transparent 4.6px);
  background-size: 40px 44px;
  background-repeat: repeat;
}

.text {
  padding: 11vh 6vw 48px;
  max-width: 860px;
}

h1 {
  font-size: 3rem;
}

.lead {
  font-size: 1.2rem;
  margin: 14px 0 32px;
  max-width: 34em;
}

.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin-bottom: 28px;
}

.faults {
  margin-bottom: 28px;
  border-left: 4px solid rgb(var(--v-theme-error));
  padding: 4px 0 4px 16px;
}

.faults ul {
  padding-left: 18px;
}

.faults li {
  margin: 6px 0;
}

@media (max-width: 640px) {
  .start {
    grid-template-columns: 28px 1fr;
  }

  .text {
    padding: 6vh 20px 32px;
  }

  h1 {
    font-size: 2.2rem;
  }
}
</style>
