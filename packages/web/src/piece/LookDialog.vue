<script setup lang="ts">
import {
  clears,
  describeStep,
  keepLoggedIds,
  sayMoment,
  sayWait,
  schools,
  stepKindWords,
  undercoats,
  usualTools,
  writeSteps,
  type Choices,
  type Clear,
  type Method,
  type Piece,
  type SealerSchool,
  type Undercoat,
  type VariantOutcome,
} from '@fixatum/core';
import { watchDebounced } from '@vueuse/core';
import { computed, reactive, ref, watch } from 'vue';
import DialogFoot from '../shared/DialogFoot.vue';
import OrderButtons from './OrderButtons.vue';
import { compareInWorker } from '../shared/planner';
import { useBuild } from '../shared/build';
import { useLooks } from '../shared/looks';
import { useNotice } from '../shared/notice';

/** Writes the steps of a piece from looks and schools, and shows at once what that does to its dates. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ piece: Piece }>();
const store = useBuild();
const looks = useLooks();
const notice = useNotice();

const form = reactive({
  byZone: {} as Record<string, { lookId: string; colour: string }>,
  sealer: '' as SealerSchool | '',
  undercoat: '' as Undercoat | '',
  clear: '' as Clear | '',
  tools: [...usualTools] as Method[],
  quicker: false,
  fill: false,
  straps: true,
  order: undefined as string[] | undefined,
});
const against = ref<SealerSchool>('rubber-dip');
const outcomes = ref<VariantOutcome[]>();
const comparing = ref(false);
const saving = ref(false);

const slots = computed(() =>
  props.piece.zones && props.piece.zones.length > 1
    ? props.piece.zones.map((zone) => ({ id: zone.id, name: zone.name }))
    : [{ id: '', name: 'the whole piece' }],
);

watch(open, (isOpen) => {
  if (!isOpen) return;
  void looks.load();
  form.byZone = Object.fromEntries(slots.value.map((slot) => [slot.id, { lookId: '', colour: '' }]));
  form.order = undefined;
  form.straps =
    props.piece.steps.some((step) => step.attaches === 'strap') || (props.piece.keepBare?.length ?? 0) > 0;
  outcomes.value = undefined;
});

const picks = computed((): Choices['looks'] =>
  slots.value.flatMap((slot) => {
    const pick = form.byZone[slot.id];
    const look = pick && looks.byId(pick.lookId);
    return look
      ? [{ look, ...(slot.id ? { zone: slot.id } : {}), ...(pick.colour ? { colour: pick.colour } : {}) }]
      : [];
  }),
);
const choices = computed((): Choices => ({
  looks: picks.value,
  ...(form.sealer ? { sealer: form.sealer } : {}),
  ...(form.undercoat ? { undercoat: form.undercoat } : {}),
  ...(form.clear ? { clear: form.clear } : {}),
  tools: form.tools,
  quicker: form.quicker,
  fill: form.fill,
  straps: form.straps,
  ...(form.order ? { order: form.order } : {}),
}));
/** Steps as chosen, standing in for the old ones; what was logged for the same work stays. */
function stepsBy(made: Choices) {
  const result = writeSteps(store.build!, props.piece, made);
  return { ...result, steps: keepLoggedIds(props.piece, result.steps) };
}
const written = computed(() => (store.build && picks.value.length > 0 ? stepsBy(choices.value) : undefined));
const ownSchool = computed(() => form.sealer || picks.value[0]?.look.school || 'pva');
const schoolName = (id: string) => schools.find((school) => school.id === id)!;

watchDebounced(
  [choices, against, open],
  async () => {
    if (!open.value || !written.value || !store.build) return;
    comparing.value = true;
    const other = stepsBy({ ...choices.value, sealer: against.value });
    const wanted = written.value;
    try {
      const found = await compareInWorker(store.planGround(), [
        { ...props.piece, steps: wanted.steps },
        { ...props.piece, steps: other.steps },
      ]);
      if (written.value === wanted) outcomes.value = found;
    } catch (error) {
      notice.complain(error);
    } finally {
      comparing.value = false;
    }
  },
  { debounce: 250, deep: true },
);

const lost = computed(() => {
  const steps = new Map((written.value?.steps ?? []).map((step) => [step.id, step]));
  return (store.build?.log ?? []).filter(
    (entry) =>
      entry.piece === props.piece.id &&
      !(steps.has(entry.step) && entry.coat <= (steps.get(entry.step)!.coats ?? 1)),
  ).length;
});

function move(zoneId: string, by: number): void {
  const order = [...(form.order ?? written.value?.zones?.order ?? [])];
  const at = order.indexOf(zoneId);
  const to = at + by;
  if (at < 0 || to < 0 || to >= order.length) return;
  [order[at], order[to]] = [order[to]!, order[at]!];
  form.order = order;
}

async function write(): Promise<void> {
  if (!written.value) return;
  saving.value = true;
  try {
    if (await store.saveSteps(props.piece, written.value.steps, `Steps written for ${props.piece.name}`))
      open.value = false;
  } finally {
    saving.value = false;
  }
}

const lookItems = computed(() => [
  { value: '', title: 'Choose a look' },
  ...looks.all.map((look) => ({ value: look.id, title: look.name })),
]);
const sealerItems = computed(() => [
  { value: '', title: `As the look has it: ${schoolName(picks.value[0]?.look.school ?? 'pva').name}` },
  ...schools.map((school) => ({ value: school.id, title: school.name })),
]);
const undercoatItems = [
  { value: '', title: 'As the look has it' },
  ...undercoats.map((value) => ({ value, title: value === 'oxide' ? 'red-brown' : value })),
];
const clearItems = [
  { value: '', title: 'As the look has it' },
  ...clears.map((value) => ({ value, title: value })),
];
const toolItems: { value: Method; title: string }[] = [
  { value: 'foam-brush', title: 'foam brush' },
  { value: 'sponge', title: 'sponge' },
  { value: 'airbrush', title: 'airbrush' },
  { value: 'aerosol', title: 'spray cans' },
];
const at = (minute: number | undefined) =>
  minute === undefined || !Number.isFinite(minute) ? 'never' : sayMoment(minute, store.view!.timeZone);
const amountWords = ['', 'Little', 'Some', 'Much'];
</script>

<template>
  <v-dialog v-model="open" max-width="1120" scrollable>
    <v-card>
      <v-card-text class="pa-6">
        <h2 class="mb-1">A look for {{ piece.name }}</h2>
        <p class="quiet mb-4">
          Choose how it shall look; the steps are written for this piece, and you can change any of them
          afterwards.
        </p>
        <div class="columns">
          <div class="choose">
            <div v-for="slot in slots" :key="slot.id" class="pick">
              <v-select
                v-if="form.byZone[slot.id]"
                v-model="form.byZone[slot.id]!.lookId"
                :items="lookItems"
                :label="slots.length > 1 ? slot.name : 'Look'"
              />
              <label
                v-if="form.byZone[slot.id]?.lookId"
                class="colour"
                :title="`Main colour of ${slot.name}`"
              >
                <input
                  type="color"
                  :aria-label="`Main colour of ${slot.name}`"
                  :value="form.byZone[slot.id]!.colour || looks.byId(form.byZone[slot.id]!.lookId)?.colour"
                  @change="form.byZone[slot.id]!.colour = ($event.target as HTMLInputElement).value"
                />
              </label>
            </div>
            <p v-for="pick in picks" :key="pick.look.id + pick.zone" class="small quiet">
              {{ pick.look.name }}: {{ pick.look.about }}
            </p>
            <v-select v-model="form.sealer" label="Sealer" :items="sealerItems" />
            <div class="two">
              <v-select v-model="form.undercoat" label="Undercoat" :items="undercoatItems" />
              <v-select v-model="form.clear" label="Clear coat" :items="clearItems" />
            </div>
            <p class="mb-n2"><strong>At hand, besides brushes</strong></p>
            <div class="tools">
              <v-checkbox
                v-for="tool in toolItems"
                :key="tool.value"
                v-model="form.tools"
                :value="tool.value"
                :label="tool.title"
              />
            </div>
            <v-checkbox v-model="form.fill" label="Seams or pores to fill first" />
            <v-checkbox v-model="form.straps" label="Straps or closures at the end" />
            <v-checkbox v-model="form.quicker" label="The quicker variant, without the extras" />
          </div>

          <div v-if="written" class="outcome" aria-live="polite">
            <table class="figures">
              <thead>
                <tr>
                  <td />
                  <th scope="col">{{ schoolName(ownSchool).name }}</th>
                  <th scope="col">
                    <select v-model="against" aria-label="Compare with">
                      <option v-for="school in schools" :key="school.id" :value="school.id">
                        {{ school.name }}
                      </option>
                    </select>
                  </th>
                </tr>
              </thead>
              <tbody v-if="outcomes" :class="{ stale: comparing }">
                <tr>
                  <th scope="row">Packable</th>
                  <td v-for="(one, n) in outcomes" :key="n">{{ at(one.packableAt) }}</td>
                </tr>
                <tr>
                  <th scope="row">Wearable</th>
                  <td v-for="(one, n) in outcomes" :key="n">{{ at(one.wearableAt) }}</td>
                </tr>
                <tr>
                  <th scope="row">Against the date</th>
                  <td v-for="(one, n) in outcomes" :key="n" :class="{ bad: (one.slackMinutes ?? 0) < 0 }">
                    {{
                      one.slackMinutes === undefined
                        ? 'no date'
                        : one.slackMinutes < 0
                          ? `${sayWait(-one.slackMinutes)} too late`
                          : `${sayWait(one.slackMinutes)} to spare`
                    }}
                  </td>
                </tr>
                <tr>
                  <th scope="row">Coats</th>
                  <td v-for="(one, n) in outcomes" :key="n">{{ one.coats }}</td>
                </tr>
                <tr>
                  <th scope="row">Hands-on</th>
                  <td v-for="(one, n) in outcomes" :key="n">{{ sayWait(one.handsOnMinutes) }}</td>
                </tr>
                <tr>
                  <th scope="row">Material</th>
                  <td v-for="(one, n) in outcomes" :key="n">
                    {{ amountWords[one.costClass] }}: {{ Math.round(one.materialMl) }} ml of
                    {{ one.materials }} materials
                  </td>
                </tr>
                <tr>
                  <th scope="row">Where</th>
                  <td v-for="(one, n) in outcomes" :key="n">{{ one.places.join(', ') }}</td>
                </tr>
                <tr v-if="outcomes.some((one) => one.makesLate.length > 0)">
                  <th scope="row">Makes late</th>
                  <td v-for="(one, n) in outcomes" :key="n">
                    {{ one.makesLate.map((id) => store.pieceOf(id)?.name ?? id).join(', ') || 'nothing' }}
                  </td>
                </tr>
                <tr>
                  <th scope="row">Good at</th>
                  <td v-for="id in [ownSchool, against]" :key="id">{{ schoolName(id).goodAt }}</td>
                </tr>
                <tr>
                  <th scope="row">Bad at</th>
                  <td v-for="id in [ownSchool, against]" :key="id">{{ schoolName(id).badAt }}</td>
                </tr>
              </tbody>
            </table>
            <p v-if="!outcomes" class="quiet my-3">Working out the dates…</p>

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

            <h3 class="mt-5 mb-1">{{ written.steps.length }} steps</h3>
            <ol class="steps small">
              <li v-for="step in written.steps" :key="step.id">
                <strong>{{ stepKindWords[step.kind] }}</strong>
                <span class="quiet">{{
                  describeStep(
                    store.build!,
                    piece,
                    step,
                    step.material ? store.materials.get(step.material) : undefined,
                  )
                }}</span>
              </li>
            </ol>
          </div>
          <div v-else class="quiet">
            The steps, the dates, and how two sealers compare show here once a look is chosen.
          </div>
        </div>
      </v-card-text>
      <DialogFoot
        v-model="open"
        words="Write these steps"
        :disabled="!written"
        :saving="saving"
        @done="write"
      >
        <span v-if="written && lost > 0" class="small"
          >{{ lost }} logged {{ lost === 1 ? 'pass belongs' : 'passes belong' }} to steps that go; Undo brings
          them back.</span
        >
      </DialogFoot>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 340px 1fr;
  min-height: 600px;
  gap: 32px;
}

.choose {
  display: flex;
  flex-direction: column;
  gap: 12px;
}

.choose > * {
  flex: none;
}

.pick {
  display: flex;
  gap: 10px;
  align-items: center;
}

.colour input {
  width: 48px;
  height: 44px;
  padding: 0;
  border: 1px solid var(--line);
  background: none;
}

.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}

.tools {
  display: grid;
  grid-template-columns: 1fr 1fr;
}

table {
  width: 100%;
  border-collapse: collapse;
  font-size: 0.92rem;
}

th,
td {
  text-align: left;
  vertical-align: top;
  padding: 5px 12px 5px 0;
  border-bottom: 1px solid var(--line);
  width: 40%;
}

th[scope='row'] {
  font-weight: 400;
  color: var(--quiet);
  width: 20%;
  white-space: nowrap;
}

.stale {
  opacity: 0.5;
}

.bad {
  color: rgb(var(--v-theme-error));
  font-weight: 600;
}

select {
  font-weight: 700;
  border: 1px solid var(--line);
  border-radius: 3px;
  padding: 2px 6px;
  background: rgb(var(--v-theme-surface));
  color: inherit;
  max-width: 100%;
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
