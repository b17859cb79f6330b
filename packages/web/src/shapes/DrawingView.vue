<script setup lang="ts">
import { bulges, mirroredDrawing, sayMeasure, withDrawing, withoutDrawing } from '@fixatum/core';
import { computed, ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useAppearance } from '../shared/appearance';
import { useBuild } from '../shared/build';
import { useHeld } from '../shared/unsaved';
import NumberField from '../shared/NumberField.vue';
import RemoveButton from '../shared/RemoveButton.vue';
import DrawBoard from './DrawBoard.vue';
import { useDrawingDraft } from './drawingDraft';
import { pathOf } from './paths';
import { useDrawing } from './useDrawing';
import { useZoneColours } from './zoneColours';

/** The drawing of a piece: where its zones lie, what is glued, how it bulges. Its area, shares and edges follow. */
const store = useBuild();
const route = useRoute();
const router = useRouter();
const draft = useDrawingDraft();
const appearance = useAppearance();
const kept = computed(() => store.pieceOf(String(route.params.piece)));
const {
  piece,
  drawing,
  shapes,
  active,
  history,
  seams,
  mode,
  zone,
  scalePct,
  zones,
  zoneIds,
  now,
  figures,
  problem,
  places,
  box,
  sides,
  regions,
  drawArea,
  addZone,
  rename,
  inUse,
  removeZone,
  press,
  change,
  setSeam,
  bulge,
  remake,
  scale,
} = useDrawing(kept, (id) => draft.takeFor(id));
const colours = useZoneColours(piece);
const curves = ref(false);
const saving = ref(false);

async function save(): Promise<void> {
  if (!piece.value || !now.value || !kept.value || problem.value) return;
  saving.value = true;
  try {
    const made = withDrawing(piece.value, now.value);
    const done = await store.savePiece(made, kept.value, `Drawn: ${made.name}`, store.pieceEtags[made.id]);
    if (done) await router.push({ name: 'piece', params: { build: store.theId, piece: made.id } });
  } finally {
    saving.value = false;
  }
}
async function takeAway(): Promise<void> {
  if (!kept.value) return;
  saving.value = true;
  try {
    const { id, name } = kept.value;
    const bare = withoutDrawing(kept.value);
    if (await store.savePiece(bare, kept.value, `Drawing taken away: ${name}`, store.pieceEtags[id]))
      await router.push({ name: 'piece', params: { build: store.theId, piece: id } });
  } finally {
    saving.value = false;
  }
}
useHeld(computed(() => history.canUndo.value && !saving.value));
const say = (mm: number) => sayMeasure(Math.round(mm), 'lengthMm', appearance.units);
const shareOf = (id: string) => figures.value?.zones.find((one) => one.zone === id);
</script>

<template>
  <div v-if="store.build && kept && piece" class="page">
    <router-link class="small" :to="{ name: 'piece', params: { build: store.theId, piece: kept.id } }"
      >← {{ kept.name }}</router-link
    >
    <h1 class="my-2">The drawing of {{ kept.name }}</h1>
    <template v-if="!drawing">
      <p class="mb-4">
        There is no drawing of it yet. With one, its area and edges are measured, and zones are drawn where
        they are.
      </p>
      <v-btn
        variant="flat"
        color="primary"
        :to="{ name: 'shapes', params: { build: store.theId }, query: { piece: kept.id } }"
        >From a template or a photo</v-btn
      >
    </template>
    <div v-else class="columns">
      <DrawBoard
        v-model="shapes"
        v-model:active="active"
        :box="box"
        :curves="curves"
        :picks="mode !== 'draw'"
        :label="`The drawing of ${kept.name}`"
        :history="history"
        @pick="press"
      >
        <path
          v-for="(place, at) in places"
          :key="`zone ${at}`"
          :d="pathOf(place.area)"
          fill-rule="evenodd"
          :fill="colours(place.zone)"
        >
          <title>{{ zones.find(({ id }) => id === place.zone)?.name }}</title>
        </path>
        <path
          v-for="(part, at) in drawing.parts"
          :key="`part ${at}`"
          class="part"
          :class="{ plain: places.length === 0 }"
          fill-rule="evenodd"
          :d="pathOf([part.outer, ...(part.holes ?? [])])"
        />
        <path
          v-for="(part, at) in drawing.parts"
          :key="`grooves ${at}`"
          class="groove"
          :d="pathOf(part.grooves ?? [], false)"
        />
        <template v-if="mode === 'seam'">
          <path
            v-for="side in sides"
            :key="side.id"
            class="seam"
            :class="{ glued: seams.includes(side.id) }"
            :d="pathOf([side.points], false)"
          />
        </template>
      </DrawBoard>
      <div class="side">
        <section>
          <h2>Zones</h2>
          <p v-if="zones.length === 0" class="small quiet">One finish all over.</p>
          <div v-for="one in zones" :key="one.id" class="zone" :class="{ here: zone === one.id }">
            <button
              class="choose"
              :aria-pressed="zone === one.id"
              :aria-label="`Draw ${one.name}`"
              @click="zone = one.id"
            >
              <span class="swatch" :style="{ background: colours(one.id) }" />
            </button>
            <v-text-field
              :model-value="one.name"
              label="Zone"
              density="compact"
              maxlength="120"
              @update:model-value="rename(one.id, String($event))"
            />
            <span class="figures small">{{ Math.round((shareOf(one.id)?.share ?? 0) * 1000) / 10 }} %</span>
            <RemoveButton v-if="!inUse(one.id)" :label="`Remove ${one.name}`" @click="removeZone(one.id)" />
          </div>
          <div class="tools">
            <v-btn size="small" @click="addZone">Another zone</v-btn>
            <template v-if="zones.length > 0">
              <v-btn size="small" variant="flat" color="primary" @click="drawArea">Draw an area of it</v-btn>
              <v-btn
                v-if="regions.length > drawing.parts.length"
                size="small"
                :variant="mode === 'pick' ? 'flat' : 'outlined'"
                :color="mode === 'pick' ? 'primary' : undefined"
                @click="
                  mode = mode === 'pick' ? 'draw' : 'pick';
                  active = undefined;
                "
                >Pick between grooves</v-btn
              >
            </template>
          </div>
          <v-checkbox
            v-if="zones.length > 0"
            v-model="curves"
            density="compact"
            label="New points are curves"
          />
          <ul class="drawn small">
            <li v-for="shape in shapes" :key="shape.id">
              <button :aria-pressed="active === shape.id" @click="active = shape.id">
                {{ zones.find(({ id }) => id === shape.zone)?.name ?? 'An area' }},
                {{ shape.points.length }} points{{ shape.closed ? '' : ', still open' }}
              </button>
              <RemoveButton
                label="Remove this area"
                @click="
                  shapes = shapes.filter(({ id }) => id !== shape.id);
                  history.commit();
                "
              />
            </li>
          </ul>
          <p v-if="zones.length > 0" class="small quiet">
            What no area covers is the first zone without one. Draw over the edge as you like: what lies
            outside does not count.
          </p>
        </section>
        <section>
          <h2>Glued edges</h2>
          <div class="row">
            <NumberField
              :model-value="drawing.seamMm || undefined"
              label="Seam"
              of="lengthMm"
              density="compact"
              @update:model-value="setSeam"
            />
            <v-btn
              size="small"
              :variant="mode === 'seam' ? 'flat' : 'outlined'"
              :color="mode === 'seam' ? 'primary' : undefined"
              @click="
                mode = mode === 'seam' ? 'draw' : 'seam';
                active = undefined;
              "
              >{{ mode === 'seam' ? 'Press edges that are glued' : 'Press the edges' }}</v-btn
            >
          </div>
        </section>
        <section>
          <h2>Its form</h2>
          <div class="segmented" role="group" aria-label="Its form">
            <button
              v-for="one in bulges"
              :key="one.id"
              :aria-pressed="bulge === one.id"
              @click="change({ bulge: one.times })"
            >
              {{ one.word }}
            </button>
          </div>
          <v-checkbox
            v-if="piece.quantity > 1"
            :model-value="drawing.pairs ?? false"
            density="compact"
            label="Half of them are mirrored"
            @update:model-value="change({ pairs: $event === true })"
          />
          <div class="row mt-3">
            <NumberField v-model="scalePct" label="Scale" suffix="%" :min="1" density="compact" />
            <v-btn size="small" :disabled="!scalePct || scalePct === 100" @click="scale">Scale it</v-btn>
          </div>
          <div class="tools mt-2">
            <v-btn size="small" variant="text" @click="remake(mirroredDrawing)">Turn it over</v-btn>
            <v-btn
              size="small"
              variant="text"
              :to="{ name: 'shapes', params: { build: store.theId }, query: { piece: kept.id } }"
              >Another drawing</v-btn
            >
          </div>
        </section>
        <p v-if="figures" class="figures" data-testid="drawing-figures">
          <strong>{{
            sayMeasure(Math.round(figures.areaCm2 * 10) / 10, 'areaCm2', appearance.units)
          }}</strong>, {{ say(figures.openMm) }} of open edge<template v-if="figures.seamMm > 0"
            >, {{ say(figures.seamMm) }} of seam</template
          ><template v-if="figures.grooveMm > 0">, {{ say(figures.grooveMm) }} of grooves</template>,
          {{ say(figures.widthMm) }} by {{ say(figures.heightMm) }}.
        </p>
        <ul v-if="figures" class="drawn small figures">
          <template v-for="one in figures.zones" :key="one.zone">
            <li
              v-for="border in one.borders.filter((b) => zoneIds.indexOf(b.zone) > zoneIds.indexOf(one.zone))"
              :key="border.zone"
            >
              {{ zones.find(({ id }) => id === one.zone)?.name }} meets
              {{ zones.find(({ id }) => id === border.zone)?.name }} along {{ say(border.mm) }}
            </li>
          </template>
        </ul>
        <p v-if="problem" class="faults" role="alert">{{ problem }}</p>
        <div class="tools mt-3">
          <v-btn
            variant="flat"
            color="primary"
            size="large"
            :loading="saving"
            :disabled="problem !== undefined"
            @click="save"
            >Keep the drawing</v-btn
          >
          <v-btn v-if="kept.drawing" variant="text" @click="takeAway">Take it away</v-btn>
        </div>
      </div>
    </div>
  </div>
  <div v-else-if="store.build && store.view" class="page"><h1>This piece is not in the build</h1></div>
  <div v-else class="page quiet">Opening the build…</div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 350px;
  gap: 28px;
  align-items: start;
}

.part,
.groove,
.seam {
  fill: none;
  stroke: currentColor;
  stroke-width: 1.5;
  vector-effect: non-scaling-stroke;
}

.part.plain {
  fill: rgba(127, 127, 127, 0.25);
}

.groove {
  stroke-dasharray: 3 3;
}

.seam {
  stroke-width: 6;
  opacity: 0.3;
}

.seam.glued {
  stroke: rgb(var(--v-theme-primary));
  stroke-dasharray: 10 4;
  opacity: 1;
}

.side section {
  margin-bottom: 14px;
}

.side h2 {
  margin-bottom: 8px;
}

.zone {
  display: grid;
  grid-template-columns: 40px 1fr 56px 40px;
  gap: 8px;
  align-items: center;
  margin: 6px 0;
}

.choose {
  height: 40px;
  border: 2px solid transparent;
}

.here .choose {
  border-color: currentColor;
}

.swatch {
  display: block;
  width: 100%;
  height: 100%;
  border: 1px solid var(--line);
}

.tools,
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}

.row > :first-child {
  flex: 1;
}

.drawn {
  list-style: none;
  padding: 0;
}

.drawn li {
  display: flex;
  justify-content: space-between;
  align-items: center;
}

.drawn button[aria-pressed='true'] {
  font-weight: 700;
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
