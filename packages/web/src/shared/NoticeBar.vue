<script setup lang="ts">
import { computed } from 'vue';
import { useNotice } from './notice';

/** The line at the foot of the screen that says what has just happened, with a way to take it back. */
const notice = useNotice();
/** The bar counts its time from its start, or from when that time is another one: a millisecond starts it again. */
const timeoutMs = computed(() => (notice.isProblem ? 12_000 : 7000) + (notice.count % 2));
</script>

<template>
  <v-snackbar
    v-model="notice.shown"
    :timeout="timeoutMs"
    location="bottom left"
    :color="notice.isProblem ? 'error' : 'primary'"
  >
    {{ notice.text }}
    <template #actions>
      <v-btn
        v-if="notice.action"
        variant="text"
        @click="
          notice.action.run();
          notice.shown = false;
        "
        >{{ notice.action.label }}</v-btn
      >
      <v-btn variant="text" @click="notice.shown = false">Close</v-btn>
    </template>
  </v-snackbar>
</template>
