<script setup lang="ts">
import {
  coverAdvice,
  isCoverStep,
  methodWords,
  pigmentTable,
  sayReached,
  sayMl,
  stepKindWords,
  type CoverOption,
  type PaletteColour,
  type VariantOutcome,
  sayUm,
} from '@fixatum/core';
import { computed, ref, watch } from 'vue';
import { useBuild } from '../shared/build';
import { useMaterials } from '../shared/materials';
import { useNotice } from '../shared/notice';
import { compareInWorker } from '../shared/planner';
import { plain } from '../shared/offThread/workerLink';
import { offWords } from './roles';

/** How a colour covers where it is laid: coat by coat over each ground, and what it would be best laid over. */
const props = defineProps<{ colour: PaletteColour }>();
const store = useBuild();
const materials = useMaterials();
const notice = useNotice();

/** Steps that can be judged: those that follow the colour first, then the others of the build. */
const steps = computed(() =>
  (store.build?.pieces ?? [])
    .flatMap((piece) =>
      piece.steps
        .filter((step) => isCoverStep(step, materials.known.get(step.material ?? '')))
        .map((step) => ({
          key: `${piece.id} ${step.id}`,
          piece,
          step,
          isOwn: step.palette === props.colour.id,
          title: `${piece.name}: ${stepKindWords[step.kind]}, ${step.colour}`,
        })),
    )
    .sort((one, other) => Number(other.isOwn) - Number(one.isOwn)),
);
const chosen = ref('');
const at = computed(() => steps.value.find(({ key }) => key === chosen.value) ?? steps.value[0]);
const picked = computed({ get: () => at.value?.key ?? '', set: (key) => (chosen.value = key) });
const advice = computed(() =>
  at.value && store.build
    ? coverAdvice(at.value.piece, at.value.step.id, { materials: materials.known, build: store.build })
    : undefined,
);

const groundWords: Record<CoverOption['id'], string> = {
  bare: 'As it is, with nothing more below',
  black: 'Black below',
  white: 'White below',
  grey: 'Grey below',
  oxide: 'Red-brown below',
  neighbour: 'An opaque neighbour below',
};
const belowWords = ({ id, material, coatsBelow, colour }: CoverOption) =>
  material
    ? `${groundWords[id]}: ${coatsBelow} × ${material.name}${id === 'neighbour' ? ` ${colour}` : ''}`
    : groundWords[id];
const coatWords = (coats: number | undefined) =>
  coats === undefined ? 'no sensible number of coats covers it' : `${coats} coats cover it`;

/** What each way comes to in the plan, as it is worked out, best first. */
const outcomes = ref<(VariantOutcome | undefined)[]>([]);
let ticket = 0;
async function planThem(): Promise<void> {
  ticket += 1;
  const own = ticket;
  const options = advice.value?.options ?? [];
  outcomes.value = options.map(() => undefined);
  try {
    for (const [n, option] of options.entries()) {
      const [outcome] = await compareInWorker(store.planGround(), [plain(option.piece)]);
      if (own !== ticket) return;
      outcomes.value = outcomes.value.map((one, place) => (place === n ? outcome : one));
    }
  } catch (error) {
    if (own === ticket) notice.complain(error);
  }
}
const isPlanned = ref(false);
watch(at, (now, before) => {
  // The build came anew, as after every save: what was asked for is worked out on it.
  if (isPlanned.value && now?.key === before?.key) {
    void planThem();
    return;
  }
  isPlanned.value = false;
  ticket += 1;
  outcomes.value = [];
});
function plan(): void {
  isPlanned.value = true;
  void planThem();
}
const when = (minute: number | undefined) => sayReached(minute, store.theView.timeZone);

async function write(option: CoverOption): Promise<void> {
  const piece = at.value?.piece;
  if (piece) await store.saveSteps(piece, plain(option.piece.steps), `${belowWords(option)} ${piece.name}`);
}
const isAsWritten = (option: CoverOption) =>
  at.value !== undefined && JSON.stringify(option.piece.steps) === JSON.stringify(at.value.piece.steps);
</script>

<template>
  <section aria-labelledby="cover-title" data-testid="cover-panel">
    <h2 id="cover-title">What covers</h2>
    <p v-if="!at" class="quiet">No step of this build lays paint in a colour of its own yet.</p>
    <template v-else>
      <div class="filters">
        <v-select
          v-model="picked"
          class="choice"
          label="Where it is laid"
          density="compact"
          :items="steps.map(({ key, title }) => ({ value: key, title }))"
        />
      </div>
      <template v-if="advice">
        <p>
          <span class="dot" :style="{ background: advice.ground }" aria-hidden="true" />
          {{ advice.material.name }}, {{ advice.coats }} {{ advice.coats === 1 ? 'coat' : 'coats' }} by
          {{ methodWords[advice.laying.method] }} over what is there, comes out as
          <span class="dot" :style="{ background: advice.comesOut }" aria-hidden="true" />
          <span class="figures">{{ advice.comesOut }}</span>.
        </p>
        <p class="small quiet">
          In this colour it hides at about {{ sayUm(advice.hideUm) }} of dry film; a coat is
          {{ sayUm(advice.laying.coatUm) }}.<template v-if="advice.pigments.length > 0">
            Such a colour is likely made of
            {{ advice.pigments.map(({ pigment }) => pigmentTable[pigment].name.toLowerCase()).join(', ') }}:
            the label of your tin knows better.</template
          >
        </p>
        <p v-if="advice.byMethod.length > 1" class="small">
          To hide what is below:
          <template v-for="(one, n) in advice.byMethod" :key="one.method"
            ><template v-if="n > 0">, </template>{{ methodWords[one.method] }}
            {{ one.coats === undefined ? 'no sensible number' : `${one.coats} coats` }}</template
          >.
        </p>
        <ul class="options">
          <li v-for="(option, n) in advice.options" :key="option.id" data-testid="ground">
            <div class="strip" role="img" :aria-label="`${belowWords(option)}: ${coatWords(option.coats)}`">
              <span class="below" :style="{ background: option.strip.ground }" />
              <span
                v-for="(coat, k) in option.strip.coats"
                :key="k"
                class="coat"
                :class="{ enough: k + 1 === option.coats }"
                :style="{ background: coat }"
                ><span class="number figures">{{ k + 1 }}</span></span
              >
            </div>
            <div>
              <strong>{{ belowWords(option) }}</strong><span v-if="option.isUsual" class="usual small">
                usual for this colour</span
              >
              <p class="small">
                {{ coatWords(option.coats) }}; comes out {{ option.comesOut }}, {{ offWords(option.off) }}
              </p>
              <p v-if="isPlanned" class="small figures" :class="{ quiet: !outcomes[n] }">
                <template v-if="outcomes[n]"
                  >{{ sayMl(outcomes[n].materialMl) }} on the whole piece · packable
                  {{ when(outcomes[n].packableAt) }} · {{ outcomes[n].coats }} coats in all</template
                ><template v-else>Planning it…</template>
              </p>
            </div>
            <v-btn
              size="small"
              :variant="n === 0 && !isAsWritten(option) ? 'flat' : 'outlined'"
              :color="n === 0 && !isAsWritten(option) ? 'primary' : undefined"
              :disabled="isAsWritten(option)"
              @click="write(option)"
              >{{ isAsWritten(option) ? 'Written' : 'Write it' }}</v-btn
            >
          </li>
        </ul>
        <v-btn v-if="!isPlanned" size="small" variant="outlined" @click="plan"
          >Plan each, to see the days</v-btn
        >
      </template>
    </template>
  </section>
</template>

<style scoped>
section {
  margin-top: 30px;
}

/* The name of a field stands above its box, and not in the heading. */
.filters {
  margin-top: 14px;
}

.options {
  list-style: none;
  padding: 0;
  margin: 10px 0 14px;
}

.options li {
  display: grid;
  grid-template-columns: 270px minmax(0, 1fr) auto;
  gap: 18px;
  align-items: center;
  padding: 10px 0;
  border-top: 1px solid var(--line);
}

/* A stair of coats: the ground runs on below, each coat is one step more. */
.strip {
  display: grid;
  grid-template-columns: 40px repeat(6, 1fr);
  height: 52px;
  align-items: end;
}

.below,
.coat {
  height: 100%;
}

.coat {
  position: relative;
}

.coat.enough {
  box-shadow: inset 0 -4px 0 currentcolor;
}

.number {
  position: absolute;
  inset: auto 0 100%;
  text-align: center;
  font-size: 0.75rem;
  display: none;
}

.coat.enough .number {
  display: block;
  inset: auto 0 -18px;
}

.usual {
  margin-left: 8px;
  white-space: nowrap;
}

.usual::before {
  content: '● ';
}

.dot {
  margin: 0 4px;
  display: inline-block;
  width: 18px;
  height: 18px;
  border: 1px solid var(--line);
  border-radius: 3px;
  vertical-align: -4px;
}

@media (max-width: 760px) {
  .options li {
    grid-template-columns: 1fr;
  }
}
</style>
