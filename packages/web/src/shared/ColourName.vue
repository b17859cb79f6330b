<script setup lang="ts">
import { has, sayColour, type Material } from '@fixatum/core';
import { useBuild } from './build';

/** What a colour of a material is called in the open build, with its figures for who wants to match it. */
defineProps<{ colour: string; material?: Material | undefined; withFigures?: boolean }>();
const store = useBuild();
</script>

<template>
  <span :title="colour"
    >{{ sayColour(colour, { palette: store.build?.palette, isMetal: has(material, 'metallic') })
    }}<span v-if="withFigures" class="quiet figures ms-1">{{ colour }}</span></span
  >
</template>
