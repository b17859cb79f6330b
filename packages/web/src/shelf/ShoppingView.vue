<script setup lang="ts">
import ColourName from '../shared/ColourName.vue';
import { pieceName, severityMarks } from '../shared/words';
import {
  comesInColours,
  sayMl,
  shoppingCsv,
  sundryWords,
  toWallTime,
  workWord,
  type Fault,
  type ShopLine,
  type StepNeed,
} from '@fixatum/core';
import { useLocalStorage } from '@vueuse/core';
import { computed, ref } from 'vue';
import FaultList from '../shared/FaultList.vue';
import NumberField from '../shared/NumberField.vue';
import { saveFile } from '../shared/saveFile';
import MaterialsHead from '../shared/MaterialsHead.vue';
import { withTins } from './tins';
import { useShelf } from './useShelf';

/** What all that is still to be laid wants bought: by when, for what, and on to the shelf with one press. */
const { store, materials, builds, leftOut, shopped, list, change, when } = useShelf();
const faults = ref<Fault[]>([]);
const wanted = computed(() => (list.value?.lines ?? []).filter(({ buy }) => buy.containers.length > 0));
const enough = computed(() => (list.value?.lines ?? []).filter(({ buy }) => buy.containers.length === 0));
const cost = computed(() => {
  const known = wanted.value.flatMap(({ buy }) => buy.cost ?? []);
  return known.length === wanted.value.length && known.length > 0
    ? known.reduce((sum, one) => sum + one, 0)
    : undefined;
});
const opened = ref<string>();
const keyOf = ({ materialId, colour }: ShopLine) => `${materialId} ${colour ?? ''}`;

const isMixed = ({ materialId }: ShopLine): boolean => {
  const material = materials.known.get(materialId);
  return material !== undefined && comesInColours(material);
};
const whatWords = ({ buy }: ShopLine) =>
  buy.containers.map(({ count, containerMl }) => `${count} × ${sayMl(containerMl)}`).join(' + ');
function isLate({ buyBy }: ShopLine): boolean {
  return buyBy !== undefined && buyBy < store.now;
}

/** Puts what was bought, or ordered, on the shelf. */
async function got(line: ShopLine, isOrdered: boolean): Promise<void> {
  const build = store.theBuild;
  // What was ordered is not here today, whatever was said of it.
  const days = Math.max(1, build.deliveryDays ?? 1);
  const arrivesOn = toWallTime(Math.floor(store.now) + days * 1440, build.timeZone).slice(0, 10);
  const stock = line.buy.containers.reduce(
    (made, { containerMl, count, price }) =>
      withTins(
        { ...build, stock: made },
        {
          material: line.materialId,
          containerMl,
          ...(line.colour ? { colour: line.colour } : {}),
          ...(price === undefined ? {} : { price }),
          ...(isOrdered ? { arrivesOn } : {}),
        },
        count,
        store.now,
      ),
    build.stock ?? [],
  );
  faults.value = await change({ stock }, `${isOrdered ? 'Ordered' : 'On the shelf'}: ${line.name}`);
}
async function setPrice(line: ShopLine, containerMl: number, price: number | undefined): Promise<void> {
  const rest = (store.theBuild.prices ?? []).filter(
    (one) => one.material !== line.materialId || one.containerMl !== containerMl,
  );
  const prices = price === undefined ? rest : [...rest, { material: line.materialId, containerMl, price }];
  faults.value = await change({ prices }, `Price kept: ${line.name}`);
}
const setDays = async (days: number | undefined) =>
  (faults.value = await change({ deliveryDays: days ?? 0 }, 'Days of an order kept'));

/** One step that wants something: of which build and piece, and what is done in it. */
function stepWords({ buildId, pieceId, stepId, ml }: StepNeed) {
  const of = builds.value.find(({ id }) => id === buildId)?.build ?? store.theBuild;
  const step = of.pieces.find(({ id }) => id === pieceId)?.steps.find(({ id }) => id === stepId);
  return {
    key: `${buildId} ${pieceId} ${stepId}`,
    to: { name: 'piece', params: { build: buildId ?? store.theId, piece: pieceId } },
    of: builds.value.length > 1 ? `${of.name}: ` : '',
    piece: pieceName(of, pieceId),
    rest: `${step ? workWord(step) : stepId}: ${sayMl(ml)}`,
  };
}
const isShopped = (id: string) => shopped.value.some((one) => one.id === id);
const shopFor = (id: string, is: boolean | null) =>
  (leftOut.value = [...leftOut.value.filter((one) => one !== id), ...(is ? [] : [id])]);
const sundries = computed(() => (list.value ? sundryWords(list.value.sundries) : []));
/** What of them was ticked off on this device; what it says now is another thing once more is wanted. */
const ticked = useLocalStorage<string[]>('fixatum-sundries-got', []);
const tick = (one: string, is: boolean | null) =>
  (ticked.value = [
    ...ticked.value.filter((known) => known !== one && sundries.value.includes(known)),
    ...(is ? [one] : []),
  ]);

function save(): void {
  const { name } = store.theBuild;
  saveFile(`${name} shopping.csv`, shoppingCsv(store.theBuild, wanted.value), 'text/csv');
}
const print = () => window.print();
</script>

<template>
  <div v-if="store.build && list" class="page">
    <MaterialsHead title="To buy">
      <v-btn :disabled="wanted.length === 0" @click="save">Save as a table</v-btn>
      <v-btn :disabled="wanted.length === 0" @click="print">Print</v-btn>
    </MaterialsHead>
    <FaultList :faults="faults" />
    <div v-if="builds.length > 1" class="builds" role="group" aria-label="Shop for">
      <span class="quiet">For</span>
      <v-checkbox
        v-for="one in builds"
        :key="one.id"
        :model-value="isShopped(one.id)"
        :label="one.build.name"
        density="compact"
        @update:model-value="shopFor(one.id, $event)"
      />
    </div>
    <p v-if="wanted.length === 0" class="mb-4">
      <strong>Nothing is missing.</strong> Everything that is still to be laid is on the shelf or on order.
    </p>
    <p v-else class="quiet mb-3">
      What all open steps take, enough nine times in ten, less what is good on the shelf. Where you say what a
      container costs, the cheapest set of them, and else the fewest.<template v-if="cost !== undefined">
        Together {{ cost.toFixed(2) }}.</template
      >
    </p>
    <ul class="lines">
      <li v-for="line in wanted" :key="keyOf(line)" class="line" data-testid="to-buy">
        <span
          class="chip"
          :style="{ background: line.colour ?? materials.known.get(line.materialId)?.colour }"
          aria-hidden="true"
        />
        <div class="what">
          <strong class="name">{{ line.name }}</strong><template v-if="line.colour"
            >,
            <ColourName :colour="line.colour" :material="materials.known.get(line.materialId)" with-figures
          /></template>
          <p class="buy figures">
            {{ whatWords(line)
            }}<span v-if="line.buy.cost !== undefined" class="quiet cost">
              {{ line.buy.cost.toFixed(2) }}</span
            >
          </p>
        </div>
        <div class="notes">
          <p class="small" :class="{ late: isLate(line) }">
            <template v-if="isLate(line) && line.firstUseAt! > store.now"
              >{{ severityMarks.risk }}: too late to order; in hand by {{ when(line.firstUseAt!) }}</template
            >
            <template v-else-if="isLate(line)">{{ severityMarks.risk }}: wanted at once</template>
            <template v-else-if="line.buyBy !== undefined">by {{ when(line.buyBy) }}</template>
            <template v-else>no coat has its place in the plan yet</template>
          </p>
          <p class="small quiet">
            takes about {{ sayMl(line.needMl) }}, up to {{ sayMl(line.enoughMl) }} ·
            {{ line.shelfMl > 0 ? `${sayMl(line.shelfMl)} on the shelf` : 'none on the shelf'
            }}<template v-if="line.onOrderMl > 0"> · {{ sayMl(line.onOrderMl) }} on order</template
            ><template v-if="line.oldMl > 0"> · {{ sayMl(line.oldMl) }} too old to count</template>
          </p>
          <button
            class="why"
            :aria-expanded="opened === keyOf(line)"
            @click="opened = opened === keyOf(line) ? undefined : keyOf(line)"
          >
            What for?
          </button>
          <router-link
            v-if="line.colour && isMixed(line)"
            class="why mixing"
            :to="{
              name: 'mixes',
              params: { build: store.theId },
              query: { material: line.materialId, colour: line.colour },
            }"
            >Mix it instead</router-link
          >
          <div v-if="opened === keyOf(line)" class="for">
            <ul class="small">
              <li v-for="step in line.steps.map(stepWords)" :key="step.key">
                {{ step.of }}<router-link :to="step.to">{{ step.piece }}</router-link
                >, {{ step.rest }}
              </li>
            </ul>
            <div class="prices">
              <NumberField
                v-for="one in line.buy.containers"
                :key="one.containerMl"
                :model-value="one.price"
                :label="`Price of ${sayMl(one.containerMl)}`"
                :min="0"
                density="compact"
                @change="
                  (event: Event) =>
                    setPrice(
                      line,
                      one.containerMl,
                      Number((event.target as HTMLInputElement).value) || undefined,
                    )
                "
              />
            </div>
          </div>
        </div>
        <div class="acts">
          <v-btn size="large" variant="flat" color="primary" :disabled="store.busy" @click="got(line, false)"
            >Bought</v-btn
          >
          <v-btn size="large" variant="outlined" :disabled="store.busy" @click="got(line, true)"
            >Ordered</v-btn
          >
        </div>
      </li>
    </ul>
    <section v-if="sundries.length > 0" class="mt-6">
      <h2>Besides paint</h2>
      <v-checkbox
        v-for="one in sundries"
        :key="one"
        :model-value="ticked.includes(one)"
        :label="one"
        density="comfortable"
        @update:model-value="tick(one, $event)"
      />
    </section>
    <section v-if="enough.length > 0" class="mt-6">
      <h2>There is enough of</h2>
      <ul class="besides">
        <li v-for="line in enough" :key="keyOf(line)">
          {{ line.name
          }}<template v-if="line.colour"
            >,
            <ColourName
              :colour="line.colour"
              :material="materials.known.get(line.materialId)"
              with-figures /></template
          >: {{ sayMl(line.shelfMl + line.onOrderMl)
          }}<template v-if="line.onOrderMl > 0"> with what is on order</template>, up to
          {{ sayMl(line.enoughMl) }} is taken
        </li>
      </ul>
    </section>
    <div class="days">
      <NumberField
        :model-value="store.build.deliveryDays"
        label="Days an order takes"
        :min="0"
        :max="365"
        :step="1"
        @change="(event: Event) => setDays(Number((event.target as HTMLInputElement).value))"
      />
    </div>
  </div>
  <div v-else class="page quiet">Looking at what the plan takes…</div>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 0;
}

.line {
  display: grid;
  grid-template-columns: 20px minmax(0, 1fr) auto;
  gap: 6px 14px;
  padding: 14px 0;
  border-top: 1px solid var(--line);
}

.chip {
  width: 20px;
  height: 20px;
  margin-top: 3px;
  border: 1px solid var(--line);
  border-radius: 3px;
}

.notes {
  grid-column: 2;
}

@media (min-width: 900px) {
  .line {
    grid-template-columns: 20px minmax(0, 2fr) minmax(0, 3fr) auto;
  }

  .notes {
    grid-column: auto;
  }
}

.buy {
  font-size: 1.25rem;
  font-weight: 700;
}

.cost {
  font-size: 1rem;
  font-weight: 400;
  margin-left: 8px;
}

.late {
  font-weight: 600;
  color: rgb(var(--v-theme-error));
}

.why {
  min-height: 40px;
  text-decoration: underline;
  color: var(--quiet);
}

.mixing {
  margin-left: 16px;
}

.for li {
  padding: 2px 0;
}

.for a {
  color: inherit;
}

.prices {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  max-width: 420px;
  margin-top: 8px;
}

.acts {
  display: flex;
  gap: 10px;
  align-items: flex-start;
}

.builds {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
  align-items: center;
  margin-bottom: 10px;
}

.besides li {
  padding: 4px 0;
}

.days {
  max-width: 240px;
  margin-top: 28px;
}

@media (max-width: 640px) {
  .line {
    grid-template-columns: 20px minmax(0, 1fr);
  }

  .acts {
    grid-column: 1 / -1;
  }

  .acts .v-btn {
    flex: 1;
    min-height: 52px;
  }
}

@media print {
  .acts,
  .why,
  .days {
    display: none;
  }
}
</style>
