<script setup lang="ts">
import { closingRound, passNeeds, sayMl, sayWait, shelfNow } from '@fixatum/core';
import { computed, ref } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import DialogFoot from '../shared/DialogFoot.vue';
import { api } from '../shared/api';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import { learnedWords } from '../shelf/learnedWords';

/** A look back before a build is put by: what is unfinished, what it took, what is left of its tins, what was learned and may be kept. */
const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ finished: [] }>();
const store = useBuild();
const materials = useMaterials();
const saving = ref(false);

const round = computed(() => closingRound(store.theBuild, store.view?.operations ?? []));
const shelf = computed(() =>
  shelfNow(store.theBuild, passNeeds(store.theBuild, store.view?.operations ?? []), store.elsewhere),
);
const LITTLE_ML = 1;
/** What is left of the tins that this build took from. */
const leftovers = computed(() => {
  const used = new Set(round.value.materials.map(({ materialId }) => materialId));
  return shelf.value.tins
    .filter(({ tin, ml }) => ml > LITTLE_ML && tin.openedOn !== undefined && used.has(tin.material))
    .map(({ at, tin, ml }) => ({
      at,
      ml,
      name: [materials.known.get(tin.material)?.name ?? tin.material, tin.colour].filter(Boolean).join(', '),
    }));
});
/** Tins of which nothing is kept: ticked, they leave the shelf. */
const thrownOut = ref<number[]>([]);
/** Of amounts by what was weighed, of times by what was felt. */
const learned = computed(() => [
  ...round.value.materials.flatMap(({ materialId, name }) => {
    const material = materials.known.get(materialId);
    return material ? learnedWords(store.build?.amounts, material).map((line) => `${name}: ${line}`) : [];
  }),
  ...(store.view?.measured ?? []).map(
    ({ materialName, factor, times }) =>
      `${materialName}: touch-dry after ${Math.round(factor * 100)} % of the reckoned time, felt ${times.length === 1 ? 'once' : `${times.length} times`}`,
  ),
]);
const worn = computed(() => store.build?.pieces.filter(({ steps }) => steps.length > 0) ?? []);

async function finish(): Promise<void> {
  saving.value = true;
  try {
    if (thrownOut.value.length > 0) {
      const stock = (store.theBuild.stock ?? []).filter((_, at) => !thrownOut.value.includes(at));
      const said = `Off the shelf: ${thrownOut.value.length}`;
      if (!(await store.change(() => api.patchBuild(store.theId, { stock }, store.etag), said))) return;
      thrownOut.value = [];
    }
    if (await store.change(() => api.finishBuild(store.theId, true))) emit('finished');
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <AppDialog v-model="open" max-width="640" scrollable>
    <v-card>
      <v-card-text class="pa-6">
        <h2 class="mb-3">Finish {{ store.theBuild.name }}</h2>
        <section v-if="round.unfinished.length > 0" class="mb-4">
          <h3>Not finished</h3>
          <ul class="list">
            <li v-for="one in round.unfinished" :key="one.pieceId">
              {{ one.name }}: {{ one.done }} of {{ one.of }} coats and tasks
            </li>
          </ul>
          <p class="small quiet">
            It stays as it is, and nothing of it is planned. Opened again, the build goes on from here.
          </p>
        </section>
        <section class="mb-4">
          <h3>What it took</h3>
          <p class="figures" data-testid="closing-hours">
            {{ round.passes }} coats and tasks on {{ round.days }} {{ round.days === 1 ? 'day' : 'days' }},
            {{ sayWait(round.realMinutes) }} of work at the piece<template v-if="round.timed > 0"
              >; {{ sayWait(round.reckonedMinutes) }} were reckoned ({{ round.timed }} of them
              timed)</template
            >.
          </p>
          <table v-if="round.materials.length > 0" class="small">
            <thead>
              <tr>
                <th scope="col">Material</th>
                <th scope="col" class="number">taken</th>
                <th scope="col" class="number">by the book</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="one in round.materials" :key="one.materialId">
                <td>{{ one.name }}</td>
                <td class="number figures">{{ sayMl(one.ml) }}</td>
                <td class="number figures">{{ sayMl(one.bookMl) }}</td>
              </tr>
            </tbody>
          </table>
        </section>
        <section v-if="learned.length > 0" class="mb-4">
          <h3>What was learned</h3>
          <ul class="list">
            <li v-for="line in learned" :key="line">{{ line }}</li>
          </ul>
          <p class="small quiet">The workshop keeps it, and the next build is reckoned by it.</p>
        </section>
        <section v-if="leftovers.length > 0" class="mb-4">
          <h3>Open tins it took from</h3>
          <p class="small quiet">They stay on the shelf. Tick what is not worth keeping.</p>
          <v-checkbox
            v-for="one in leftovers"
            :key="one.at"
            v-model="thrownOut"
            :value="one.at"
            :label="`${one.name}: ${sayMl(one.ml)} left; take it off the shelf`"
            density="compact"
            hide-details
          />
        </section>
        <section v-if="worn.length > 0">
          <h3>To keep</h3>
          <p class="small quiet">
            Each piece has a card of all that was done on it, and can be saved as a look for the next.
          </p>
          <ul class="list">
            <li v-for="piece in worn" :key="piece.id">
              {{ piece.name }}:
              <router-link :to="{ name: 'card', params: { build: store.theId, piece: piece.id } }"
                >finish card</router-link
              >,
              <router-link :to="{ name: 'piece', params: { build: store.theId, piece: piece.id } }"
                >save as a look</router-link
              >
            </li>
          </ul>
        </section>
      </v-card-text>
      <DialogFoot v-model="open" words="Finish the build" :saving="saving" @done="finish" />
    </v-card>
  </AppDialog>
</template>

<style scoped>
.list {
  padding-left: 20px;
}

table {
  margin-top: 6px;
  border-collapse: collapse;
}

th {
  text-align: left;
  font-weight: 600;
}

td,
th {
  padding: 2px 18px 2px 0;
}

.number {
  text-align: right;
}
</style>
