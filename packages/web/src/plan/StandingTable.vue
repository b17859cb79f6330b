<script setup lang="ts">
import { sayChance, sayMoment, sayWait, type Piece } from '@fixatum/core';
import { computed, ref } from 'vue';
import { useBuild } from '../shared/build';
import { reachedWords } from '../shared/words';
import { useOverFrames } from '../shared/overFrames';
import { useForecast } from '../shared/forecast';
import { useBetterPlan } from './betterPlan';

/** Where each piece stands: ready when, how likely in time, when work has to go on, and what no plan beats. */
const store = useBuild();
const forecast = useForecast();
const better = useBetterPlan();
const zone = computed(() => store.view?.timeZone ?? 'UTC');

const ASKED_BELOW_MINUTES = 3 * 1440;
/** What people wonder about however much time there is. */
const asksItself = new Set(['daylight', 'elsewhere', 'air', 'material']);

const readyOf = (state: { packableAt?: number | undefined; wearableAt?: number | undefined }) =>
  state.packableAt === undefined || state.wearableAt === undefined
    ? undefined
    : Math.max(state.packableAt, state.wearableAt);
const standing = computed(() =>
  (store.view?.pieces ?? []).flatMap((state) => {
    const piece = store.pieceOf(state.pieceId);
    if (!piece) return [];
    const now = readyOf(state);
    const then = better.kept?.ready[piece.id];
    return [
      {
        piece,
        state,
        ready: reachedWords(state, now, zone.value),
        chance: forecast.byPiece.get(piece.id)?.chance,
        // With days to spare nobody asks what it waits for.
        heldUp: store.theView.heldUp.find(
          (held) =>
            held.pieceId === piece.id &&
            ((state.slackMinutes ?? Infinity) < ASKED_BELOW_MINUTES || asksItself.has(held.why)),
        ),
        bound: store.theView.bounds.find((one) => one.pieceId === piece.id),
        against: shiftWords(then === undefined || now === undefined ? undefined : now - then),
      },
    ];
  }),
);
const drawn = useOverFrames(8, 200);
/** Of many pieces those with the least time to spare come first, and the rest when it is asked for. */
const AT_FIRST = 40;
const all = ref(false);
const listed = computed(() =>
  all.value || standing.value.length <= AT_FIRST
    ? standing.value
    : [...standing.value]
        .sort((a, b) => (a.state.slackMinutes ?? Infinity) - (b.state.slackMinutes ?? Infinity))
        .slice(0, AT_FIRST),
);
function shiftWords(minutes: number | undefined): string {
  if (minutes === undefined) return '–';
  if (Math.abs(minutes) < 1) return 'the same';
  return `${sayWait(Math.abs(minutes))} ${minutes > 0 ? 'later' : 'sooner'}`;
}
const eventName = (piece: Piece) =>
  store.build?.events.find((one) => one.id === piece.event)?.name ?? 'the date';
</script>

<template>
  <section aria-labelledby="standing-title" class="standing">
    <h2 id="standing-title">Where each piece stands</h2>
    <div class="wide" tabindex="0" role="region" aria-label="Where every piece stands">
      <table class="figures" data-testid="standing">
        <thead>
          <tr>
            <th scope="col">Piece</th>
            <th scope="col">Ready</th>
            <th scope="col">Chance</th>
            <th scope="col">Next coat by</th>
            <th scope="col">No plan is quicker than</th>
            <th v-if="better.kept" scope="col">Against the plan of {{ sayMoment(better.kept.at, zone) }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in listed.slice(0, drawn)" :key="one.piece.id">
            <th scope="row">{{ one.piece.name }}</th>
            <td>
              {{ one.ready }}
              <div v-if="one.heldUp" class="small quiet">{{ one.heldUp.sentence }}</div>
            </td>
            <td
              class="chance"
              :class="{ old: forecast.isOld }"
              :title="forecast.isOld ? 'Of the plan before; being worked out anew' : undefined"
            >
              {{ one.chance === undefined || forecast.isOld ? '…' : sayChance(one.chance) }}
            </td>
            <td>
              <template v-if="one.state.latestStartAt !== undefined"
                >{{ sayMoment(one.state.latestStartAt, zone) }}
                <span class="quiet">or lose {{ eventName(one.piece) }}</span></template
              ><template v-else>–</template>
            </td>
            <td class="quiet">{{ one.bound?.sentence ?? '…' }}</td>
            <td v-if="better.kept">
              {{ one.against }}
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <v-btn v-if="listed.length < standing.length" class="mt-3" @click="all = true"
      >Show the other {{ standing.length - listed.length }}</v-btn
    >
    <p v-if="better.kept" class="small mt-2">
      {{ store.theView.sessions.length }} sessions now, {{ better.kept.sessions }} then.
      <button class="link" @click="better.kept = undefined">Stop comparing</button>
    </p>
  </section>
</template>

<style scoped>
.chance {
  white-space: nowrap;
}

.standing {
  margin-bottom: 28px;
}

.standing .wide {
  overflow-x: auto;
}

.standing table {
  border-collapse: collapse;
  width: 100%;
  margin-top: 8px;
  font-size: 0.9rem;
}

.standing :is(th, td) {
  text-align: left;
  padding: 5px 14px 5px 0;
  border-bottom: 1px solid var(--line);
  vertical-align: top;
}

.link {
  text-decoration: underline;
}
.standing td.old {
  opacity: 0.6;
  font-style: italic;
}
</style>
