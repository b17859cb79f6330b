<script setup lang="ts">
import { sayReached, sayWait, schools, type SealerSchool, type VariantOutcome, sayMl } from '@fixatum/core';
import { useBuild } from '../shared/build';
import { schoolOf } from './lookForm';

/** What a look comes to with its own sealer and with another: dates, work, material, and what it makes late. */
const against = defineModel<SealerSchool>({ required: true });
defineProps<{
  /** Undefined where the piece takes no sealer, so that there is nothing to compare. */
  ownSchool: SealerSchool | undefined;
  /** With the own sealer and with the other; undefined while it is worked out for the first time. */
  outcomes: VariantOutcome[] | undefined;
  /** What is shown belongs to a choice before this one. */
  stale: boolean;
}>();
const store = useBuild();
const at = (minute: number | undefined) => sayReached(minute, store.theView.timeZone);
const amountWords = ['', 'Little', 'Some', 'Much'];
</script>

<template>
  <table class="figures">
    <thead>
      <tr>
        <td />
        <th scope="col">{{ ownSchool ? schoolOf(ownSchool).name : 'This piece' }}</th>
        <th v-if="ownSchool" scope="col">
          <v-select
            v-model="against"
            class="choice"
            label="Compare with"
            density="compact"
            :items="schools.map(({ id, name }) => ({ value: id, title: name }))"
          />
        </th>
      </tr>
    </thead>
    <tbody v-if="outcomes" :class="{ stale }">
      <tr>
        <th scope="row">Packable</th>
        <td v-for="(one, n) in outcomes" :key="n">{{ at(one.packableAt) }}</td>
      </tr>
      <tr>
        <th scope="row">Wearable</th>
        <td v-for="(one, n) in outcomes" :key="n">{{ at(one.wearableAt) }}</td>
      </tr>
      <tr>
        <th scope="row">Against the date</th>
        <td v-for="(one, n) in outcomes" :key="n" :class="{ bad: (one.slackMinutes ?? 0) < 0 }">
          {{
            one.slackMinutes === undefined
              ? 'no date'
              : one.slackMinutes < 0
                ? `${sayWait(-one.slackMinutes)} too late`
                : `${sayWait(one.slackMinutes)} to spare`
          }}
        </td>
      </tr>
      <tr>
        <th scope="row">Coats</th>
        <td v-for="(one, n) in outcomes" :key="n">{{ one.coats }}</td>
      </tr>
      <tr>
        <th scope="row">Hands-on</th>
        <td v-for="(one, n) in outcomes" :key="n">{{ sayWait(one.handsOnMinutes) }}</td>
      </tr>
      <tr>
        <th scope="row">Material</th>
        <td v-for="(one, n) in outcomes" :key="n">
          {{ amountWords[one.costClass] }}: {{ sayMl(one.materialMl) }} of {{ one.materials }} materials
        </td>
      </tr>
      <tr>
        <th scope="row">Where</th>
        <td v-for="(one, n) in outcomes" :key="n">{{ one.places.join(', ') }}</td>
      </tr>
      <tr v-if="outcomes.some((one) => one.makesLate.length > 0)">
        <th scope="row">Makes late</th>
        <td v-for="(one, n) in outcomes" :key="n">
          {{ one.makesLate.map((id) => store.pieceOf(id)?.name ?? id).join(', ') || 'nothing' }}
        </td>
      </tr>
      <tr v-if="ownSchool">
        <th scope="row">Looks</th>
        <td v-for="id in [ownSchool, against]" :key="id">{{ schoolOf(id).looks }}</td>
      </tr>
      <tr v-if="ownSchool">
        <th scope="row">Good at</th>
        <td v-for="id in [ownSchool, against]" :key="id">{{ schoolOf(id).goodAt }}</td>
      </tr>
      <tr v-if="ownSchool">
        <th scope="row">Bad at</th>
        <td v-for="id in [ownSchool, against]" :key="id">{{ schoolOf(id).badAt }}</td>
      </tr>
    </tbody>
  </table>
  <p v-if="!outcomes" class="quiet my-3">Working out the dates…</p>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 0.92rem;
}

th,
td {
  text-align: left;
  vertical-align: top;
  padding: 5px 12px 5px 0;
  border-bottom: 1px solid var(--line);
  width: 40%;
}

th[scope='row'] {
  font-weight: 400;
  color: var(--quiet);
  width: 20%;
  white-space: nowrap;
}

.stale {
  opacity: 0.5;
}

.bad {
  color: rgb(var(--v-theme-error));
  font-weight: 600;
}

select {
  font-weight: 700;
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 2px 6px;
  background: rgb(var(--v-theme-surface));
  color: inherit;
  max-width: 100%;
}
</style>
