<script setup lang="ts">
/** The foot of a dialog: the one button that does it, and the way out. With `form` it sends that form. */
const open = defineModel<boolean>({ required: true });
defineProps<{ form?: string; saving?: boolean; disabled?: boolean; large?: boolean; words: string }>();
defineEmits<{ done: [] }>();
</script>

<template>
  <div class="actions">
    <v-btn
      :type="form ? 'submit' : 'button'"
      :form="form"
      :size="large ? 'large' : 'default'"
      variant="flat"
      color="primary"
      :disabled="disabled"
      :loading="saving"
      @click="$emit('done')"
      >{{ words }}</v-btn
    >
    <v-btn :size="large ? 'large' : 'default'" variant="text" @click="open = false">Not now</v-btn>
    <slot />
  </div>
</template>
