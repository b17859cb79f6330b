<script setup lang="ts">
import { sheenWords, type StackFigures, sayUm } from '@fixatum/core';

/** What all planned coats of a spot come to: film, sheen, detail lost, and the film nearest to cracking at each bend. */
defineProps<{ figures: StackFigures }>();

const marks = { holds: '✓', 'may crack': '▲', cracks: '■' } as const;
const percent = (value: number) => `${value < 10 ? value.toFixed(1) : Math.round(value)} %`;
</script>

<template>
  <dl class="figures-list figures small">
    <div>
      <dt>All films</dt>
      <dd>{{ sayUm(figures.filmUm) }} dry</dd>
    </div>
    <div v-if="figures.sheen">
      <dt>Comes out</dt>
      <dd>
        {{ sheenWords[figures.sheen.class]
        }}<template v-if="figures.sheen.gu !== undefined">, {{ figures.sheen.gu }} gloss units</template>
        <span class="quiet"> from the {{ figures.sheen.setBy }}</span>
      </dd>
    </div>
    <div v-if="figures.detailLost !== undefined">
      <dt>Finest detail</dt>
      <dd>{{ percent(figures.detailLost * 100) }} filled in</dd>
    </div>
    <div v-for="bend in figures.bends" :key="bend.spot" :class="bend.fares.replace(' ', '-')">
      <dt>{{ bend.spot }}</dt>
      <dd>
        <strong>{{ marks[bend.fares] }} {{ bend.fares }}</strong
        >: {{ bend.layer.material.name }} stretches {{ percent(bend.strainPct) }} of
        {{ percent(bend.elongationPct) }}
        <span class="meter" aria-hidden="true"
          ><span :style="{ width: `${Math.min(100, bend.share * 100)}%` }"
        /></span>
      </dd>
    </div>
  </dl>
</template>

<style scoped>
.figures-list {
  margin-top: 8px;
}

.figures-list > div {
  display: grid;
  grid-template-columns: 110px 1fr;
  gap: 10px;
  padding: 3px 0;
}

dt {
  color: var(--quiet);
}

/* A quarter and a half of what the film stands are marked on the bar. */
.meter {
  display: block;
  height: 6px;
  margin-top: 3px;
  border: 1px solid var(--line);
  background-image: linear-gradient(
    to right,
    transparent 25%,
    var(--quiet) 25%,
    var(--quiet) calc(25% + 1px),
    transparent calc(25% + 1px),
    transparent 50%,
    var(--quiet) 50%,
    var(--quiet) calc(50% + 1px),
    transparent calc(50% + 1px)
  );
}

.meter span {
  display: block;
  height: 100%;
  background: currentcolor;
  opacity: 0.75;
}

.holds strong {
  color: rgb(var(--v-theme-success));
}

.may-crack strong {
  color: rgb(var(--v-theme-warning));
}

.cracks strong {
  color: rgb(var(--v-theme-error));
}
</style>
