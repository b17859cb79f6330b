<script setup lang="ts">
import { sayMoment, sayWait } from '@fixatum/core';
import { mdiChevronDown, mdiKeyboardOutline } from '@mdi/js';
import { useCssVar, useElementSize } from '@vueuse/core';
import { computed, useTemplateRef, watchEffect } from 'vue';
import { useRoute } from 'vue-router';
import { useBuild } from './build';
import { later } from './later';
import { useMe } from './me';
import { nextDateOf } from './nextDate';
import UndoButton from './UndoButton.vue';

const MastheadMenu = later(() => import('./MastheadMenu.vue'));

/** The head of every screen: which build, where to go, and how long there is until the next date. */
defineEmits<{ keys: [] }>();
const store = useBuild();
const route = useRoute();

// What sticks below it, and what is brought into view, has to know how high it is.
const { height } = useElementSize(useTemplateRef<HTMLElement>('head'), undefined, { box: 'border-box' });
const mastheadPx = useCssVar('--masthead-px', document.documentElement);
watchEffect(() => {
  if (height.value > 0) mastheadPx.value = `${height.value}px`;
});

const me = useMe();
const views = computed(() => (me.isHelper ? helperViews : finisherViews));
const helperViews = [
  { name: 'bench', word: 'Bench' },
  { name: 'run-sheets', word: 'Run sheets' },
];
const finisherViews = [
  { name: 'bench', word: 'Bench' },
  { name: 'pieces', word: 'Pieces' },
  { name: 'plan', word: 'Plan' },
  { name: 'materials', word: 'Materials' },
  { name: 'journal', word: 'Journal' },
  { name: 'workshop', word: 'Workshop' },
];
const homes: Record<string, string> = {
  piece: 'pieces',
  card: 'pieces',
  shapes: 'pieces',
  drawing: 'pieces',
  'run-sheets': 'plan',
  shelf: 'materials',
  shopping: 'materials',
  mixes: 'materials',
  colour: 'materials',
  finish: 'materials',
};
const here = computed(() => (me.isHelper ? undefined : homes[String(route.name)]) ?? String(route.name));

const name = computed(() => (store.missing ? 'No build' : (store.build?.name ?? 'Opening…')));
/** The next date that has not passed. */
const next = computed(() => {
  const { build, now } = store;
  const first = build && nextDateOf(build, now);
  return first && { ...first, when: sayMoment(first.at, build.timeZone), wait: sayWait(first.at - now) };
});
</script>

<template>
  <header ref="head" class="masthead">
    <div class="row">
      <v-menu>
        <template #activator="{ props: menu }">
          <button class="name" v-bind="menu" :aria-label="`Build: ${name}. Menu`">
            <svg viewBox="0 0 24 24" width="26" height="26" aria-hidden="true">
              <rect x="2" y="14" width="20" height="8" fill="currentColor" opacity=".45" />
              <rect x="2" y="9" width="20" height="4" fill="currentColor" opacity=".75" />
              <rect x="2" y="5" width="20" height="3" fill="currentColor" />
            </svg>
            <span class="build">{{ name }}</span>
            <v-icon :icon="mdiChevronDown" size="18" />
          </button>
        </template>
        <MastheadMenu :here="here" />
      </v-menu>
      <nav v-if="!store.missing" aria-label="Screens">
        <router-link
          v-for="view in views"
          :key="view.name"
          class="tab"
          :class="{ here: here === view.name }"
          :aria-current="here === view.name ? 'page' : undefined"
          :to="{ name: view.name, params: { build: String(route.params.build) } }"
          >{{ view.word }}</router-link
        >
      </nav>
      <div v-if="next" class="next small figures">
        <strong>{{ next.wait }}</strong> to {{ next.word }}<span class="quiet when"> · {{ next.when }}</span>
      </div>
      <div class="tools">
        <UndoButton />
        <v-btn
          class="keys"
          :icon="mdiKeyboardOutline"
          variant="text"
          title="Keys (?)"
          aria-label="Show keys"
          @click="$emit('keys')"
        />
      </div>
    </div>
    <div class="working" :class="{ on: store.planning }" aria-hidden="true" />
  </header>
</template>

<style scoped>
.masthead {
  position: sticky;
  top: 0;
  z-index: 20;
  background: rgb(var(--v-theme-background));
  border-bottom: 1px solid var(--line);
}

.row {
  max-width: 1400px;
  margin: 0 auto;
  padding: 8px 24px 0;
  display: flex;
  align-items: center;
  gap: 20px;
  min-height: 56px;
}

.name {
  display: flex;
  align-items: center;
  gap: 10px;
  font-family: var(--heading);
  font-weight: 600;
  font-size: 1.15rem;
  min-height: 44px;
}

.build {
  max-width: 260px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

nav {
  display: flex;
  align-self: stretch;
  gap: 6px;
}

.tab {
  display: flex;
  align-items: center;
  padding: 0 11px;
  min-height: 48px;
  color: inherit;
  text-decoration: none;
  font-size: 1.05rem;
  border-bottom: 3px solid transparent;
}

/* The screen you are on lies on three films. */
.tab.here {
  font-weight: 700;
  border-bottom-color: currentcolor;
  background-image: linear-gradient(currentcolor, currentcolor), linear-gradient(currentcolor, currentcolor);
  background-size:
    100% 1px,
    100% 2px;
  background-position:
    0 calc(100% - 7px),
    0 calc(100% - 2px);
  background-repeat: no-repeat;
}

.next {
  flex: 1 1 0;
  min-width: 0;
  overflow: hidden;
  text-align: right;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.tools {
  display: flex;
  margin-left: auto;
}

.working {
  height: 2px;
}

.working.on {
  background: linear-gradient(90deg, transparent, rgb(var(--v-theme-primary)), transparent) 0 0 / 40% 100%
    no-repeat;
  animation: sweep 1.2s linear infinite;
}

@keyframes sweep {
  from {
    background-position: -60% 0;
  }

  to {
    background-position: 160% 0;
  }
}

@media (prefers-reduced-motion: reduce) {
  .working.on {
    animation: none;
  }
}

@media (max-width: 1340px) {
  .when {
    display: none;
  }
}

/* What does not fit beside the screens goes below them, and long names are cut short: the tools stay where they are. */
@media (max-width: 1120px) {
  .row {
    flex-wrap: wrap;
    gap: 0 12px;
  }

  .next {
    order: 1;
    flex-basis: 100%;
    padding-bottom: 4px;
    text-align: left;
  }
}

@media (max-width: 860px) {
  .tab {
    padding: 0 7px;
    font-size: 1rem;
  }

  .build {
    max-width: 110px;
  }
}

@media (max-width: 640px) {
  .row {
    padding: 4px 14px 0;
    gap: 8px;
    flex-wrap: nowrap;
  }

  .build {
    max-width: 150px;
  }

  /* Two short lines beside the name, as there is no room for one that is long. */
  .next {
    order: 0;
    flex-basis: 0;
    display: -webkit-box;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 2;
    padding: 0;
    text-align: right;
    line-height: 1.2;
    white-space: normal;
  }

  .tools {
    margin-left: auto;
  }

  .keys {
    display: none;
  }

  /* Under a dialog there is nothing to go to, and nothing to press beside it. */
  :global(body:has(.v-dialog.v-overlay--active) .masthead nav) {
    visibility: hidden;
  }

  nav {
    position: fixed;
    inset: auto 0 0;
    background: rgb(var(--v-theme-surface));
    border-top: 1px solid var(--line);
    justify-content: space-around;
    gap: 0;
    z-index: 20;
  }

  .tab {
    flex: 1;
    justify-content: center;
    padding: 0 2px;
    font-size: 0.8125rem;
    min-height: 56px;
  }
}
</style>
