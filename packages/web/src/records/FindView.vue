<script setup lang="ts">
import { sayDate } from '@fixatum/core';
import { mdiMagnify } from '@mdi/js';
import { useDebounceFn } from '@vueuse/core';
import { computed, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { api, type Found } from '../shared/api';
import { useNotice } from '../shared/notice';
import { vFocusFirst } from '../shared/focusFirst';

/** Finds what was done, when and with what, over all builds that are here. */
const route = useRoute();
const router = useRouter();
const notice = useNotice();
const words = ref(typeof route.query['q'] === 'string' ? route.query['q'] : '');
const found = shallowRef<Found[]>();
const QUIET_MS = 250;

let newest = 0;
async function look(): Promise<void> {
  newest += 1;
  const ticket = newest;
  const asked = words.value.trim();
  void router.replace({ query: asked === '' ? {} : { q: asked } });
  if (asked === '') {
    found.value = undefined;
    return;
  }
  try {
    const answer = await api.records(asked);
    if (ticket === newest) found.value = answer.found;
  } catch (error) {
    notice.complain(error);
  }
}
const lookSoon = useDebounceFn(look, QUIET_MS);
watch(words, () => void lookSoon());
if (words.value !== '') void look();

const kindWords: Record<Found['kind'], string> = {
  build: 'build',
  piece: 'piece',
  step: 'planned',
  done: 'done',
  tin: 'tin',
};
const groups = computed(() => {
  const byBuild = new Map<string, { build: Found['build']; things: (Found & { count: number })[] }>();
  const keyOf = ({ kind, id, at, title }: Found) =>
    kind === 'done' ? `${at?.slice(0, 10)} ${title}` : `${kind} ${id}`;
  for (const one of found.value ?? []) {
    const known = byBuild.get(one.build.id) ?? { build: one.build, things: [] };
    // The units of a set, done one after the other, are told once.
    const alike = known.things.find((other) => keyOf(other) === keyOf(one));
    if (alike) alike.count += 1;
    else known.things.push({ ...one, count: 1 });
    byBuild.set(one.build.id, known);
  }
  return [...byBuild.values()];
});
const whereTo = ({ build, kind, pieceId }: Found) =>
  kind === 'tin'
    ? { name: 'shelf', params: { build: build.id } }
    : pieceId === undefined
      ? { name: 'journal', params: { build: build.id } }
      : { name: kind === 'done' ? 'card' : 'piece', params: { build: build.id, piece: pieceId } };
</script>

<template>
  <main class="page find">
    <router-link class="plain back" to="/">‹ All builds</router-link>
    <h1>Find in all builds</h1>
    <v-text-field
      v-model="words"
      v-focus-first
      label="A piece, material, colour, tin, day, place or note"
      :prepend-inner-icon="mdiMagnify"
      maxlength="300"
      clearable
      @click:clear="words = ''"
    />
    <p v-if="!found" class="quiet mt-4">
      Every word you write has to be there. “shoulder March” finds what was laid on a shoulder in March; a
      colour is found by its #, a tin by its lot.
    </p>
    <p v-else-if="found.length === 0" class="mt-4" role="status">
      Nothing here holds all of that. Try fewer words.
    </p>
    <p v-else class="quiet mt-4" role="status">
      {{ found.length === 200 ? 'The first 200' : found.length }} found
    </p>
    <section v-for="group in groups" :key="group.build.id" :aria-label="group.build.name">
      <h2>
        {{ group.build.name }}
        <span v-if="group.build.finishedAt" class="quiet small"
          >✓ done {{ sayDate(group.build.finishedAt.slice(0, 10)) }}</span
        >
      </h2>
      <ol>
        <li v-for="one in group.things" :key="`${one.kind} ${one.id}`">
          <span class="figures quiet">{{ one.at ? sayDate(one.at.slice(0, 10)) : '' }}</span>
          <span class="small quiet">{{ kindWords[one.kind] }}</span>
          <span
            ><router-link :to="whereTo(one)">{{ one.title }}</router-link
            ><template v-if="one.count > 1"> ×{{ one.count }}</template></span
          >
        </li>
      </ol>
    </section>
  </main>
</template>

<style scoped>
.find {
  max-width: 980px;
}

.back {
  display: inline-block;
  padding: 8px 0;
}

h1 {
  margin-bottom: 16px;
}

section {
  margin-top: 24px;
}

ol {
  list-style: none;
  padding: 0;
  margin: 6px 0 0;
}

li {
  display: grid;
  grid-template-columns: 104px 64px minmax(0, 1fr);
  gap: 12px;
  align-items: baseline;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}

@media (max-width: 640px) {
  li {
    grid-template-columns: auto 1fr;
    gap: 2px 12px;
  }

  li span:last-child {
    grid-column: 1 / -1;
  }
}
</style>
