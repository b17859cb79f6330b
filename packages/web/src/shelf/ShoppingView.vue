<script setup lang="ts">
import ColourName from '../shared/ColourName.vue';
import {
  isLittleUsed,
  sayMl,
  shoppingCsv,
  sundryWords,
  toWallTime,
  type Fault,
  type Instead,
  type ShopLine,
} from '@fixatum/core';
import { useLocalStorage } from '@vueuse/core';
import { computed, ref } from 'vue';
import FaultList from '../shared/FaultList.vue';
import ShopRow from './ShopRow.vue';
import NumberField from '../shared/NumberField.vue';
import { saveFile } from '../shared/saveFile';
import MaterialsHead from '../shared/MaterialsHead.vue';
import { withTins } from './tins';
import { useShelf } from './useShelf';

/** What all that is still to be laid wants bought: by when, for what, and on to the shelf with one press. */
const { store, materials, builds, leftOut, shopped, list, change, when } = useShelf();
const faults = ref<Fault[]>([]);
const wanted = computed(() => (list.value?.lines ?? []).filter(({ buy }) => buy.containers.length > 0));
/** What hardly any is used of stands apart: nobody goes to a shop for three drops. */
const groups = computed(() =>
  [
    { id: 'much', lines: wanted.value.filter((line) => !isLittleUsed(line)) },
    { id: 'little', lines: wanted.value.filter(isLittleUsed) },
  ].filter(({ lines }) => lines.length > 0),
);
const enough = computed(() => (list.value?.lines ?? []).filter(({ buy }) => buy.containers.length === 0));
const cost = computed(() => {
  const known = wanted.value.flatMap(({ buy }) => buy.cost ?? []);
  return known.length === wanted.value.length && known.length > 0
    ? known.reduce((sum, one) => sum + one, 0)
    : undefined;
});
const keyOf = ({ materialId, colour }: ShopLine) => `${materialId} ${colour ?? ''}`;

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
/** Has the steps that wanted something of which little is used take what is there anyway. */
const useInstead = (line: ShopLine, { change: steps }: Instead) =>
  store.patch(`One tin fewer: ${line.name}`, steps);
async function setPrice(line: ShopLine, containerMl: number, price: number | undefined): Promise<void> {
  const rest = (store.theBuild.prices ?? []).filter(
    (one) => one.material !== line.materialId || one.containerMl !== containerMl,
  );
  const prices = price === undefined ? rest : [...rest, { material: line.materialId, containerMl, price }];
  faults.value = await change({ prices }, `Price kept: ${line.name}`);
}
const setDays = async (days: number | undefined) =>
  (faults.value = await change({ deliveryDays: days ?? 0 }, 'Days of an order kept'));

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
      container costs, the cheapest set of them, and else what shops usually ask least for.<template
        v-if="cost !== undefined"
      >
        Together {{ cost.toFixed(2) }}.</template
      >
    </p>
    <section v-for="group in groups" :key="group.id" :class="{ 'mt-6': group.id === 'little' }">
      <template v-if="group.id === 'little'">
        <h2>Little is used of these</h2>
        <p class="quiet mb-3">
          At most a tenth of what is sold. What is left from other work will do, or what else is bought where
          that was tried; “Bought” puts what you have on the shelf.
        </p>
      </template>
      <ul>
        <ShopRow
          v-for="line in group.lines"
          :key="keyOf(line)"
          :line="line"
          :lines="list.lines"
          :builds="builds"
          :when="when"
          @got="got(line, $event)"
          @price="(containerMl, price) => setPrice(line, containerMl, price)"
          @instead="useInstead(line, $event)"
        />
      </ul>
    </section>
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

@media print {
  .days {
    display: none;
  }
}
</style>
