<script setup lang="ts">
import {
  boundsOf,
  colourWords,
  drawnFor,
  kindUses,
  pieceOfOutlines,
  ringAreaCm2,
  ringMm,
  sayMeasure,
  type FoundOutline,
  type KindUse,
  type Piece,
  type Point,
} from '@fixatum/core';
import { watchDebounced } from '@vueuse/core';
import { computed, ref, watch } from 'vue';
import { useAppearance } from '../shared/appearance';
import { useBuild } from '../shared/build';
import { useNotice } from '../shared/notice';
import NumberField from '../shared/NumberField.vue';
import { plain, type WorkerLink } from '../shared/offThread/workerLink';
import type { FoundPage, SheetSummary } from './offThread/sheetWork';
import type { ShapeWork } from './offThread/shapeWorker';
import { pathOf } from './paths';
import TakeInFields from './TakeInFields.vue';
import { takenAs, zoneNamesOf } from './takeInForm';
import { useTakeIn } from './useTakeIn';

/** The outlines of a template: what is what, how large, and which of them become pieces. */
const props = defineProps<{
  link: WorkerLink<ShapeWork>;
  sheet: SheetSummary;
  fileName: string;
  /** The piece that the outlines are for, where it is there already. */
  piece?: Piece | undefined;
}>();
const emit = defineEmits<{ drawn: [piece: Piece] }>();
const store = useBuild();
const notice = useNotice();
const appearance = useAppearance();
const { form, saving, take } = useTakeIn();

const useWords: Record<KindUse, string> = {
  cut: 'cut out',
  zone: 'another finish',
  groove: 'grooves',
  leave: 'leave out',
};
const units = [
  { id: 'mm', word: '1 unit is 1 mm', mm: 1 },
  { id: 'cm', word: '1 unit is 1 cm', mm: 10 },
  { id: 'inch', word: '1 unit is 1 inch', mm: 25.4 },
  { id: 'px96', word: '96 units are an inch', mm: 25.4 / 96 },
  { id: 'px72', word: '72 units are an inch', mm: 25.4 / 72 },
];
const unit = ref(props.sheet.mmPerUnit === undefined ? '' : 'file');
const scalePct = ref<number | undefined>(100);
/** A length that is known: two places on the picture, in mm of what is shown, and how far apart they are. */
const measuring = ref(false);
const ends = ref<Point[]>([]);
const knownMm = ref<number | undefined>();
const byLength = ref<number>();
const uses = ref<Record<string, KindUse | ''>>({});
const side = ref(false);
const columns = ref<number | undefined>(2);
const overlapMm = ref<number | undefined>(0);

const mmPerUnit = computed(() => {
  if (byLength.value !== undefined) return byLength.value;
  if (unit.value === 'file') return props.sheet.mmPerUnit;
  return units.find(({ id }) => id === unit.value)?.mm;
});
const shownMm = computed(() => mmPerUnit.value ?? 1);
const pages = ref<FoundPage[]>([]);
const busy = ref(false);
const problem = ref('');

let asked = 0;
async function find(): Promise<void> {
  const mine = (asked += 1);
  busy.value = true;
  const options = {
    mmPerUnit: shownMm.value,
    scalePct: scalePct.value && scalePct.value > 0 ? scalePct.value : 100,
    uses: Object.fromEntries(Object.entries(uses.value).filter(([, use]) => use !== '')) as Record<
      string,
      KindUse
    >,
  };
  const layout =
    side.value && props.sheet.pages.length > 1
      ? {
          columns: Math.max(1, Math.round(columns.value ?? 1)),
          overlap: (overlapMm.value ?? 0) / shownMm.value,
        }
      : undefined;
  try {
    const found = await props.link.run((remote) => remote.findOutlines(plain(options), layout));
    if (mine !== asked) return;
    pages.value = found;
    problem.value = '';
    rows.value = rowsOf(found);
  } catch (error) {
    if (mine === asked) problem.value = error instanceof Error ? error.message : 'That did not work.';
  } finally {
    if (mine === asked) busy.value = false;
  }
}

/** One outline in the list. */
interface Row {
  key: string;
  page: number;
  at: number;
  outline: FoundOutline;
  taken: boolean;
  name: string;
  count: number | undefined;
  pairs: boolean;
  /** The key of the row it is a part of. */
  partOf: string;
  seamMm: number | undefined;
}
const rows = ref<Row[]>([]);
function rowsOf(found: readonly FoundPage[]): Row[] {
  const before = new Map(rows.value.map((row) => [row.key, row]));
  let nameless = 0;
  const names = new Map<string, number>();
  return found.flatMap((page, at) =>
    page.outlines.map((outline, n): Row => {
      const key = `${at}/${n}`;
      const old = before.get(key);
      const sameOutline = old && old.outline.name === outline.name && old.outline.kind === outline.kind;
      const first = outline.name ?? `Piece ${(nameless += 1)}`;
      const times = (names.get(first) ?? 0) + 1;
      names.set(first, times);
      const fresh = {
        taken: true,
        name: times > 1 ? `${first} ${times}` : first,
        count: outline.count,
        pairs: outline.pairs,
        partOf: '',
        seamMm: undefined,
      };
      return { ...(sameOutline ? old : fresh), key, page: at, at: n, outline };
    }),
  );
}
watchDebounced([shownMm, scalePct, uses, side, columns, overlapMm], () => void find(), {
  debounce: 150,
  deep: true,
});
void find();

const heads = computed(() => rows.value.filter(({ taken, partOf }) => taken && partOf === ''));
const partsOf = (row: Row) => [row, ...rows.value.filter(({ taken, partOf }) => taken && partOf === row.key)];
const ready = computed(() => {
  const as = takenAs(form.value);
  if (!as || mmPerUnit.value === undefined) return [];
  const taken = (store.build?.pieces ?? []).map(({ id }) => id);
  return heads.value.map((row) => {
    const piece = pieceOfOutlines(
      {
        name: row.name.trim() || 'Piece',
        quantity: Math.max(1, Math.round(row.count ?? 1)),
        pairs: row.pairs,
        outlines: plain(partsOf(row).map(({ outline }) => outline)),
        ...(row.seamMm ? { seamMm: row.seamMm } : {}),
      },
      taken,
      as,
    );
    taken.push(piece.id);
    return piece;
  });
});
const zoneNames = computed(() => zoneNamesOf(ready.value));
const pieceOfRow = (row: Row) => ready.value[heads.value.indexOf(row)];
const partItems = (row: Row) => [
  { value: '', title: 'a piece of its own' },
  ...rows.value
    .filter(({ key, partOf }) => key !== row.key && partOf === '')
    .map(({ key, name }) => ({ value: key, title: `part of ${name}` })),
];
const hasParts = (row: Row) => rows.value.some(({ partOf }) => partOf === row.key);

const largest = computed(() => {
  const boxes = rows.value.map(({ outline }) => boundsOf([outline.outer]));
  return boxes.reduce(
    (most, { left, right, top, bottom }) =>
      Math.max(right - left, bottom - top) > Math.max(most.w, most.h)
        ? { w: right - left, h: bottom - top }
        : most,
    { w: 0, h: 0 },
  );
});
const say = (mm: number) => sayMeasure(mm, 'lengthMm', appearance.units);
const sizeWords = computed(() =>
  largest.value.w > 0
    ? `The largest outline is ${say(Math.round(largest.value.w))} by ${say(Math.round(largest.value.h))}.`
    : '',
);

/** Pages as they are drawn, with a little room round what lies on them. */
const drawn = computed(() =>
  pages.value.map((page) => {
    const lines = [...page.outlines.map(({ outer }) => outer), ...page.loose];
    const around = boundsOf(lines);
    const box =
      page.widthMm > 0 && page.heightMm > 0
        ? { left: 0, top: 0, right: page.widthMm, bottom: page.heightMm }
        : around;
    const edge = Math.max(1, (box.right - box.left) * 0.02);
    return {
      name: page.name,
      box: {
        x: Math.min(box.left, around.left) - edge,
        y: Math.min(box.top, around.top) - edge,
        w: Math.max(box.right, around.right) - Math.min(box.left, around.left) + 2 * edge,
        h: Math.max(box.bottom, around.bottom) - Math.min(box.top, around.top) + 2 * edge,
      },
      loose: pathOf(page.loose, false),
      outlines: page.outlines.map((outline) => ({
        d: pathOf([outline.outer, ...outline.holes]),
        zones: outline.zones.map(({ ring }) => pathOf([ring])).join(''),
        grooves: pathOf(outline.grooves, false),
        at: placeOfNumber(outline),
      })),
    };
  }),
);
function placeOfNumber({ outer }: FoundOutline): Point {
  const { left, right, top, bottom } = boundsOf([outer]);
  return [(left + right) / 2, (top + bottom) / 2];
}
const rowAt = (page: number, at: number) => rows.value.find((row) => row.page === page && row.at === at);
const numberOf = (row: Row | undefined) => (row ? rows.value.indexOf(row) + 1 : 0);

function press(event: MouseEvent): void {
  if (!measuring.value || !(event.currentTarget instanceof SVGSVGElement)) return;
  const map = event.currentTarget.getScreenCTM();
  if (!map) return;
  const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(map.inverse());
  ends.value = ends.value.length >= 2 ? [[x, y]] : [...ends.value, [x, y]];
}
watch([ends, knownMm], () => {
  const [from, to] = ends.value;
  if (!from || !to || !knownMm.value || knownMm.value <= 0) return;
  const shown = Math.hypot(to[0] - from[0], to[1] - from[1]);
  if (shown <= 0) return;
  // What is shown is in mm by the scale of now.
  byLength.value = (shownMm.value * knownMm.value) / (shown / ((scalePct.value ?? 100) / 100));
  ends.value = [];
  measuring.value = false;
});

const counts = computed(() => {
  const tiny = pages.value.reduce((sum, page) => sum + page.tiny, 0);
  const loose = pages.value.reduce((sum, page) => sum + page.loose.length, 0);
  const frames = pages.value.reduce((sum, page) => sum + page.frames, 0);
  const crossing = rows.value.filter(({ outline }) => outline.crosses).length;
  return [
    ...(loose > 0
      ? [
          `${loose} ${loose === 1 ? 'line lies' : 'lines lie'} in no outline and ${loose === 1 ? 'is' : 'are'} left out.`,
        ]
      : []),
    ...(tiny > 0 ? [`${tiny} outlines under 1 cm² are left out: letters and marks.`] : []),
    ...(frames > 0
      ? [
          `${frames === 1 ? 'A frame' : `${frames} frames`} round the page ${frames === 1 ? 'is' : 'are'} left out.`,
        ]
      : []),
    ...(crossing > 0
      ? [`${crossing} outlines come from one that crosses itself: look whether they are what you meant.`]
      : []),
  ];
});

async function takeAll(): Promise<void> {
  if (props.piece) {
    const outlines = plain(rows.value.filter(({ taken }) => taken).map(({ outline }) => outline));
    if (outlines.length === 0) return;
    emit('drawn', drawnFor(props.piece, { outlines, pairs: false }));
    return;
  }
  if (ready.value.length === 0) {
    notice.complain(new Error('Choose at least one outline, and say how thick the foam is.'));
    return;
  }
  await take(ready.value, props.fileName);
}
</script>

<template>
  <div class="columns">
    <div class="pages" :class="{ measuring }" data-testid="pages">
      <figure v-for="(page, at) in drawn" :key="at">
        <svg
          :viewBox="`${page.box.x} ${page.box.y} ${page.box.w} ${page.box.h}`"
          role="img"
          :aria-label="`${page.name}: ${page.outlines.length} outlines`"
          @click="press"
        >
          <rect
            v-if="pages[at]!.widthMm > 0"
            class="paper"
            x="0"
            y="0"
            :width="pages[at]!.widthMm"
            :height="pages[at]!.heightMm"
          />
          <path :d="page.loose" class="loose" />
          <g
            v-for="(one, n) in page.outlines"
            :key="n"
            class="one"
            :class="{ taken: rowAt(at, n)?.taken }"
            @click="!measuring && rowAt(at, n) && (rowAt(at, n)!.taken = !rowAt(at, n)!.taken)"
          >
            <path :d="one.d" fill-rule="evenodd" class="cut" />
            <path :d="one.zones" class="zone" />
            <path :d="one.grooves" class="groove" />
            <circle :cx="one.at[0]" :cy="one.at[1]" :r="page.box.w * 0.026" class="badge" />
            <text :x="one.at[0]" :y="one.at[1]" :font-size="page.box.w * 0.032">
              {{ numberOf(rowAt(at, n)) }}
            </text>
          </g>
          <circle
            v-for="(end, n) in ends"
            :key="`end ${n}`"
            :cx="end[0]"
            :cy="end[1]"
            :r="page.box.w * 0.006"
            class="end"
          />
        </svg>
        <figcaption v-if="drawn.length > 1" class="small quiet">{{ page.name }}</figcaption>
      </figure>
      <p v-if="busy" class="small quiet" role="status">Looking for outlines…</p>
      <p v-else-if="rows.length === 0" class="quiet">
        No closed outline of more than 1 cm² was found here. Are the lines on a layer that is left out, or is
        the size wrong?
      </p>
    </div>
    <div class="side">
      <p v-if="problem" class="faults" role="alert">{{ problem }}</p>
      <section>
        <h2>How large</h2>
        <p class="small" :class="{ warn: mmPerUnit === undefined }">
          <template v-if="byLength !== undefined">Scaled by the length you know. </template>
          <template v-else-if="unit === 'file'">True size, as the file says. </template>
          <template v-else-if="unit === ''"
            >The file does not say how large it is: choose, or measure.
          </template>
          {{ sizeWords }}
        </p>
        <div class="row">
          <v-select
            v-if="sheet.mmPerUnit === undefined"
            v-model="unit"
            label="Units of the file"
            density="compact"
            :items="units.map(({ id, word }) => ({ value: id, title: word }))"
            @update:model-value="byLength = undefined"
          />
          <NumberField v-model="scalePct" label="For another body" suffix="%" :min="1" density="compact" />
        </div>
        <div class="row measure">
          <v-btn
            size="small"
            :variant="measuring ? 'flat' : 'outlined'"
            :color="measuring ? 'primary' : undefined"
            @click="measuring = !measuring"
            >{{ measuring ? 'Press both ends on the drawing' : 'I know a length' }}</v-btn
          >
          <NumberField
            v-if="measuring || byLength !== undefined"
            v-model="knownMm"
            label="It is"
            of="lengthMm"
            density="compact"
          />
          <v-btn
            v-if="byLength !== undefined"
            size="small"
            variant="text"
            @click="
              byLength = undefined;
              knownMm = undefined;
            "
            >Not by that</v-btn
          >
        </div>
      </section>
      <section v-if="sheet.pages.length > 1">
        <h2>Pages</h2>
        <v-checkbox v-model="side" label="One drawing, cut up to be printed: lay the pages side by side" />
        <div v-if="side" class="row">
          <NumberField v-model="columns" label="In a row" :min="1" :max="20" :step="1" density="compact" />
          <NumberField v-model="overlapMm" label="They overlap by" of="lengthMm" density="compact" />
        </div>
      </section>
      <section v-if="sheet.kinds.length > 1">
        <h2>What the lines are</h2>
        <ul class="kinds">
          <li v-for="kind in sheet.kinds" :key="kind.id">
            <span class="swatch" :style="{ background: kind.colour ?? 'transparent' }" />
            <span>{{ kind.colour && kind.name === kind.colour ? colourWords(kind.colour) : kind.name }}</span>
            <select v-model="uses[kind.id]" :aria-label="`Lines ${kind.name} are`">
              <option :value="undefined">as they lie</option>
              <option v-for="use in kindUses" :key="use" :value="use">{{ useWords[use] }}</option>
            </select>
          </li>
        </ul>
        <p class="small quiet">
          As they lie: an outline in one of its own kind is a hole, in one of another kind a part with another
          finish; open lines are grooves.
        </p>
      </section>
      <ul v-if="sheet.notes.length + counts.length > 0" class="notes small quiet">
        <li v-for="note in [...sheet.notes, ...counts]" :key="note">{{ note }}</li>
      </ul>
    </div>
  </div>

  <section v-if="rows.length > 0" aria-labelledby="found-title">
    <h2 id="found-title" class="mt-4">{{ piece ? `For ${piece.name}` : 'Pieces' }}</h2>
    <div class="table" role="table" aria-label="Outlines">
      <div v-for="(row, at) in rows" :key="row.key" class="line" role="row" :class="{ off: !row.taken }">
        <v-checkbox
          v-model="row.taken"
          density="compact"
          :label="String(at + 1)"
          :aria-label="`Take ${row.name}`"
        />
        <template v-if="!piece">
          <v-text-field v-model="row.name" label="Name" density="compact" maxlength="120" />
          <NumberField v-model="row.count" label="How many" :min="1" :max="200" :step="1" density="compact" />
          <v-checkbox v-model="row.pairs" class="pairs" density="compact" label="half mirrored" />
          <v-select
            v-model="row.partOf"
            class="part-of"
            label="Is"
            density="compact"
            :items="partItems(row)"
            :disabled="hasParts(row)"
          />
          <NumberField
            v-if="hasParts(row)"
            v-model="row.seamMm"
            label="Glued along"
            of="lengthMm"
            density="compact"
          />
        </template>
        <span class="figures small told">
          {{
            sayMeasure(
              Math.round(
                ringAreaCm2(row.outline.outer) -
                  row.outline.holes.reduce((sum, hole) => sum + ringAreaCm2(hole), 0),
              ),
              'areaCm2',
              appearance.units,
            )
          }}, {{ say(Math.round(ringMm(row.outline.outer))) }} round<template
            v-if="row.outline.holes.length > 0"
            >, {{ row.outline.holes.length }}
            {{ row.outline.holes.length === 1 ? 'hole' : 'holes' }}</template
          ><template v-if="row.outline.grooves.length > 0"
            >, {{ row.outline.grooves.length }}
            {{ row.outline.grooves.length === 1 ? 'groove' : 'grooves' }}</template
          ><template v-if="pieceOfRow(row)?.zones">
            ·
            {{
              pieceOfRow(row)!
                .zones!.map(({ name, share }) => `${name} ${Math.round(share * 100)} %`)
                .join(', ')
            }}</template
          >
        </span>
      </div>
    </div>
    <TakeInFields v-if="!piece" v-model="form" class="mt-4" :zone-names="zoneNames" />
    <div class="foot">
      <v-btn
        size="large"
        variant="flat"
        color="primary"
        :loading="saving"
        :disabled="busy || mmPerUnit === undefined || !rows.some(({ taken }) => taken)"
        @click="takeAll"
        >{{
          piece
            ? `Use for ${piece.name}`
            : heads.length === 1
              ? 'Take it in'
              : `Take in ${heads.length} pieces`
        }}</v-btn
      >
      <span v-if="mmPerUnit === undefined" class="small quiet">First say how large it is.</span>
    </div>
  </section>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 340px;
  gap: 28px;
  align-items: start;
}

.pages {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
}

figure {
  flex: 1 1 260px;
  max-width: 560px;
  margin: 0;
}

svg {
  display: block;
  width: 100%;
  max-height: 60vh;
}

.measuring svg {
  cursor: crosshair;
}

.paper {
  fill: rgb(var(--v-theme-surface));
  stroke: var(--line);
  vector-effect: non-scaling-stroke;
}

.one {
  cursor: pointer;
}

.one path,
.loose {
  fill: none;
  stroke: currentColor;
  vector-effect: non-scaling-stroke;
}

.one .cut {
  stroke-width: 1.5;
  fill: transparent;
}

.one.taken .cut {
  fill: rgba(127, 127, 127, 0.28);
}

.one:not(.taken) {
  opacity: 0.45;
}

.one .zone {
  stroke-dasharray: 5 3;
  fill: rgba(127, 127, 127, 0.25);
}

.one .groove,
.loose {
  stroke-dasharray: 2 3;
}

.badge {
  fill: rgb(var(--v-theme-background));
  stroke: currentColor;
  vector-effect: non-scaling-stroke;
}

text {
  text-anchor: middle;
  dominant-baseline: central;
  fill: currentColor;
  font-weight: 600;
}

.end {
  fill: rgb(var(--v-theme-primary));
}

.side section {
  margin-bottom: 16px;
}

.side h2 {
  margin-bottom: 6px;
}

.row {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
  margin-top: 8px;
  align-items: center;
}

.measure {
  grid-template-columns: 1fr;
}

.pages figure:only-child {
  max-width: none;
}

.warn {
  font-weight: 600;
  color: rgb(var(--v-theme-error));
}

.kinds,
.notes {
  list-style: none;
  padding: 0;
}

.kinds li {
  display: grid;
  grid-template-columns: 22px 1fr auto;
  gap: 10px;
  align-items: center;
  margin: 6px 0;
}

.swatch {
  width: 22px;
  height: 14px;
  border: 1px solid var(--line);
}

.line {
  display: grid;
  grid-template-columns: 64px minmax(150px, 1.3fr) 104px 150px minmax(150px, 1fr) minmax(0, 2fr);
  gap: 10px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--line);
}

.line.off {
  opacity: 0.55;
}

.told {
  grid-column: -2 / -1;
  line-height: 1.3;
}

.foot {
  display: flex;
  gap: 14px;
  align-items: center;
  margin-top: 16px;
}

@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }

  .line {
    grid-template-columns: 64px 1fr 104px;
  }

  .pairs,
  .part-of,
  .told {
    grid-column: 1 / -1;
  }
}
</style>
