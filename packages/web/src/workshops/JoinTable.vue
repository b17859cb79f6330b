<script setup lang="ts">
import { matchedKinds, type JoinChoice, type Match } from '@fixatum/core';
import { computed } from 'vue';
import { choiceWord, kindWords } from './joinWords';

/** What becomes of each thing that a build brings into a workshop. What is there just so is only counted. */
const { matches } = defineProps<{ matches: readonly Match[] }>();
/** By `kind id`; the usual choice where nothing stands. */
const choices = defineModel<Record<string, JoinChoice>>({ required: true });

const keyOf = ({ kind, id }: Match) => `${kind} ${id}`;
const same = computed(() => matches.filter(({ how }) => how === 'same').length);
const groups = computed(() =>
  matchedKinds
    .map((kind) => ({ kind, own: matches.filter((one) => one.kind === kind && one.how !== 'same') }))
    .filter(({ own }) => own.length > 0),
);
const chosen = (match: Match): JoinChoice | undefined => choices.value[keyOf(match)] ?? match.choices[0];
const choose = (match: Match, choice: JoinChoice) =>
  (choices.value = { ...choices.value, [keyOf(match)]: choice });
const itemsOf = (match: Match) =>
  match.choices.map((choice) => ({ value: choice, title: choiceWord(match, choice) }));
</script>

<template>
  <p v-if="same > 0" class="same">
    <strong>{{ same }}</strong> {{ same === 1 ? 'thing it brings is' : 'things it brings are' }} there
    already, just so.
  </p>
  <p v-if="groups.length > 0" class="mb-1">And the rest:</p>
  <div v-for="{ kind, own } in groups" :key="kind" class="group">
    <h3>{{ kindWords[kind] }}</h3>
    <ul>
      <li v-for="match in own" :key="match.id">
        <v-select
          v-if="match.choices.length > 1"
          :model-value="chosen(match)"
          :items="itemsOf(match)"
          :label="match.name"
          density="compact"
          hide-details
          @update:model-value="choose(match, $event)"
        />
        <p v-else>
          {{ match.name }} <span class="quiet">{{ itemsOf(match)[0]?.title }}</span>
        </p>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.group {
  margin-top: 10px;
}

h3 {
  font-size: 0.95rem;
}

ul {
  list-style: none;
  padding: 0;
  margin: 0;
}

li {
  padding: 8px 0 4px;
}

p {
  overflow-wrap: anywhere;
}
</style>
