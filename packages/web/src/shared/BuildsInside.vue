<script setup lang="ts">
/** What is in a copy of the workshop or of a build: the builds, and how many photos. */
defineProps<{ builds: { name: string; pieces: number; logged: number }[]; photos: number }>();
</script>

<template>
  <ul class="inside">
    <li v-for="build in builds" :key="build.name">
      <strong>{{ build.name }}</strong>: {{ build.pieces }}
      {{ build.pieces === 1 ? 'kind of piece' : 'kinds of piece' }}, {{ build.logged }} log
      {{ build.logged === 1 ? 'entry' : 'entries' }}
    </li>
  </ul>
  <p>{{ photos === 0 ? 'No photos' : `${photos} ${photos === 1 ? 'photo' : 'photos'}` }}<slot />.</p>
</template>

<style scoped>
.inside {
  list-style: none;
  padding: 0;
  margin: 12px 0 4px;
}
</style>
