<script setup lang="ts">
import type { Drawing } from '@fixatum/core';

/** A small drawing of how a tool is held or moved, in the colour of the text round it. */
defineProps<{ drawing: Drawing }>();
const words: Record<Drawing, string> = {
  spray: 'A can a hand and a half away, moving past both ends of the piece, each pass half over the last',
  crosswise: 'The second coat brushed across the first',
  tape: 'Tape pressed into the groove with a soft edge',
  pull: 'Tape pulled back on itself at a low angle',
  wash: 'Thin paint in the recess, wiped from the middle of the plate towards it',
  'dry-brush': 'A nearly dry brush whisked across the edges',
  sponge: 'A sponge set straight down and turned between dabs',
  airbrush: 'A fine mist into the recess, then a wider one over it from further off',
  heat: 'Hot air moving in strips that overlap',
  pour: 'Two parts measured, stirred in one cup and again in a second',
  chip: 'Colour wiped off at the edge where resist lies below',
  fill: 'Filler worked in across the seam and drawn off along it',
};
</script>

<template>
  <svg viewBox="0 0 220 110" role="img" :aria-label="words[drawing]" class="drawing">
    <g fill="none" stroke="currentColor" stroke-width="2" stroke-linecap="round" stroke-linejoin="round">
      <template v-if="drawing === 'spray'">
        <rect x="34" y="8" width="18" height="34" rx="3" />
        <path d="M38 8v-5h10v5" />
        <path d="M56 12l70 40M56 12l70 58M56 12l70 76" stroke-dasharray="1 6" />
        <path d="M132 30v70" stroke-width="6" />
        <path
          d="M160 24h44M204 24l-7-5M204 24l-7 5M204 48h-44M160 48l7-5M160 48l7 5M160 72h44M204 72l-7-5M204 72l-7 5"
        />
        <path d="M62 98h58M62 98l6-4M62 98l6 4M120 98l-6-4M120 98l-6 4" />
      </template>
      <template v-else-if="drawing === 'crosswise'">
        <rect x="16" y="14" width="80" height="80" rx="4" />
        <path d="M24 26h64M24 42h64M24 58h64M24 74h64" />
        <path d="M106 54h10M116 54l-5-4M116 54l-5 4" />
        <rect x="126" y="14" width="80" height="80" rx="4" />
        <path d="M140 22v64M158 22v64M176 22v64M194 22v64" />
      </template>
      <template v-else-if="drawing === 'tape'">
        <path d="M10 84h90l10 12 10-12h90" />
        <path d="M14 76h88l7 9" stroke-width="6" opacity=".55" />
        <path d="M110 80l46-60M156 20l14 10-46 56z" />
        <path d="M60 60v-18M60 60l-5-6M60 60l5-6" />
      </template>
      <template v-else-if="drawing === 'pull'">
        <path d="M10 88h200" />
        <path d="M10 82h90c24 0 24-12 2-14l-58-12" stroke-width="5" opacity=".55" />
        <path d="M38 54h-22M16 54l7-5M16 54l7 5" />
        <path d="M104 82h100" stroke-width="4" />
      </template>
      <template v-else-if="drawing === 'wash'">
        <path d="M10 60h70l16 26h28l16-26h70" />
        <path d="M92 74h36M96 80h28" stroke-width="4" opacity=".6" />
        <path d="M20 40h56M76 40l-7-5M76 40l-7 5M200 40h-56M144 40l7-5M144 40l7 5" />
      </template>
      <template v-else-if="drawing === 'dry-brush'">
        <path d="M20 92l24-34h20l24 34M96 92l24-34h20l24 34" />
        <path d="M42 58h24M118 58h24" stroke-width="6" opacity=".6" />
        <path d="M190 14l-36 22 10 14 34-24z" />
        <path d="M154 36l-10 12M158 42l-10 12M163 48l-9 12" />
        <path d="M30 30h84M114 30l-7-5M114 30l-7 5" />
      </template>
      <template v-else-if="drawing === 'sponge'">
        <path d="M30 20c10-10 30-8 44-4s26-2 30 8-4 18-14 20-26 4-40 2-28-14-20-26z" />
        <path d="M44 30h1M60 26h1M74 34h1M88 28h1M54 38h1" stroke-width="4" />
        <path d="M66 52v22M66 74l-6-7M66 74l6-7" />
        <path d="M20 92h92" />
        <path d="M140 30a26 26 0 1 1-2 34M138 64l0-12M138 64l12-2" />
      </template>
      <template v-else-if="drawing === 'airbrush'">
        <path d="M10 30l44 10 8 6M26 22v12" />
        <path d="M64 48l26 24M64 48l18 30" stroke-dasharray="1 5" />
        <path d="M10 78h60l12 16h22l12-16h94" />
        <path d="M150 14l20 6 4 4M174 24l-50 46M174 24l6 50M174 24l-20 52" stroke-dasharray="1 6" />
      </template>
      <template v-else-if="drawing === 'heat'">
        <path d="M14 16h44l10 8-10 8H14zM26 32v18" />
        <path d="M76 24c8-6 14 6 22 0M76 34c8-6 14 6 22 0" />
        <path d="M16 92h188" stroke-width="6" opacity=".55" />
        <path
          d="M30 76h54M84 76l-7-5M84 76l-7 5M72 66h54M126 66l-7-5M126 66l-7 5M114 76h54M168 76l-7-5M168 76l-7 5"
        />
      </template>
      <template v-else-if="drawing === 'pour'">
        <path d="M20 40l6 50h34l6-50M120 40l6 50h34l6-50" />
        <path d="M23 66h40M123 62h40" />
        <path d="M43 20v50M37 12h12M76 52c18-20 28-20 40-4M116 48l-2-10M116 48l-10 0" />
        <path d="M143 16v46M137 8h12" />
      </template>
      <template v-else-if="drawing === 'chip'">
        <path d="M10 92h200" stroke-width="5" />
        <path d="M10 80h60c6 0 6-6 10-6h40c6 0 8 6 14 6h76" stroke-width="4" opacity=".55" />
        <path d="M82 66l6-8 8 6 8-10 6 8 8-4" />
        <path d="M176 18l-42 34M134 52l-12 4 6-12" />
      </template>
      <template v-else>
        <path d="M10 80h90l8 14 8-14h94" />
        <path d="M102 84h12" stroke-width="6" opacity=".6" />
        <path d="M92 34l34 26M126 60l-9-1M126 60l-3-8M124 34l-34 26M90 60l9-1M90 60l3-8" />
        <path d="M150 66h48M198 66l-7-5M198 66l-7 5" />
      </template>
    </g>
  </svg>
</template>

<style scoped>
.drawing {
  width: 220px;
  max-width: 100%;
  height: auto;
}
</style>
