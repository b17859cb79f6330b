<script setup lang="ts">
import { useNotice } from './notice';

/** The line at the foot of the screen that says what has just happened, with a way to take it back. */
const notice = useNotice();
</script>

<template>
  <v-snackbar
    v-model="notice.shown"
    :timeout="notice.isProblem ? 12000 : 7000"
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
