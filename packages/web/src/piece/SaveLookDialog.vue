<script setup lang="ts">
import { idFromName, lookFromPiece, recipeOf, type Look, type Piece } from '@fixatum/core';
import { computed, ref, watch } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import PhotoField from '../shared/PhotoField.vue';
import { usePhotoBox } from '../shared/photoBox';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import { namesIn } from '../shared/formValues';
import { lookFileText } from '../shared/lookFiles';
import { useLooks } from '../shared/looks';
import { useNotice } from '../shared/notice';
import { saveFile } from '../shared/saveFile';
import { vFocusFirst } from '../shared/focusFirst';

/** Keeps the whole finish of a piece as a look, here or in a file: as it is planned, or as it was really laid. */
const MOST_PICTURES = 6;
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ piece: Piece }>();
const store = useBuild();
const box = usePhotoBox();
const materials = useMaterials();
const looks = useLooks();
const notice = useNotice();
const lookName = ref('');
const tags = ref('');
const note = ref('');
const asLaid = ref(false);
const pictures = ref<string[]>([]);
const isSaving = ref(false);

/** What was logged for this piece; its photos are offered first. */
const logged = computed(() => (store.build?.log ?? []).filter((entry) => entry.piece === props.piece.id));
const last = computed(() => logged.value.findLast(({ photo }) => photo)?.photo);

watch(open, (isOpen) => {
  if (!isOpen) return;
  void looks.load();
  lookName.value = '';
  tags.value = '';
  note.value = '';
  asLaid.value = false;
  pictures.value = last.value ? [last.value] : [];
});

const added = computed({
  get: () => undefined,
  set: (name: string | undefined) => {
    if (name) pictures.value = [...pictures.value, name];
  },
});

function lookOf(name: string): Look {
  const taken = looks.all.map((one) => one.id);
  const recipe = recipeOf(
    props.piece,
    asLaid.value ? { log: store.theBuild.log ?? [], materials: materials.known } : undefined,
  );
  return {
    ...lookFromPiece(props.piece, name, idFromName(name, taken), undefined, recipe),
    tags: namesIn(tags.value),
    ...(note.value.trim() === '' ? {} : { note: note.value.trim() }),
    pictures: pictures.value,
  };
}

async function saveLook(download: boolean): Promise<void> {
  const name = lookName.value.trim();
  if (name === '') return;
  isSaving.value = true;
  try {
    const look = lookOf(name);
    if (download) saveFile(`${look.id}.fixatum-look.json`, await lookFileText(look), 'application/json');
    else if (!(await looks.save(look))) return;
    open.value = false;
    notice.say(download ? `Saved to a file: ${name}` : `Saved as a look: ${name}`);
  } catch (error) {
    notice.complain(error);
  } finally {
    isSaving.value = false;
  }
}
</script>

<template>
  <AppDialog v-model="open" asks max-width="560" scrollable>
    <v-card class="pa-6">
      <h2>Save the plan of {{ piece.name }} as a look</h2>
      <p class="small quiet mb-3">
        All of it is kept: zones, coats, tape, tools, waits and notes. On another piece it is fitted to that
        one.
      </p>
      <div class="fields">
        <v-text-field v-model="lookName" v-focus-first label="What is the look called?" maxlength="120" />
        <v-text-field
          v-model="tags"
          label="Tags, parted by commas"
          placeholder="metal, warm"
          maxlength="200"
        />
        <v-textarea v-model="note" label="Note" rows="2" auto-grow maxlength="2000" />
        <v-checkbox
          v-if="logged.length > 0"
          v-model="asLaid"
          label="As it was really laid, by the log, in place of what was planned"
        />
        <div v-if="pictures.length > 0" class="pictures">
          <figure v-for="(picture, at) in pictures" :key="picture">
            <img :src="box.addressOf(picture)" :alt="`Picture ${at + 1}`" />
            <v-btn size="small" variant="text" @click="pictures = pictures.filter((one) => one !== picture)"
              >Leave it out</v-btn
            >
          </figure>
        </div>
        <PhotoField v-if="pictures.length < MOST_PICTURES" v-model="added" />
      </div>
      <div class="d-flex flex-wrap ga-3 mt-4">
        <v-btn
          variant="flat"
          color="primary"
          :disabled="lookName.trim() === ''"
          :loading="isSaving"
          @click="saveLook(false)"
          >Keep it here</v-btn
        >
        <v-btn :disabled="lookName.trim() === '' || isSaving" @click="saveLook(true)">Save to a file</v-btn>
        <v-btn variant="text" @click="open = false">Not now</v-btn>
      </div>
    </v-card>
  </AppDialog>
</template>

<style scoped>
.fields {
  display: flex;
  flex-direction: column;
  gap: 12px;
}

.pictures {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}

figure {
  margin: 0;
  display: grid;
  justify-items: center;
}

img {
  max-width: 120px;
  max-height: 90px;
}
</style>
