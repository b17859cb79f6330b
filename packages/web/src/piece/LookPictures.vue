<script setup lang="ts">
import type { Look, Step, Piece } from '@fixatum/core';
import { computed, ref } from 'vue';
import FinishThumb from '../shared/FinishThumb.vue';

/** Looks to choose from by what this piece would look like in each: the first few at once, the rest when they are asked for. */
const props = defineProps<{
  piece: Piece;
  looks: readonly Look[];
  /** The steps that a look would write for the piece. */
  stepsIn: (look: Look) => Step[];
}>();
defineEmits<{ pick: [look: Look] }>();

const AT_ONCE = 8;
const count = ref(AT_ONCE);
const shown = computed(() =>
  props.looks
    .slice(0, count.value)
    .map((look) => ({ look, piece: { ...props.piece, steps: props.stepsIn(look) } })),
);
</script>

<template>
  <section aria-label="Looks as pictures">
    <p class="mb-2"><strong>How shall it look?</strong> Each is painted on this piece, coat by coat.</p>
    <ul class="looks">
      <li v-for="one in shown" :key="one.look.id">
        <button type="button" @click="$emit('pick', one.look)">
          <FinishThumb :piece="one.piece" :px="112" label="" />
          <span>{{ one.look.name }}</span>
        </button>
      </li>
    </ul>
    <v-btn v-if="count < looks.length" class="mt-3" @click="count += AT_ONCE"
      >More looks, {{ looks.length - count }}</v-btn
    >
  </section>
</template>

<style scoped>
.looks {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(128px, 1fr));
  gap: 12px;
  padding: 0;
  list-style: none;
}

button {
  display: flex;
  flex-direction: column;
  gap: 6px;
  width: 100%;
  padding: 8px;
  text-align: left;
  line-height: 1.25;
  border: 1px solid var(--line);
  border-radius: 3px;
}

button:hover {
  border-color: rgb(var(--v-theme-primary));
}
</style>
