<script setup lang="ts">
import { sayDate } from '@fixatum/core';
import { computed, onMounted, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { api, type WorkshopSummary } from '../shared/api';
import { useBuild } from '../shared/build';
import { later } from '../shared/later';
import { useNotice } from '../shared/notice';

const ClosingDialog = later(() => import('./ClosingDialog.vue'));
const MoveDialog = later(() => import('../workshops/MoveDialog.vue'));

/** What becomes of the open build: put by as done, or moved to another workshop. */
const store = useBuild();
const notice = useNotice();
const router = useRouter();
const workshops = shallowRef<WorkshopSummary[]>([]);
const moving = ref(false);
const load = () =>
  api.workshops().then(
    (answer) => (workshops.value = answer.workshops),
    () => undefined,
  );
onMounted(load);
const mine = computed(() => workshops.value.find(({ builds }) => builds.includes(store.id ?? '')));
const openPasses = computed(
  () =>
    (store.view?.operations ?? []).filter(({ status }) => status !== 'done' && status !== 'skipped').length,
);

const closing = ref(false);
/** Opens the build again, whichever is open by then. */
const openAgain = (id: string) => void api.finishBuild(id, false).catch(notice.complain);
async function finished(): Promise<void> {
  const { theId: id } = store;
  closing.value = false;
  notice.say(`Finished: ${store.theBuild.name}`, { label: 'Open it again', run: () => openAgain(id) });
  await router.push('/');
}
</script>

<template>
  <section id="of-build" aria-labelledby="of-build-title">
    <h2 id="of-build-title">This build</h2>
    <p v-if="store.finishedAt" class="mb-3">
      It was finished on {{ sayDate(store.finishedAt.slice(0, 10)) }}, and stays as a record.
    </p>
    <p v-else class="mb-3">
      Finished, it stays as a record, and its hands, racks and places are free for others.
      <template v-if="openPasses > 0"
        >{{ openPasses }} {{ openPasses === 1 ? 'coat or task of it is' : 'coats and tasks of it are' }} not
        done yet.</template
      >
    </p>
    <div class="d-flex flex-wrap ga-3">
      <v-btn
        v-if="store.finishedAt"
        :disabled="store.busy"
        @click="
          store.change(() => api.finishBuild(store.theId, false), `In hand again: ${store.theBuild.name}`)
        "
        >Open it again</v-btn
      >
      <v-btn v-else @click="closing = true">Finish the build…</v-btn>
      <v-btn v-if="mine" @click="moving = true">Move it to another workshop</v-btn>
    </div>
    <ClosingDialog v-if="closing" v-model="closing" @finished="finished" />
    <MoveDialog v-if="moving && mine" v-model="moving" :from="mine.id" @moved="load" />
  </section>
</template>
