<script setup lang="ts">
import { goFirstWords, sayChance, sayMoment, sayWait, type PlanView, type Rescue } from '@fixatum/core';
import { mdiChevronDown, mdiChevronUp } from '@mdi/js';
import { computed, ref, watch } from 'vue';
import { useBetterPlan } from './betterPlan';
import { useGoBefore } from './goBefore';
import { useBuild } from '../shared/build';
import { useForecast } from '../shared/forecast';
import { pieceName } from '../shared/words';

/**
 * What is late or likely to be, in one line that folds out, and ways to catch up: each planned for real before it is offered.
 */
const store = useBuild();
const forecast = useForecast();
const better = useBetterPlan();
const { offers, looking, nameOf, goBefore } = useGoBefore();
const SAFE = 0.8;

const trouble = computed(() =>
  (store.view?.pieces ?? []).flatMap((piece) => {
    const chance = forecast.byPiece.get(piece.pieceId)?.chance;
    const late = piece.readiness === 'late' || piece.readiness === 'stuck';
    return late || (chance !== undefined && chance < SAFE) ? [{ piece, chance, late }] : [];
  }),
);
const bound = (id: string) => store.view?.bounds.find((one) => one.pieceId === id);

/** Folded, so that the plan itself is in view; ways that were looked for are shown. */
const isOpen = ref(better.rescue !== undefined);
watch(
  () => better.rescueShare !== undefined || better.rescue !== undefined,
  (hasAny) => {
    if (hasAny) isOpen.value = true;
  },
);
/** Why something can't be done as planned: the first stop that the rules name for it. */
const stuckBy = computed(() =>
  trouble.value.flatMap(({ piece }) => {
    const stop =
      piece.readiness === 'stuck' &&
      (store.view?.findings ?? []).find((one) => one.piece === piece.pieceId && one.severity === 'stop');
    return stop ? [{ id: piece.pieceId, message: stop.message }] : [];
  }),
);
/** All of it in one line. */
const brief = computed(() => {
  const [only] = trouble.value;
  if (only && trouble.value.length === 1)
    return `${pieceName(store.build, only.piece.pieceId)} ${standing(only)}`;
  const late = trouble.value.filter((one) => one.late).length;
  const unsure = trouble.value.length - late;
  return [
    ...(late > 0 ? [`${late} ${late === 1 ? 'piece is' : 'pieces are'} not in time`] : []),
    ...(unsure > 0 ? [`${unsure} may not make it`] : []),
  ].join(', ');
});
function standing({ piece, late }: { piece: PlanView['pieces'][number]; late: boolean }): string {
  if (!late) return 'may not make it';
  if (piece.readiness === 'stuck') return 'can’t be done as planned';
  return `is ${sayWait(-(piece.slackMinutes ?? 0))} too late`;
}

function costs({ cost }: Rescue): string[] {
  const work = Math.round(cost.workMinutes);
  return [
    ...(cost.look === 'slight'
      ? ['looks a little different']
      : cost.look === 'other'
        ? ['looks different']
        : []),
    ...(Math.abs(work) >= 5 ? [`${sayWait(Math.abs(work))} ${work > 0 ? 'more' : 'less'} work`] : []),
    ...(cost.favourMinutes > 0 ? [`${sayWait(cost.favourMinutes)} of somebody’s evening`] : []),
    ...cost.buys.map((name) => `needs ${name}`),
    ...cost.givesUp.map((name) => `without ${name}`),
  ];
}
/** Which pieces it is about, where more than one is in trouble and it does not say so itself. */
function forWhom({ urgent, label }: Rescue): string {
  const names = urgent.map((id) => pieceName(store.build, id));
  return trouble.value.length < 2 || names.every((name) => label.includes(name)) ? '' : names.join(' and ');
}
const gained = (rescue: Rescue) =>
  rescue.daysGained >= 1
    ? `${rescue.daysGained.toFixed(1)} days sooner`
    : `${sayWait(rescue.daysGained * 1440)} sooner`;
</script>

<template>
  <section v-if="trouble.length > 0" class="rescue" aria-labelledby="rescue-title">
    <div class="brief">
      <h2 id="rescue-title">Catching up</h2>
      <p>
        <strong>{{ trouble.some(({ late }) => late) ? '▲' : '◐' }} {{ brief }}</strong>
      </p>
      <v-btn
        v-if="better.rescueShare === undefined"
        size="small"
        variant="flat"
        color="primary"
        @click="better.lookForRescue()"
        >{{ better.rescue ? 'Look again' : 'Look for ways' }}</v-btn
      >
      <v-btn v-else size="small" @click="better.stopRescue()">Stop</v-btn>
      <v-btn
        :icon="isOpen ? mdiChevronUp : mdiChevronDown"
        size="small"
        variant="text"
        :aria-expanded="isOpen"
        aria-label="More on catching up"
        @click="isOpen = !isOpen"
      />
    </div>
    <p v-for="one in stuckBy" :key="one.id" class="mt-2">
      {{ pieceName(store.build, one.id) }}: {{ one.message }}
      <router-link :to="{ name: 'piece', params: { build: store.theId, piece: one.id } }"
        >See the ways out</router-link
      >
    </p>
    <p v-if="looking" class="small quiet mt-2" role="status">
      Looking whether another build has the evenings it needs…
    </p>
    <ul v-if="offers.length > 0" class="trouble" aria-label="Builds that go first">
      <li v-for="offer in offers" :key="offer.other">
        {{ goFirstWords(offer, nameOf(offer.other), store.theView.timeZone) }}
        <v-btn size="small" class="ml-2" @click="goBefore(offer.other)"
          >Go before {{ nameOf(offer.other) }}</v-btn
        >
      </li>
    </ul>
    <template v-if="isOpen">
      <v-progress-linear
        v-if="better.rescueShare !== undefined"
        class="my-2"
        :model-value="better.rescueShare * 100"
        height="8"
        aria-label="Trying ways"
      />
      <ul class="trouble">
        <li v-for="one in trouble" :key="one.piece.pieceId">
          <strong>{{ one.late ? '▲' : '◐' }} {{ pieceName(store.build, one.piece.pieceId) }}</strong>
          {{ standing(one)
          }}<template v-if="one.chance !== undefined"
            >: {{ sayChance(one.chance) }} to make its dates</template
          >.
          <span v-if="bound(one.piece.pieceId)?.provesLate" class="quiet"
            >{{ bound(one.piece.pieceId)!.sentence }} No order of work can save it; something has to
            change.</span
          >
        </li>
      </ul>
      <p v-if="better.rescue && better.rescue.rescues.length === 0" class="mt-3">
        No change that was tried helps without bringing a stop of its own. Move the date, or leave the piece
        at home.
      </p>
      <ol v-if="better.rescue" class="offers" data-testid="rescues">
        <li v-for="one in better.rescue.rescues" :key="one.label" :class="{ makes: one.makesIt }">
          <div>
            <p>
              <strong>{{ one.makesIt ? '✓ makes it' : '○ helps' }}</strong> {{ one.label }}
            </p>
            <ul v-if="one.parts.length > 3" class="small parts">
              <li v-for="part in one.parts" :key="part">{{ part }}</li>
            </ul>
            <p class="small quiet figures">
              <template v-if="forWhom(one)">{{ forWhom(one) }} · </template>{{ gained(one) }} · ready
              {{ sayMoment(one.readyAt, store.theView.timeZone)
              }}<template v-if="one.chance !== undefined"> · {{ sayChance(one.chance) }} chance</template
              ><template v-for="cost in costs(one)" :key="cost"> · {{ cost }}</template>
            </p>
          </div>
          <v-btn size="small" :disabled="store.busy" @click="store.patch(one.label, one.change, one.urgent)"
            >Do this</v-btn
          >
        </li>
      </ol>
    </template>
  </section>
</template>

<style scoped>
.parts {
  margin: 4px 0 4px 18px;
}

.rescue {
  margin-bottom: 14px;
  padding: 6px 8px 6px 16px;
  background: rgb(var(--v-theme-surface));
  border-left: 4px solid rgb(var(--v-theme-error));
}

.trouble,
.offers {
  list-style: none;
  padding: 0;
  margin-top: 8px;
}

.brief {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
}

.brief p {
  flex: 1;
  min-width: 200px;
}

.offers li {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  align-items: center;
  padding: 8px 0;
  border-top: 1px solid var(--line);
}

.makes strong {
  color: rgb(var(--v-theme-success));
}
</style>
