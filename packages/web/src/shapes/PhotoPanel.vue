<script setup lang="ts">
import {
  bulges,
  byMat,
  byRuler,
  drawingFigures,
  drawingOfOutlines,
  drawnFor,
  handRing,
  inOrder,
  isConvex,
  pieceOfOutlines,
  sayMeasure,
  type FoundOutline,
  type Mat,
  type Piece,
  type Point,
} from '@fixatum/core';
import { computed, onBeforeUnmount, ref, watch } from 'vue';
import { useAppearance } from '../shared/appearance';
import { useBuild } from '../shared/build';
import NumberField from '../shared/NumberField.vue';
import { plain } from '../shared/offThread/workerLink';
import RemoveButton from '../shared/RemoveButton.vue';
import { freshShapeId, useBoardHistory, type BoardShape } from './board';
import DrawBoard from './DrawBoard.vue';
import TakeInFields from './TakeInFields.vue';
import { takenAs, zoneNamesOf } from './takeInForm';
import { useHeld } from '../shared/unsaved';
import { useTakeIn } from './useTakeIn';

/** A photo with something of known length in it: what is drawn round on it becomes a piece. The photo stays on this machine. */
const props = defineProps<{
  photo: { url: string; width: number; height: number };
  piece?: Piece | undefined;
}>();
const emit = defineEmits<{ drawn: [piece: Piece] }>();
const store = useBuild();
const appearance = useAppearance();
const { form, saving, take } = useTakeIn();
onBeforeUnmount(() => URL.revokeObjectURL(props.photo.url));

const RULER = 'ruler';
const MAT = 'mat';
const shapes = ref<BoardShape[]>([{ id: RULER, tone: 'measure', points: [], closed: false }]);
const active = ref<string | undefined>(RULER);
const history = useBoardHistory(shapes);
useHeld(computed(() => history.canUndo.value && !saving.value));
const by = ref<'ruler' | 'mat'>('ruler');
const rulerMm = ref<number | undefined>(300);
const matWidthMm = ref<number | undefined>(300);
const matHeightMm = ref<number | undefined>(200);
const curves = ref(false);
const bulge = ref<(typeof bulges)[number]['id']>('flat');
const name = ref(props.piece?.name ?? 'Piece');
const count = ref<number | undefined>(props.piece?.quantity ?? 1);
const zoneName = ref('Panel');

function measureBy(way: 'ruler' | 'mat'): void {
  by.value = way;
  const id = way === 'ruler' ? RULER : MAT;
  if (!shapes.value.some((shape) => shape.id === id)) {
    const others = shapes.value.filter(({ tone }) => tone !== 'measure');
    shapes.value = [...others, { id, tone: 'measure', points: [], closed: false }];
  }
  active.value = id;
}
const pointsOf = (id: string): Point[] =>
  (shapes.value.find((shape) => shape.id === id)?.points ?? []).map(({ x, y }): Point => [x, y]);
const toWork = computed(() => {
  if (by.value === 'ruler') {
    const [from, to] = pointsOf(RULER);
    return from && to && rulerMm.value ? byRuler({ from, to, mm: rulerMm.value }) : undefined;
  }
  const corners = pointsOf(MAT);
  if (corners.length !== 4 || !matWidthMm.value || !matHeightMm.value) return undefined;
  return byMat({
    corners: inOrder(corners as unknown as Mat['corners']),
    widthMm: matWidthMm.value,
    heightMm: matHeightMm.value,
  });
});
const matProblem = computed(() => {
  const corners = pointsOf(MAT);
  return by.value === 'mat' &&
    corners.length === 4 &&
    !isConvex(inOrder(corners as unknown as Mat['corners']))
    ? 'These four corners make no rectangle seen from anywhere: move them onto the corners of the mat.'
    : '';
});

function draw(tone: 'outline' | 'hole' | 'zone'): void {
  const shape: BoardShape = {
    id: freshShapeId(),
    tone,
    points: [],
    closed: false,
    ...(tone === 'zone' ? { zone: zoneName.value.trim() || 'Panel' } : {}),
  };
  // What was begun and left is not wanted.
  shapes.value = [...shapes.value.filter(({ tone: own, closed }) => own === 'measure' || closed), shape];
  active.value = shape.id;
}
// Once it is measured the outline is what comes next.
watch(
  () => toWork.value !== undefined,
  (measured) => {
    if (measured && !shapes.value.some(({ tone }) => tone === 'outline')) draw('outline');
  },
);
const drawn = computed(() => shapes.value.filter(({ tone }) => tone !== 'measure'));
const wordOf = (shape: BoardShape): string =>
  shape.tone === 'outline' ? 'Outline' : shape.tone === 'hole' ? 'Hole' : (shape.zone ?? 'Zone');
function removeShape(id: string): void {
  shapes.value = shapes.value.filter((shape) => shape.id !== id);
  if (active.value === id) active.value = undefined;
  history.commit();
}

/** Close enough on any photo, in its pixels. */
const CLOSE_PX = 0.3;
const outline = computed((): FoundOutline | undefined => {
  const map = toWork.value;
  if (!map) return undefined;
  const rings = (tone: BoardShape['tone']) =>
    shapes.value
      .filter((shape) => shape.tone === tone && shape.closed && shape.points.length > 2)
      .map((shape) => ({
        zone: shape.zone,
        ring: handRing(plain(shape.points), CLOSE_PX).map((point) => map(point)),
      }));
  const [outer] = rings('outline');
  if (!outer || outer.ring.flat().some((value) => !Number.isFinite(value) || Math.abs(value) > 50_000))
    return undefined;
  return {
    outer: outer.ring,
    holes: rings('hole').map(({ ring }) => ring),
    grooves: [],
    zones: rings('zone').map(({ ring, zone }) => ({ kind: 'zone', ring, name: zone })),
    kind: 'photo',
    name: name.value,
    count: 1,
    pairs: false,
    crosses: false,
  };
});
const bulgeTimes = computed(() => bulges.find(({ id }) => id === bulge.value)?.times ?? 1);
const figures = computed(() => {
  if (!outline.value) return undefined;
  const told = drawingFigures(
    drawingOfOutlines({ outlines: [outline.value], pairs: false, bulge: bulgeTimes.value }).drawing,
  );
  return told.areaCm2 > 0.05 ? told : undefined;
});
const made = computed(() => {
  const as = takenAs(form.value);
  if (!as || !outline.value || !figures.value) return undefined;
  return pieceOfOutlines(
    {
      name: name.value.trim() || 'Piece',
      quantity: Math.max(1, Math.round(count.value ?? 1)),
      pairs: false,
      outlines: [outline.value],
      bulge: bulgeTimes.value,
    },
    (store.build?.pieces ?? []).map(({ id }) => id),
    as,
  );
});
const zoneNames = computed(() => (made.value ? zoneNamesOf([made.value]) : []));
async function takeIt(): Promise<void> {
  if (props.piece && outline.value) {
    emit(
      'drawn',
      drawnFor(props.piece, { outlines: [outline.value], pairs: false, bulge: bulgeTimes.value }),
    );
    return;
  }
  if (made.value) await take([made.value], 'a photo');
}

/** What to do next, in a line. */
const next = computed(() => {
  const measured = toWork.value !== undefined;
  if (matProblem.value) return matProblem.value;
  if (!measured && by.value === 'ruler')
    return pointsOf(RULER).length < 2
      ? 'Press both ends of something whose length you know.'
      : 'Say how long that is.';
  if (!measured)
    return pointsOf(MAT).length < 4 ? 'Press the four corners of the mat.' : 'Say how large the mat is.';
  if (!drawn.value.some(({ tone, closed }) => tone === 'outline' && closed))
    return 'Now draw round the part: press point after point, and the first again to close it.';
  return 'Drag points to put them right; the pale ones between add a point. Draw holes and areas with another finish.';
});
const say = (mm: number) => sayMeasure(Math.round(mm), 'lengthMm', appearance.units);
</script>

<template>
  <p class="next" role="status">{{ next }}</p>
  <div class="columns">
    <DrawBoard
      v-model="shapes"
      v-model:active="active"
      :box="{ x: 0, y: 0, w: photo.width, h: photo.height }"
      :curves="curves && active !== RULER && active !== MAT"
      :closes-at="active === RULER ? 2 : active === MAT ? 4 : undefined"
      label="The photo"
      :history="history"
    >
      <image :href="photo.url" x="0" y="0" :width="photo.width" :height="photo.height" />
    </DrawBoard>
    <div class="side">
      <section>
        <h2>1 How large</h2>
        <div class="segmented" role="group" aria-label="What it is measured by">
          <button :aria-pressed="by === 'ruler'" @click="measureBy('ruler')">A ruler</button>
          <button :aria-pressed="by === 'mat'" @click="measureBy('mat')">A mat, from any side</button>
        </div>
        <NumberField
          v-if="by === 'ruler'"
          v-model="rulerMm"
          class="mt-3"
          label="Between the two points"
          of="lengthMm"
        />
        <div v-else class="row">
          <NumberField v-model="matWidthMm" label="Mat, wide" of="lengthMm" />
          <NumberField v-model="matHeightMm" label="Mat, high" of="lengthMm" />
        </div>
        <p class="small quiet mt-1">
          {{
            by === 'ruler'
              ? 'For a photo from straight above, with the ruler as high as the part.'
              : 'The photo is straightened by its corners, the first along the top.'
          }}
        </p>
      </section>
      <section>
        <h2>2 Draw round it</h2>
        <div class="tools">
          <v-btn
            size="small"
            :disabled="drawn.some(({ tone, closed }) => tone === 'outline' && closed)"
            @click="draw('outline')"
            >The outline</v-btn
          >
          <v-btn size="small" @click="draw('hole')">A hole</v-btn>
          <v-btn size="small" @click="draw('zone')">An area of</v-btn>
          <v-text-field v-model="zoneName" label="Zone" density="compact" maxlength="60" class="zone-name" />
        </div>
        <v-checkbox v-model="curves" density="compact" label="New points are curves" />
        <ul class="drawn small">
          <li v-for="shape in drawn" :key="shape.id">
            <button :aria-pressed="active === shape.id" @click="active = shape.id">
              {{ wordOf(shape) }}, {{ shape.points.length }} points{{ shape.closed ? '' : ', still open' }}
            </button>
            <RemoveButton :label="`Remove ${wordOf(shape)}`" @click="removeShape(shape.id)" />
          </li>
        </ul>
      </section>
      <section>
        <h2>3 Its form</h2>
        <div class="segmented" role="group" aria-label="Its form">
          <button
            v-for="one in bulges"
            :key="one.id"
            :aria-pressed="bulge === one.id"
            @click="bulge = one.id"
          >
            {{ one.word }}
          </button>
        </div>
        <p class="small quiet mt-1">
          Seen from above a dome has 1.3 times the face it seems to have, a half tube 1.57.
        </p>
      </section>
      <p class="result figures" data-testid="photo-area">
        <template v-if="figures"
          ><strong>{{
            sayMeasure(Math.round(figures.areaCm2 * 10) / 10, 'areaCm2', appearance.units)
          }}</strong
          >, {{ say(figures.outlineMm) }} of edge, {{ say(figures.widthMm) }} by
          {{ say(figures.heightMm) }}</template
        ><template v-else>–</template>
      </p>
    </div>
  </div>
  <section v-if="figures" class="mt-2">
    <template v-if="!piece">
      <div class="row wide">
        <v-text-field v-model="name" label="Name" maxlength="120" />
        <NumberField v-model="count" label="How many" :min="1" :max="200" :step="1" />
      </div>
      <TakeInFields v-model="form" class="mt-3" :zone-names="zoneNames" />
    </template>
    <v-btn class="mt-4" size="large" variant="flat" color="primary" :loading="saving" @click="takeIt">{{
      piece ? `Use for ${piece.name}` : 'Take it in'
    }}</v-btn>
  </section>
</template>

<style scoped>
.next {
  min-height: 1.5em;
  margin-bottom: 8px;
  font-weight: 600;
}

.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 28px;
  align-items: start;
}

.side section {
  margin-bottom: 14px;
}

.side h2 {
  margin-bottom: 8px;
}

.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}

.zone-name {
  min-width: 110px;
}

.row {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  margin-top: 12px;
}

.row.wide {
  max-width: 560px;
}

.drawn {
  list-style: none;
  padding: 0;
}

.drawn li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  border-bottom: 1px solid var(--line);
}

.drawn button[aria-pressed='true'] {
  font-weight: 700;
}

.result {
  font-size: 1.1rem;
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
