<script setup lang="ts">
import { boughtAsOne, passNeeds, sayMl, type Material, type Piece } from '@fixatum/core';
import { computed } from 'vue';
import ColourName from '../shared/ColourName.vue';
import { useBuild } from '../shared/build';

/** What all steps of a piece take of each material, done or not. */
const { piece } = defineProps<{ piece: Piece }>();
const store = useBuild();
const amounts = computed(() => {
  if (!store.build || !store.view) return [];
  const passes = store.view.operations.filter(({ status }) => status !== 'skipped');
  const sums: { material: Material; colour: string | undefined; ml: number }[] = [];
  for (const { pieceId, material, colour, ml } of passNeeds(store.build, passes).values()) {
    if (pieceId !== piece.id) continue;
    const known = sums.find(
      (one) => one.material.id === material.id && boughtAsOne(material, one.colour, colour),
    );
    if (known) known.ml += ml;
    else sums.push({ material, colour, ml });
  }
  return sums.sort((a, b) => b.ml - a.ml);
});
</script>

<template>
  <details v-if="amounts.length > 0" class="amounts small">
    <summary>What the whole piece takes</summary>
    <ul>
      <li v-for="one in amounts" :key="`${one.material.id} ${one.colour}`" class="figures">
        {{ sayMl(one.ml) }} {{ one.material.name }}
        <span v-if="one.colour" class="quiet"
          ><ColourName :colour="one.colour" :material="one.material"
        /></span>
      </li>
    </ul>
  </details>
</template>

<style scoped>
.amounts {
  margin-top: 16px;
}

summary {
  cursor: pointer;
  min-height: 32px;
}

ul {
  padding-left: 18px;
  margin: 4px 0 0;
}
</style>
