<script setup lang="ts">
import {
  cameOutAs,
  comesInColours,
  colourDistance,
  corrections,
  DROPS_A_ML,
  has,
  mixFor,
  mixedFrom,
  mixedHideUm,
  mixedMl,
  mixedStrength,
  pigmentTable,
  sameTint,
  sayMl,
  wetColour,
  wrongs,
  wrongTable,
  type Ingredient,
  type Material,
  type MixRecipe,
  type Wrong,
  sayUm,
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
import { offWords } from './roles';

const MixDialog = later(() => import('../shelf/MixDialog.vue'));

/** What mixes a colour: from the tins on the shelf or what could be bought, with the amounts for all that is to be laid in it. */
const props = defineProps<{ colour: string; material: Material | undefined; name: string }>();
const { store, whole } = useShelf();
const notice = useNotice();

interface Tin extends Ingredient {
  key: string;
  label: string;
  isOwn: boolean;
}
const usedAs = computed(
  () =>
    (props.material && comesInColours(props.material) ? props.material : undefined) ??
    [...store.materials.values()].find(comesInColours),
);
/** Only what stirs into it: of the same binder and thinner, and flakes only into flakes. */
const canMix = (other: Material): boolean =>
  usedAs.value !== undefined &&
  comesInColours(other) &&
  other.binder === usedAs.value.binder &&
  other.carrier === usedAs.value.carrier &&
  has(other, 'metallic') === has(usedAs.value, 'metallic');
const owned = computed((): Tin[] => {
  const found: Tin[] = [];
  for (const tin of store.build?.stock ?? []) {
    const material = store.materials.get(tin.material);
    if (!material || !tin.colour || !canMix(material) || tin.remainingMl <= 0) continue;
    const colour = tin.colour;
    if (found.some((one) => one.material.id === material.id && sameTint(one.colour, colour))) continue;
    found.push({ key: `own ${tin.material} ${colour}`, label: material.name, material, colour, isOwn: true });
  }
  return found;
});
/** What is on every shop's shelf, by its pigment. */
const MIX_METALS = [
  'aluminium-flake',
  'gold-mica',
  'carbon-black',
  'burnt-umber',
  'red-iron-oxide',
  'yellow-ochre',
] as const;
const basics = [
  'titanium-white',
  'carbon-black',
  'arylide-yellow',
  'yellow-ochre',
  'naphthol-red',
  'red-iron-oxide',
  'ultramarine',
  'phthalo-blue',
  'phthalo-green',
  'burnt-umber',
] as const;
const buyable = computed((): Tin[] => {
  const material = usedAs.value;
  if (!material) return [];
  return (has(material, 'metallic') ? MIX_METALS : basics).map((id) => ({
    key: `buy ${id}`,
    label: pigmentTable[id].name,
    material,
    colour: pigmentTable[id].masstone,
    isOwn: false,
  }));
});
const alsoBuyable = ref(false);
watch(
  () => owned.value.length,
  (count) => (alsoBuyable.value = count < 2),
  { immediate: true },
);
const tins = computed(() => [...owned.value, ...(alsoBuyable.value ? buyable.value : [])]);
const left = ref(new Set<string>());
const used = computed(() => tins.value.filter(({ key }) => !left.value.has(key)));
function toggle(key: string): void {
  const next = new Set(left.value);
  if (!next.delete(key)) next.add(key);
  left.value = next;
}
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

const FEW_ML = 2;
const amount = (own: number) =>
  own < FEW_ML ? dropWords(Math.max(1, Math.round(own * DROPS_A_ML))) : sayMl(own);
const dropWords = (drops: number) => `${drops} ${drops === 1 ? 'drop' : 'drops'}`;
const partsOf = (recipe: Pick<MixRecipe, 'parts'>) => {
  const all = recipe.parts.reduce((sum, one) => sum + one.parts, 0);
  return recipe.parts.map((part) => ({
    ...part,
    label: labelOf(part),
    said: part.drops ? dropWords(part.drops) : `${part.parts}`,
    amount: amount((ml.value * part.parts) / all),
  }));
};
const labelOf = ({ material, colour }: Ingredient) =>
  tins.value.find((one) => one.material.id === material.id && one.colour === colour)?.label ?? material.name;
const partWords = (recipe: Pick<MixRecipe, 'parts'>) =>
  recipe.parts.some(({ drops }) => drops) ? 'parts of 1 ml, and drops' : 'parts';

/** The mix that is tried by hand. */
const tried = ref<MixRecipe['parts']>();
const triedColour = computed(() => {
  const parts = (tried.value ?? []).filter((one) => one.parts > 0);
  return parts.length > 0 ? mixedFrom(parts) : undefined;
});
const tryIt = (recipe: MixRecipe) => (tried.value = recipe.parts.map((part) => ({ ...part })));
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

const wrong = ref<Wrong | ''>('');
const first = computed(() => recipes.value[0]);
const fixes = computed(() => {
  if (wrong.value === '' || !first.value) return [];
  return corrections(
    props.colour,
    cameOutAs(props.colour, wrong.value),
    { ml: ml.value, strength: mixedStrength(first.value.parts) },
    used.value,
  );
});
</script>

<template>
  <section aria-labelledby="mix-title" data-testid="mix-panel">
    <h2 id="mix-title">What mixes it</h2>
    <p v-if="written" data-testid="written-mix">
      Written down as <strong>{{ written.name }}</strong>: {{ recipeWords(written, store.materials) }}
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
          <v-btn size="small" variant="outlined" @click="tryIt(recipe)">Try by hand</v-btn>
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

    <div v-if="tried" class="try" data-testid="try">
      <h3>By hand</h3>
      <div class="pair wide" aria-hidden="true">
        <span :style="{ background: colour }" /><span :style="{ background: triedColour ?? 'transparent' }" />
      </div>
      <p class="small">
        Wanted on the left.
        <template v-if="triedColour"
          >What comes out on the right: {{ triedColour }}, {{ offWords(colourDistance(triedColour, colour))
          }}<template v-if="mixedHideUm(tried)">, hides at {{ sayUm(mixedHideUm(tried) ?? 0) }}</template
          >.</template
        >
      </p>
      <label v-for="(part, at) in tried" :key="at" class="slide"
        ><span><span class="chip small" :style="{ background: part.colour }" /> {{ labelOf(part) }}</span
        ><input
          v-model.number="part.parts"
          type="range"
          min="0"
          max="20"
          step="0.05"
          :aria-valuetext="`${part.parts} parts`"
        /><span class="figures">{{ Number(part.parts.toFixed(2)) }}</span></label
      >
      <div class="acts">
        <v-btn size="small" variant="outlined" :disabled="!triedColour" @click="keeping = tried"
          >Keep as a mix</v-btn
        >
        <v-btn size="small" variant="text" @click="tried = undefined">Close</v-btn>
      </div>
    </div>

    <div v-if="first" class="wrong">
      <v-select
        v-model="wrong"
        class="choice"
        label="It came out"
        density="compact"
        :items="[
          { value: '', title: 'as wanted' },
          ...wrongs.map((value) => ({ value, title: wrongTable[value].word })),
        ]"
      />
      <p v-if="wrong === ''" class="small quiet">
        Wet paint looks lighter: let a dab dry before you correct it.
      </p>
      <ul v-else data-testid="fixes">
        <li v-for="(fix, at) in fixes" :key="at">
          <span class="chip small" :style="{ background: fix.colour }" aria-hidden="true" />
          Add
          <template v-for="(one, n) in fix.add" :key="n"
            ><template v-if="n > 0"> and </template
            ><strong>{{ one.drops ? dropWords(one.drops) : sayMl(one.ml) }}</strong> of
            {{ labelOf(one) }}</template
          >
          to {{ sayMl(ml) }}: {{ offWords(fix.deltaE) }}.
        </li>
        <li v-if="fixes.length === 0" class="quiet">None of these tins brings it back.</li>
      </ul>
    </div>
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

.chip {
  display: inline-block;
  width: 28px;
  height: 28px;
  border: 1px solid var(--line);
  border-radius: 2px;
}

.chip.small {
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

.pair {
  display: grid;
  grid-template-columns: 1fr 1fr;
  height: 48px;
  border: 1px solid var(--line);
}

.pair.wide {
  height: 64px;
  margin: 8px 0;
}

.parts {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}

.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}

.try,
.wrong {
  border-top: 1px solid var(--line);
  padding: 14px 0;
}

.slide {
  display: grid;
  grid-template-columns: 220px 1fr 56px;
  gap: 12px;
  align-items: center;
  min-height: 44px;
}

.slide input {
  accent-color: rgb(var(--v-theme-primary));
}

.wrong ul {
  list-style: none;
  padding: 0;
  margin-top: 8px;
}

.wrong li {
  padding: 3px 0;
}

@media (max-width: 640px) {
  .recipes li {
    grid-template-columns: 64px minmax(0, 1fr);
  }

  .recipes .acts {
    grid-column: 1 / -1;
  }

  .slide {
    grid-template-columns: 1fr 56px;
  }

  .slide input {
    grid-row: 2;
    grid-column: 1 / -1;
  }
}
</style>
