<script setup lang="ts">
import { sayMoment, sayWait } from '@fixatum/core';
import DryingRibbon from '../shared/DryingRibbon.vue';
import { readinessWords } from '../shared/words';
import type { Standing } from './useGlances';

/** How a build stands, before it is opened: its pieces along time, the days to go, what is next. */
defineProps<Standing>();
</script>

<template>
  <div class="glance">
    <p v-if="date" class="figures">
      <strong>{{ sayWait(date.at - now) }}</strong> to {{ date.word }}
    </p>
    <template v-if="glance">
      <p>
        <template v-if="glance.late > 0"
          ><strong class="late">▲ {{ glance.late }} not in time</strong> · </template
        ><template v-if="glance.next"
          >{{ glance.next.isUnderway ? 'Under way:' : 'Next:' }} {{ glance.next.words }},
          {{ glance.next.piece
          }}<span v-if="!glance.next.isUnderway" class="quiet figures">
            ·
            {{ glance.next.at <= glance.now + 1 ? 'now' : sayMoment(glance.next.at, glance.timeZone) }}</span
          ></template
        ><template v-else>All hands-on work is done.</template>
      </p>
      <div class="rows" role="group" aria-label="Its pieces along time">
        <div
          v-for="row in glance.rows"
          :key="row.id"
          class="row"
          :title="`${row.name}: ${readinessWords[row.readiness]}`"
        >
          <span class="small name">{{ row.name }}</span>
          <DryingRibbon
            :spans="row.ribbon"
            :from="glance.from"
            :until="glance.until"
            :time-zone="glance.timeZone"
            :now="glance.now"
            :height="10"
            :words="false"
          />
        </div>
      </div>
      <p v-if="glance.more > 0" class="small quiet">and {{ glance.more }} more</p>
    </template>
  </div>
</template>

<style scoped>
.glance {
  flex: 1 0 100%;
  padding: 0 4px 14px;
}

.late {
  color: rgb(var(--v-theme-error));
}

.rows {
  margin: 8px 0 4px;
}

.row {
  display: grid;
  grid-template-columns: minmax(80px, 150px) 1fr;
  gap: 12px;
  align-items: center;
  min-height: 20px;
}

.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
</style>
