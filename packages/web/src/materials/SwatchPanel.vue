<script setup lang="ts">
import { filmWords, sayDate, substrateNames, swatchSteps, type Swatch, sayMm } from '@fixatum/core';
import { mdiPlus } from '@mdi/js';
import { computed, ref } from 'vue';
import { api } from '../shared/api';
import { usePhotoBox } from '../shared/photoBox';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import SwatchDialog from './SwatchDialog.vue';

/** Tests on offcuts: planned ones with what to do, judged ones as one's own evidence. */
const store = useBuild();
const box = usePhotoBox();
const materials = useMaterials();
const dialog = ref(false);
const judging = ref(false);
const chosen = ref<Swatch>();

const swatches = computed(() =>
  [...(store.build?.swatches ?? [])].sort((a, b) => {
    if (!a.judgedOn || !b.judgedOn) return a.judgedOn ? 1 : b.judgedOn ? -1 : 0;
    return a.judgedOn < b.judgedOn ? 1 : -1;
  }),
);
const nameOf = (id: string) => materials.known.get(id)?.name ?? id;
const colourOf = (id: string) => materials.known.get(id)?.colour ?? '#9a9a98';

function plan(): void {
  chosen.value = undefined;
  judging.value = false;
  dialog.value = true;
}
function judge(swatch: Swatch): void {
  chosen.value = swatch;
  judging.value = true;
  dialog.value = true;
}
function change(swatch: Swatch): void {
  chosen.value = swatch;
  judging.value = false;
  dialog.value = true;
}
const remove = (swatch: Swatch) =>
  store.change(
    () =>
      api.patchBuild(
        store.theId,
        { swatches: (store.build?.swatches ?? []).filter((one) => one.id !== swatch.id) },
        store.etag,
      ),
    'Swatch deleted',
  );
</script>

<template>
  <div>
    <div class="intro">
      <p class="quiet">
        What holds on your own offcut counts for more than any table. A good swatch turns a risk of the same
        pair into a note; a failed one makes it a stop. Rules of safety stay as they are.
      </p>
      <v-btn variant="flat" color="primary" :prepend-icon="mdiPlus" @click="plan">Plan a swatch</v-btn>
    </div>
    <p v-if="swatches.length === 0" class="mt-6">
      No swatches yet. Plan one here, or from a risk beside a step with “Test it on an offcut”.
    </p>
    <ul class="list">
      <li v-for="swatch in swatches" :key="swatch.id" :data-testid="`swatch-${swatch.id}`">
        <div class="strip" aria-hidden="true">
          <span
            v-for="(coat, at) in [...swatch.coats].reverse()"
            :key="at"
            :style="{ background: colourOf(coat.material) }"
          />
          <span class="foam" />
        </div>
        <div>
          <p class="result" :class="swatch.result ?? 'planned'">
            <strong>{{
              swatch.result === 'good' ? '✓ held' : swatch.result === 'failed' ? '■ failed' : '○ to do'
            }}</strong>
            <span v-if="swatch.judgedOn" class="quiet small ml-2">{{ sayDate(swatch.judgedOn) }}</span>
          </p>
          <p>
            <template v-for="(coat, at) in [...swatch.coats].reverse()" :key="at"
              ><template v-if="at > 0"> on </template>{{ nameOf(coat.material)
              }}<span class="quiet small"> ({{ filmWords[coat.film ?? 'normal'] }})</span></template
            >
            on {{ substrateNames[swatch.substrate]
            }}<template v-if="swatch.bendRadiusMm">, bent round {{ sayMm(swatch.bendRadiusMm) }}</template>
          </p>
          <p v-if="swatch.note" class="small quiet">{{ swatch.note }}</p>
          <ol v-if="!swatch.result" class="small lines">
            <li v-for="line in swatchSteps(swatch, materials.known)" :key="line">{{ line }}</li>
          </ol>
          <div class="tools">
            <v-btn
              size="small"
              :variant="swatch.result ? 'outlined' : 'flat'"
              :color="swatch.result ? undefined : 'primary'"
              @click="judge(swatch)"
              >{{ swatch.result ? 'Change the result' : 'Log the result' }}</v-btn
            >
            <v-btn v-if="!swatch.result" size="small" variant="text" @click="change(swatch)">Change</v-btn>
            <v-btn size="small" variant="text" @click="remove(swatch)">Delete</v-btn>
          </div>
        </div>
        <a v-if="swatch.photo" :href="box.addressOf(swatch.photo)" target="_blank"
          ><img
            :src="box.addressOf(swatch.photo)"
            :alt="`Photo of the swatch, ${nameOf(swatch.coats.at(-1)!.material)}`"
        /></a>
      </li>
    </ul>
    <SwatchDialog v-model="dialog" :swatch="chosen" :judging="judging" />
  </div>
</template>

<style scoped>
.intro {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 12px 32px;
  align-items: center;
}

.intro p {
  flex: 1 1 420px;
  max-width: 760px;
}

.list {
  list-style: none;
  padding: 0;
  margin-top: 16px;
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 520px), 1fr));
  gap: 20px 36px;
}

.list > li {
  display: grid;
  grid-template-columns: 64px minmax(0, 1fr) auto;
  gap: 16px;
  padding-top: 14px;
  border-top: 1px solid var(--line);
}

.strip {
  display: flex;
  flex-direction: column;
  height: 84px;
}

.strip span {
  flex: 1;
  box-shadow: inset 0 1px 0 rgb(0 0 0 / 35%);
}

.strip .foam {
  flex: 2;
  background: #5f6163;
}

.result.good strong {
  color: rgb(var(--v-theme-success));
}

.result.failed strong {
  color: rgb(var(--v-theme-error));
}

.lines {
  padding-left: 20px;
  margin-top: 6px;
}

.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 8px;
}

img {
  max-width: 120px;
  max-height: 90px;
}
</style>
