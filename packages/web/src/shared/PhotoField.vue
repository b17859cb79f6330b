<script setup lang="ts">
import { messageOf } from '@fixatum/core';
import { mdiCameraOutline } from '@mdi/js';
import { ref } from 'vue';
import { api } from './api';
import FileDrop from './FileDrop.vue';
import { fileOf } from './inputs';

/** One photo: taken or chosen, sent to the server at once, shown small; the model is the name it is kept under. */
const photo = defineModel<string | undefined>({ required: true });
const sending = ref(false);
const problem = ref('');

const root = ref<HTMLElement>();
const chosen = (event: Event) => void take(fileOf(event));
async function take(file: File | undefined): Promise<void> {
  if (!file || sending.value) return;
  sending.value = true;
  problem.value = '';
  try {
    photo.value = (await api.addPhoto(file)).photo;
  } catch (error) {
    problem.value = messageOf(error);
  } finally {
    sending.value = false;
  }
}
</script>

<template>
  <div ref="root" class="photo">
    <a v-if="photo" :href="api.photoUrl(photo)" target="_blank"
      ><img :src="api.photoUrl(photo)" alt="The photo"
    /></a>
    <label class="take">
      <v-icon :icon="mdiCameraOutline" /> {{ sending ? 'Sending…' : photo ? 'Another photo' : 'Add a photo' }}
      <input type="file" accept="image/*" aria-label="Photo" :disabled="sending" @change="chosen" />
    </label>
    <v-btn v-if="photo" size="small" variant="text" @click="photo = undefined">Leave it out</v-btn>
    <FileDrop words="Drop the photo here" :within="root" is-part @file="take" />
    <p v-if="problem" class="small problem" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.photo {
  position: relative;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px;
}

img {
  display: block;
  max-width: 120px;
  max-height: 90px;
}

.take {
  display: inline-flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
  padding: 0 14px;
  border: 1px solid var(--line);
  cursor: pointer;
}

.take:focus-within {
  outline: 3px solid rgb(var(--v-theme-primary));
  outline-offset: 2px;
}

.take input {
  position: absolute;
  width: 1px;
  height: 1px;
  opacity: 0;
}

.problem {
  color: rgb(var(--v-theme-error));
}
</style>
