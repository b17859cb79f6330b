<script setup lang="ts">
import { idFromName, planCsv, planIcs, sayMoment, sayWait, type PlannedOperation } from '@fixatum/core';
import { computed, ref, watch } from 'vue';
import MarginCost from './MarginCost.vue';
import PassDialog from './PassDialog.vue';
import PlanChart from './PlanChart.vue';
import RescuePanel from './RescuePanel.vue';
import SessionSheet from './SessionSheet.vue';
import StandingTable from './StandingTable.vue';
import { useBetterPlan } from './betterPlan';
import ChangedLines from '../shared/ChangedLines.vue';
import { useBuild } from '../shared/build';
import { useOverFrames } from '../shared/overFrames';
import { useInAddress } from '../shared/inAddress';
import { saveFile } from '../shared/saveFile';
import { usualZoom, zooms, type Zoom } from './usualZoom';

const store = useBuild();
const better = useBetterPlan();
/** What was chosen; until then the chart opens so that now and the next work are in sight. */
const chosenZoom = useInAddress('zoom', 'auto', ['auto', ...zooms.map(({ key }) => key)]);
const opensIn = ref<Zoom>();
const zoom = computed<Zoom>({
  get: () => (chosenZoom.value === 'auto' ? (opensIn.value ?? 'days') : chosenZoom.value),
  set: (key) => (chosenZoom.value = key),
});
/** What names and margins take of the window, and how much of the rest lies behind now. */
const BESIDE_PX = 300;
const AFTER_NOW = 0.72;
watch(
  () => store.view,
  (view) => {
    if (!view || opensIn.value) return;
    const next = view.sessions.find(({ to }) => to > store.now);
    opensIn.value = usualZoom(
      next && next.to - store.now,
      Math.max(120, window.innerWidth - BESIDE_PX) * AFTER_NOW,
    );
  },
  { immediate: true },
);
const zone = computed(() => store.view?.timeZone ?? 'UTC');
const handsProof = computed(() => store.view?.hands.filter((one) => one.provesLate) ?? []);

/** What stands below the chart comes once that is drawn. */
const drawn = useOverFrames(1, 12);
/** The session whose run sheet is shown: the one that was pressed while there is such a one, else the next. */
const chosen = ref<string>();
const session = computed(() => {
  const sessions = store.view?.sessions ?? [];
  return sessions.find((one) => one.id === chosen.value) ?? sessions[0];
});
const asked = ref<PlannedOperation>();
const asking = ref(false);
function ask(operation: PlannedOperation): void {
  asked.value = operation;
  asking.value = true;
}

const save = (name: string, text: string, type: string) =>
  saveFile(`${idFromName(store.theBuild.name, [])}-${name}`, text, type);
const saveCalendar = () =>
  save('plan.ics', planIcs(store.theBuild, store.theView, store.theId), 'text/calendar');
const saveTable = () => save('plan.csv', planCsv(store.theBuild, store.theView), 'text/csv');
</script>

<template>
  <div v-if="store.build && store.view" class="page">
    <div class="head">
      <h1>Plan</h1>
      <div class="tools">
        <template v-if="better.share === undefined">
          <v-btn size="small" :disabled="store.planning" @click="better.look()">Look for a better plan</v-btn>
          <v-checkbox
            v-model="store.looksWhileIdle"
            :label="store.isLookingWhileIdle ? 'also while you pause: looking' : 'also while you pause'"
            density="compact"
            hide-details
          />
        </template>
        <span v-else class="looking small figures" role="status">
          <v-progress-circular :model-value="better.share * 100" size="22" width="3" />
          {{ better.tried }} orders tried
          <v-btn size="small" variant="text" @click="better.stopLooking()">Stop</v-btn>
        </span>
        <v-menu>
          <template #activator="{ props: menu }"
            ><v-btn size="small" v-bind="menu">Print and export</v-btn></template
          >
          <v-list density="comfortable">
            <v-list-item
              title="Run sheets on paper"
              :to="{ name: 'run-sheets', params: { build: store.theId } }"
            />
            <v-list-item title="Calendar file (ICS)" @click="saveCalendar" />
            <v-list-item title="Table (CSV)" @click="saveTable" />
            <v-list-item
              :title="better.kept ? 'Compare with this plan instead' : 'Keep this plan to compare with'"
              @click="better.keep()"
            />
          </v-list>
        </v-menu>
      </div>
      <div class="segmented" role="group" aria-label="Zoom">
        <button v-for="one in zooms" :key="one.key" :aria-pressed="zoom === one.key" @click="zoom = one.key">
          {{ one.word }}
        </button>
      </div>
    </div>

    <ChangedLines />
    <p v-for="proof in handsProof" :key="proof.eventId" class="proof">
      ▲ {{ sayWait(proof.needMinutes) }} of work have to be done by {{ sayMoment(proof.byAt, zone) }} to be
      ready for {{ store.build.events.find((one) => one.id === proof.eventId)?.name }}, drying included, and
      until then there are {{ sayWait(proof.haveMinutes) }} of free time: no plan can do that.
      <template v-if="Number.isFinite(proof.doneAt)"
        >With everybody at it in all free time it is done {{ sayMoment(proof.doneAt, zone) }}.</template
      >
    </p>
    <RescuePanel />

    <PlanChart
      v-if="store.view.pieces.length > 0"
      :session="session?.id"
      :px-per-hour="zooms.find(({ key }) => key === zoom)?.pxPerHour ?? 0"
      @update:session="chosen = $event"
      @press="ask"
    />
    <p v-else class="my-8">No pieces yet, so there is nothing to plan.</p>

    <p class="legend small quiet">
      <span><i class="film wet" /> wet</span><span><i class="film touch-dry" /> touch-dry</span
      ><span><i class="film recoatable" /> recoatable</span>
      <span><i class="film handleable" /> handleable</span><span><i class="film" /> cured</span
      ><span><i class="key-pass" /> hands-on work</span>
      <span><i class="key-free" /> somebody is free</span>
      <span v-if="store.beside.length > 0"><i class="key-elsewhere" /> another build has it</span>
    </p>

    <MarginCost v-if="drawn === Infinity" />
    <StandingTable v-if="drawn === Infinity && store.view.pieces.length > 0" />
    <PassDialog v-model="asking" :operation="asked" />
    <SessionSheet v-if="drawn === Infinity && session" :session="session" />
  </div>
  <div v-else class="page quiet">Opening the build…</div>
</template>

<style scoped>
.head {
  display: flex;
  align-items: center;
  justify-content: space-between;
  margin-bottom: 10px;
}

.tools {
  display: flex;
  gap: 10px;
  align-items: center;
  margin-left: auto;
  margin-right: 20px;
}

.looking {
  display: inline-flex;
  align-items: center;
  gap: 10px;
}

.proof {
  margin-bottom: 12px;
  font-weight: 600;
  color: rgb(var(--v-theme-error));
}

.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  margin: 10px 0;
}

.legend span {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}

.legend i {
  display: inline-block;
  width: 34px;
  height: 14px;
  --paint: #8b8d8e;
}

.legend .key-pass {
  height: 6px;
  background: rgb(var(--v-theme-primary));
}

.legend .key-elsewhere {
  border: 1px dashed rgb(var(--v-theme-on-surface));
}

.legend .key-free {
  background: rgb(var(--v-theme-surface));
  border: 1px solid var(--line);
}

@media (max-width: 820px) {
  .head {
    flex-wrap: wrap;
    gap: 10px;
  }

  .tools {
    flex-wrap: wrap;
    margin-right: 0;
  }

  .segmented {
    flex: 1 0 100%;
  }

  .segmented button {
    flex: 1 1 0;
    padding: 0;
  }
}
</style>
