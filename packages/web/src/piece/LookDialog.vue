<script setup lang="ts">
import {
  describeStep,
  begunStepIds,
  workWord,
  takesSealer,
  writeSteps,
  type Choices,
  type Look,
  type Piece,
  type SealerSchool,
  type Step,
  type VariantOutcome,
} from '@fixatum/core';
import { watchDebounced } from '@vueuse/core';
import { computed, ref, shallowRef, watch } from 'vue';
import AppDialog from '../shared/AppDialog.vue';
import FinishThumb from '../shared/FinishThumb.vue';
import DialogFoot from '../shared/DialogFoot.vue';
import FieldText from '../shared/FieldText.vue';
import LookChoices from './LookChoices.vue';
import LookPictures from './LookPictures.vue';
import LookOutcomes from './LookOutcomes.vue';
import OrderButtons from './OrderButtons.vue';
import {
  choicesOf,
  finishSteps,
  freshLookForm,
  isSavedFinish,
  keptChoice,
  likelyZones,
  lookSlots,
  movedBy,
  otherSchool,
  picksOf,
  type LookForm,
} from './lookForm';
import { compareInWorker } from '../shared/planner';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import { useLooks } from '../shared/looks';
import { useNotice } from '../shared/notice';

/** Writes the steps of a piece from looks and schools, and shows at once what that does to its dates. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ piece: Piece }>();
const store = useBuild();
const materials = useMaterials();
const looks = useLooks();
const notice = useNotice();

const form = ref(freshLookForm(props.piece));
const against = ref<SealerSchool>('rubber-dip');
/** Something is laid on it already, so that there is no sealer to choose. */
const isCoated = computed(() => {
  const ids = begunStepIds(store.theBuild, props.piece.id);
  return props.piece.steps.some(({ id, material }) => material !== undefined && ids.has(id));
});
/** Whether one sealer can be held against another here. */
const isCompared = computed(() => form.value.recipeId === '' && takesSealer(props.piece) && !isCoated.value);
const outcomes = ref<VariantOutcome[]>();
const comparing = ref(false);
/** The steps that the outcomes shown are of: those of a choice before are grey from the moment another is made. */
const told = shallowRef<object>();
const saving = ref(false);
const slots = computed(() => lookSlots(props.piece));

watch(open, (isOpen) => {
  if (!isOpen) return;
  void looks.load();
  // What was chosen for this piece; of what nobody chose here, the same as for the last one.
  const fresh = freshLookForm(props.piece);
  const { byZone, straps, tryOn, order, recipeId, recipeZones } = fresh;
  Object.assign(
    form.value,
    props.piece.chosen ? fresh : { byZone, straps, tryOn, order, recipeId, recipeZones },
  );
  outcomes.value = undefined;
});

const picks = computed(() => picksOf(form.value, slots.value, looks.byId));
const choices = computed(() => ({ ...choicesOf(form.value, picks.value), now: store.wallNow }));
/** Steps as chosen, over what is laid already. */
const stepsBy = (made: Choices) => writeSteps(store.theBuild, props.piece, made);
const finish = computed(() => {
  const look = looks.byId(form.value.recipeId);
  return isSavedFinish(look) ? look : undefined;
});
watch(finish, (look) => (form.value.recipeZones = look ? likelyZones(look, props.piece) : {}));
const written = computed(() => {
  if (!store.build) return undefined;
  if (finish.value) return finishSteps(store.build, props.piece, finish.value, form.value.recipeZones);
  return picks.value.length > 0 ? stepsBy(choices.value) : undefined;
});
/** The form with one look all over. */
const allIn = (look: Look): LookForm => ({
  ...form.value,
  byZone: Object.fromEntries(slots.value.map(({ id }) => [id, { lookId: look.id, colour: '' }])),
});
function stepsIn(look: Look): Step[] {
  if (isSavedFinish(look))
    return finishSteps(store.theBuild, props.piece, look, likelyZones(look, props.piece)).steps;
  const all = allIn(look);
  const made = choicesOf(all, picksOf(all, slots.value, looks.byId));
  return stepsBy({ ...made, now: store.wallNow }).steps;
}
function pick(look: Look): void {
  if (isSavedFinish(look)) form.value.recipeId = look.id;
  else form.value.byZone = allIn(look).byZone;
}
const ownSchool = computed(() => form.value.sealer || picks.value[0]?.look.school || 'pva');
// Two that are the same tell nothing.
watch(
  [ownSchool, against],
  () => {
    if (against.value === ownSchool.value) against.value = otherSchool(ownSchool.value);
  },
  { immediate: true },
);

watchDebounced(
  [choices, written, against, open],
  async () => {
    if (!open.value || !written.value || !store.build) return;
    comparing.value = true;
    const others = isCompared.value ? [stepsBy({ ...choices.value, sealer: against.value })] : [];
    const wanted = written.value;
    try {
      const found = await compareInWorker(
        store.planGround(),
        [wanted, ...others].map(({ steps }) => ({ ...props.piece, steps })),
      );
      if (written.value === wanted) {
        outcomes.value = found;
        told.value = wanted;
      }
    } catch (error) {
      notice.complain(error);
    } finally {
      comparing.value = false;
    }
  },
  { debounce: 250, deep: true },
);

/** What is done already of the steps shown, and what is still to do. */
const begun = computed(() => begunStepIds(store.theBuild, props.piece.id));
const toDo = computed(() => (written.value?.steps ?? []).filter(({ id }) => !begun.value.has(id)).length);

function move(zoneId: string, by: number): void {
  form.value.order = movedBy(form.value.order ?? written.value?.zones?.order ?? [], zoneId, by);
}

async function write(): Promise<void> {
  if (!written.value) return;
  saving.value = true;
  try {
    const chosen = finish.value ? props.piece.chosen : keptChoice(form.value);
    const piece = { ...props.piece, steps: written.value.steps, ...(chosen ? { chosen } : {}) };
    if (await store.savePiece(piece, props.piece, `Steps written for ${props.piece.name}`))
      open.value = false;
  } catch (error) {
    notice.complain(error);
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <AppDialog v-model="open" max-width="1120" scrollable>
    <v-card>
      <v-card-text class="pa-6">
        <h2 class="mb-1">A look for {{ piece.name }}</h2>
        <p class="quiet mb-4">
          Choose how it shall look; the steps are written for this piece, and you can change any of them
          afterwards.
        </p>
        <div class="columns">
          <LookChoices v-model="form" :slots="slots" />

          <div v-if="written" class="outcome" aria-live="polite">
            <FinishThumb
              class="mb-4"
              :piece="{ ...piece, steps: written.steps }"
              :px="168"
              :label="`What ${piece.name} will look like in it: a forecast`"
            />
            <LookOutcomes
              v-model="against"
              :own-school="isCompared ? ownSchool : undefined"
              :outcomes="outcomes"
              :stale="comparing || told !== written"
            />
            <p v-for="note in written.notes" :key="note" class="small mt-2"><FieldText :text="note" /></p>

            <template v-if="written.zones">
              <h3 class="mt-5 mb-1">
                Order of the zones
                <span class="quiet small figures">{{
                  written.zones.tapeMm > 0
                    ? `${(written.zones.tapeMm / 1000).toFixed(1)} m of tape`
                    : 'no tape'
                }}</span>
              </h3>
              <ol class="order">
                <li v-for="(zoneId, n) in written.zones.order" :key="zoneId">
                  <span>{{ written.zones.why[n] }}</span>
                  <OrderButtons
                    :at="n"
                    :count="written.zones.order.length"
                    :up-label="`Paint ${zoneId} earlier`"
                    :down-label="`Paint ${zoneId} later`"
                    @move="(by) => move(zoneId, by)"
                  />
                </li>
              </ol>
              <v-btn v-if="form.order" size="small" variant="text" @click="form.order = undefined"
                >Back to the order with the least tape</v-btn
              >
            </template>

            <h3 class="mt-5 mb-1">
              {{ begun.size > 0 ? `${toDo} steps to do` : `${written.steps.length} steps` }}
            </h3>
            <ol class="steps small">
              <li v-for="step in written.steps" :key="step.id">
                <span v-if="begun.has(step.id)" class="quiet">✓ done: </span
                ><strong>{{ workWord(step) }}</strong
                >{{ ' '
                }}<span class="quiet">{{
                  describeStep(
                    store.theBuild,
                    piece,
                    step,
                    step.material ? materials.known.get(step.material) : undefined,
                  )
                }}</span>
              </li>
            </ol>
          </div>
          <LookPictures v-else :piece="piece" :looks="looks.all" :steps-in="stepsIn" @pick="pick" />
        </div>
      </v-card-text>
      <DialogFoot
        v-model="open"
        words="Write these steps"
        :disabled="!written"
        :saving="saving"
        @done="write"
      >
        <span v-if="written && begun.size > 0" class="small"
          >What is logged stays as it is; {{ toDo }} {{ toDo === 1 ? 'step is' : 'steps are' }} new.</span
        >
      </DialogFoot>
    </v-card>
  </AppDialog>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 340px 1fr;
  min-height: 600px;
  gap: 32px;
}

.order {
  list-style: decimal;
  padding-left: 20px;
}

.order li > span {
  display: inline-block;
  min-width: 60%;
}

.steps {
  padding-left: 22px;
}

.steps li {
  margin: 3px 0;
}

@media (max-width: 820px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
