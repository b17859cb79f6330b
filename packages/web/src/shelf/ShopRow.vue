<script setup lang="ts">
import {
  canBeMixed,
  isLittleUsed,
  sayMl,
  workWord,
  type Instead,
  type ShopLine,
  type ToShop,
} from '@fixatum/core';
import { computed, ref, watch } from 'vue';
import { useBuild } from '../shared/build';
import ColourName from '../shared/ColourName.vue';
import { useMaterials } from '../shared/materials';
import NumberField from '../shared/NumberField.vue';
import { useWays } from '../shared/ways';
import { pieceName, severityMarks } from '../shared/words';

/** One thing to buy: how much, by when, what for, and what would do in its place. */
const props = defineProps<{
  line: ShopLine;
  /** All that is to be bought, for what of it would do instead. */
  lines: readonly ShopLine[];
  /** The builds it is bought for. */
  builds: readonly ToShop[];
  when: (minute: number) => string;
}>();
const emit = defineEmits<{
  got: [isOrdered: boolean];
  price: [containerMl: number, price: number | undefined];
  instead: [Instead];
}>();
const store = useBuild();
const materials = useMaterials();
const ways = useWays();
const isOpen = ref(false);

const material = computed(() => materials.known.get(props.line.materialId));
const isMixed = computed(() => material.value !== undefined && canBeMixed(material.value));
const what = computed(() =>
  props.line.buy.containers.map(({ count, containerMl }) => `${count} × ${sayMl(containerMl)}`).join(' + '),
);
const isLate = computed(() => props.line.buyBy !== undefined && props.line.buyBy < store.now);

/** The steps that want something: of which build and piece, and what is done in them. */
const steps = computed(() =>
  props.line.steps.map(({ buildId, pieceId, stepId, ml }) => {
    const of = props.builds.find(({ id }) => id === buildId)?.build ?? store.theBuild;
    const step = of.pieces.find(({ id }) => id === pieceId)?.steps.find(({ id }) => id === stepId);
    return {
      key: `${buildId} ${pieceId} ${stepId}`,
      to: { name: 'piece', params: { build: buildId ?? store.theId, piece: pieceId } },
      of: props.builds.length > 1 ? `${of.name}: ` : '',
      piece: pieceName(of, pieceId),
      rest: `${step ? workWord(step) : stepId}: ${sayMl(ml)}`,
    };
  }),
);

/** Only of the open build steps can be changed here. */
const isOwn = computed(() =>
  props.line.steps.every(({ buildId }) => buildId === undefined || buildId === store.id),
);
watch(
  () => [props.line, store.view] as const,
  ([line]) => {
    if (isOwn.value && isLittleUsed(line)) ways.askInstead(line, props.lines);
  },
  { immediate: true },
);
const instead = computed(() => (isOwn.value ? ways.insteadOf(props.line) : undefined));

const setPrice = (containerMl: number, event: Event) =>
  emit('price', containerMl, Number((event.target as HTMLInputElement).value) || undefined);
</script>

<template>
  <li class="line" data-testid="to-buy">
    <span class="chip" :style="{ background: line.colour ?? material?.colour }" aria-hidden="true" />
    <div class="what">
      <strong class="name">{{ line.name }}</strong><template v-if="line.colour"
        >, <ColourName :colour="line.colour" :material="material" with-figures
      /></template>
      <p class="buy figures">
        {{ what
        }}<span v-if="line.buy.cost !== undefined" class="quiet cost"> {{ line.buy.cost.toFixed(2) }}</span>
      </p>
    </div>
    <div class="notes">
      <p class="small" :class="{ late: isLate }">
        <template v-if="isLate && line.firstUseAt! > store.now"
          >{{ severityMarks.risk }}: too late to order; in hand by {{ when(line.firstUseAt!) }}</template
        >
        <template v-else-if="isLate">{{ severityMarks.risk }}: wanted at once</template>
        <template v-else-if="line.buyBy !== undefined">by {{ when(line.buyBy) }}</template>
        <template v-else>no coat has its place in the plan yet</template>
      </p>
      <p class="small quiet">
        takes about {{ sayMl(line.needMl) }}, up to {{ sayMl(line.enoughMl) }} ·
        {{ line.shelfMl > 0 ? `${sayMl(line.shelfMl)} on the shelf` : 'none on the shelf'
        }}<template v-if="line.onOrderMl > 0"> · {{ sayMl(line.onOrderMl) }} on order</template
        ><template v-if="line.oldMl > 0"> · {{ sayMl(line.oldMl) }} too old to count</template>
      </p>
      <button class="why" :aria-expanded="isOpen" @click="isOpen = !isOpen">What for?</button>
      <router-link
        v-if="line.colour && isMixed"
        class="why mixing"
        :to="{
          name: 'mixes',
          params: { build: store.theId },
          query: { material: line.materialId, colour: line.colour },
        }"
        >Mix it instead</router-link
      >
      <p v-if="instead" class="small mt-2" data-testid="instead">
        <v-btn size="small" variant="outlined" :disabled="store.busy" @click="$emit('instead', instead)"
          >Use {{ instead.name
          }}<template v-if="instead.colour"
            >, <ColourName :colour="instead.colour" :material="material" /></template
        ></v-btn>
        in its place: it is there anyway, and
        {{ instead.shows.length > 0 ? `shows as ${instead.shows.join(', ')}` : 'nothing of it shows' }}
      </p>
      <div v-if="isOpen" class="for">
        <ul class="small">
          <li v-for="step in steps" :key="step.key">
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
            @change="setPrice(one.containerMl, $event)"
          />
        </div>
      </div>
    </div>
    <div class="acts">
      <v-btn size="large" variant="flat" color="primary" :disabled="store.busy" @click="$emit('got', false)"
        >Bought</v-btn
      >
      <v-btn size="large" variant="outlined" :disabled="store.busy" @click="$emit('got', true)"
        >Ordered</v-btn
      >
    </div>
  </li>
</template>

<style scoped>
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

.for ul {
  list-style: none;
  padding: 0;
}

@media (min-width: 900px) {
  .line {
    grid-template-columns: 20px minmax(0, 2fr) minmax(0, 3fr) auto;
  }

  .notes {
    grid-column: auto;
  }
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
  .why {
    display: none;
  }
}
</style>
