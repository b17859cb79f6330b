<script setup lang="ts">
import { onKeyStroke, useTimeoutFn } from '@vueuse/core';
import { computed, onMounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import Masthead from './shared/Masthead.vue';
import { useAppearance } from './shared/appearance';
import { useBuild } from './shared/build';
import { useClock } from './shared/clock';
import { useOutbox } from './shared/outbox';
import { useMe } from './shared/me';
import { useNotice } from './shared/notice';
import { useRinging } from './shared/ringing';
import { askBeforeClosing, useUnsaved } from './shared/unsaved';
import { useTour } from './shared/tour';
import { commandOf, isTyping } from './shared/typing';
import { keepDroppedFilesOut, selectSearches } from './shared/inputs';
import { keepFocus } from './shared/keepFocus';
import { reloadWhenPartsAreGone } from './shared/offline';
import NewVersion from './shared/NewVersion.vue';
import { useNewVersion } from './shared/newVersion';
import { later } from './shared/later';
import { loadAhead } from './shared/loadAhead';
import { nextParts } from './router';

const ClockBehind = later(() => import('./shared/ClockBehind.vue'));
const RefusedEdits = later(() => import('./shared/RefusedEdits.vue'));
const NoAnswer = later(() => import('./shared/NoAnswer.vue'));
const KeysHelp = later(() => import('./shared/KeysHelp.vue'));

// Wanted soon, and then also when the server is away.
const loadNoticeBar = () => import('./shared/NoticeBar.vue');
const NoticeBar = later(loadNoticeBar);
useTimeoutFn(() => void loadNoticeBar().catch(() => undefined), 2000);
const TourCard = later(() => import('./shared/TourCard.vue'));
const LeaveAsk = later(() => import('./shared/LeaveAsk.vue'));
const ConflictDialog = later(() => import('./shared/ConflictDialog.vue'));

const route = useRoute();
const router = useRouter();
const clock = useClock();
const store = useBuild();
const notice = useNotice();
const appearance = useAppearance();
const outbox = useOutbox();
const me = useMe();
useRinging();
keepFocus();
keepDroppedFilesOut();
selectSearches();
// Once a plan stands what is needed next is made ready.
const makeReady = useTimeoutFn(() => void loadAhead(nextParts), 1500, { immediate: false });
watch(
  () => store.view !== undefined && !store.planning,
  (stands) => stands && makeReady.start(),
  { once: true },
);

const unsaved = useUnsaved();
askBeforeClosing();
const version = useNewVersion();
reloadWhenPartsAreGone(() => unsaved.held.size === 0, version.partIsGone);
router.beforeEach((to, from) => to.path === from.path || unsaved.mayLeave());
const tour = useTour();
const help = ref(false);
const ready = ref(false);

/** Screens that are of no one build. */
const outside = computed(() =>
  // Before the router has found its way the address tells.
  route.name === undefined
    ? !location.pathname.startsWith('/b/')
    : route.name === 'start' || route.name === 'find',
);
const theme = computed(() => appearance.themeFor(route.name === 'bench'));

onMounted(async () => {
  await Promise.all([clock.synchronise(), me.load()]).catch(notice.complain);
  await router.isReady();
  ready.value = true;
});

watch(
  () => [ready.value, route.params.build] as const,
  ([isReady, buildId]) => {
    if (!isReady || typeof buildId !== 'string' || buildId === '') return;
    if (store.id !== buildId || !store.build) void store.open(buildId);
    appearance.lastBuild = buildId;
  },
  { immediate: true },
);

// A helper's screens are the bench and the run sheets; any other address leads to the bench.
const forHelpers = new Set(['start', 'find', 'bench', 'card', 'run-sheets', 'techniques']);
watch(
  () => [me.isHelper, route.name, route.params.build] as const,
  ([isHelper, name, build]) => {
    if (isHelper && typeof name === 'string' && !forHelpers.has(name))
      void router.replace({ name: 'bench', params: { build } });
  },
);

watch(
  () => [store.build?.name, route.name] as const,
  ([name, view]) => {
    const words: Record<string, string> = {
      bench: 'Bench',
      pieces: 'Pieces',
      piece: 'Piece',
      drawing: 'Drawing',
      shapes: 'From a template',
      plan: 'Plan',
      'run-sheets': 'Run sheets',
      materials: 'Materials',
      shelf: 'Shelf',
      shopping: 'To buy',
      mixes: 'Mixes',
      colour: 'Colour',
      finish: 'The finish',
      journal: 'Journal',
      workshop: 'Workshop',
      techniques: 'Techniques',
      card: 'Finish card',
    };
    document.title =
      view === 'find'
        ? 'Find · Fixatum'
        : name && view !== 'start'
          ? `${words[String(view)] ?? ''} · ${name} · Fixatum`
          : 'Fixatum';
  },
);

const go = (name: string) =>
  (!me.isHelper || forHelpers.has(name)) &&
  store.id &&
  route.params.build &&
  void router.push({ name, params: { build: store.id } });
const screenOfKey: Record<string, string> = {
  b: 'bench',
  p: 'pieces',
  t: 'plan',
  m: 'materials',
  j: 'journal',
  w: 'workshop',
  h: 'techniques',
  k: 'shelf',
};
onKeyStroke((event) => {
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z' && !isTyping(event)) {
    event.preventDefault();
    if (store.build) void (event.shiftKey ? store.redo() : store.undo());
    return;
  }
  const command = commandOf(event, appearance.keys);
  if (command === undefined) return;
  const screen = screenOfKey[command];
  if (screen !== undefined) go(screen);
  else if (command === '?') help.value = true;
  else if (command === 'u' && store.build) void store.undo();
  else if (command === 'r' && store.build) void store.redo();
  else if (command === '/') {
    event.preventDefault();
    void router.push({ name: 'find' });
  }
});
</script>

<template>
  <v-app :theme="theme">
    <Masthead v-if="!outside" @keys="help = true" />
    <v-main>
      <NewVersion />
      <ClockBehind v-if="clock.behind" />
      <NoAnswer v-if="!outside" />
      <RefusedEdits v-if="!outside && outbox.refused.length > 0" />
      <div v-if="!outside && store.missing" class="page">
        <h1>This build is not here</h1>
        <p class="my-4">
          It may have been put aside, from where it can be brought back, or the address is from another
          computer.
        </p>
        <v-btn to="/">See all builds</v-btn>
      </div>
      <router-view v-else-if="ready" />
    </v-main>
    <KeysHelp v-if="help" v-model="help" />
    <!-- What a change came to, for who can't see it move. -->
    <p class="unseen" aria-live="polite" data-testid="moved">
      {{
        store.hasChanged
          ? `The plan moved: ${[...store.changed.atOnce, ...store.changed.canWait].join('; ')}`
          : ''
      }}
    </p>
    <TourCard v-if="tour.stop && !outside" />
    <LeaveAsk v-if="unsaved.isAsking" />
    <ConflictDialog v-if="store.conflict" />
    <NoticeBar v-if="notice.text !== ''" />
  </v-app>
</template>
