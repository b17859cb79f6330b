<script setup lang="ts">
import type { Finding, Severity, WayOut } from '@fixatum/core';
import { ref } from 'vue';

/** One finding, beside the step it concerns: what, why on demand, and ways out to press. */
defineProps<{ finding: Finding }>();
defineEmits<{ apply: [way: WayOut] }>();
const why = ref(false);
const marks: Record<Severity, string> = { stop: '■ Stop', risk: '▲ Risk', note: '● Note' };
</script>

<template>
  <div class="finding" :class="finding.severity" :data-testid="`finding-${finding.rule}`">
    <p>
      <strong>{{ marks[finding.severity] }}</strong> {{ finding.message }}
      <button class="why" :aria-expanded="why" @click="why = !why">{{ why ? 'Less' : 'Why?' }}</button>
    </p>
    <p v-if="why" class="quiet mt-1">
      {{ finding.reason }} <span class="small">({{ finding.rule }})</span>
    </p>
    <div v-if="finding.waysOut.length > 0" class="ways">
      <v-btn v-for="way in finding.waysOut" :key="way.label" size="small" @click="$emit('apply', way)">{{
        way.label
      }}</v-btn>
    </div>
  </div>
</template>

<style scoped>
.finding {
  margin-top: 8px;
  padding: 8px 12px;
  background: rgb(var(--v-theme-surface));
  border-left: 4px solid currentcolor;
  font-size: 0.92rem;
}

.finding p {
  color: rgb(var(--v-theme-on-surface));
}

.stop {
  border-left-color: rgb(var(--v-theme-error));
}

.risk {
  border-left-color: rgb(var(--v-theme-warning));
}

.note {
  border-left-color: rgb(var(--v-theme-secondary));
}

.why {
  text-decoration: underline;
  padding: 0 4px;
}

.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 8px;
}

.ways .v-btn {
  white-space: normal;
  height: auto;
  min-height: 32px;
  padding-block: 4px;
}
</style>
