<script setup lang="ts">
import {
  canBeMixed,
  isOpen,
  lotsFor,
  mixFor,
  passNeeds,
  sayDate,
  sayMl,
  sayWait,
  twoParts,
  usualDensityGPerMl,
  type Fault,
  type Mix,
} from '@fixatum/core';
import { mdiPlus } from '@mdi/js';
import { computed, ref } from 'vue';
import { useRoute } from 'vue-router';
import { useMixTins } from './useMixTins';
import { inColourWorker } from '../shared/colourWorker';
import ColourName from '../shared/ColourName.vue';
import FaultList from '../shared/FaultList.vue';
import { later } from '../shared/later';
import { useNotice } from '../shared/notice';
import { plain } from '../shared/offThread/workerLink';
import { pieceName } from '../shared/words';
import { partWords, recipeWords } from './mixWords';
import MaterialsHead from '../shared/MaterialsHead.vue';
import { useShelf } from './useShelf';

const MixDialog = later(() => import('./MixDialog.vue'));
/** A mix of more is seldom made twice the same. */
const MOST_TINS = 3;

/** What is to be mixed for what is still to be laid, and every mix there ever was, to be made again. */
const { store, materials, builds, whole, shelf, change } = useShelf();
const route = useRoute();
const faults = ref<Fault[]>([]);
const mixes = computed(() => store.build?.mixes ?? []);

const toMix = computed(() => (whole.value?.lines ?? []).flatMap(({ toMix: one }) => one ?? []));
/** Coats of two-part materials that are still to be mixed, with the parts of each and its lots. */
const twoPart = computed(() =>
  builds.value.flatMap(({ build, plan }) => {
    const needs = passNeeds(build, plan.operations);
    const coats = new Map<string, { ml: number; minutes: number; pass: (typeof plan.operations)[number] }>();
    for (const pass of plan.operations.filter(isOpen)) {
      if (!pass.material || !twoParts(pass.material)) continue;
      const key = [pass.pieceId, pass.stepId, pass.coat].join('/');
      const known = coats.get(key) ?? { ml: 0, minutes: 0, pass };
      known.ml += needs.get(pass.id)?.ml ?? 0;
      known.minutes += pass.workMinutes;
      coats.set(key, known);
    }
    return [...coats].flatMap(([key, { ml, minutes, pass }]) => {
      const [material, parts] = [pass.material, pass.material && twoParts(pass.material)];
      if (!material || !parts) return [];
      const lots = lotsFor(minutes, material.potLife ?? Infinity);
      const all = parts[0] + parts[1];
      const density = usualDensityGPerMl(material);
      const share = (part: number) => {
        const own = (ml * part) / all / lots;
        return partWords({ ml: own, g: own * density });
      };
      return [
        {
          key: `${build.name} ${key}`,
          name: material.name,
          what: `${pieceName(build, pass.pieceId)}, coat ${pass.coat}: ${sayMl(ml)}`,
          parts: `A ${share(parts[0])} + B ${share(parts[1])}${lots > 1 ? `, in ${lots} lots each of that` : ''}`,
          pot: `sets in the cup in ${sayWait(material.potLife ?? 0)}`,
        },
      ];
    });
  }),
);
const potsOf = (mix: Mix) =>
  (shelf.value?.tins ?? []).filter(({ tin }) => tin.mix === mix.id).reduce((sum, { ml }) => sum + ml, 0);

const editing = ref<{ mix: Partial<Mix>; ml?: number }>();
const isEditing = computed({
  get: () => editing.value !== undefined,
  set: (is) => {
    if (!is) editing.value = undefined;
  },
});
// From the shopping list: a colour that is mixed, not bought. It opens on the mix that comes nearest, of what is there or is in every shop.
const { material, colour } = route.query;
const { used } = useMixTins(() => (typeof material === 'string' ? materials.known.get(material) : undefined));
async function mixInstead(of: string, wanted: string): Promise<void> {
  const written = mixFor(mixes.value, of, wanted);
  const tins = plain(used.value.map((tin) => ({ material: tin.material, colour: tin.colour })));
  const [nearest] = written ? [] : await inColourWorker((remote) => remote.recipes(wanted, tins, MOST_TINS));
  const parts = (nearest?.parts ?? []).map((part) => ({
    material: part.material.id,
    colour: part.colour,
    parts: part.parts,
  }));
  editing.value = {
    mix: written ?? {
      material: of,
      colour: wanted,
      parts: parts.length > 0 ? parts : [{ material: of, parts: 1 }],
    },
  };
}
if (typeof material === 'string' && typeof colour === 'string')
  mixInstead(material, colour).catch((error: unknown) => useNotice().complain(error));

const remove = async (mix: Mix) =>
  (faults.value = await change(
    { mixes: mixes.value.filter(({ id }) => id !== mix.id) },
    `Not written down any more: ${mix.name}`,
  ));
const firstPaint = computed(() => [...materials.known.values()].find(canBeMixed)?.id ?? '');
</script>

<template>
  <div v-if="store.build" class="page">
    <MaterialsHead title="Mixes">
      <v-btn
        variant="flat"
        color="primary"
        :prepend-icon="mdiPlus"
        @click="editing = { mix: { material: firstPaint } }"
        >New mix</v-btn
      >
    </MaterialsHead>
    <FaultList :faults="faults" />
    <section v-if="toMix.length + twoPart.length > 0" aria-labelledby="to-mix">
      <h2 id="to-mix">To mix</h2>
      <p class="quiet mb-2">
        One pot for all pieces of a colour: enough nine times in ten, and a little kept for touch-ups.
      </p>
      <ul>
        <li v-for="{ mix, ml } in toMix" :key="mix.id" data-testid="to-mix">
          <span class="chip" :style="{ background: mix.colour }" aria-hidden="true" />
          <div>
            <strong>{{ mix.name }}</strong> <span class="figures amount">{{ sayMl(ml) }}</span>
            <p class="small">{{ recipeWords(mix, materials.known) }}</p>
          </div>
          <v-btn variant="flat" color="primary" @click="editing = { mix, ml }">Mix it</v-btn>
        </li>
        <li v-for="one in twoPart" :key="one.key" data-testid="two-part">
          <span class="chip" aria-hidden="true" />
          <div>
            <strong>{{ one.name }}</strong> <span class="figures amount">{{ one.parts }}</span>
            <p class="small">{{ one.what }} · {{ one.pot }}</p>
          </div>
        </li>
      </ul>
    </section>
    <section class="mt-6" aria-labelledby="written">
      <h2 id="written">Written down</h2>
      <p v-if="mixes.length === 0" class="quiet mt-2">
        No mix is written down yet. Write one down as you make it, in parts, and it can be made again: what is
        laid in its colour then asks for its parts, not for a tin of it.
      </p>
      <ul>
        <li v-for="mix in mixes" :key="mix.id" data-testid="mix">
          <span class="chip" :style="{ background: mix.colour }" aria-hidden="true" />
          <div>
            <strong>{{ mix.name }}</strong>
            <span class="quiet">
              · {{ materials.known.get(mix.material)?.name ?? mix.material }},
              <ColourName :colour="mix.colour" :material="materials.known.get(mix.material)" with-figures
            /></span>
            <p class="small">{{ recipeWords(mix, materials.known) }}</p>
            <p class="small quiet figures">
              <template v-for="(one, at) in mix.made ?? []" :key="one.at + at"
                ><template v-if="at > 0">, </template>{{ sayMl(one.ml) }} on
                {{ sayDate(one.at.slice(0, 10)) }}</template
              ><template v-if="!mix.made">not made yet</template
              ><template v-if="potsOf(mix) > 0"> · {{ sayMl(potsOf(mix)) }} left in pots</template>
            </p>
          </div>
          <div class="acts">
            <v-btn size="small" variant="outlined" @click="editing = { mix, ml: mix.made?.at(-1)?.ml ?? 30 }"
              >Make it again</v-btn
            >
            <v-btn size="small" variant="outlined" @click="editing = { mix }">Change</v-btn>
            <v-btn size="small" variant="text" :aria-label="`Delete ${mix.name}`" @click="remove(mix)"
              >Delete</v-btn
            >
          </div>
        </li>
      </ul>
    </section>
    <MixDialog v-if="editing" v-model="isEditing" :mix="editing.mix" :ml="editing.ml" />
  </div>
  <div v-else class="page quiet">Opening the build…</div>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}

li {
  display: grid;
  grid-template-columns: 20px minmax(0, 1fr) auto;
  gap: 6px 14px;
  align-items: start;
  padding: 12px 0;
  border-top: 1px solid var(--line);
}

.chip {
  width: 20px;
  height: 20px;
  margin-top: 2px;
  border: 1px solid var(--line);
  border-radius: 3px;
}

.amount {
  margin-left: 8px;
  font-weight: 600;
}

.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

@media (max-width: 640px) {
  li {
    grid-template-columns: 20px minmax(0, 1fr);
  }

  li > .acts,
  li > .v-btn {
    grid-column: 2;
    justify-self: start;
  }
}
</style>
