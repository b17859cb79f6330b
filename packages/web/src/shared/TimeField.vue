<script setup lang="ts">
import { sayWallTime } from '@fixatum/core';
import { readTime } from './moments';
import { useWritten } from './written';

/** A time of day, `HH:mm`, written as one likes and shown by the clock of the device. What is no time stays as it was written. */
const time = defineModel<string>({ required: true });
defineProps<{ label: string }>();
const { text, wrong, enter, leave } = useWritten(time, { read: readTime, say: sayWallTime });
</script>

<template>
  <v-text-field
    v-model="text"
    :label="label"
    :error="wrong"
    :error-messages="wrong ? 'No time I can read. Try 19:30.' : undefined"
    :aria-invalid="wrong"
    autocomplete="off"
    maxlength="10"
    @focus="enter"
    @blur="leave"
  />
</template>
