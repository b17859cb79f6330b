<script setup lang="ts">
import {
  bulges,
  boundsOf,
  drawingFigures,
  drawingProblem,
  drawingUnder,
  handRing,
  idFromName,
  isInside,
  keptRing,
  lineMm,
  mirroredDrawing,
  partUnder,
  regionsOf,
  sayMeasure,
  scaledBy,
  sidesOfRing,
  withDrawing,
  withoutDrawing,
  zonePlaces,
  type Piece,
  type PieceDrawing,
  type Point,
} from '@fixatum/core';
import { computed, ref, shallowRef, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useAppearance } from '../shared/appearance';
import { useBuild } from '../shared/build';
import NumberField from '../shared/NumberField.vue';
import { plain } from '../shared/offThread/workerLink';
import RemoveButton from '../shared/RemoveButton.vue';
import { freshShapeId, useBoardHistory, type BoardShape } from './board';
import DrawBoard from './DrawBoard.vue';
import { useDrawingDraft } from './drawingDraft';
import { pathOf } from './paths';
import { useZoneColours } from './zoneColours';

/** The drawing of a piece: where its zones lie, what is glued, how it bulges. Its area, shares and edges follow. */
const store = useBuild();
const route = useRoute();
const router = useRouter();
const draft = useDrawingDraft();
const appearance = useAppearance();
const kept = computed(() => store.pieceOf(String(route.params.piece)));
/** The piece as it is being drawn; its zones may be new too. */
const piece = shallowRef<Piece>();
const drawing = shallowRef<PieceDrawing>();
const isNew = ref(false);
const shapes = ref<BoardShape[]>([]);
const active = ref<string>();
const history = useBoardHistory(shapes);
const seams = ref<string[]>([]);
/** What a press on the board does. */
const mode = ref<'draw' | 'pick' | 'seam'>('draw');
const zone = ref('');
const curves = ref(false);
const scalePct = ref<number | undefined>(100);
const saving = ref(false);

/** Rings of a drawing as shapes of the board. */
const shapesOf = ({ zones = [] }: PieceDrawing): BoardShape[] =>
  zones.map(({ zone: own, ring }) => ({
    id: freshShapeId(),
    tone: 'zone',
    zone: own,
    closed: true,
    points: ring.map(([x, y]) => ({ x, y })),
  }));
function start(of: Piece, fresh: boolean): void {
  piece.value = of;
  drawing.value = of.drawing;
  isNew.value = fresh;
  shapes.value = of.drawing ? shapesOf(of.drawing) : [];
  history.commit();
  history.clear();
  seams.value = [];
  zone.value = of.zones?.[1]?.id ?? of.zones?.[0]?.id ?? '';
}
watch(
  kept,
  (one) => {
    if (!one || piece.value?.id === one.id) return;
    const waiting = draft.takeFor(one.id);
    start(waiting ?? one, waiting !== undefined);
  },
  { immediate: true },
);

const zones = computed(() => piece.value?.zones ?? []);
const zoneIds = computed(() => zones.value.map(({ id }) => id));
const colours = useZoneColours(piece);
/** The drawing as it stands on the board. */
const now = computed((): PieceDrawing | undefined => {
  if (!drawing.value) return undefined;
  const { zones: _zones, ...rest } = drawing.value;
  const areas = shapes.value.flatMap((shape) => {
    if (!shape.closed || shape.points.length < 3 || !shape.zone || !zoneIds.value.includes(shape.zone))
      return [];
    const ring = keptRing(handRing(plain(shape.points), 0.05));
    const part = partUnder(rest, ring);
    return part === undefined ? [] : [{ zone: shape.zone, part, ring }];
  });
  return { ...rest, ...(areas.length > 0 ? { zones: areas } : {}) };
});
const figures = computed(() => now.value && drawingFigures(now.value, zoneIds.value));
const problem = computed(() => now.value && drawingProblem(now.value, zones.value));
const places = computed(() => (now.value ? zonePlaces(now.value, zoneIds.value) : []));
const box = computed(() => {
  const { left, top, right, bottom } = boundsOf((drawing.value?.parts ?? []).map(({ outer }) => outer));
  const edge = Math.max(right - left, bottom - top, 1) * 0.06;
  return { x: left - edge, y: top - edge, w: right - left + 2 * edge, h: bottom - top + 2 * edge };
});
const sides = computed(() =>
  (drawing.value?.parts ?? []).flatMap((part, n) =>
    sidesOfRing(part.outer).map((side, at) => ({ id: `${n}/${at}`, ...side })),
  ),
);
const regions = computed(() => (drawing.value?.parts ?? []).flatMap((part) => regionsOf(part)));

function drawArea(): void {
  mode.value = 'draw';
  const shape: BoardShape = { id: freshShapeId(), tone: 'zone', points: [], closed: false, zone: zone.value };
  shapes.value = [...shapes.value.filter(({ closed }) => closed), shape];
  active.value = shape.id;
}
function addZone(): void {
  if (!piece.value) return;
  const before = zones.value.length > 0 ? zones.value : [{ id: 'main', name: 'Main', share: 1 }];
  const name = `Zone ${before.length + 1}`;
  const fresh = {
    id: idFromName(
      name,
      before.map(({ id }) => id),
    ),
    name,
    share: 0.1,
  };
  piece.value = { ...piece.value, zones: [...before, fresh] };
  zone.value = fresh.id;
  drawArea();
}
function rename(id: string, name: string): void {
  if (piece.value)
    piece.value = {
      ...piece.value,
      zones: zones.value.map((one) => (one.id === id ? { ...one, name } : one)),
    };
}
const inUse = (id: string) => piece.value?.steps.some(({ zones: own }) => own?.includes(id)) === true;
function removeZone(id: string): void {
  if (!piece.value) return;
  const left = zones.value.filter((one) => one.id !== id);
  const { zones: _zones, ...rest } = piece.value;
  piece.value = left.length > 1 ? { ...rest, zones: left } : rest;
  shapes.value = shapes.value.filter((shape) => shape.zone !== id);
  zone.value = left[1]?.id ?? '';
  history.commit();
}

function press(place: Point): void {
  if (mode.value === 'pick') pickRegion(place);
  if (mode.value === 'seam') pickSide(place);
}
/** The region between grooves that was pressed becomes the zone's; the largest lie below. */
function pickRegion(place: Point): void {
  const region = [...regions.value].reverse().find((ring) => isInside(place, ring));
  if (!region || !zone.value) return;
  const id = `region ${region[0]?.join(' ')} ${region.length}`;
  const fresh: BoardShape = {
    id,
    tone: 'zone',
    zone: zone.value,
    closed: true,
    points: region.map(([x, y]) => ({ x, y })),
  };
  const had = shapes.value.find((shape) => shape.id === id);
  const others = shapes.value.filter((shape) => shape.id !== id);
  shapes.value = had?.zone === zone.value ? others : [...others, fresh];
  history.commit();
}
function pickSide(place: Point): void {
  const near = sides.value
    .map((side) => ({
      id: side.id,
      apart: Math.min(
        ...side.points.map((point) => Math.hypot(point[0] - place[0], point[1] - place[1])),
        ...middles(side.points).map((point) => Math.hypot(point[0] - place[0], point[1] - place[1])),
      ),
    }))
    .sort((a, b) => a.apart - b.apart)[0];
  if (!near) return;
  seams.value = seams.value.includes(near.id)
    ? seams.value.filter((id) => id !== near.id)
    : [...seams.value, near.id];
  const mm = sides.value.reduce(
    (sum, side) => sum + (seams.value.includes(side.id) ? lineMm(side.points) : 0),
    0,
  );
  setSeam(mm / 2);
}
/** Places along a straight side, whose ends are far apart. */
const middles = (points: readonly Point[]): Point[] =>
  points.slice(1).flatMap((to, at) => {
    const from = points[at]!;
    return [0.2, 0.4, 0.6, 0.8].map((share): Point => [
      from[0] + (to[0] - from[0]) * share,
      from[1] + (to[1] - from[1]) * share,
    ]);
  });
function change(changes: Partial<PieceDrawing>): void {
  if (drawing.value) drawing.value = { ...drawing.value, ...changes };
}
const setSeam = (mm: number | undefined) =>
  change({ seamMm: mm === undefined ? 0 : Math.round(mm * 10) / 10 });
const bulge = computed(
  () => bulges.find(({ times }) => Math.abs(times - (drawing.value?.bulge ?? 1)) < 0.01)?.id,
);

/** The whole drawing larger, smaller or turned over, with what is drawn on it. */
function remake(change: (one: PieceDrawing) => PieceDrawing): void {
  if (!now.value) return;
  const made = change(now.value);
  drawing.value = made;
  shapes.value = shapesOf(made);
  history.commit();
  history.clear();
  seams.value = [];
  active.value = undefined;
}
function scale(): void {
  const pct = scalePct.value;
  if (!pct || pct <= 0 || pct === 100) return;
  remake((one) => drawingUnder(one, scaledBy(pct / 100)));
  scalePct.value = 100;
}

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
  if (
    await store.savePiece(
      withoutDrawing(kept.value),
      kept.value,
      `Drawing taken away: ${kept.value.name}`,
      store.pieceEtags[kept.value.id],
    )
  )
    await router.push({ name: 'piece', params: { build: store.theId, piece: kept.value.id } });
}
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
