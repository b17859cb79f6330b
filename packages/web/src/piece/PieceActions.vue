<script setup lang="ts">
import {
  begunStepIds,
  copyPiece,
  isAtPacking,
  mirrorPiece,
  packedAsItIs,
  reorderZones,
  toWallTime,
  type Piece,
} from '@fixatum/core';
import { computed, ref } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '../shared/api';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import { useNotice } from '../shared/notice';
import LookDialog from './LookDialog.vue';
import PackDialog from './PackDialog.vue';
import OtherPiecesDialog from './OtherPiecesDialog.vue';
import PieceDialog from './PieceDialog.vue';
import SaveLookDialog from './SaveLookDialog.vue';
import StepDialog from './StepDialog.vue';

/** What can be done with a whole piece. */
const props = defineProps<{ piece: Piece; hasPasses: boolean }>();
const store = useBuild();
const materials = useMaterials();
const notice = useNotice();
const router = useRouter();
const editing = ref(false);
const choosingLook = ref(false);
const namingLook = ref(false);
const picking = ref(false);
const joining = ref(false);

async function addCopy(mirrored: boolean): Promise<void> {
  const { piece } = props;
  const build = store.theBuild;
  const copy = mirrored ? mirrorPiece(build, piece) : copyPiece(build, piece, `${piece.name} copy`);
  const at = build.pieces.findIndex((one) => one.id === piece.id) + 1;
  try {
    await store.addPiece(copy, at);
    await router.push({ name: 'piece', params: { build: store.theId, piece: copy.id } });
  } catch (error) {
    notice.complain(error);
  }
}

/** Its passes that are still to do, but for the look before packing. */
const openPasses = computed(() =>
  (store.view?.operations ?? []).filter(
    (pass) =>
      pass.pieceId === props.piece.id &&
      (pass.status === 'planned' || pass.status === 'unplaced' || pass.status === 'underway') &&
      !isAtPacking(pass),
  ),
);
const askingPack = ref(false);
async function pack(rest: 'later' | 'drop' = 'later'): Promise<void> {
  const { piece } = props;
  const now = toWallTime(Math.floor(store.now), store.theBuild.timeZone);
  const packed =
    rest === 'later'
      ? { ...piece, packedAt: now }
      : packedAsItIs(
          piece,
          now,
          begunStepIds(store.theBuild, piece.id),
          new Set(openPasses.value.map(({ stepId }) => stepId)),
        );
  askingPack.value = false;
  await store.change(
    () => api.putPiece(store.theId, packed, store.pieceEtags[piece.id]),
    `Packed: ${piece.name}`,
  );
}
async function packOrAsk(): Promise<void> {
  if (openPasses.value.length > 0) askingPack.value = true;
  else await pack();
}

async function remove(): Promise<void> {
  const { id, name } = props.piece;
  if (await store.change(() => api.deletePiece(store.theId, id), `Deleted: ${name}`)) {
    await router.push({ name: 'pieces', params: { build: store.theId } });
  }
}

const reordered = computed(() => reorderZones(props.piece, materials.known));
async function maskInOrder(): Promise<void> {
  if (!reordered.value) return;
  const { plan, steps } = reordered.value;
  const said = `${plan.why.join(' ')} ${(plan.tapeMm / 1000).toFixed(1)} m of tape.`;
  await store.saveSteps(props.piece, steps, said);
}
</script>

<template>
  <span class="tools">
    <v-btn size="small" variant="flat" color="primary" @click="choosingLook = true">Choose a look</v-btn>
    <v-btn size="small" @click="editing = true">Change the piece</v-btn>
    <v-menu>
      <template #activator="{ props: menu }"><v-btn size="small" v-bind="menu">More</v-btn></template>
      <v-list density="comfortable">
        <v-list-item title="Copy" @click="addCopy(false)" />
        <v-list-item title="Mirror: the other hand" @click="addCopy(true)" />
        <v-list-item title="Give steps to other pieces" @click="picking = true" />
        <v-list-item title="Join other pieces into this" @click="joining = true" />
        <v-list-item
          title="Its drawing"
          :to="{ name: 'drawing', params: { build: store.theId, piece: piece.id } }"
        />
        <v-list-item v-if="reordered" title="Work out the masking" @click="maskInOrder" />
        <v-list-item
          title="Finish card"
          :to="{ name: 'card', params: { build: store.theId, piece: piece.id } }"
        />
        <v-list-item title="Save as a look" :disabled="piece.steps.length === 0" @click="namingLook = true" />
        <v-list-item v-if="hasPasses && !piece.packedAt" title="It is packed now" @click="packOrAsk" />
        <v-list-item title="Delete the piece" @click="remove" />
      </v-list>
    </v-menu>
  </span>
  <PackDialog
    v-if="askingPack"
    v-model="askingPack"
    :name="piece.name"
    :left="openPasses.length"
    @pack="pack"
  />
  <PieceDialog v-model="editing" :piece="piece" />
  <LookDialog v-model="choosingLook" :piece="piece" />
  <OtherPiecesDialog v-model="picking" :piece="piece" />
  <StepDialog v-model="joining" :piece="piece" kind="join" />
  <SaveLookDialog v-model="namingLook" :piece="piece" />
</template>

<style scoped>
.tools {
  display: flex;
  gap: 8px;
  margin-left: auto;
}
</style>
