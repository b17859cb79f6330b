<script setup lang="ts">
import {
  cameOutAs,
  corrections,
  mixedStrength,
  sayMl,
  wrongs,
  wrongTable,
  type Ingredient,
  type MixRecipe,
  type Wrong,
} from '@fixatum/core';
import { computed, ref } from 'vue';
import { dropWords } from './mixAmounts';
import { offWords } from './roles';

/** What brings a mix back that did not come out as wanted. */
const props = defineProps<{
  /** What was wanted. */
  colour: string;
  /** How much of it there is. */
  ml: number;
  /** What it was mixed by. */
  recipe: MixRecipe;
  /** What can be stirred in. */
  tins: readonly Ingredient[];
  labelOf: (part: Ingredient) => string;
}>();
const wrong = ref<Wrong | ''>('');
const fixes = computed(() =>
  wrong.value === ''
    ? []
    : corrections(
        props.colour,
        cameOutAs(props.colour, wrong.value),
        { ml: props.ml, strength: mixedStrength(props.recipe.parts) },
        props.tins,
      ),
);
</script>

<template>
  <div class="wrong">
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
</template>

<style scoped>
.wrong {
  border-top: 1px solid var(--line);
  padding: 14px 0;
}

.wrong .choice {
  max-width: 260px;
}

.wrong ul {
  list-style: none;
  padding: 0;
  margin-top: 8px;
}

.wrong li {
  padding: 3px 0;
}
</style>
