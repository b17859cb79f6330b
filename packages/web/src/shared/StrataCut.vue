<script setup lang="ts">
import {
  drynessAt,
  drynessWords,
  placementWords,
  substrateNames,
  type Piece,
  type StrataCoat,
  sayMm,
  sayUm,
} from '@fixatum/core';
import { computed } from 'vue';
import { patchesOf } from './patches';

/**
 * A cut through a piece: foam at the bottom, films above it to scale with each other, in their colours, with the state
 * of each as a texture and a word. Coats not laid yet are shown faint, on top. What lies only in places is drawn as patches,
 * and what comes over it sinks in between.
 */
const props = withDefaults(
  defineProps<{
    coats: StrataCoat[];
    substrate: Piece['substrate'];
    now: number;
    height?: number;
    labels?: boolean;
    planned?: boolean;
  }>(),
  { height: 240, labels: true, planned: true },
);

/** Thin films would vanish, and a label needs a line: every run of coats gets this much before the rest is shared out. */
const leastPx = computed(() => (props.labels ? 21 : 3));
const foamPx = computed(() => (props.labels ? 52 : Math.round(props.height * 0.35)));

const layers = computed(() =>
  props.coats
    .filter((coat) => props.planned || coat.real)
    .map((coat) => {
      const state = coat.real ? drynessAt(coat.milestones, props.now) : undefined;
      return {
        ...coat,
        state,
        word: state ? drynessWords[state] : 'planned',
        patches: patchesOf(coat.placement, coat.share),
        where: whereWords(coat),
      };
    }),
);

/** "recesses", "60 % of it"; nothing for a coat all over. */
function whereWords({ placement, share }: StrataCoat): string {
  if (share >= 0.995) return '';
  return placement === 'all' ? `${Math.round(share * 100)} % of it` : placementWords[placement];
}

/** Neighbouring coats of one material in one state are labelled together; bottom first. */
const runs = computed(() => {
  const list: {
    key: string;
    px: number;
    name: string;
    word: string;
    um: number;
    where: string;
    layers: typeof layers.value;
  }[] = [];
  for (const layer of layers.value) {
    const last = list[list.length - 1];
    if (last && last.name === layer.name && last.word === layer.word && last.where === layer.where) {
      last.layers.push(layer);
      last.um += layer.dftUm;
    } else
      list.push({
        key: layer.operationId,
        px: 0,
        name: layer.name,
        word: layer.word,
        um: layer.dftUm,
        where: layer.where,
        layers: [layer],
      });
  }
  const totalUm = list.reduce((sum, run) => sum + run.um, 0);
  const room = Math.max(10, props.height - foamPx.value - leastPx.value * list.length);
  // What lies over a broken film fills its gaps.
  const overOf = (at: number) => list[at + 1]?.layers[0]?.colour ?? 'transparent';
  return list.map((run, at) => ({
    ...run,
    over: overOf(at),
    px: leastPx.value + (totalUm > 0 ? (room * run.um) / totalUm : 0),
  }));
});
const spoken = computed(
  () =>
    `${substrateNames[props.substrate.kind]} ${sayMm(props.substrate.thicknessMm)}; ` +
    runs.value
      .map((run) =>
        [`${run.name}${run.layers.length > 1 ? ` times ${run.layers.length}` : ''}`, run.where, run.word]
          .filter(Boolean)
          .join(', '),
      )
      .join('; '),
);
</script>

<template>
  <div class="cut" :class="{ labelled: labels }" role="img" :aria-label="spoken">
    <div v-for="run in [...runs].reverse()" :key="run.key" class="run" :style="{ height: `${run.px}px` }">
      <div class="films">
        <div
          v-for="(layer, depth) in [...run.layers].reverse()"
          :key="layer.operationId"
          class="layer"
          :class="{ broken: layer.where }"
          :style="{ flex: layer.dftUm, '--over': run.over }"
          :title="`${layer.name}: ${[layer.where, layer.word].filter(Boolean).join(', ')}, ${sayUm(layer.dftUm)} dry, shows as ${layer.seen}`"
        >
          <div
            v-for="patch in layer.patches"
            :key="patch.from"
            class="film patch"
            :class="[
              layer.state ?? 'planned',
              {
                glossy: (layer.sheenGu ?? 0) > 40,
                rounded: layer.where && depth === 0,
                shows: depth === 0 && layer.seen !== layer.colour,
              },
            ]"
            :style="{
              left: `${patch.from * 100}%`,
              width: `${patch.width * 100}%`,
              '--paint': layer.colour,
              '--seen': layer.seen,
            }"
          />
        </div>
      </div>
      <div v-if="labels" class="label">
        <span class="tick" />
        <span class="text" :title="run.name"
          >{{ run.name }}<template v-if="run.layers.length > 1"> ×{{ run.layers.length }}</template></span
        >
        <span class="quiet">{{ [run.where, run.word].filter(Boolean).join(', ') }}</span>
        <span class="quiet figures um">{{ sayUm(run.um) }}</span>
      </div>
    </div>
    <div class="run" :style="{ height: `${foamPx}px` }">
      <div class="foam" />
      <div v-if="labels" class="label">
        <span class="tick" />
        <span class="text">{{ substrateNames[substrate.kind] }}</span>
        <span class="quiet figures um">{{ sayMm(substrate.thicknessMm) }}</span>
      </div>
    </div>
  </div>
</template>

<style scoped>
.cut {
  display: flex;
  flex-direction: column;
  justify-content: flex-end;
}

.run {
  display: grid;
  grid-template-columns: 1fr;
}

.labelled .run {
  grid-template-columns: minmax(60px, 24%) minmax(0, 1fr);
}

.films {
  display: flex;
  flex-direction: column;
  min-height: 0;
}

.layer {
  position: relative;
  min-height: 1px;
  overflow: hidden;
}

.layer.broken {
  background: var(--over);
}

.patch {
  position: absolute;
  inset-block: 0;
  box-shadow: inset 0 1px 0 rgb(0 0 0 / 35%);
}

/* What is seen of it from above, where what is below shines through. */
.patch.shows:not(.planned) {
  border-top: 3px solid var(--seen);
}

.patch.rounded {
  border-radius: 5px 5px 0 0;
}

.patch.glossy:not(.planned) {
  border-top: 2px solid rgb(255 255 255 / 70%);
}

/* Foam: closed cells, with a torn edge below that says the cut goes on. */
.foam {
  background-color: #5f6163;
  background-image:
    radial-gradient(circle at 5px 6px, #77797b 2.6px, transparent 3px),
    radial-gradient(circle at 14px 13px, #4c4e50 3.2px, transparent 3.6px),
    radial-gradient(circle at 10px 20px, #727476 2px, transparent 2.4px);
  background-size: 20px 22px;
  background-repeat: repeat;
  clip-path: polygon(
    0 0,
    100% 0,
    100% 92%,
    92% 100%,
    84% 90%,
    75% 100%,
    66% 91%,
    58% 100%,
    50% 90%,
    41% 100%,
    33% 91%,
    25% 100%,
    16% 90%,
    8% 100%,
    0 92%
  );
}

.label {
  display: flex;
  align-items: center;
  gap: 8px;
  min-width: 0;
  font-size: 0.875rem;
  line-height: 1.2;
}

.tick {
  flex: none;
  width: 14px;
  border-top: 1px solid rgb(var(--v-theme-secondary));
}

.text {
  min-width: 0;
  flex: 1;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.label > :not(.text) {
  flex: none;
}

.um {
  width: 4em;
  text-align: right;
}
</style>
