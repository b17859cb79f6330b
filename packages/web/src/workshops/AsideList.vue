<script setup lang="ts">
import { sayDate } from '@fixatum/core';
import { onMounted, ref } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import { api, type AsideBuild } from '../shared/api';
import DialogFoot from '../shared/DialogFoot.vue';
import { useNotice } from '../shared/notice';

/** The builds that were put aside: they come back, or are deleted for good after asking. */
const emit = defineEmits<{ changed: [] }>();
const notice = useNotice();
const builds = ref<AsideBuild[]>([]);
/** What is asked about before it goes for good. */
const asking = ref<AsideBuild>();
const isAsking = ref(false);
const deleting = ref(false);

async function load(): Promise<void> {
  try {
    ({ builds: builds.value } = await api.buildsAside());
  } catch (error) {
    notice.complain(error);
  }
}
onMounted(load);

async function bringBack({ id, name }: AsideBuild): Promise<void> {
  try {
    await api.restoreBuild(id);
    await load();
    emit('changed');
    notice.say(`Back again: ${name}`);
  } catch (error) {
    notice.complain(error);
  }
}
function ask(build: AsideBuild): void {
  asking.value = build;
  isAsking.value = true;
}
async function deleteIt(): Promise<void> {
  const build = asking.value;
  if (!build) return;
  deleting.value = true;
  try {
    await api.deleteBuildForGood(build.id);
    isAsking.value = false;
    await load();
    notice.say(`Deleted: ${build.name}`);
  } catch (error) {
    notice.complain(error);
  } finally {
    deleting.value = false;
  }
}
const kinds = ({ pieces }: AsideBuild) => `${pieces} ${pieces === 1 ? 'kind of piece' : 'kinds of piece'}`;
</script>

<template>
  <details v-if="builds.length > 0" class="aside" data-testid="aside">
    <summary>Put aside: {{ builds.length }}</summary>
    <ul>
      <li v-for="build in builds" :key="build.id">
        <span class="name"
          ><strong>{{ build.name }}</strong>
          <span class="quiet small"
            >{{ kinds(build) }} · put aside {{ sayDate(build.putAsideAt.slice(0, 10)) }}</span
          ></span
        >
        <v-btn size="small" :aria-label="`Bring ${build.name} back`" @click="bringBack(build)"
          >Bring back</v-btn
        >
        <v-btn size="small" variant="text" :aria-label="`Delete ${build.name} for good`" @click="ask(build)"
          >Delete for good</v-btn
        >
      </li>
    </ul>
  </details>
  <AppDialog v-model="isAsking" max-width="480">
    <v-card v-if="asking" class="pt-6">
      <v-card-text>
        <h2 class="mb-3">Delete {{ asking.name }} for good?</h2>
        <p>
          Its pieces, its plan and its log go, and can’t be brought back. What it took out of the tins stays
          out of them. A backup made before still has it.
        </p>
      </v-card-text>
      <DialogFoot v-model="isAsking" words="Delete it for good" :saving="deleting" @done="deleteIt" />
    </v-card>
  </AppDialog>
</template>

<style scoped>
.aside {
  margin-top: 24px;
}

summary {
  min-height: 44px;
  padding: 10px 0;
  cursor: pointer;
}

ul {
  list-style: none;
  padding: 0;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}

.name {
  display: flex;
  flex: 1 1 220px;
  flex-direction: column;
  overflow-wrap: anywhere;
}
</style>
