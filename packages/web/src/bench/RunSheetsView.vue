<script setup lang="ts">
import {
  cardFor,
  safetyLine,
  sayWait,
  type PlannedOperation,
  type TechniqueCard,
  entryOf,
  nth,
  sayDayOf,
  sayTimeOfDay,
  workdayBegan,
} from '@fixatum/core';
import { mdiCheckBold } from '@mdi/js';
import { useLocalStorage } from '@vueuse/core';
import { computed, ref } from 'vue';
import ColourName from '../shared/ColourName.vue';
import { later } from '../shared/later';
import { benchParts } from './benchParts';
import { checksFor } from './lookOver';
import { comesBefore, doneSince, isDue } from './ticking';
import { useBuild } from '../shared/build';

import {
  beginByWords,
  detailWords,
  passWords,
  pieceNames,
  severityMarks,
  stepOf,
  withWords,
} from '../shared/words';

const TickAskDialog = later(benchParts.tickAsk);

/**
 * The run sheets, a page a session, on screen and on paper, with boxes to tick: whoever holds one ticks what they did. And how each is
 * done, if one likes.
 */
const store = useBuild();
const zone = computed(() => store.view?.timeZone ?? 'UTC');
/** Whose sheets are shown; everybody's where that is nobody here. */
const whose = useLocalStorage('fixatum-sheets-whose', '');
const people = computed(() => store.build?.people ?? []);
const shownPerson = computed(() => people.value.find(({ id }) => id === whose.value)?.id);
const sessions = computed(() =>
  (store.view?.sessions ?? []).filter(
    ({ personId }) => shownPerson.value === undefined || personId === shownPerson.value,
  ),
);
const sheets = computed(() =>
  sessions.value.map((session) => ({
    session,
    person: store.build?.people.find((person) => person.id === session.personId)?.name ?? '',
    batches: session.batches.map((batch) => {
      const operations = batch.operationIds.map((id) => entryOf(store.operations, id));
      const first = nth(operations, 0);
      return {
        ...batch,
        first,
        operations,
        safety: safetyOf(first),
        findings: findingsOf(operations),
        before: comesBefore(operations, store.view?.operations ?? []),
        checks: checksFor(store.theBuild, operations),
      };
    }),
    cards: cardsOf(
      session.batches.map(({ operationIds }) => entryOf(store.operations, nth(operationIds, 0))),
    ),
  })),
);
function safetyOf(operation: PlannedOperation): string | undefined {
  const step = stepOf(store.build, operation);
  return step && safetyLine(step, operation.method, operation.material);
}
/** What speaks against these passes, worst first; notes are left to the screen. */
const findingsOf = (operations: readonly PlannedOperation[]): string[] =>
  store
    .findingsOn(operations)
    .filter(({ severity }) => severity !== 'note')
    .map(({ severity, message }) => `${severityMarks[severity]}: ${message}`);
/** How the work of a session is done, each way once. */
const withCards = useLocalStorage('fixatum-sheets-how', false);
function cardsOf(operations: readonly PlannedOperation[]): TechniqueCard[] {
  const cards = operations.flatMap((one) => {
    const step = stepOf(store.build, one);
    return (step && cardFor(step, one.material)) ?? [];
  });
  return [...new Set(cards)];
}
const placeOf = (operation: PlannedOperation) =>
  store.build?.places.find((place) => place.id === operation.placeId)?.name ?? '';
type Line = (typeof sheets.value)[number]['batches'][number];

/** What was done today stays in sight, ticked. */
const done = computed(() =>
  store.view ? doneSince(store.view.operations, workdayBegan(store.minute, zone.value)) : [],
);
const asked = ref<Line>();
const asking = ref(false);
function tick(line: Line): void {
  const isFree = !store.findingsOn(line.operations).some(({ severity }) => severity === 'stop');
  if (isDue(line.operations, store.minute, zone.value) && isFree && line.checks.length === 0)
    return void store.logDone(line.operations);
  asked.value = line;
  asking.value = true;
}
async function tickAsked(): Promise<void> {
  const line = asked.value;
  asking.value = false;
  if (line) await store.logDone(line.operations);
}
const tickWords = (line: Line): string => {
  const what = `${passWords(line.first)}, ${pieceNames(store.build, line.operations)}`;
  return line.before ? `${what}: after ${passWords(line.before)}` : `Done: ${what}`;
};
const print = () => window.print();
</script>

<template>
  <div v-if="store.build && store.view" class="page">
    <div class="head">
      <h1>Run sheets</h1>
      <v-chip-group
        v-if="people.length > 1"
        :model-value="shownPerson ?? ''"
        mandatory
        aria-label="Whose"
        class="whose"
        @update:model-value="whose = $event"
      >
        <v-chip value="" filter>Everybody</v-chip>
        <v-chip v-for="person in people" :key="person.id" :value="person.id" filter>{{ person.name }}</v-chip>
      </v-chip-group>
      <v-checkbox v-model="withCards" class="ml-auto mr-4" label="With how it is done" />
      <v-btn variant="flat" color="primary" :disabled="sheets.length === 0" @click="print">Print them</v-btn>
    </div>
    <details v-if="done.length > 0" class="sheet done">
      <summary>
        Done today: {{ done.length }}, the last at {{ sayTimeOfDay(nth(done, done.length - 1).until, zone) }}
      </summary>
      <ul>
        <li v-for="line in done" :key="`${line.from} ${nth(line.operations, 0).id}`">
          <v-icon :icon="mdiCheckBold" size="20" aria-hidden="true" />
          <span class="figures">{{ sayTimeOfDay(line.from, zone) }}</span>
          <span
            ><strong>{{ passWords(nth(line.operations, 0)) }}</strong
            >: {{ pieceNames(store.build, line.operations) }}</span
          >
        </li>
      </ul>
    </details>
    <p v-if="sheets.length === 0" class="quiet">No work is planned.</p>
    <article v-for="sheet in sheets" :key="sheet.session.id" class="sheet" data-testid="sheet">
      <h2>
        {{ store.build.name }}: {{ sayDayOf(sheet.session.from, zone) }},
        {{ sayTimeOfDay(sheet.session.from, zone) }} to {{ sayTimeOfDay(Math.ceil(sheet.session.to), zone) }},
        {{ sheet.person }}
      </h2>
      <p v-if="beginByWords(store.build, sheet.session)" class="mb-2">
        {{ beginByWords(store.build, sheet.session) }}.
      </p>
      <table>
        <tbody>
          <tr v-for="batch in sheet.batches" :key="batch.start">
            <td class="box">
              <v-btn
                variant="outlined"
                class="tick print"
                :aria-label="tickWords(batch)"
                :title="tickWords(batch)"
                :disabled="batch.before !== undefined || store.busy"
                @click="tick(batch)"
              />
            </td>
            <td class="figures">{{ sayTimeOfDay(batch.start, zone) }}</td>
            <td>
              <strong>{{ passWords(batch.first) }}</strong>, {{ withWords(batch.first)
              }}<template v-if="batch.first.colour"
                >, <ColourName :colour="batch.first.colour" :material="batch.first.material"
              /></template>
              ·
              {{ placeOf(batch.first) }}
              <div>{{ pieceNames(store.build, batch.operations) }}</div>
              <div v-if="detailWords(store.build, batch.first)">
                {{ detailWords(store.build, batch.first) }}
              </div>
              <ul v-if="batch.checks.length > 0" class="checks">
                <li v-for="check in batch.checks" :key="check.id">☐ {{ check.right }}</li>
              </ul>
              <div v-for="line in batch.findings" :key="line">{{ line }}</div>
              <div v-if="batch.safety" class="small quiet">{{ batch.safety }}</div>
            </td>
            <td class="figures">{{ sayWait(batch.end - batch.start) }}</td>
          </tr>
        </tbody>
      </table>
      <section v-if="withCards && sheet.cards.length > 0" class="cards">
        <h3>How it is done</h3>
        <div v-for="card in sheet.cards" :key="card.id" class="card">
          <strong>{{ card.title }}</strong>
          <ol>
            <li v-for="line in card.lines" :key="line">{{ line }}</li>
          </ol>
          <p><strong>Goes wrong:</strong> {{ card.wrong }} <strong>Saved by:</strong> {{ card.rescue }}</p>
        </div>
      </section>
    </article>
    <TickAskDialog
      v-if="asked"
      v-model="asking"
      :passes="asked.operations"
      :start="asked.start"
      @done="tickAsked"
    />
  </div>
  <div v-else class="page quiet">Opening the build…</div>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
  margin-bottom: 12px;
}

.sheet {
  margin-bottom: 32px;
  max-width: 900px;
}

table {
  width: 100%;
  table-layout: fixed;
  border-collapse: collapse;
  margin-top: 8px;
}

td {
  padding: 8px 10px 8px 0;
  border-top: 1px solid var(--line);
  vertical-align: top;
}

td.figures {
  width: 62px;
  white-space: nowrap;
}

td.figures:last-child {
  width: 76px;
  padding-right: 0;
  text-align: right;
}

.box {
  width: 60px;
}

/* A box to tick: on screen with a glove, on paper with a pen. */
.tick.v-btn {
  min-width: 44px;
  width: 44px;
  height: 44px;
  padding: 0;
  border-width: 2px;
}

.sheet.done {
  margin-bottom: 10px;
}

.done summary {
  min-height: 44px;
  padding: 8px 0;
  font-weight: 600;
  cursor: pointer;
}

.done ul {
  list-style: none;
  padding: 0;
}

.done li {
  display: grid;
  grid-template-columns: 20px 52px 1fr;
  gap: 10px;
  align-items: baseline;
  padding: 4px 0;
}

ul.checks {
  list-style: none;
  padding: 0;
}

.cards {
  margin-top: 14px;
  columns: 2 320px;
  font-size: 0.9rem;
}

.cards h3 {
  column-span: all;
  margin-bottom: 6px;
}

.card {
  break-inside: avoid;
  margin-bottom: 10px;
}

.card ol {
  padding-left: 1.2em;
}

@media print {
  .head,
  .done {
    display: none;
  }

  .tick.v-btn {
    display: block;
    min-width: 18px;
    width: 18px;
    height: 18px;
    border-color: #000 !important;
    opacity: 1 !important;
  }

  .sheet {
    break-after: page;
    max-width: none;
  }

  tr {
    break-inside: avoid;
  }
}
</style>
