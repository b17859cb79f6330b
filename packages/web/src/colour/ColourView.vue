<script setup lang="ts">
import {
  addToPalette,
  apartAtThreeMetres,
  changePalette,
  coloursInUse,
  colourUnder,
  colourWords,
  comesInColours,
  follow,
  has,
  lights,
  lightTable,
  looseUses,
  paletteRoles,
  paletteUses,
  removeFromPalette,
  schemeOf,
  spectrumOf,
  wetColour,
  type NewColour,
  type PaletteColour,
  type PatchStep,
} from '@fixatum/core';
import { mdiImageOutline, mdiPlus } from '@mdi/js';
import { computed, reactive, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import ColourField from '../shared/ColourField.vue';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import { useHeld } from '../shared/unsaved';
import { later } from '../shared/later';
import MaterialsHead from '../shared/MaterialsHead.vue';
import CoverPanel from './CoverPanel.vue';
import MixPanel from './MixPanel.vue';
import { paletteRoleWords } from './roles';

const PictureDialog = later(() => import('./PictureDialog.vue'));

/** The colours of a build by name: what each looks like in which light, what mixes it, and what it covers. */
const store = useBuild();
const materials = useMaterials();
const route = useRoute();
const router = useRouter();

const palette = computed(() => store.build?.palette ?? []);
const chosen = computed(() => palette.value.find(({ id }) => id === route.query.c) ?? palette.value[0]);
const choose = (id: string) => router.replace({ query: { c: id } });
const unnamed = computed(() => (store.build ? coloursInUse(store.build, materials.known) : []));

const form = reactive({ name: '', role: 'base' as PaletteColour['role'], colour: '', material: '' });
watch(
  chosen,
  (one) =>
    Object.assign(form, {
      name: one?.name ?? '',
      role: one?.role ?? 'base',
      colour: one?.colour ?? '',
      material: one?.material ?? '',
    }),
  { immediate: true },
);
const isWhole = computed(() => /^#[0-9a-f]{6}$/i.test(form.colour) && form.name.trim() !== '');
const wanted = computed((): PaletteColour | undefined =>
  chosen.value && isWhole.value
    ? {
        ...chosen.value,
        name: form.name.trim(),
        role: form.role,
        colour: form.colour.toLowerCase(),
        material: form.material || undefined,
      }
    : undefined,
);
const isChanged = computed(
  () => wanted.value !== undefined && JSON.stringify(wanted.value) !== JSON.stringify(chosen.value),
);
useHeld(isChanged);
const material = computed(() => materials.known.get(form.material));
const paints = computed(() => [
  { value: '', title: 'not said' },
  ...[...materials.known.values()]
    .filter((one) => comesInColours(one) || one.role === 'weather')
    .map(({ id, name }) => ({ value: id, title: name })),
]);

const uses = computed(() => (store.build && chosen.value ? paletteUses(store.build, chosen.value.id) : []));
const loose = computed(() =>
  store.build && chosen.value
    ? looseUses(store.build, chosen.value.colour).filter(({ isBegun }) => !isBegun)
    : [],
);
const begun = computed(() => uses.value.filter(({ isBegun }) => isBegun).length);
const nameOf = (id: string) => store.pieceOf(id)?.name ?? id;
const usedOn = computed(() => [...new Set(uses.value.map(({ piece }) => nameOf(piece)))].join(', '));

const run = (label: string, steps: PatchStep[]) => store.patch(label, steps);
async function add(colours: readonly NewColour[], label: string): Promise<void> {
  const known = new Set(palette.value.map(({ id }) => id));
  if (!(await run(label, addToPalette(store.theBuild, colours)))) return;
  const fresh = palette.value.find(({ id }) => !known.has(id));
  if (fresh) await choose(fresh.id);
}
async function save(): Promise<void> {
  if (wanted.value) await run(`Changed: ${wanted.value.name}`, changePalette(store.theBuild, wanted.value));
}
const remove = (one: PaletteColour) =>
  run(`Taken out: ${one.name}`, removeFromPalette(store.theBuild, one.id));
const letFollow = (one: PaletteColour) => run(`Follow ${one.name}`, follow(loose.value, one));
function addScheme(one: PaletteColour): void {
  const { shade, light } = schemeOf(one.colour, has(materials.known.get(one.material ?? ''), 'metallic'));
  const own = one.material ? { material: one.material } : {};
  void add(
    [
      { name: `${one.name}, shade`, role: 'shade', colour: shade, ...own },
      { name: `${one.name}, light`, role: 'light', colour: light, ...own },
    ],
    `Shade and light of ${one.name}`,
  );
}
const newColour = () =>
  add([{ name: `Colour ${palette.value.length + 1}`, role: 'base', colour: '#8a6f3b' }], 'New colour');
const fromPicture = ref(false);
function takePicked(colours: readonly string[]): void {
  void add(
    colours.map((colour) => ({ name: capital(colourWords(colour)), role: 'base' as const, colour })),
    'Colours from a picture',
  );
}
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

const shown = computed(() => (isWhole.value ? form.colour : chosen.value?.colour));
const inLights = computed(() =>
  shown.value === undefined
    ? []
    : lights.map((light) => ({
        light,
        word: lightTable[light].word,
        colour: colourUnder(spectrumOf(shown.value ?? ''), light),
      })),
);
const wet = computed(() =>
  shown.value !== undefined && material.value?.carrier === 'water'
    ? wetColour(material.value, shown.value)
    : undefined,
);
/** Neighbours that read as one with it across a room. */
const likeIt = computed(() =>
  palette.value.flatMap((one) => {
    if (one.id === chosen.value?.id || shown.value === undefined) return [];
    const apart = apartAtThreeMetres(one.colour, shown.value);
    return apart === 'clear' ? [] : [{ ...one, apart }];
  }),
);
</script>

<template>
  <div v-if="store.build" class="page">
    <MaterialsHead title="Colour" />
    <div class="board">
      <aside aria-label="Palette">
        <div v-if="palette.length > 0" class="films" role="list" data-testid="palette">
          <button
            v-for="one in palette"
            :key="one.id"
            role="listitem"
            class="film"
            :class="{ chosen: one.id === chosen?.id }"
            :aria-current="one.id === chosen?.id ? 'true' : undefined"
            @click="choose(one.id)"
          >
            <span class="paint" :style="{ background: one.colour }" />
            <span class="words"
              ><strong>{{ one.name }}</strong
              ><span class="small quiet"
                >{{ paletteRoleWords[one.role] }} · <span class="figures">{{ one.colour }}</span></span
              ></span
            >
          </button>
        </div>
        <p v-else class="quiet">
          No colour has a name here yet. Name one and its steps can follow it: change it once, and all of them
          change.
        </p>
        <div class="tools">
          <v-btn
            v-if="unnamed.length > 0"
            :variant="palette.length === 0 ? 'flat' : 'outlined'"
            :color="palette.length === 0 ? 'primary' : undefined"
            @click="add(unnamed, 'Colours of the steps')"
            >Take the {{ unnamed.length === 1 ? 'colour' : `${unnamed.length} colours` }} of the steps</v-btn
          >
          <v-btn variant="outlined" :prepend-icon="mdiPlus" @click="newColour">New colour</v-btn>
          <v-btn variant="outlined" :prepend-icon="mdiImageOutline" @click="fromPicture = true"
            >From a picture</v-btn
          >
        </div>
      </aside>

      <div v-if="chosen && shown !== undefined" class="detail">
        <form class="own" novalidate @submit.prevent="save">
          <v-text-field v-model="form.name" label="Name" maxlength="120" />
          <v-select
            v-model="form.role"
            label="What it is"
            :items="paletteRoles.map((value) => ({ value, title: paletteRoleWords[value] }))"
          />
          <ColourField v-model="form.colour" label="Colour" placeholder="#8a6f3b" :usual="chosen.colour" />
          <v-autocomplete v-model="form.material" label="Laid with" :items="paints" />
        </form>
        <div class="acts">
          <v-btn variant="flat" color="primary" :disabled="!isChanged" @click="save">Save the colour</v-btn>
          <v-btn variant="outlined" @click="addScheme(chosen)">Add a shade and a light</v-btn>
          <v-btn variant="text" @click="remove(chosen)">Take it out</v-btn>
        </div>
        <p class="small follows" data-testid="follows">
          <template v-if="uses.length > 0"
            >{{ uses.length === 1 ? 'One step follows' : `${uses.length} steps follow` }} it: {{ usedOn
            }}<template v-if="begun > 0"
              >. {{ begun === 1 ? 'One is' : `${begun} are` }} begun and would keep the colour that is
              laid</template
            >.</template
          ><template v-else>No step follows it yet.</template>
          <button v-if="loose.length > 0" class="link" @click="letFollow(chosen)">
            {{ loose.length === 1 ? 'One step is' : `${loose.length} steps are` }} in this colour: let
            {{ loose.length === 1 ? 'it' : 'them' }} follow
          </button>
        </p>

        <div class="lights" role="list" aria-label="In other lights">
          <figure v-for="one in inLights" :key="one.light" role="listitem">
            <span class="patch" :style="{ background: one.colour }" />
            <figcaption>{{ one.light === 'daylight' ? 'Dry, in daylight' : `In ${one.word}` }}</figcaption>
          </figure>
          <figure v-if="wet" role="listitem">
            <span class="patch" :style="{ background: wet }" />
            <figcaption>Still wet</figcaption>
          </figure>
        </div>
        <p v-for="one in likeIt" :key="one.id" class="small">
          <span class="dot" :style="{ background: one.colour }" aria-hidden="true" />
          {{
            one.apart === 'one'
              ? `At three metres it reads as one with ${one.name}.`
              : `At three metres it is hard to tell from ${one.name}.`
          }}
        </p>

        <MixPanel :key="`mix ${chosen.id}`" :colour="shown" :material="material" :name="form.name" />
        <CoverPanel :key="`cover ${chosen.id}`" :colour="chosen" />
      </div>
    </div>
    <PictureDialog v-if="fromPicture" v-model="fromPicture" @take="takePicked" />
  </div>
  <div v-else class="page quiet">Opening the build…</div>
</template>

<style scoped>
.board {
  display: grid;
  grid-template-columns: 300px minmax(0, 1fr);
  gap: 44px;
  align-items: start;
}

/* The palette is a stack of films, as it lies in the pot. */
.films {
  display: flex;
  flex-direction: column;
  border: 1px solid var(--line);
  border-radius: 3px;
  overflow: hidden;
}

.film {
  display: grid;
  grid-template-columns: 84px 1fr;
  text-align: left;
  min-height: 58px;
}

.film + .film {
  border-top: 1px solid var(--line);
}

.film .words {
  display: flex;
  flex-direction: column;
  justify-content: center;
  padding: 6px 12px;
  min-width: 0;
}

.film strong {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.film.chosen {
  box-shadow: inset 4px 0 0 rgb(var(--v-theme-primary));
}

.film.chosen .paint {
  margin-left: 4px;
}

.film.chosen .words {
  background: rgb(var(--v-theme-surface));
}

.tools,
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 14px;
}

.own {
  display: grid;
  grid-template-columns: 1.5fr 1fr 1.1fr 1.7fr;
  gap: 10px;
}

.follows {
  margin: 12px 0 18px;
}

.link {
  text-decoration: underline;
  min-height: 32px;
}

.lights {
  display: flex;
  flex-wrap: wrap;
  gap: 0;
  margin-bottom: 10px;
}

.lights figure {
  flex: 1;
  margin: 0;
  min-width: 110px;
}

.patch {
  display: block;
  height: 64px;
}

.lights figcaption {
  font-size: 0.875rem;
  padding-top: 4px;
}

.dot {
  display: inline-block;
  width: 14px;
  height: 14px;
  border-radius: 50%;
  border: 1px solid var(--line);
  vertical-align: -2px;
}

@media (max-width: 900px) {
  .board {
    grid-template-columns: minmax(0, 1fr);
    gap: 24px;
  }

  .own {
    grid-template-columns: 1fr 1fr;
  }

  .films {
    display: grid;
    grid-template-columns: 1fr 1fr;
  }

  .film {
    grid-template-columns: 36px 1fr;
  }
}
</style>
