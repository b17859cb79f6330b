<script setup lang="ts">
import { finishCard, methodWords, sayDate, sayMl, substrateTable, type CardLine, sayUm } from '@fixatum/core';
import { computed } from 'vue';
import { useRoute } from 'vue-router';
import { usePhotoBox } from '../shared/photoBox';
import { useBuild } from '../shared/build';
import FinishThumb from '../shared/FinishThumb.vue';
import StrataCut from '../shared/StrataCut.vue';
import { airWords } from '../shared/words';

/** The finish card of a piece: what lies on it and where that came from, on screen and on paper. */
const store = useBuild();
const box = usePhotoBox();
const route = useRoute();
const piece = computed(() => store.pieceOf(String(route.params['piece'])));
const lines = computed(() => (store.build && piece.value ? finishCard(store.build, piece.value) : []));

/** The stack of the first unit where most lies, as it is now. */
const strata = computed(() => {
  const cells = store.view?.strata[`${piece.value?.id}/1`] ?? {};
  const real = Object.values(cells).map((coats) => coats.filter((coat) => coat.real));
  return real.sort((a, b) => b.length - a.length)[0] ?? [];
});
const event = computed(() => store.build?.events.find(({ id }) => id === piece.value?.event));
const photos = computed(() => lines.value.flatMap((line) => line.photos));

const whenWords = ({ from, until }: CardLine) => {
  const [day, last] = [from.slice(0, 10), until.slice(0, 10)];
  const first = `${sayDate(day)}, ${from.slice(11)}`;
  return day === last ? first : `${first} to ${sayDate(last)}`;
};
const unitWords = ({ units }: CardLine) => {
  const { quantity = 1 } = piece.value ?? {};
  const all = [...new Set(units)].sort((a, b) => a - b);
  return quantity === 1 || all.length === quantity ? '' : `only ${all.join(', ')} of ${quantity}`;
};
const details = (line: CardLine) =>
  [
    line.material?.name,
    (line.step?.coats ?? 1) > 1 ? `coat ${line.coat} of ${line.step?.coats}` : '',
    line.method ? methodWords[line.method] : '',
    line.dryUm === undefined ? '' : `${sayUm(line.dryUm)} dry`,
    line.face ? `${line.face} face` : '',
    unitWords(line),
  ]
    .filter(Boolean)
    .join(' · ');
const sources = (line: CardLine) =>
  [
    line.tins.length > 0 ? `from ${line.tins.join('; ')}` : '',
    line.ml === undefined ? '' : `about ${sayMl(line.ml)}`,
    line.place ? `in ${line.place}` : '',
    line.air ? airWords(line.air) : '',
    line.by.length > 0 ? `by ${line.by.join(', ')}` : '',
  ]
    .filter(Boolean)
    .join(' · ');
const print = () => window.print();
</script>

<template>
  <div v-if="store.build && piece" class="page card">
    <header>
      <div>
        <h1>
          {{ piece.name }}<template v-if="piece.quantity > 1"> ×{{ piece.quantity }}</template>
        </h1>
        <p class="quiet">
          Finish card · {{ store.build.name }}<template v-if="event"> · {{ event.name }}</template> ·
          {{ substrateTable[piece.substrate.kind].word }}
        </p>
      </div>
      <div class="acts">
        <v-btn :to="{ name: 'piece', params: { build: store.theId, piece: piece.id } }">The piece</v-btn>
        <v-btn variant="flat" color="primary" :disabled="lines.length === 0" @click="print">Print</v-btn>
      </div>
    </header>
    <p v-if="lines.length === 0" class="mt-4">
      Nothing is logged on this piece yet. What you log at the Bench stands here: what of which tin, how
      thick, in which air.
    </p>
    <div v-else class="columns">
      <ol aria-label="What was done">
        <li v-for="line in lines" :key="line.key" data-testid="card-line">
          <span
            class="chip"
            :style="{ background: line.material ? (line.colour ?? 'transparent') : 'transparent' }"
            aria-hidden="true"
          />
          <div>
            <p>
              <strong>{{ line.word }}</strong><strong v-if="line.failed" class="failed">
                ■ failed, and done again</strong
              >
              <span class="figures quiet small when">{{ whenWords(line) }}</span>
            </p>
            <p>{{ details(line) }}</p>
            <p class="small quiet">{{ sources(line) }}</p>
            <p v-for="note in line.notes" :key="note" class="small">“{{ note }}”</p>
          </div>
        </li>
      </ol>
      <aside>
        <h2 class="mb-2">What it comes to</h2>
        <FinishThumb class="mb-6" :piece="piece" :px="200" />
        <h2 class="mb-2">Cut through</h2>
        <StrataCut :coats="strata" :substrate="piece.substrate" :now="store.now" :height="260" />
        <h2 v-if="photos.length > 0" class="mt-6 mb-2">Pictures</h2>
        <div class="photos">
          <a v-for="photo in photos" :key="photo" :href="box.addressOf(photo)" target="_blank"
            ><img :src="box.addressOf(photo)" :alt="`${piece.name}, as it was`"
          /></a>
        </div>
        <p class="mt-4 small quiet">
          “Save as a look”, under More on the piece’s page, keeps this finish to do it again on another.
        </p>
      </aside>
    </div>
  </div>
  <div v-else class="page quiet">
    {{ store.build ? 'This piece is not in the build any more.' : 'Opening the build…' }}
  </div>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 12px;
}

.acts {
  display: flex;
  gap: 10px;
  align-items: center;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.7fr) minmax(260px, 1fr);
  gap: 48px;
  margin-top: 18px;
}

ol {
  list-style: none;
  padding: 0;
  margin: 0;
}

li {
  display: grid;
  grid-template-columns: 20px minmax(0, 1fr);
  gap: 14px;
  padding: 12px 0;
  border-top: 1px solid var(--line);
  break-inside: avoid;
}

.chip {
  width: 20px;
  height: 20px;
  margin-top: 2px;
  border: 1px solid var(--line);
  border-radius: 3px;
}

.when {
  margin-left: 10px;
}

.failed {
  color: rgb(var(--v-theme-error));
}

.photos {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

img {
  max-width: 160px;
  max-height: 120px;
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
    gap: 24px;
  }
}

@media print {
  .acts {
    display: none;
  }
}
</style>
