<script setup lang="ts">
import { sayDate } from '@fixatum/core';
import { mdiArrowDown, mdiArrowUp } from '@mdi/js';
import { computed } from 'vue';
import { api, type BuildSummary, type WorkshopSummary } from '../shared/api';
import { useMe } from '../shared/me';
import { later } from '../shared/later';
import { useNotice } from '../shared/notice';
import { useGlances } from './useGlances';

const BuildGlance = later(() => import('./BuildGlance.vue'));

/** All builds by workshop, in the order in which they have its hands, racks and tins; and those that are done. */
const { builds, workshops } = defineProps<{ builds: BuildSummary[]; workshops: WorkshopSummary[] }>();
const emit = defineEmits<{ changed: [] }>();
const me = useMe();
const notice = useNotice();

const groups = computed(() =>
  workshops.map((workshop) => {
    const own = workshop.builds.flatMap((id) => builds.find((build) => build.id === id) ?? []);
    return {
      workshop,
      inHand: own.filter(({ finishedAt }) => finishedAt === null),
      done: own.filter(({ finishedAt }) => finishedAt !== null),
    };
  }),
);
const standings = useGlances(computed(() => groups.value.map(({ inHand }) => inHand.map(({ id }) => id))));
const aboutOf = ({ people, places }: WorkshopSummary) => [...people, ...places].join(' · ');

async function tried(work: () => Promise<unknown>, said?: { text: string; undo: () => Promise<unknown> }) {
  try {
    await work();
    emit('changed');
    if (!said) return;
    notice.say(said.text, { label: 'Undo', run: () => void tried(said.undo) });
  } catch (error) {
    notice.complain(error);
  }
}

/** Puts a build before or after its neighbour in hand. */
function move(group: (typeof groups.value)[number], at: number, by: -1 | 1): Promise<void> {
  const order = group.inHand.map(({ id }) => id);
  const [moved] = order.splice(at, 1);
  if (moved !== undefined) order.splice(at + by, 0, moved);
  return tried(() => api.orderBuilds(group.workshop.id, [...order, ...group.done.map(({ id }) => id)]));
}
const putAside = (build: BuildSummary) =>
  tried(() => api.deleteBuild(build.id), {
    text: `Put aside: ${build.name}`,
    undo: () => api.restoreBuild(build.id),
  });
const takeUp = (build: BuildSummary) =>
  tried(() => api.finishBuild(build.id, false), {
    text: `In hand again: ${build.name}`,
    undo: () => api.finishBuild(build.id, true),
  });
const kinds = (build: BuildSummary) =>
  `${build.pieces} ${build.pieces === 1 ? 'kind of piece' : 'kinds of piece'}`;
</script>

<template>
  <section aria-label="Your builds">
    <section
      v-for="group in groups"
      :key="group.workshop.id"
      class="workshop"
      :aria-label="group.workshop.name"
    >
      <header>
        <h2>{{ group.workshop.name }}</h2>
        <p class="quiet small">{{ aboutOf(group.workshop) }}</p>
      </header>
      <p v-if="group.inHand.length > 1" class="quiet small order">
        <template v-if="group.workshop.ownOrder"
          >In your own order: the top build goes first.
          <v-btn
            v-if="!me.isHelper"
            variant="text"
            size="small"
            @click="tried(() => api.orderBuildsByDate(group.workshop.id))"
            >Order by date</v-btn
          ></template
        >
        <template v-else>In order of date: the build that is needed first goes first.</template>
      </p>
      <ul>
        <li v-for="(build, at) in group.inHand" :key="build.id">
          <router-link class="plain open" :to="{ name: 'bench', params: { build: build.id } }">
            <strong>{{ build.name }}</strong>
            <span class="quiet">{{ kinds(build) }}</span>
          </router-link>
          <template v-if="!me.isHelper && group.inHand.length > 1">
            <v-btn
              :icon="mdiArrowUp"
              variant="text"
              size="small"
              :disabled="at === 0"
              :aria-label="`${build.name} goes before the one above`"
              @click="move(group, at, -1)"
            />
            <v-btn
              :icon="mdiArrowDown"
              variant="text"
              size="small"
              :disabled="at === group.inHand.length - 1"
              :aria-label="`${build.name} goes after the one below`"
              @click="move(group, at, 1)"
            />
          </template>
          <v-btn
            v-if="!me.isHelper"
            variant="text"
            size="small"
            :aria-label="`Put ${build.name} aside`"
            @click="putAside(build)"
            >Put aside</v-btn
          >
          <BuildGlance v-if="standings[build.id]" v-bind="standings[build.id]!" />
        </li>
        <li v-for="build in group.done" :key="build.id" class="done">
          <router-link class="plain open" :to="{ name: 'journal', params: { build: build.id } }">
            <strong>{{ build.name }}</strong>
            <span class="quiet">✓ done {{ build.finishedAt && sayDate(build.finishedAt.slice(0, 10)) }}</span>
          </router-link>
          <v-btn v-if="!me.isHelper" variant="text" size="small" @click="takeUp(build)">Open it again</v-btn>
        </li>
        <li v-if="group.inHand.length + group.done.length === 0" class="empty">
          <span class="quiet open">No build in it.</span>
          <v-btn
            v-if="!me.isHelper"
            variant="text"
            size="small"
            @click="tried(() => api.deleteWorkshop(group.workshop.id))"
            >Delete this workshop</v-btn
          >
        </li>
      </ul>
    </section>
  </section>
</template>

<style scoped>
.workshop + .workshop {
  margin-top: 28px;
}

header {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: baseline;
}

.order {
  margin-top: 2px;
}

ul {
  list-style: none;
  padding: 0;
  margin: 10px 0 0;
  border-top: 1px solid var(--line);
}

li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  border-bottom: 1px solid var(--line);
}

.open {
  flex: 1;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
  align-items: baseline;
  padding: 14px 4px;
}

a.open:hover strong {
  text-decoration: underline;
}
</style>
