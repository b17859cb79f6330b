<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue';
import { useRouter } from 'vue-router';
import { api, type WorkshopSummary } from '../shared/api';
import { useBuild } from '../shared/build';
import { later } from '../shared/later';
import { useNotice } from '../shared/notice';

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

async function finish(): Promise<void> {
  const { theId: id } = store;
  const { name } = store.theBuild;
  if (!(await store.change(() => api.finishBuild(id, true)))) return;
  notice.say(`Put by as done: ${name}`, {
    label: 'Take up again',
    run: () => void api.finishBuild(id, false).catch(notice.complain),
  });
  await router.push('/');
}
</script>

<template>
  <section aria-labelledby="of-build">
    <h2 id="of-build">This build</h2>
    <p class="mb-3">
      Put by as done it stays as a record, and its hands, racks and places are free for others.
      <template v-if="openPasses > 0"
        >{{ openPasses }} {{ openPasses === 1 ? 'coat or task of it is' : 'coats and tasks of it are' }} not
        done yet.</template
      >
    </p>
    <div class="d-flex flex-wrap ga-3">
      <v-btn @click="finish">Put it by as done</v-btn>
      <v-btn v-if="mine" @click="moving = true">Move it to another workshop</v-btn>
    </div>
    <MoveDialog v-if="moving && mine" v-model="moving" :from="mine.id" @moved="load" />
  </section>
</template>
