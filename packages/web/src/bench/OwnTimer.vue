<script setup lang="ts">
import type { TimerIdea } from '@fixatum/core';
import { onMounted, reactive, useTemplateRef } from 'vue';
import type { VTextField } from 'vuetify/components';

/** A timer of one's own: what for, and how long. */
const emit = defineEmits<{ start: [idea: TimerIdea] }>();
const own = reactive({ label: '', minutes: 10 });
const first = useTemplateRef<VTextField>('first');
// Once, and not whenever it comes into view: that would take what is typed into the next field.
onMounted(() => first.value?.focus());
function start(): void {
  if (own.minutes > 0) emit('start', { label: own.label.trim() || 'Timer', minutes: Number(own.minutes) });
}
</script>

<template>
  <form class="own" @submit.prevent="start">
    <v-text-field ref="first" v-model="own.label" label="What for" maxlength="120" />
    <v-text-field v-model.number="own.minutes" label="Minutes" type="number" min="0.5" step="any" />
    <v-btn type="submit" size="large" variant="flat" color="primary">Go</v-btn>
  </form>
</template>

<style scoped>
.own {
  display: grid;
  grid-template-columns: 1fr 110px auto;
  gap: 8px;
  width: 100%;
  align-items: center;
}
</style>
