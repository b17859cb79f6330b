<script setup lang="ts">
import { hasClosures, writeSteps, type Fault, type Piece } from '@fixatum/core';
import { ref, watch } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import DialogFoot from '../shared/DialogFoot.vue';
import FaultList from '../shared/FaultList.vue';
import { faultsOf } from '../shared/api';
import { useBuild } from '../shared/build';
import { useLooks } from '../shared/looks';
import { pieceFromForm, pieceToForm } from './pieceForm';
import PieceFields from './PieceFields.vue';

/** Makes a new piece, or changes one; areas come from simple shapes, steps of a new one from a look. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ piece?: Piece | undefined }>();
const emit = defineEmits<{ saved: [pieceId: string] }>();
const store = useBuild();
const looks = useLooks();

const form = ref(pieceToForm());
const faults = ref<Fault[]>([]);
const saving = ref(false);
/** The piece as it was when the dialog opened: what a change is measured against. */
const base = ref<Piece>();
const seen = ref<string>();

watch(open, (isOpen) => {
  if (!isOpen) return;
  faults.value = [];
  void looks.load();
  base.value = props.piece;
  seen.value = props.piece && store.pieceEtags[props.piece.id];
  form.value = pieceToForm(props.piece, store.build?.events[0]?.id);
});

/** A new piece gets the steps of the looks chosen here. */
function withSteps(piece: Piece): Piece {
  if (base.value || !store.build) return piece;
  const chosen = form.value.zones.flatMap((zone) => {
    const look = looks.byId(zone.lookId);
    return look ? [{ zone: zone.id, look }] : [];
  });
  const whole = looks.byId(form.value.lookId);
  const picks = [...chosen, ...(whole ? [{ look: whole }] : [])];
  if (picks.length === 0) return piece;
  const { sealer } = form.value;
  const choices = {
    now: store.wallNow,
    looks: picks,
    straps: hasClosures(piece),
    ...(sealer ? { sealer } : {}),
  };
  const kept = {
    looks: picks.map(({ look, ...pick }) => ({ ...pick, look: look.id })),
    ...(sealer ? { sealer } : {}),
  };
  return { ...piece, steps: writeSteps(store.build, piece, choices).steps, chosen: kept };
}

async function save(): Promise<void> {
  const taken = (store.build?.pieces ?? []).map((piece) => piece.id);
  const read = pieceFromForm(form.value, base.value, taken);
  faults.value = read.ok ? [] : read.faults;
  if (!read.ok) return;
  const piece = withSteps(read.value);
  saving.value = true;
  try {
    const done = base.value
      ? await store.savePiece(piece, base.value, `Changed: ${piece.name}`, seen.value)
      : await store.addPiece(piece);
    if (!done) return;
    open.value = false;
    emit('saved', piece.id);
  } catch (error) {
    faults.value = faultsOf(error);
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <AppDialog v-model="open" asks max-width="880" scrollable>
    <v-card>
      <v-card-text class="pa-6">
        <h2 class="mb-4">{{ base ? `Change ${base.name}` : 'New piece' }}</h2>
        <form id="piece-form" novalidate @submit.prevent="save">
          <PieceFields v-model="form" :is-new="!base" />
        </form>
      </v-card-text>
      <FaultList class="px-6 py-2" :faults="faults" :within="form" />
      <DialogFoot v-model="open" form="piece-form" :words="base ? 'Save' : 'Add it'" :saving="saving" />
    </v-card>
  </AppDialog>
</template>
