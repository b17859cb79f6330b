<script setup lang="ts">
import { cardsWith, glossary } from '@fixatum/core';
import { computed, ref } from 'vue';
import HowToCard from '../shared/HowToCard.vue';

/** Every technique in the order of work, and the words of the trade; to be read on its own, and searched. */
const search = ref('');
const cards = computed(() => cardsWith(search.value));
const words = computed(() => {
  const wanted = search.value.trim().toLowerCase();
  return [...glossary]
    .filter(({ word, means }) => `${word} ${means}`.toLowerCase().includes(wanted))
    .sort((a, b) => a.word.localeCompare(b.word));
});
</script>

<template>
  <div class="page">
    <div class="head">
      <h1>Techniques</h1>
      <v-text-field
        v-model="search"
        label="Search: tape, runs, brush marks…"
        clearable
        class="search"
        @click:clear="search = ''"
      />
    </div>
    <p class="quiet mb-4" role="status">
      {{ cards.length }} {{ cards.length === 1 ? 'card' : 'cards' }}, in the order of work. The label, the
      safety data sheet and local rules come before anything here.
    </p>
    <div class="columns">
      <div class="cards">
        <HowToCard v-for="card in cards" :key="card.id" :card="card" :level="2" />
        <p v-if="cards.length === 0" class="quiet">No card has all of these words.</p>
      </div>
      <section class="words" aria-label="Words">
        <h2>Words</h2>
        <dl>
          <template v-for="one in words" :key="one.word">
            <dt>{{ one.word }}</dt>
            <dd>{{ one.means }}</dd>
          </template>
        </dl>
        <p v-if="words.length === 0" class="quiet">None of these.</p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 32px;
  align-items: center;
  margin-bottom: 12px;
}

.search {
  flex: 0 1 380px;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 2.4fr) minmax(240px, 1fr);
  gap: 48px;
}

.cards > * {
  padding: 20px 0;
  border-top: 1px solid var(--line);
}

dt {
  font-weight: 600;
  margin-top: 12px;
}

dd {
  margin: 0;
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
