<script setup lang="ts">
import { ref, watch } from 'vue';
import { readTime } from '../moments';

/** A time of day, `HH:mm`, written as one likes and shown in 24 hours. What is no time stays as it was written. */
const time = defineModel<string>({ required: true });
defineProps<{ label: string }>();
const text = ref(time.value);
const typing = ref(false);
// While it is being written it stays as it is written.
watch(time, (next) => {
  if (!typing.value) text.value = next;
});
watch(text, (next) => (time.value = readTime(next) ?? next.trim()));

function leave(): void {
  typing.value = false;
  text.value = time.value;
}
</script>

<template>
  <v-text-field
    v-model="text"
    :label="label"
    :error="!typing && text !== '' && readTime(text) === undefined"
    autocomplete="off"
    maxlength="10"
    @focus="typing = true"
    @blur="leave"
  />
</template>
