<script setup lang="ts">
import { sayC } from '@fixatum/core';
import { computed } from 'vue';
import { useBuild } from '../shared/build';
import { airWords } from '../shared/words';

/** The air of each place now, measured or assumed, and the soonest warning. */
const store = useBuild();
const places = computed(() =>
  (store.view?.outlooks ?? []).map((outlook) => ({
    ...outlook,
    name: store.build?.places.find((place) => place.id === outlook.placeId)?.name ?? 'Room',
  })),
);
</script>

<template>
  <ul class="air small" aria-label="Air">
    <li v-for="place in places" :key="place.placeId" :class="{ warns: place.warning }">
      <span class="figures"
        ><strong>{{ place.name }}</strong> {{ airWords(place.air) }}
        <span class="quiet"
          >dew point {{ sayC(place.air.dewPointC) }}, {{ place.measured ? 'measured' : 'assumed' }}</span
        ></span
      >
      <span v-if="place.warning" class="warning">▲ {{ place.warning }}</span>
    </li>
  </ul>
</template>

<style scoped>
.air {
  list-style: none;
  padding: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 32px;
}

li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}

.warning {
  color: rgb(var(--v-theme-warning));
  font-weight: 600;
}
</style>
