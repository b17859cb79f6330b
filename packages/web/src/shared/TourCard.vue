<script setup lang="ts">
import { nextTick, useTemplateRef, watch } from 'vue';
import { useRouter } from 'vue-router';
import { useBuild } from './build';
import { tourStops, useTour } from './tour';

/** A stop of the tour, beside the screen it is about: five in all, and left at any time. */
const tour = useTour();
const store = useBuild();
const router = useRouter();
const title = useTemplateRef<HTMLElement>('title');

async function go(to: number): Promise<void> {
  tour.go(to);
  if (!tour.stop || !tour.build) return;
  const { screen } = tour.stop;
  const piece = store.view?.pieces.find(({ readiness }) => readiness === 'late')?.pieceId;
  const first = piece ?? store.build?.pieces[0]?.id;
  await router.push({
    name: screen,
    params: { build: tour.build, ...(screen === 'piece' && first ? { piece: first } : {}) },
  });
}
watch(
  () => tour.at,
  async () => {
    await nextTick();
    title.value?.focus();
  },
);
</script>

<template>
  <aside v-if="tour.stop && tour.build === store.id" class="tour" aria-label="A short tour">
    <p class="small figures">{{ tour.at + 1 }} of {{ tourStops.length }}</p>
    <h2 ref="title" tabindex="-1">{{ tour.stop.title }}</h2>
    <p>{{ tour.stop.text }}</p>
    <div class="presses">
      <v-btn variant="flat" class="on" @click="go(tour.at + 1)">{{
        tour.at + 1 < tourStops.length ? 'Next' : 'To work'
      }}</v-btn>
      <v-btn v-if="tour.at > 0" variant="text" @click="go(tour.at - 1)">Back</v-btn>
      <v-btn variant="text" class="skip" @click="tour.leave()">Skip the tour</v-btn>
    </div>
  </aside>
</template>

<style scoped>
.tour {
  position: fixed;
  right: 20px;
  bottom: calc(var(--nav-px) + 20px);
  z-index: 19;
  width: min(400px, calc(100vw - 28px));
  padding: 16px 18px 12px;
  color: rgb(var(--v-theme-on-primary));
  background: rgb(var(--v-theme-primary));
  border-radius: 3px;
}

h2 {
  margin: 2px 0 6px;
}

.presses {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 12px;
}

.on {
  color: rgb(var(--v-theme-primary)) !important;
  background: rgb(var(--v-theme-on-primary)) !important;
}

.skip {
  margin-left: auto;
}

.tour :focus-visible {
  outline-color: rgb(var(--v-theme-on-primary));
}

@media (max-width: 640px) {
  .tour {
    right: 14px;
    bottom: calc(var(--nav-px) + 10px);
  }
}

@media print {
  .tour {
    display: none;
  }
}
</style>
