<script setup lang="ts">
import { messageOf } from '@fixatum/core';
import { mdiCameraOutline } from '@mdi/js';
import { ref } from 'vue';
import { api } from './api';
import FileDrop from './FileDrop.vue';
import { fileOf } from './inputs';
import { useOutbox } from './outbox';
import { usePhotoBox } from './photoBox';
import { sizedDown } from './sizedDown';

/**
 * One photo: taken or chosen, kept on this machine and sent as soon as somebody answers, shown small; the model is the name it is
 * kept under.
 */
const photo = defineModel<string | undefined>({ required: true });
const box = usePhotoBox();
const outbox = useOutbox();
const sending = ref(false);
const problem = ref('');

const root = ref<HTMLElement>();
const chosen = (event: Event) => void take(fileOf(event));
async function take(file: File | undefined): Promise<void> {
  if (!file || sending.value) return;
  sending.value = true;
  problem.value = '';
  try {
    const small = await sizedDown(file).catch(() => undefined);
    // What this browser can't read the server may be able to; whether it is a photo has to be known before it is logged.
    photo.value = small ? await box.put(small) : (await api.addPhoto(file)).photo;
    void outbox.flush();
  } catch (error) {
    problem.value = messageOf(error);
  } finally {
    sending.value = false;
  }
}

function leaveOut(): void {
  if (photo.value !== undefined) void box.drop(photo.value);
  photo.value = undefined;
}
</script>

<template>
  <div ref="root" class="photo">
    <a v-if="photo" :href="box.addressOf(photo)" target="_blank"
      ><img :src="box.addressOf(photo)" alt="The photo"
    /></a>
    <label class="take">
      <v-icon :icon="mdiCameraOutline" />
      {{ sending ? 'One moment…' : photo ? 'Another photo' : 'Add a photo' }}
      <input type="file" accept="image/*" aria-label="Photo" :disabled="sending" @change="chosen" />
    </label>
    <v-btn v-if="photo" size="small" variant="text" @click="leaveOut">Leave it out</v-btn>
    <FileDrop words="Drop the photo here" :within="root" is-part @files="([file]) => take(file)" />
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
