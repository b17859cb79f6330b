<script setup lang="ts">
import { sayColour } from '@fixatum/core';
import { useBuild } from './build';

/** What a colour is called in the open build, with its figures for who wants to match it. */
defineProps<{ colour: string; withFigures?: boolean }>();
const store = useBuild();
</script>

<template>
  <span :title="colour"
    >{{ sayColour(colour, store.build?.palette)
    }}<span v-if="withFigures" class="quiet figures"> {{ colour }}</span></span
  >
</template>
