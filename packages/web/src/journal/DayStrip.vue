<script setup lang="ts">
import { sayWallTime, type JournalLine } from '@fixatum/core';
import { computed } from 'vue';
import { useMaterials } from '../shared/materials';

/** A day laid flat: what was laid and done in it, each where it was in the day, in the colour of its paint. The lines below say the same. */
const props = defineProps<{
  lines: readonly (Pick<JournalLine, 'id' | 'at' | 'materialIds' | 'text'> & { kind: string })[];
}>();
const materials = useMaterials();
const MINUTES_OF_DAY = 1440;

const minuteOf = (at: string): number => Number(at.slice(11, 13)) * 60 + Number(at.slice(14, 16));
const marks = computed(() =>
  props.lines.flatMap(({ id, at, kind, materialIds, text }) => {
    const minute = minuteOf(at);
    if (!Number.isFinite(minute) || kind === 'change' || kind === 'air') return [];
    const [material] = materialIds;
    return [
      {
        id,
        text: `${sayWallTime(at.slice(11, 16))} ${text}`,
        left: `${(100 * minute) / MINUTES_OF_DAY}%`,
        paint: material === undefined ? undefined : materials.known.get(material)?.colour,
        isFailed: kind === 'failed',
      },
    ];
  }),
);
</script>

<template>
  <div v-if="marks.length > 0" class="strip" aria-hidden="true">
    <span
      v-for="hour in [6, 12, 18]"
      :key="hour"
      class="hour small"
      :style="{ left: `${(100 * hour) / 24}%` }"
      >{{ hour }}</span
    >
    <span
      v-for="mark in marks"
      :key="mark.id"
      class="mark chip"
      :class="{ bare: !mark.paint, failed: mark.isFailed }"
      :style="{ left: mark.left, background: mark.paint }"
      :title="mark.text"
    />
  </div>
</template>

<style scoped>
.strip {
  position: relative;
  height: 34px;
  margin: 6px 0 8px;
  border-bottom: 1px solid var(--line);
}

.hour {
  position: absolute;
  bottom: 0;
  padding-left: 3px;
  line-height: 1;
  color: var(--quiet);
  border-left: 1px solid var(--line);
}

.mark {
  position: absolute;
  top: 0;
  width: 10px;
  height: 18px;
  margin-left: -5px;
  border: 1px solid rgb(var(--v-theme-on-surface));
}

/* Work that lays nothing: a bar of ink. */
.mark.bare {
  width: 4px;
  margin-left: -2px;
  background: rgb(var(--v-theme-on-surface));
}

.mark.failed::after {
  content: '×';
  position: absolute;
  top: -14px;
  left: 0;
  font-weight: 700;
  color: rgb(var(--v-theme-error));
}
</style>
