<script setup lang="ts">
import { sayDate, type PairVerdict } from '@fixatum/core';
import FieldText from '../shared/FieldText.vue';
import { verdictMarks } from './pairMarks';

/** Why one material over another comes out as it does, with what would help and what own tests say. */
defineProps<{ under: string; over: string; verdict: PairVerdict }>();
</script>

<template>
  <section class="why" aria-live="polite">
    <h3>{{ over }} over {{ under }}</h3>
    <p v-if="verdict.findings.length === 0">
      Nothing stands against it in this state. A swatch on an offcut is still the best proof.
    </p>
    <div v-for="finding in verdict.findings" :key="finding.rule" class="mt-2">
      <p>
        <strong>{{ verdictMarks[finding.severity] }}</strong> <FieldText :text="finding.message" />
      </p>
      <p v-if="finding.evidence" class="small">
        Your own test, {{ sayDate(finding.evidence.judgedOn) }}:
        {{ finding.evidence.result === 'good' ? 'it held' : 'it failed' }}.
      </p>
      <p class="quiet small"><FieldText :text="finding.reason" /> ({{ finding.rule }})</p>
      <p v-if="finding.ideas.length > 0" class="small">
        Would help: {{ finding.ideas.map((idea) => idea.label).join('; ') }}.
      </p>
    </div>
  </section>
</template>

<style scoped>
.why {
  margin-top: 16px;
  padding: 12px 16px;
  background: rgb(var(--v-theme-surface));
  border-left: 4px solid rgb(var(--v-theme-primary));
}
</style>
