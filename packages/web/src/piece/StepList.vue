<script setup lang="ts">
import { plain } from '../shared/offThread/workerLink';
import {
  describeStep,
  idFromName,
  methodOf,
  passNeeds,
  safetyLine,
  sayMl,
  sayMoment,
  workWord,
  type Piece,
  type RuleFinding,
  type Step,
  type WayOut,
  isPlaced,
  withMask,
} from '@fixatum/core';
import { mdiDotsVertical, mdiDrag, mdiPlus, mdiShieldAlertOutline } from '@mdi/js';
import { computed, nextTick, ref, watch } from 'vue';
import { VueDraggable } from 'vue-draggable-plus';
import FieldText from '../shared/FieldText.vue';
import HowToButton from '../shared/HowToButton.vue';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import FindingNote from './FindingNote.vue';
import StepDialog from './StepDialog.vue';
import { later } from '../shared/later';

const AddFinishDialog = later(() => import('./AddFinishDialog.vue'));
const EntryDialog = later(() => import('../journal/EntryDialog.vue'));

/** The steps of a piece in order, with where each stands and what is said about it; dragged, or moved with Alt and arrows. */
const props = defineProps<{ piece: Piece; findings: RuleFinding[] }>();
defineEmits<{ apply: [finding: RuleFinding, way: WayOut] }>();
const store = useBuild();
const materials = useMaterials();

const list = ref<Step[]>([]);
let dragging = false;
watch(
  () => props.piece.steps,
  (steps) => {
    // An answer that comes in while a step is in the hand waits until it is let go.
    if (!dragging) list.value = [...steps];
  },
  { immediate: true },
);
const editing = ref<Step>();
const insertAt = ref<number>();
const dialog = ref(false);
const adding = ref(false);

/** Changes follow each other: each begins from the steps as the one before has left them. */
let queue: Promise<unknown> = Promise.resolve();
function save(make: (steps: Step[]) => Step[], said: string): Promise<boolean> {
  const { id } = props.piece;
  const next = queue.then(() => {
    const piece = store.pieceOf(id);
    return piece ? store.saveSteps(piece, make([...piece.steps]), said) : false;
  });
  queue = next;
  return next;
}

async function edit(step: Step | undefined, at?: number): Promise<void> {
  await queue;
  editing.value = step && props.piece.steps.find((one) => one.id === step.id);
  insertAt.value = at;
  dialog.value = true;
}

function dropped(): void {
  dragging = false;
  void saveOrder();
}

async function saveOrder(): Promise<void> {
  const order = list.value.map((step) => step.id);
  if (
    order.length === props.piece.steps.length &&
    order.every((id, at) => id === props.piece.steps[at]?.id)
  ) {
    list.value = [...props.piece.steps];
    return;
  }
  const rank = (step: Step) => (order.includes(step.id) ? order.indexOf(step.id) : order.length);
  // An order that is refused is put back.
  if (!(await save((steps) => steps.sort((a, b) => rank(a) - rank(b)), 'Steps put in another order'))) {
    list.value = [...props.piece.steps];
  }
}

async function move(at: number, by: number): Promise<void> {
  const to = at + by;
  if (to < 0 || to >= list.value.length) return;
  const next = [...list.value];
  next.splice(to, 0, ...next.splice(at, 1));
  list.value = next;
  await nextTick();
  document.querySelectorAll<HTMLElement>('.step-row')[to]?.focus();
  await saveOrder();
}

function duplicate(step: Step): void {
  void save(
    (steps) => {
      const at = steps.findIndex((one) => one.id === step.id);
      const id = idFromName(
        step.id,
        steps.map((one) => one.id),
      );
      steps.splice(at + 1, 0, { ...plain(step), id });
      return steps;
    },
    `Copied: ${workWord(step)}`,
  );
}
function remove(step: Step): void {
  const gone = withMask(props.piece, step);
  const also = props.piece.steps.filter(({ id }) => id !== step.id && gone.has(id)).map(workWord);
  void save(
    (steps) => steps.filter(({ id }) => !gone.has(id)),
    `Deleted: ${[workWord(step), ...also].join(', ')}`,
  );
}

const logOf = (step: Step): string[] =>
  (store.build?.log ?? []).flatMap((entry) =>
    entry.piece === props.piece.id && entry.step === step.id ? [entry.id] : [],
  );
const loggedIds = ref<string[]>([]);
const isPuttingRight = ref(false);
function putRight(ids: string[]): void {
  loggedIds.value = ids;
  isPuttingRight.value = true;
}

const zone = computed(() => store.view?.timeZone ?? 'UTC');
/** What each pass of the build takes out of its tin. */
const needs = computed(() =>
  store.build ? passNeeds(store.build, store.view?.operations ?? []) : undefined,
);
const WORTH_SAYING_ML = 0.05;
const rows = computed(() =>
  list.value.map((step) => {
    const operations = (store.view?.operations ?? []).filter(
      (operation) => operation.pieceId === props.piece.id && operation.stepId === step.id,
    );
    const done = operations.filter((operation) => operation.status === 'done').length;
    const counted = operations.filter((operation) => operation.status !== 'skipped').length;
    const open = operations
      .filter(isPlaced)
      .filter((operation) => operation.status === 'planned')
      .sort((a, b) => a.start - b.start);
    const ml = operations.reduce((sum, { id }) => sum + (needs.value?.get(id)?.ml ?? 0), 0);
    const material = step.material === undefined ? undefined : materials.known.get(step.material);
    const status = (() => {
      if (operations.some((operation) => operation.status === 'underway')) return 'under way';
      if (operations.length === 0) return '';
      if (counted === 0) return 'left out';
      if (done === counted) return 'done';
      if (open[0])
        return `${done > 0 ? `${done} of ${counted} done, next ` : ''}${sayMoment(open[0].start, zone.value)}`;
      return 'stuck: nothing on the plan allows it';
    })();
    return {
      step,
      material,
      status,
      isDone: done === counted && counted > 0,
      line: describeStep(store.theBuild, props.piece, step, material),
      amount: ml < WORTH_SAYING_ML ? '' : `takes about ${sayMl(ml)}`,
      colour: material ? (step.colour ?? material.colour) : undefined,
      safety: safetyLine(step, methodOf(step, material), material),
      findings: props.findings.filter((finding) => finding.step === step.id),
      logged: logOf(step),
    };
  }),
);
</script>

<template>
  <p v-if="rows.length === 0" class="quiet mt-3">
    No steps yet. Choose a look, and they are written for you; or add them one by one.
  </p>
  <VueDraggable
    v-model="list"
    tag="ol"
    class="steps"
    handle=".handle"
    :animation="120"
    @start="dragging = true"
    @end="dropped"
  >
    <li
      v-for="(row, index) in rows"
      :key="row.step.id"
      class="step-row"
      :class="{ done: row.isDone }"
      tabindex="0"
      :data-testid="`step-${row.step.id}`"
      @keydown.alt.up.prevent.self="move(index, -1)"
      @keydown.alt.down.prevent.self="move(index, 1)"
      @keydown.enter.self="edit(row.step, index)"
    >
      <span class="handle" title="Drag, or Alt with the arrow keys"
        ><v-icon :icon="mdiDrag" size="20"
      /></span>
      <span class="number figures">{{ index + 1 }}</span>
      <span class="chip" :style="{ background: row.colour ?? 'transparent' }" aria-hidden="true" />
      <div class="text">
        <div class="top">
          <strong
            >{{ workWord(row.step) }}<span v-if="row.step.optional" class="quiet"> (can be left out)</span
            ><span v-if="row.step.mends" class="quiet"> (a repair)</span
            ><span v-if="row.step.ended" class="quiet"> (no more of it)</span></strong
          >
          <span class="status figures small">{{ row.isDone ? '✓ ' : '' }}{{ row.status }}</span>
        </div>
        <p class="small">
          {{ row.line }}<template v-if="row.amount"> · {{ row.amount }}</template>
        </p>
        <p v-if="row.step.note" class="small quiet"><FieldText :text="row.step.note" /></p>
        <p v-if="row.safety && !row.isDone" class="small quiet">
          <v-icon :icon="mdiShieldAlertOutline" size="16" /> {{ row.safety }}
        </p>
        <FindingNote
          v-for="finding in row.findings"
          :key="finding.rule"
          :finding="finding"
          @apply="(way) => $emit('apply', finding, way)"
        />
      </div>
      <HowToButton :step="row.step" :material="row.material" size="small" />
      <v-menu>
        <template #activator="{ props: menu }">
          <v-btn
            v-bind="menu"
            :icon="mdiDotsVertical"
            variant="text"
            size="small"
            :aria-label="`Step ${index + 1}, ${workWord(row.step)}: menu`"
          />
        </template>
        <v-list density="compact">
          <v-list-item title="Change" @click="edit(row.step, index)" />
          <v-list-item
            v-if="row.logged.length > 0"
            title="Put right what was logged"
            @click="putRight(row.logged)"
          />
          <v-list-item title="Insert before" @click="edit(undefined, index)" />
          <v-list-item title="Copy" @click="duplicate(row.step)" />
          <v-list-item title="Move up" :disabled="index === 0" @click="move(index, -1)" />
          <v-list-item title="Move down" :disabled="index === rows.length - 1" @click="move(index, 1)" />
          <v-list-item title="Delete" @click="remove(row.step)" />
        </v-list>
      </v-menu>
    </li>
  </VueDraggable>
  <v-btn class="mt-3" size="small" :prepend-icon="mdiPlus" @click="edit(undefined)">Add a step</v-btn>
  <v-btn v-if="rows.length > 0" class="mt-3 ml-3" size="small" :prepend-icon="mdiPlus" @click="adding = true"
    >Add a finish</v-btn
  >
  <AddFinishDialog v-if="adding" v-model="adding" :piece="piece" />
  <EntryDialog v-if="isPuttingRight" v-model="isPuttingRight" :ids="loggedIds" />
  <StepDialog v-model="dialog" :piece="piece" :step="editing" :at="insertAt" />
</template>

<style scoped>
.steps {
  list-style: none;
  padding: 0;
  margin: 10px 0 0;
}

.step-row {
  display: grid;
  grid-template-columns: 22px 22px 16px 1fr auto 40px;
  gap: 8px;
  padding: 10px 0;
  border-top: 1px solid var(--line);
}

/* On a phone what is pressed stands below the words. */
@media (max-width: 480px) {
  .step-row {
    grid-template-columns: 18px 18px 16px minmax(0, 1fr) 40px;
  }

  .step-row > :nth-child(5) {
    grid-column: 4;
    grid-row: 2;
    justify-self: start;
  }

  .step-row > :nth-child(6) {
    grid-column: 5;
    grid-row: 1;
  }
}

.step-row.done .text > p,
.step-row.done strong {
  color: var(--quiet);
}

.handle {
  cursor: grab;
  color: var(--quiet);
  touch-action: none;
}

.number {
  color: var(--quiet);
  text-align: right;
}

.chip {
  width: 16px;
  height: 16px;
  margin-top: 4px;
  border-radius: 2px;
  border: 1px solid var(--line);
}

.top {
  display: flex;
  justify-content: space-between;
  gap: 12px;
}

.status {
  text-align: right;
  white-space: nowrap;
}
</style>
