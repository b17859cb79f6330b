<script setup lang="ts">
import {
  mixedMl,
  mixFor,
  sameTint,
  sayMl,
  sayUm,
  wetColour,
  type Material,
  type MixRecipe,
} from '@fixatum/core';
import { watchDebounced } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { inColourWorker } from '../shared/colourWorker';
import { plain } from '../shared/offThread/workerLink';
import NumberField from '../shared/NumberField.vue';
import { later } from '../shared/later';
import { useNotice } from '../shared/notice';
import { useShelf } from '../shelf/useShelf';
import { recipeWords } from '../shelf/mixWords';
import MixByHand from './MixByHand.vue';
import MixFixes from './MixFixes.vue';
import { amountOf, dropWords } from './mixAmounts';
import { offWords } from './roles';
import { useMixTins } from '../shelf/useMixTins';

const MixDialog = later(() => import('../shelf/MixDialog.vue'));

/** What mixes a colour: from the tins on the shelf or what could be bought, with the amounts for all that is to be laid in it. */
const props = defineProps<{ colour: string; material: Material | undefined; name: string }>();
const { store, materials, whole } = useShelf();
const notice = useNotice();

const { usedAs, tins, left, toggle, used, alsoBuyable, labelOf } = useMixTins(() => props.material);
const mostTins = ref(3);

const recipes = ref<MixRecipe[]>([]);
const working = ref(false);
let ticket = 0;
watchDebounced(
  [() => props.colour, used, mostTins],
  async () => {
    ticket += 1;
    const own = ticket;
    working.value = true;
    const wanted = plain(used.value.map(({ material, colour }) => ({ material, colour })));
    try {
      const found =
        wanted.length === 0
          ? []
          : await inColourWorker((remote) => remote.recipes(props.colour, wanted, mostTins.value));
      if (own === ticket) recipes.value = found;
    } catch (error) {
      if (own === ticket) notice.complain(error);
    } finally {
      if (own === ticket) working.value = false;
    }
  },
  { debounce: 150, immediate: true, deep: true },
);

/** What all that is still to be laid in it takes, and the spare. */
const need = computed(() => {
  const line = (whole.value?.lines ?? []).find(
    (one) => one.materialId === usedAs.value?.id && sameTint(one.colour, props.colour),
  );
  return line ? mixedMl(line) : 0;
});
const typedMl = ref<number>();
const ml = computed(() => typedMl.value ?? Math.max(10, Math.ceil(need.value)));

const partsOf = (recipe: Pick<MixRecipe, 'parts'>) => {
  const all = recipe.parts.reduce((sum, one) => sum + one.parts, 0);
  return recipe.parts.map((part) => ({
    ...part,
    label: labelOf(part),
    said: part.drops ? dropWords(part.drops) : `${part.parts}`,
    amount: amountOf((ml.value * part.parts) / all),
  }));
};
const partWords = (recipe: Pick<MixRecipe, 'parts'>) =>
  recipe.parts.some(({ drops }) => drops) ? 'parts of 1 ml, and drops' : 'parts';

/** The mix that is tried by hand. */
const tried = ref<MixRecipe['parts']>();
watch(
  () => props.colour,
  () => (tried.value = undefined),
);

const keeping = ref<MixRecipe['parts']>();
const isKeeping = computed({
  get: () => keeping.value !== undefined,
  set: (is) => {
    if (!is) keeping.value = undefined;
  },
});
const kept = computed(() => ({
  name: props.name,
  material: usedAs.value?.id ?? '',
  colour: props.colour,
  parts: (keeping.value ?? [])
    .filter(({ parts }) => parts > 0)
    .map(({ material, colour, parts }) => ({ material: material.id, colour, parts })),
}));

/** The mix by which it is made, where one is written down. */
const written = computed(() => mixFor(store.build?.mixes, usedAs.value?.id ?? '', props.colour));
</script>

<template>
  <section aria-labelledby="mix-title" data-testid="mix-panel">
    <h2 id="mix-title">What mixes it</h2>
    <p v-if="written" data-testid="written-mix">
      Written down as <strong>{{ written.name }}</strong>: {{ recipeWords(written, materials.known) }}
    </p>
    <div class="tins" role="group" aria-label="Tins to mix from">
      <button
        v-for="tin in tins"
        :key="tin.key"
        :aria-pressed="!left.has(tin.key)"
        :title="`${tin.material.name} ${tin.colour}`"
        @click="toggle(tin.key)"
      >
        <span class="chip" :style="{ background: tin.colour }" />{{ tin.label
        }}<span v-if="!tin.isOwn" class="quiet"> to buy</span>
      </button>
    </div>
    <div class="filters">
      <v-checkbox v-model="alsoBuyable" density="compact" label="also from what could be bought" />
      <v-select
        v-model="mostTins"
        class="choice"
        label="At most"
        density="compact"
        :items="[
          { value: 2, title: 'two tins' },
          { value: 3, title: 'three tins' },
          { value: 4, title: 'four tins' },
        ]"
      />
      <NumberField
        v-model="typedMl"
        class="ml"
        :label="need > 0 ? `For all it is laid on: ${sayMl(Math.ceil(need))}` : 'How much'"
        of="volumeMl"
        :min="1"
      />
    </div>
    <p v-if="used.length === 0" class="quiet">Choose at least one tin.</p>
    <p v-else-if="recipes.length === 0" class="quiet">
      {{ working ? 'Looking for mixes…' : 'Nothing mixes it.' }}
    </p>
    <ol v-else class="recipes" :class="{ stale: working }">
      <li v-for="(recipe, at) in recipes" :key="at" data-testid="recipe">
        <span class="pair" aria-hidden="true"
          ><span :style="{ background: colour }" /><span :style="{ background: recipe.colour }"
        /></span>
        <div class="what">
          <p class="figures parts">
            <span v-for="(part, n) in partsOf(recipe)" :key="n"
              ><span v-if="n > 0" class="quiet">then </span><strong>{{ part.said }}</strong>
              <span class="chip small" :style="{ background: part.colour }" aria-hidden="true" />
              {{ part.label }}<span class="quiet">, {{ part.amount }}</span></span
            >
          </p>
          <p class="small quiet">
            {{ partWords(recipe) }} · {{ offWords(recipe.deltaE)
            }}<template v-if="recipe.hideUm"> · hides at {{ sayUm(recipe.hideUm) }}</template
            ><template v-if="usedAs?.carrier === 'water'">
              · looks
              <span class="chip small" :style="{ background: wetColour(usedAs, recipe.colour) }" /> while
              wet</template
            >
          </p>
        </div>
        <div class="acts">
          <v-btn size="small" variant="outlined" @click="tried = recipe.parts">Try by hand</v-btn>
          <v-btn
            size="small"
            :variant="at === 0 ? 'flat' : 'outlined'"
            :color="at === 0 ? 'primary' : undefined"
            @click="keeping = recipe.parts"
            >Keep as a mix</v-btn
          >
        </div>
      </li>
    </ol>

    <MixByHand
      v-if="tried"
      :parts="tried"
      :colour="colour"
      :label-of="labelOf"
      @keep="keeping = $event"
      @close="tried = undefined"
    />

    <MixFixes
      v-if="recipes[0]"
      :colour="colour"
      :ml="ml"
      :recipe="recipes[0]"
      :tins="used"
      :label-of="labelOf"
    />
    <MixDialog v-if="keeping" v-model="isKeeping" :mix="kept" />
  </section>
</template>

<style scoped>
section {
  margin-top: 26px;
}

.tins {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 10px 0;
}

.tins button {
  display: inline-flex;
  align-items: center;
  gap: 7px;
  min-height: 36px;
  padding: 2px 10px 2px 4px;
  border: 1px solid var(--line);
  border-radius: 3px;
  font-size: 0.875rem;
}

.tins button[aria-pressed='false'] {
  text-decoration: line-through;
  opacity: 0.75;
}

section :deep(.chip) {
  display: inline-block;
  width: 28px;
  height: 28px;
  border: 1px solid var(--line);
  border-radius: 2px;
}

section :deep(.chip.small) {
  margin: 0 4px;
  width: 16px;
  height: 16px;
  vertical-align: -3px;
}

.ml {
  max-width: 260px;
}

.recipes {
  list-style: none;
  padding: 0;
}

.recipes.stale {
  opacity: 0.6;
}

.recipes li {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr) auto;
  gap: 16px;
  align-items: center;
  padding: 10px 0;
  border-top: 1px solid var(--line);
}

section :deep(.pair) {
  display: grid;
  grid-template-columns: 1fr 1fr;
  height: 48px;
  border: 1px solid var(--line);
}

.parts {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}

section :deep(.acts) {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}

@media (max-width: 640px) {
  .recipes li {
    grid-template-columns: 64px minmax(0, 1fr);
  }

  .recipes .acts {
    grid-column: 1 / -1;
  }
}
</style>
