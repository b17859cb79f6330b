<script setup lang="ts">
import { sayMoment, type RibbonSpan, type Spread } from '@fixatum/core';
import { computed } from 'vue';
import { percent } from './timeAxis';
import { ribbonWords } from './words';

/** A piece's strata laid flat along time: one unbroken band from bare to ready, its state told by texture and word. */
const props = withDefaults(
  defineProps<{
    spans: RibbonSpan[];
    from: number;
    until: number;
    timeZone: string;
    now?: number;
    height?: number;
    words?: boolean;
    /** When it may be ready, drawn as a soft edge. */
    spread?: Spread | undefined;
    /** Whether the spread belongs to an older plan. */
    spreadIsOld?: boolean;
  }>(),
  { now: undefined, spread: undefined, spreadIsOld: false, height: 22, words: true },
);

const shown = computed(() =>
  props.spans
    .filter((span) => span.to > props.from && span.from < props.until)
    .map((span) => {
      const from = Math.max(span.from, props.from);
      const to = Math.min(span.to, props.until);
      return {
        key: span.from,
        from,
        to,
        state: span.state,
        left: percent(from, props.from, props.until),
        width: `${(100 * (to - from)) / (props.until - props.from)}%`,
        share: (to - from) / (props.until - props.from),
        paint: span.colour ?? 'transparent',
        title: `${ribbonWords[span.state]}: ${sayMoment(span.from, props.timeZone)} to ${sayMoment(span.to, props.timeZone)}`,
        word: ribbonWords[span.state],
      };
    }),
);
/** From one time in ten to nine times in ten. */
const edge = computed(() => {
  const { spread, from, until } = props;
  if (!spread || !Number.isFinite(spread.p10)) return undefined;
  const left = Math.max(from, spread.p10);
  const right = Math.min(until, spread.p90);
  if (right <= left) return undefined;
  const when = (minute: number) =>
    Number.isFinite(minute) ? sayMoment(minute, props.timeZone) : 'later than can be told';
  return {
    left: percent(left, from, until),
    width: `${(100 * (right - left)) / (until - from)}%`,
    title: `Ready between ${when(spread.p10)} and ${when(spread.p90)}, eight times in ten${props.spreadIsOld ? '; of the plan before, being worked out anew' : ''}`,
  };
});
/** The word for a piece that is ready stands beyond the soft edge, so that nothing crosses it, where there is room. */
function wordLeft({ from, to }: { from: number; to: number }): string {
  const { spread } = props;
  const clear = spread && Number.isFinite(spread.p90) ? Math.max(from, spread.p90) : from;
  const share = Math.max(0, (clear - from) / (to - from));
  return share < 0.7 ? `calc(${100 * share}% + 4px)` : '4px';
}
const spoken = computed(() => shown.value.map((span) => span.title).join('; '));
</script>

<template>
  <div class="ribbon" role="img" :aria-label="spoken" :style="{ height: `${height}px` }">
    <div
      v-for="span in shown"
      :key="span.key"
      class="film span"
      :class="span.state"
      :style="{ left: span.left, width: span.width, '--paint': span.paint }"
      :title="span.title"
    >
      <span
        v-if="words && span.state === 'ready' && span.share > 0.06"
        class="word"
        :style="{ left: wordLeft(span) }"
        >ready</span
      >
    </div>
    <div
      v-if="edge"
      class="edge"
      :class="{ old: spreadIsOld }"
      :style="{ left: edge.left, width: edge.width }"
      :title="edge.title"
    />
    <div
      v-if="now !== undefined && now > from && now < until"
      class="now"
      :style="{ left: percent(now, from, until) }"
    />
  </div>
</template>

<style scoped>
.ribbon {
  position: relative;
  width: 100%;
}

.span {
  position: absolute;
  top: 0;
  bottom: 0;
}

.span:not(.bare) {
  box-shadow:
    inset 0 1px 0 rgb(0 0 0 / 35%),
    inset 0 -1px 0 rgb(0 0 0 / 35%);
}

.span.wet {
  border-left: 2px solid rgb(var(--v-theme-primary));
}

.word {
  position: absolute;
  inset-block: 0;
  z-index: 1;
  margin: auto 0;
  height: 1.35em;
  padding: 0 6px;
  font-size: 0.75rem;
  line-height: 1.35;
  font-weight: 600;
  color: rgb(var(--v-theme-on-surface));
  background: rgb(var(--v-theme-surface));
  border-radius: 2px;
}

.edge {
  position: absolute;
  top: -3px;
  bottom: -3px;
  border-inline: 1px dashed rgb(var(--v-theme-on-surface));
  background: repeating-linear-gradient(
    115deg,
    rgba(var(--v-theme-surface), 0.55) 0 3px,
    transparent 3px 8px
  );
}

.now {
  position: absolute;
  top: -4px;
  bottom: -4px;
  width: 2px;
  margin-left: -1px;
  background: rgb(var(--v-theme-primary));
}
.edge.old {
  opacity: 0.35;
}
</style>
