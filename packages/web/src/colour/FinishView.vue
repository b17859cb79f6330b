<script setup lang="ts">
import {
  lights,
  lightTable,
  reliefFor,
  reliefs,
  reliefWords,
  schools,
  stepKindWords,
  writeSteps,
  zoneIdsOf,
  type FinishMaps,
  type Light,
  type Piece,
  type ReliefKind,
  type SealerSchool,
} from '@fixatum/core';
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import { inColourWorker } from '../shared/colourWorker';
import { useLooks } from '../shared/looks';
import { useNotice } from '../shared/notice';
import { plain } from '../shared/offThread/workerLink';
import StrataCut from '../shared/StrataCut.vue';
import MaterialsHead from '../shared/MaterialsHead.vue';
import FinishPicture from './FinishPicture.vue';

/** What a piece will look like: step by step, in three lights, beside its cut or beside another way of doing it. */
const store = useBuild();
const materials = useMaterials();
const looks = useLooks();
const notice = useNotice();
const route = useRoute();
const router = useRouter();
onMounted(() => void looks.load());

const pieces = computed(() => store.build?.pieces ?? []);
const piece = computed(
  () =>
    pieces.value.find(({ id }) => id === route.query.piece) ??
    pieces.value.find(({ steps }) => steps.length > 0) ??
    pieces.value[0],
);
const choosePiece = (id: string) => void router.replace({ query: { piece: id } });
const relief = ref<ReliefKind>('plate');
watch(
  piece,
  (one, before) => {
    if (one && one.id !== before?.id) relief.value = reliefFor(one);
  },
  { immediate: true },
);
const light = ref<Light>('daylight');

/** What is shown: the piece as it is written, in another look and with some sealer, or another piece. */
interface Shown {
  what: string;
  school: SealerSchool | '';
}
const left = ref<Shown>({ what: 'own', school: '' });
const right = ref<Shown>({ what: '', school: '' });
const isLook = ({ what }: Shown) => what.startsWith('look:');

function pieceAs({ what, school }: Shown): { piece: Piece; name: string } | undefined {
  const own = piece.value;
  const { build } = store;
  if (!own || !build || what === '') return undefined;
  if (what === 'own') return { piece: own, name: own.name };
  const [kind, id = ''] = what.split(':');
  if (kind === 'look') {
    const look = looks.byId(id);
    if (!look) return undefined;
    const sealer = school ? { sealer: school } : {};
    const { steps } = writeSteps(build, own, { looks: [{ look }], ...sealer });
    return { name: look.name, piece: { ...own, steps } };
  }
  const twin = pieces.value.find((one) => one.id === id);
  return twin && { name: twin.name, piece: twin };
}
const shown = computed(() => pieceAs(left.value) ?? pieceAs({ what: 'own', school: '' }));
const other = computed(() => pieceAs(right.value));

/** The steps that change how it looks, as stops of the slider: bare foam first. */
const stops = computed(() => {
  const own = shown.value?.piece;
  if (!own) return [];
  const seen = own.steps.flatMap((step, at) => {
    const material = materials.known.get(step.material ?? '');
    if (!material || material.role === 'fill' || material.role === 'bond') return [];
    return [
      {
        before: at + 1,
        words: `${stepKindWords[step.kind]}: ${material.name}${(step.coats ?? 1) > 1 ? `, ${step.coats} coats` : ''}`,
      },
    ];
  });
  return [{ before: 0, words: 'As it is, before the first coat' }, ...seen];
});
const stop = ref(Infinity);
watch(shown, () => (stop.value = Infinity));
const stopAt = computed({
  get: () => Math.min(stop.value, stops.value.length - 1),
  set: (value) => (stop.value = value),
});
const here = computed(() => stops.value[stopAt.value]);
const isWhole = computed(() => stopAt.value === stops.value.length - 1);

const inLooks = computed(() => [
  { type: 'subheader', title: 'In a look' },
  ...looks.all.map(({ id, name }) => ({ value: `look:${id}`, title: name })),
]);
const asOthers = computed(() => [
  { type: 'subheader', title: 'Another piece' },
  ...pieces.value
    .filter(({ id }) => id !== piece.value?.id)
    .map(({ id, name }) => ({ value: `piece:${id}`, title: name })),
]);
const asWritten = { value: 'own', title: 'as it is written' };
const sides = computed(() => [
  { word: 'Show', shown: left.value, items: [asWritten, ...inLooks.value] },
  {
    word: 'Beside it',
    shown: right.value,
    items: [{ value: '', title: 'its cut' }, asWritten, ...inLooks.value, ...asOthers.value],
  },
]);
const reliefItems = computed(() =>
  [...(piece.value?.drawing ? (['drawing'] as const) : []), ...reliefs].map((value) => ({
    value,
    title: reliefWords[value],
  })),
);

/** A first, rough picture is there at once; the fine one replaces it. */
const ROUGH_PX = 160;
const PICTURE_PX = 512;
const BESIDE_PX = 384;
const maps = shallowRef<FinishMaps>();
const otherMaps = shallowRef<FinishMaps>();
let ticket = 0;
watch(
  [shown, relief, light, here, other],
  async () => {
    const own = shown.value?.piece;
    if (!own || !store.build) return;
    ticket += 1;
    const mine = ticket;
    const { materials: tins, log } = store.build;
    const size = other.value ? BESIDE_PX : PICTURE_PX;
    const ask = (which: Piece, before?: number, px = size) =>
      inColourWorker((remote) =>
        remote.finish({
          ...plain({
            build: { materials: tins, log: pieces.value.includes(which) ? log : undefined },
            piece: which,
          }),
          relief: relief.value,
          size: px,
          light: light.value,
          before,
        }),
      );
    try {
      const before = isWhole.value ? undefined : here.value?.before;
      if (!maps.value) {
        const rough = await ask(own, before, ROUGH_PX);
        if (mine !== ticket) return;
        maps.value = rough;
      }
      const found = await ask(own, before);
      if (mine !== ticket) return;
      maps.value = found;
      if (!other.value) {
        otherMaps.value = undefined;
        return;
      }
      const beside = await ask(other.value.piece);
      if (mine === ticket) otherMaps.value = beside;
    } catch (error) {
      if (mine === ticket) notice.complain(error);
    }
  },
  { immediate: true },
);

const cuts = computed(() => {
  const own = piece.value;
  if (!own) return [];
  const cells = store.view?.strata[`${own.id}/1`] ?? {};
  return zoneIdsOf(own).map((id) => ({
    id,
    name: own.zones?.find((zone) => zone.id === id)?.name ?? own.name,
    coats: cells[`outer:${id}`] ?? [],
  }));
});
const zoneWords = computed(() =>
  piece.value?.zones?.length && relief.value !== 'drawing'
    ? 'Zones are drawn with their shares: the largest as the field, the next as the rim.'
    : '',
);
</script>

<template>
  <div v-if="store.build" class="page">
    <MaterialsHead title="The finish" />
    <p v-if="!piece" class="quiet">There is no piece yet. Add one, choose a look for it, and see it here.</p>
    <template v-else>
      <div class="filters">
        <v-select
          :model-value="piece.id"
          class="choice"
          label="Piece"
          density="compact"
          :items="pieces.map(({ id, name }) => ({ value: id, title: name }))"
          @update:model-value="choosePiece"
        />
        <v-select v-model="relief" class="choice" label="Shown on" density="compact" :items="reliefItems" />
        <div class="segmented" role="group" aria-label="Light">
          <button v-for="one in lights" :key="one" :aria-pressed="light === one" @click="light = one">
            {{ lightTable[one].word }}
          </button>
        </div>
        <template v-for="side in sides" :key="side.word">
          <v-autocomplete
            v-model="side.shown.what"
            class="choice"
            :label="side.word"
            density="compact"
            :items="side.items"
          />
          <v-select
            v-if="isLook(side.shown)"
            v-model="side.shown.school"
            class="choice"
            :label="`Sealer, ${side.word}`"
            density="compact"
            :items="[
              { value: '', title: 'its usual sealer' },
              ...schools.map(({ id, name }) => ({ value: id, title: name })),
            ]"
          />
        </template>
      </div>
      <div class="slider">
        <label class="range"
          ><span class="small">Coat by coat</span
          ><input
            v-model.number="stopAt"
            type="range"
            min="0"
            :max="stops.length - 1"
            step="1"
            :aria-valuetext="here?.words"
        /></label>
        <p data-testid="stop">
          <span class="figures quiet">{{ stopAt }} of {{ stops.length - 1 }}</span> {{ here?.words }}
        </p>
      </div>
      <div class="pictures" :class="{ two: other }">
        <div>
          <FinishPicture
            :maps="maps"
            :relief="relief"
            :light="light"
            :label="`${piece.name}, ${here?.words ?? ''}`"
          />
          <h2 class="mt-2">{{ shown?.name }}</h2>
        </div>
        <div v-if="other">
          <FinishPicture :maps="otherMaps" :relief="relief" :light="light" :label="other.name" />
          <h2 class="mt-2">{{ other.name }}</h2>
        </div>
        <div v-else class="cuts">
          <div v-for="cut in cuts" :key="cut.id">
            <h3>{{ cut.name }}</h3>
            <StrataCut
              :coats="cut.coats"
              :substrate="piece.substrate"
              :now="store.minute"
              :height="cuts.length > 1 ? 230 : 360"
            />
          </div>
        </div>
      </div>
      <p class="small quiet">
        A forecast from the coats as they are written{{
          (store.build.log ?? []).length > 0 ? ' and logged' : ''
        }}: your hand and your light will differ. {{ zoneWords }}
      </p>
    </template>
  </div>
  <div v-else class="page quiet">Opening the build…</div>
</template>

<style scoped>
.pictures {
  display: grid;
  grid-template-columns: minmax(0, 520px) minmax(0, 1fr);
  gap: 40px;
  align-items: start;
}

.pictures.two {
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  max-width: 1120px;
}

.cuts {
  display: grid;
  gap: 18px;
}

.slider {
  display: grid;
  grid-template-columns: minmax(0, 520px) minmax(0, 1fr);
  gap: 4px 40px;
  align-items: center;
  margin-bottom: 10px;
}

.range {
  display: grid;
  grid-template-columns: 110px 1fr;
  gap: 12px;
  align-items: center;
  min-height: 44px;
}

.range input {
  accent-color: rgb(var(--v-theme-primary));
}

@media (max-width: 900px) {
  .slider {
    grid-template-columns: minmax(0, 1fr);
  }

  .pictures,
  .pictures.two {
    grid-template-columns: minmax(0, 1fr);
    gap: 20px;
  }
}
</style>
