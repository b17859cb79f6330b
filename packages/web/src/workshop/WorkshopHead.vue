<script setup lang="ts">
import { mdiDownload, mdiPencilOutline } from '@mdi/js';
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { api, type BuildSummary, type WorkshopSummary } from '../shared/api';
import { useBuild } from '../shared/build';
import { useNotice } from '../shared/notice';
import { vFocusFirst } from '../shared/focusFirst';

/** What the workshop is called, which builds it serves in which order, and its file. */
const store = useBuild();
const notice = useNotice();
const workshops = shallowRef<WorkshopSummary[]>([]);
const builds = shallowRef<BuildSummary[]>([]);

async function load(): Promise<void> {
  try {
    const [there, all] = await Promise.all([api.workshops(), api.builds()]);
    workshops.value = there.workshops;
    builds.value = all.builds;
  } catch (error) {
    notice.complain(error);
  }
}
onMounted(load);
watch(() => store.id, load);
watch(() => store.beside, load);

const mine = computed(() => workshops.value.find((one) => one.builds.includes(store.id ?? '')));
const served = computed(() =>
  (mine.value?.builds ?? []).flatMap((id) => {
    const build = builds.value.find((one) => one.id === id);
    return build?.finishedAt === null ? [build] : [];
  }),
);

const renaming = ref(false);
const name = ref('');
function begin(): void {
  name.value = mine.value?.name ?? '';
  renaming.value = true;
}
async function rename(): Promise<void> {
  if (!mine.value || name.value.trim() === '') return;
  try {
    await api.renameWorkshop(mine.value.id, name.value.trim());
    renaming.value = false;
    await load();
  } catch (error) {
    notice.complain(error);
  }
}
</script>

<template>
  <div class="head">
    <div v-if="renaming" class="rename">
      <v-text-field
        v-model="name"
        v-focus-first
        label="What the workshop is called"
        maxlength="120"
        @keydown.enter.prevent="rename"
        @keydown.esc="renaming = false"
      />
      <v-btn variant="flat" color="primary" :disabled="name.trim() === ''" @click="rename">Rename</v-btn>
      <v-btn variant="text" @click="renaming = false">Not now</v-btn>
    </div>
    <h1 v-else>
      {{ mine?.name ?? 'Workshop' }}
      <v-btn
        v-if="mine"
        :icon="mdiPencilOutline"
        variant="text"
        size="small"
        aria-label="Rename the workshop"
        @click="begin"
      />
    </h1>
    <p v-if="mine" class="quiet">
      Its people, places, tins and all that was learned serve every build made in it.
      <template v-if="served.length > 1">
        In hand now, the first before the next:
        <template v-for="(build, at) in served" :key="build.id"
          ><template v-if="at > 0">, </template
          ><router-link :to="{ name: 'workshop', params: { build: build.id } }">{{
            build.name
          }}</router-link></template
        >. <router-link to="/">Change the order</router-link>.
      </template>
    </p>
    <v-btn v-if="mine" :href="api.workshopUrl(mine.id)" :prepend-icon="mdiDownload" size="small" class="mt-2"
      >Save the workshop as a file</v-btn
    >
  </div>
</template>

<style scoped>
.head {
  margin-bottom: 20px;
}

.head p {
  max-width: 62em;
}

.rename {
  display: grid;
  grid-template-columns: minmax(0, 420px) auto auto;
  justify-content: start;
  gap: 10px;
  align-items: center;
  margin-bottom: 8px;
}
</style>
