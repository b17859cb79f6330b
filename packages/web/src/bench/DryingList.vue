<script setup lang="ts">
import { NOT_IN_THIS_AIR, drynessWords, sayMoment, sayReached, sayWait, sayTimeOfDay } from '@fixatum/core';
import { computed, ref } from 'vue';
import { dryingName, type Drying } from '../shared/drying';
import { useBuild } from '../shared/build';

/** What is drying, with a countdown to what it reaches next. */
const props = defineProps<{ drying: Drying[] }>();
const store = useBuild();
const all = ref(false);

const soon = computed(() => props.drying.filter((one) => one.state !== 'handleable'));
const curing = computed(() => props.drying.filter((one) => one.state === 'handleable'));
const nextWords = {
  'touch-dry': 'touch-dry',
  recoatable: 'recoatable',
  handleable: 'handleable',
  cured: 'cured',
} as const;

const nameOf = (one: Drying) => dryingName(store.build, one);

/** By the clock within a day, else with its day. */
const byClock = (minute: number) =>
  minute - store.now < 24 * 60
    ? sayTimeOfDay(minute, store.theView.timeZone)
    : sayMoment(minute, store.theView.timeZone);
const share = (one: Drying) =>
  Math.min(1, Math.max(0.02, (store.now - one.laidAt) / Math.max(1, one.nextAt - one.laidAt)));
</script>

<template>
  <section aria-labelledby="drying-title">
    <h2 id="drying-title">Drying</h2>
    <p v-if="drying.length === 0" class="quiet mt-2">Nothing is drying.</p>
    <ul data-testid="drying">
      <li v-for="one in soon" :key="one.key">
        <div class="line">
          <strong>{{ nameOf(one) }}</strong>
          <span class="figures wait">{{
            Number.isFinite(one.nextAt) ? sayWait(one.nextAt - store.now) : NOT_IN_THIS_AIR
          }}</span>
        </div>
        <div class="track">
          <div
            class="film"
            :class="one.state"
            :style="{ width: `${share(one) * 100}%`, '--paint': one.colour }"
          />
        </div>
        <p class="small quiet">
          {{ one.material }}<template v-if="one.face === 'inner'">, inner face</template>:
          {{ drynessWords[one.state] }}, then {{ nextWords[one.next]
          }}<template v-if="one.closesAt !== undefined">
            · <strong class="closes">takes the next coat until {{ byClock(one.closesAt) }}</strong></template
          ><template v-else-if="one.restsUntil !== undefined">
            ·
            <strong
              >leave it until {{ byClock(one.restsUntil) }}: laid sooner, the next coat makes both dry
              later</strong
            >
          </template>
        </p>
        <div v-if="one.state === 'wet' || one.state === 'touch-dry'" class="touch">
          <v-btn v-if="one.state === 'wet'" size="small" variant="text" @click="store.touch(one, 'dry')"
            >It is dry now</v-btn
          >
          <v-btn v-else size="small" variant="text" @click="store.touch(one, 'tacky')">Still tacky</v-btn>
        </div>
      </li>
    </ul>
    <template v-if="curing.length > 0">
      <button class="more" :aria-expanded="all" @click="all = !all">
        {{ all ? '−' : '+' }} {{ curing.length }} curing, fine to handle
      </button>
      <ul v-if="all" class="curing small">
        <li v-for="one in curing" :key="one.key">
          {{ nameOf(one) }}
          <span class="quiet"
            >· {{ one.material }}<template v-if="one.face === 'inner'">, inner face</template> · cured
            {{ sayReached(one.nextAt, store.theView.timeZone)
            }}<template v-if="one.restsUntil !== undefined">; no coat on it before that</template></span
          >
        </li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.touch {
  display: flex;
  gap: 8px;
}

.touch .v-btn {
  min-height: 44px;
  text-decoration: underline;
}

.closes {
  color: rgb(var(--v-theme-warning));
}

ul {
  list-style: none;
  padding: 0;
  margin: 12px 0 0;
}

li {
  padding: 10px 0;
  border-top: 1px solid var(--line);
}

.line {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}

.wait {
  font-weight: 700;
  white-space: nowrap;
}

.track {
  height: 14px;
  margin: 6px 0 4px;
  background: rgb(128 130 132 / 35%);
}

.track .film {
  height: 100%;
  box-shadow: inset 0 0 0 1px rgb(255 255 255 / 45%);
}

.more {
  min-height: 44px;
  font-weight: 600;
}

.curing li {
  padding: 6px 0;
}
</style>
