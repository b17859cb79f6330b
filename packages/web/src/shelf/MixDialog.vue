<script setup lang="ts">
import { canBeMixed, partsOf, sayMl, type Fault, type Mix } from '@fixatum/core';
import { mdiPlus } from '@mdi/js';
import { nanoid } from 'nanoid';
import { computed, reactive, ref } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import ColourField from '../shared/ColourField.vue';
import DialogFoot from '../shared/DialogFoot.vue';
import FaultList from '../shared/FaultList.vue';
import NumberField from '../shared/NumberField.vue';
import RemoveButton from '../shared/RemoveButton.vue';
import { useNotice } from '../shared/notice';
import { partWords } from './mixWords';
import { withMix, withMixMade } from './tins';
import { useShelf } from './useShelf';

/** A mix: of what, in which parts; and what a making of it takes. Without an amount it is only written down. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ mix: Partial<Mix>; ml?: number | undefined }>();
const { store, materials, shelf, change } = useShelf();
const notice = useNotice();
const faults = ref<Fault[]>([]);
const saving = ref(false);

const form = reactive({
  name: props.mix.name ?? '',
  material: props.mix.material ?? '',
  colour: props.mix.colour ?? '',
  ml: (props.ml === undefined ? undefined : Math.ceil(props.ml)) as number | undefined,
  parts: (props.mix.parts ?? [{ material: props.mix.material ?? '', parts: 1 }]).map((part) => ({
    material: part.material,
    colour: part.colour ?? '',
    parts: part.parts as number | undefined,
  })),
});
const paints = computed(() =>
  [...materials.known.values()].filter(canBeMixed).map(({ id, name }) => ({ value: id, title: name })),
);
const mix = computed((): Mix => ({
  ...props.mix,
  id: props.mix.id ?? nanoid(12),
  name: form.name.trim(),
  material: form.material,
  colour: form.colour,
  parts: form.parts.map(({ material, colour, parts }) => ({
    material,
    ...(colour ? { colour } : {}),
    parts: parts ?? 0,
  })),
}));
const isWhole = computed(() =>
  form.parts.every(({ material, parts }) => material !== '' && (parts ?? 0) > 0),
);
const shares = computed(() =>
  isWhole.value && form.ml ? partsOf(mix.value, form.ml, materials.known).map(partWords) : [],
);

function wrong(): string | undefined {
  if (form.name.trim() === '') return 'Give the mix a name, so that you find it again.';
  if (form.material === '') return 'Say which paint it is: its film and its times are of that.';
  if (!/^#[0-9a-f]{6}$/i.test(form.colour)) return 'Say what colour it comes out as, as #8a6f3b.';
  if (!isWhole.value) return 'Each part is a paint, and more than nothing of it.';
  if (form.ml !== undefined && form.ml <= 0) return 'Make more than nothing, or leave the amount out.';
  return undefined;
}

async function save(): Promise<void> {
  const fault = wrong();
  if (fault !== undefined) {
    faults.value = [{ code: 'mix', path: [], message: fault }];
    return;
  }
  saving.value = true;
  const { theBuild: build, now } = store;
  const made = form.ml
    ? withMixMade(build, { mix: mix.value, ml: form.ml }, shelf.value?.tins ?? [], materials.known, now)
    : undefined;
  faults.value = await change(
    made ? made.change : { mixes: withMix(build.mixes, mix.value) },
    made ? `Made ${sayMl(form.ml ?? 0)}: ${mix.value.name}` : `Written down: ${mix.value.name}`,
  );
  saving.value = false;
  if (faults.value.length > 0) return;
  open.value = false;
  if (made && made.missing.length > 0)
    notice.complain(
      new Error(
        `It is written down, but no tin here had ${made.missing.map(({ name, ml }) => `${sayMl(ml)} of ${name}`).join(' and ')}.`,
      ),
    );
}
</script>

<template>
  <AppDialog v-model="open" asks max-width="680" scrollable>
    <v-card>
      <v-card-text class="pa-6">
        <h2 class="mb-4">{{ mix.made || props.mix.id ? mix.name || 'A mix' : 'New mix' }}</h2>
        <form id="mix" novalidate @submit.prevent="save">
          <div class="form-grid">
            <v-text-field v-model="form.name" class="wide" label="What it is called" maxlength="120" />
            <v-autocomplete v-model="form.material" label="Used as" :items="paints" />
            <ColourField v-model="form.colour" label="Comes out as" placeholder="#8a6f3b" usual="#888888" />
          </div>
          <h3 class="mt-4 mb-2">Of</h3>
          <div v-for="(part, at) in form.parts" :key="at" class="part">
            <NumberField v-model="part.parts" :label="`Parts, ${at + 1}`" :min="0" />
            <v-autocomplete v-model="part.material" :label="`Paint, ${at + 1}`" :items="paints" />
            <ColourField
              v-model="part.colour"
              :label="`Colour, ${at + 1}`"
              placeholder="any"
              usual="#888888"
            />
            <span class="figures quiet share">{{ shares[at] }}</span>
            <RemoveButton
              :label="`Take part ${at + 1} out`"
              :disabled="form.parts.length === 1"
              @click="form.parts.splice(at, 1)"
            />
          </div>
          <v-btn
            size="small"
            :prepend-icon="mdiPlus"
            @click="form.parts.push({ material: form.material, colour: '', parts: 1 })"
            >A part</v-btn
          >
          <div class="amount">
            <NumberField v-model="form.ml" label="Make now" of="volumeMl" :min="0" />
            <p class="quiet small">
              Made, it stands on the shelf as a pot of its own, and its parts are taken out of their tins.
              Left empty, the mix is only written down.
            </p>
          </div>
        </form>
        <FaultList :faults="faults" />
      </v-card-text>
      <DialogFoot v-model="open" form="mix" :words="form.ml ? 'Made it' : 'Write it down'" :saving="saving" />
    </v-card>
  </AppDialog>
</template>

<style scoped>
.part {
  display: grid;
  grid-template-columns: 88px minmax(0, 1.6fr) minmax(0, 1fr) 92px auto;
  gap: 8px;
  align-items: center;
  margin-bottom: 8px;
}

.share {
  font-size: 0.85rem;
}

.amount {
  display: grid;
  grid-template-columns: 140px 1fr;
  gap: 14px;
  align-items: center;
  margin-top: 16px;
}

@media (max-width: 640px) {
  .part {
    grid-template: 'parts share remove' 'paint paint paint' 'colour colour colour' / 96px 1fr auto;
    padding: 8px 0;
    border-top: 1px solid var(--line);
  }

  .part > :nth-child(1) {
    grid-area: parts;
  }

  .part > :nth-child(2) {
    grid-area: paint;
  }

  .part > :nth-child(3) {
    grid-area: colour;
  }

  .share {
    grid-area: share;
  }

  .amount {
    grid-template-columns: 1fr;
  }
}
</style>
