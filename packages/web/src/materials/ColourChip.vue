<script setup lang="ts">
/** The typical colour of a material, beside its name. */
defineProps<{ colour: string; small?: boolean }>();
</script>

<template>
  <span class="chip" :class="{ small }" :style="{ background: colour }" aria-hidden="true" />
</template>

<style scoped>
.chip {
  display: inline-block;
  width: 34px;
  height: 34px;
  border-radius: 3px;
  border: 1px solid var(--line);
}

.chip.small {
  width: 18px;
  height: 18px;
  vertical-align: -3px;
}
</style>
