<script setup lang="ts">
import { lookingTable, sure, type Check, type MendOffer, type PlannedOperation } from '@fixatum/core';
import { mdiAlertOutline, mdiCheckBold } from '@mdi/js';
import { computed, ref, watch } from 'vue';
import FieldText from '../shared/FieldText.vue';
import { useBuild } from '../shared/build';
import { useMe } from '../shared/me';
import { stepOf, workWordsOf } from '../shared/words';
import { checksFor, lastFault, offersFor, repair, zonesAskedFor } from './lookOver';

/** A stop to look the work over: a list that is ticked, and ways to put right what is not. */
const props = defineProps<{
  /** Those of the batch that are looked at. */
  passes: readonly PlannedOperation[];
}>();
const store = useBuild();
const me = useMe();

const first = computed(() => props.passes[0]);
const at = computed(() => first.value?.looksOver);
const checks = computed(() => checksFor(store.theBuild, props.passes));
const fault = computed(() => lastFault(store.theBuild, props.passes));

const right = ref(new Set<string>());
const wrong = ref<Check>();
const zones = ref<string[]>([]);
const zonesToAsk = computed(() => zonesAskedFor(store.theBuild, props.passes));
watch(
  () => [first.value?.pieceId, first.value?.stepId].join(),
  () => {
    right.value = new Set();
    wrong.value = undefined;
  },
);
function tick(id: string): void {
  const set = new Set(right.value);
  if (!set.delete(id)) set.add(id);
  right.value = set;
  if (wrong.value?.id === id) wrong.value = undefined;
}
function isWrong(check: Check): void {
  const set = new Set(right.value);
  set.delete(check.id);
  right.value = set;
  wrong.value = wrong.value?.id === check.id ? undefined : check;
  zones.value = [];
}
const allRight = computed(() => checks.value.every(({ id }) => right.value.has(id)));

const offers = computed(() =>
  wrong.value ? offersFor(store.theBuild, props.passes, wrong.value, zones.value) : [],
);
async function take(offer?: MendOffer): Promise<void> {
  const check = sure(wrong.value, 'what is wrong');
  if (!(await repair(store, props.passes, check, offer, zones.value))) return;
  wrong.value = undefined;
  right.value = new Set();
}
/** What is left of a set is looked at afresh. */
async function logRight(): Promise<void> {
  if (await store.logDone([...props.passes])) right.value = new Set();
}
const step = computed(() => first.value && stepOf(store.build, first.value));
</script>

<template>
  <div v-if="at && step" class="look" data-testid="look-over">
    <p class="mt-2"><FieldText :text="lookingTable[at].how" /></p>
    <p v-if="fault" class="fault" role="status">▲ Last time: {{ fault }}</p>
    <ul aria-label="What to look at">
      <li v-for="check in checks" :key="check.id" :class="{ wrong: wrong?.id === check.id }">
        <label>
          <input type="checkbox" :checked="right.has(check.id)" @change="tick(check.id)" />
          <span>{{ check.right }}</span>
        </label>
        <v-btn
          size="large"
          variant="text"
          :aria-label="`Not right: ${check.wrong}`"
          :aria-expanded="wrong?.id === check.id"
          @click="isWrong(check)"
          >Not right</v-btn
        >
        <div v-if="wrong?.id === check.id" class="ways" data-testid="mends">
          <p class="said">
            <v-icon :icon="mdiAlertOutline" size="22" /> <strong>{{ check.wrong }}.</strong>
            <template v-if="passes.length > 1"> On all that is ticked above; untick what is fine.</template>
          </p>
          <template v-if="me.isHelper">
            <p class="my-2">Log it, and whoever plans the build says what is done about it.</p>
            <v-btn size="large" variant="outlined" :disabled="store.busy" @click="take()"
              >Log it as not right</v-btn
            >
          </template>
          <template v-else>
            <v-chip-group v-if="zonesToAsk.length > 1" v-model="zones" multiple column aria-label="Where">
              <v-chip v-for="zone in zonesToAsk" :key="zone.id" :value="zone.id" filter size="large">{{
                zone.name
              }}</v-chip>
            </v-chip-group>
            <ul class="offers">
              <li v-for="offer in offers" :key="offer.mend">
                <v-btn
                  size="large"
                  variant="outlined"
                  :disabled="store.busy || passes.length === 0"
                  @click="take(offer)"
                  >{{ offer.label }}</v-btn
                >
                <span class="small quiet">{{
                  offer.steps.length > 0
                    ? `${workWordsOf(offer.steps)}; then it is looked at again`
                    : 'Nothing is done; it comes up again this time tomorrow'
                }}</span>
              </li>
              <li>
                <v-btn size="large" variant="text" :disabled="store.busy" @click="take()">Only log it</v-btn>
                <span class="small quiet">It is looked at again; what is done about it is up to you.</span>
              </li>
            </ul>
          </template>
        </div>
      </li>
    </ul>
    <div class="act">
      <v-btn
        size="x-large"
        variant="flat"
        color="primary"
        :prepend-icon="mdiCheckBold"
        :disabled="!allRight || passes.length === 0 || store.busy"
        data-testid="all-right"
        @click="logRight"
        >All right, log it</v-btn
      >
      <p class="quiet">{{ right.size }} of {{ checks.length }} ticked</p>
    </div>
  </div>
</template>

<style scoped>
.look ul {
  list-style: none;
  padding: 0;
  margin: 12px 0 0;
}

.look > ul > li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: center;
  border-top: 1px solid var(--line);
}

.look > ul > li.wrong {
  border-left: 4px solid rgb(var(--v-theme-warning));
  padding-left: 10px;
}

label {
  display: flex;
  gap: 14px;
  align-items: center;
  min-height: 56px;
  padding: 6px 0;
  font-size: 1.1rem;
  cursor: pointer;
}

input {
  width: 26px;
  height: 26px;
  flex: none;
  accent-color: rgb(var(--v-theme-primary));
}

.ways {
  grid-column: 1 / -1;
  padding-bottom: 14px;
}

.said {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
}

.offers li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
  margin-top: 8px;
}

.fault {
  margin-top: 8px;
  font-weight: 600;
  color: rgb(var(--v-theme-warning));
}

.act {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 16px;
  margin-top: 18px;
}

.act .v-btn {
  min-height: 64px;
  font-size: 1.2rem;
}

@media (max-width: 820px) {
  .act .v-btn,
  .offers .v-btn {
    width: 100%;
  }
}
</style>
