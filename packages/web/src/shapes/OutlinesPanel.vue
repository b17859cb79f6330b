<script setup lang="ts">
import {
  boundsOf,
  colourWords,
  drawnFor,
  kindUses,
  pieceOfOutlines,
  sayMeasure,
  type FoundPage,
  type FoundSheet,
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
import type { SheetSummary } from './offThread/sheetWork';
import type { ShapeWork } from './offThread/shapeWorker';
import OutlineList from './OutlineList.vue';
import { headsOf, leftWords, outlineRows, partsOf, type OutlineRow } from './outlineRows';
import TakeInFields from './TakeInFields.vue';
import TemplatePages from './TemplatePages.vue';
import { takenAs, zoneNamesOf } from './takeInForm';
import { likelyUnit, templateQuestions, type Readings, type TemplateQuestion } from './templateQuestions';
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
  { id: 'px90', word: '90 units are an inch', mm: 25.4 / 90 },
  { id: 'px72', word: '72 units are an inch', mm: 25.4 / 72 },
];
/** By which unit the page is a usual sheet of paper, where the file says none. */
const likely =
  props.sheet.mmPerUnit === undefined && props.sheet.pages[0] ? likelyUnit(props.sheet.pages[0]) : undefined;
const unit = ref(props.sheet.mmPerUnit === undefined ? (likely ?? '') : 'file');
const scalePct = ref<number | undefined>(100);
/** A length that is known: two places on the picture, in mm of what is shown, and how far apart they are. */
const measuring = ref(false);
const ends = ref<Point[]>([]);
const knownMm = ref<number | undefined>();
/** How far apart the two places are in units of the file, once both were pressed. */
const measuredUnits = ref<number>();
/** What one unit is by that, mm. */
const byLength = computed(() =>
  measuredUnits.value !== undefined && knownMm.value !== undefined && knownMm.value > 0
    ? knownMm.value / measuredUnits.value
    : undefined,
);
function forgetLength(): void {
  measuredUnits.value = undefined;
  knownMm.value = undefined;
}
const uses = ref<Record<string, KindUse | ''>>(
  Object.fromEntries(props.sheet.kinds.map(({ id }) => [id, ''])),
);
/** How its lines run on from page to page says how the pages lie. */
const { tiling: guessed } = props.sheet;
const side = ref(guessed !== undefined);
const columns = ref<number | undefined>(guessed?.columns ?? 2);
const overlapMm = ref<number | undefined>(
  guessed ? Math.round(guessed.overlap * (props.sheet.mmPerUnit ?? 1) * 100) / 100 : 0,
);
const readings = ref<Readings>({ lettersAreHoles: false, thinAsDrawn: false, acrossParts: false });

const mmPerUnit = computed(() => {
  if (byLength.value !== undefined) return byLength.value;
  if (unit.value === 'file') return props.sheet.mmPerUnit;
  return units.find(({ id }) => id === unit.value)?.mm;
});
const shownMm = computed(() => mmPerUnit.value ?? 1);
const found = ref<FoundSheet>({ pages: [], tiling: undefined });
const pages = computed<FoundPage[]>(() => found.value.pages);
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
    ...readings.value,
  };
  const layout =
    side.value && props.sheet.pages.length > 1
      ? {
          columns: Math.max(1, Math.round(columns.value ?? 1)),
          overlap: (overlapMm.value ?? 0) / shownMm.value,
        }
      : undefined;
  try {
    const told = await props.link.run((remote) => remote.findOutlines(plain(options), layout));
    if (mine !== asked) return;
    found.value = told;
    problem.value = '';
    rows.value = outlineRows(told.pages, rows.value);
  } catch (error) {
    if (mine === asked) problem.value = error instanceof Error ? error.message : 'That did not work.';
  } finally {
    if (mine === asked) busy.value = false;
  }
}

const rows = ref<OutlineRow[]>([]);
watchDebounced([shownMm, scalePct, uses, side, columns, overlapMm, readings], () => void find(), {
  debounce: 150,
  deep: true,
});
void find();

const heads = computed(() => headsOf(rows.value));
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
        outlines: plain(partsOf(rows.value, row).map(({ outline }) => outline)),
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
const pieceOfRow = (row: OutlineRow) => ready.value[heads.value.findIndex(({ key }) => key === row.key)];

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

watch(ends, ([from, to]) => {
  if (!from || !to) return;
  const shown = Math.hypot(to[0] - from[0], to[1] - from[1]);
  if (shown <= 0) return;
  // What is shown is in mm by the scale of now.
  measuredUnits.value = shown / (shownMm.value * ((scalePct.value ?? 100) / 100));
  ends.value = [];
  measuring.value = false;
});
const left = computed(() => leftWords(pages.value, rows.value));
const questions = computed(() => templateQuestions(found.value, rows.value, readings.value, side.value));
function settle({ does }: TemplateQuestion): void {
  if (!does) return;
  if ('turn' in does) readings.value = { ...readings.value, [does.turn]: !readings.value[does.turn] };
  else if ('lay' in does) side.value = !side.value;
  else for (const row of rows.value) if (row.key === does.leave) row.taken = false;
}
/** Pages whose lines do not meet make no piece. */
const isApart = computed(() => found.value.tiling?.meets === false);

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
const useItems = [
  { value: '', title: 'as they lie' },
  ...kindUses.map((value) => ({ value, title: useWords[value] })),
];
</script>

<template>
  <div class="columns">
    <TemplatePages v-model:rows="rows" v-model:ends="ends" :pages="pages" :measuring="measuring">
      <p v-if="busy" class="small quiet" role="status">Looking for outlines…</p>
      <p v-else-if="rows.length === 0" class="quiet">
        No closed outline of more than 1 cm² was found here. Are the lines on a layer that is left out, or is
        the size wrong?
      </p>
    </TemplatePages>
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
          <template v-else-if="unit === likely"
            >The file does not say how large it is; like this the page is a usual sheet of paper.
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
            @update:model-value="forgetLength"
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
            v-if="measuring || measuredUnits !== undefined"
            v-model="knownMm"
            label="It is"
            of="lengthMm"
            density="compact"
          />
          <v-btn v-if="measuredUnits !== undefined" size="small" variant="text" @click="forgetLength"
            >Not by that</v-btn
          >
        </div>
      </section>
      <section v-if="questions.length > 0" class="asks" aria-labelledby="asks-title">
        <h2 id="asks-title">Is that right?</h2>
        <ul>
          <li v-for="ask in questions" :key="ask.id">
            <span class="small">{{ ask.text }}</span>
            <v-btn v-if="ask.press" size="small" variant="outlined" @click="settle(ask)">{{
              ask.press
            }}</v-btn>
          </li>
        </ul>
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
            <v-select
              v-model="uses[kind.id]"
              class="choice"
              density="compact"
              :aria-label="`Lines ${kind.name} are`"
              :items="useItems"
            />
          </li>
        </ul>
        <p class="small quiet">
          As they lie: an outline in one of its own kind is a hole, in one of another kind a part with another
          finish; open lines are grooves.
        </p>
      </section>
      <ul v-if="sheet.notes.length + left.length > 0" class="notes small quiet">
        <li v-for="note in [...sheet.notes, ...left]" :key="note">{{ note }}</li>
      </ul>
    </div>
  </div>

  <section v-if="rows.length > 0" aria-labelledby="found-title">
    <h2 id="found-title" class="mt-4">{{ piece ? `For ${piece.name}` : 'Pieces' }}</h2>
    <OutlineList v-model="rows" :bare="piece !== undefined" :piece-of="pieceOfRow" />
    <TakeInFields v-if="!piece" v-model="form" class="mt-4" :zone-names="zoneNames" />
    <div class="foot">
      <v-btn
        size="large"
        variant="flat"
        color="primary"
        :loading="saving"
        :disabled="busy || isApart || mmPerUnit === undefined || !rows.some(({ taken }) => taken)"
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
      <span v-else-if="isApart" class="small quiet">The lines of the pages do not meet yet.</span>
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

.warn {
  font-weight: 600;
  color: rgb(var(--v-theme-error));
}

.asks {
  padding: 12px 14px;
  border-left: 3px solid rgb(var(--v-theme-primary));
  background: rgba(127, 127, 127, 0.08);
}

.asks li {
  display: grid;
  gap: 6px;
  justify-items: start;
  margin: 8px 0;
}

.asks ul,
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
}
</style>
