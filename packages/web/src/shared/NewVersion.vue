<script setup lang="ts">
import { useNewVersion } from './newVersion';

/** Says that the server has a new version of the app. It is part of what every page begins with: a part of its own might be gone. */
const version = useNewVersion();
</script>

<template>
  <p v-if="version.isThere" class="new" role="status">
    A new version of the program is here. What you pressed is saved.
    <v-btn size="small" variant="flat" color="primary" @click="version.load()">Load it</v-btn>
  </p>
</template>

<style scoped>
.new {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
  padding: 10px 24px;
  border-bottom: 1px solid var(--line);
  background: rgb(var(--v-theme-surface));
}
</style>
