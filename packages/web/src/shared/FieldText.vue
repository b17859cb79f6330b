<script setup lang="ts">
import { explained, type FieldWord } from '@fixatum/core';
import { computed } from 'vue';

/** Text whose words of the trade explain themselves when they are pressed. */
const props = defineProps<{
  text: string;
  /** Words that were told above already. */
  seen?: Set<FieldWord>;
}>();
const stretches = computed(() => explained(props.text, new Set(props.seen)));
</script>

<template>
  <template v-for="(stretch, at) in stretches" :key="at"
    ><v-menu v-if="stretch.word" location="bottom" max-width="320">
      <template #activator="{ props: menu }"
        ><button type="button" class="word" v-bind="menu">{{ stretch.text }}</button></template
      >
      <v-card class="pa-4"
        ><strong>{{ stretch.word.word }}</strong
        >: {{ stretch.word.means }}</v-card
      >
    </v-menu>
    <template v-else>{{ stretch.text }}</template></template
  >
</template>

<style scoped>
.word {
  display: inline;
  padding: 0;
  border: 0;
  border-bottom: 2px dotted currentColor;
  background: none;
  color: inherit;
  font: inherit;
  cursor: help;
}
</style>
