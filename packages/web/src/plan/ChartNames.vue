<script setup lang="ts">
import { degreeUnit, degreesOf, type PlaceBand } from '@fixatum/core';
import type { Piece, PlanView } from '@fixatum/core';
import ReadinessMark from '../shared/ReadinessMark.vue';
import { computed } from 'vue';
import { useBuild } from '../shared/build';

/** What each row of the chart is: people, pieces with their standing, places. It stays while time scrolls by. */
defineProps<{
  /** The pieces in view, with where each stands below the first. */
  rows: readonly { piece: Piece; state: PlanView['pieces'][number]; topPx: number }[];
  /** How high all pieces together are. */
  rowsPx: number;
  /** How high the axis beside it is. */
  axisPx: number;
}>();
const store = useBuild();
const people = computed(() => store.build?.people ?? []);

/** The coldest and the hottest that a place is in the time drawn: "14 to 19 °C". */
function airOf({ air }: PlaceBand): string {
  const degrees = air.map(({ temperatureC }) => Math.round(degreesOf(temperatureC)));
  const [coldest, hottest] = [Math.min(...degrees), Math.max(...degrees)];
  return `${coldest === hottest ? coldest : `${coldest} to ${hottest}`} ${degreeUnit()}`;
}
</script>

<template>
  <div class="names">
    <div class="axis" :style="{ height: `${axisPx}px` }" />
    <div v-for="person in people" :key="person.id" class="lane session-lane">
      <strong>{{ person.name }}</strong>
    </div>
    <div class="rows" :style="{ height: `${rowsPx}px` }">
      <router-link
        v-for="row in rows"
        :key="row.piece.id"
        class="lane plain"
        :to="{ name: 'piece', params: { build: store.theId, piece: row.piece.id } }"
        :style="{ top: `${row.topPx}px` }"
        :title="row.piece.name"
      >
        <span class="clip"
          >{{ row.piece.name
          }}<template v-if="row.piece.quantity > 1"> ×{{ row.piece.quantity }}</template></span
        >
        <ReadinessMark class="small" :readiness="row.state.readiness" />
      </router-link>
    </div>
    <div v-for="band in store.theView.places" :key="band.placeId" class="lane small quiet">
      <span class="clip">{{
        store.theBuild.places.find((place) => place.id === band.placeId)?.name ?? 'Room'
      }}</span>
      <span>rack of {{ band.slots }} · {{ airOf(band) }}</span>
    </div>
  </div>
</template>

<style scoped>
.names {
  position: sticky;
  left: 0;
  z-index: 7;
  width: 250px;
  display: flex;
  flex-direction: column;
  flex: none;
  background: rgb(var(--v-theme-surface));
  border-right: 1px solid var(--line);
}

.clip {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.lane {
  position: relative;
  padding: 0 10px;
  height: 36px;
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 8px;
  border-bottom: 1px solid var(--line);
}

.session-lane {
  height: 30px;
}

.axis {
  overflow: hidden;
  position: sticky;
  top: 0;
  z-index: 1;
  flex: none;
  border-bottom: 1px solid var(--line);
  background: rgb(var(--v-theme-surface));
}

.rows {
  position: relative;
  flex: none;
}

.rows .lane {
  position: absolute;
  left: 0;
  right: 0;
}

@media (max-width: 820px) {
  .names {
    width: 140px;
  }

  .names .lane {
    flex-direction: column;
    align-items: flex-start;
    justify-content: center;
    gap: 0;
    font-size: 0.8rem;
  }
}
</style>
