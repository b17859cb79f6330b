<script setup lang="ts">
import { readTime } from './moments';
import { useWritten } from './written';

/** A time of day, `HH:mm`, written as one likes and shown in 24 hours. What is no time stays as it was written. */
const time = defineModel<string>({ required: true });
defineProps<{ label: string }>();
const { text, wrong, enter, leave } = useWritten(time, { read: readTime, say: (value) => value });
</script>

<template>
  <v-text-field
    v-model="text"
    :label="label"
    :error="wrong"
    autocomplete="off"
    maxlength="10"
    @focus="enter"
    @blur="leave"
  />
</template>
