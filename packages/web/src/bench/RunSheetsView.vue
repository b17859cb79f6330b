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
} from '@fixatum/core';
import { useLocalStorage } from '@vueuse/core';
import { computed } from 'vue';
import { checksFor } from './lookOver';
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

/** The run sheets on paper, a page a session, with boxes to tick; and how each is done, if one likes. */
const store = useBuild();
const zone = computed(() => store.view?.timeZone ?? 'UTC');
const sheets = computed(() =>
  (store.view?.sessions ?? []).map((session) => ({
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
const print = () => window.print();
</script>

<template>
  <div v-if="store.build && store.view" class="page">
    <div class="head">
      <h1>Run sheets</h1>
      <v-checkbox v-model="withCards" class="ml-auto mr-4" label="With how it is done" />
      <v-btn variant="flat" color="primary" :disabled="sheets.length === 0" @click="print">Print them</v-btn>
    </div>
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
            <td class="box" aria-hidden="true">☐</td>
            <td class="figures">{{ sayTimeOfDay(batch.start, zone) }}</td>
            <td>
              <strong>{{ passWords(batch.first) }}</strong>, {{ withWords(batch.first) }} ·
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
  </div>
  <div v-else class="page quiet">Opening the build…</div>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  margin-bottom: 12px;
}

.sheet {
  margin-bottom: 32px;
  max-width: 900px;
}

table {
  width: 100%;
  border-collapse: collapse;
  margin-top: 8px;
}

td {
  padding: 8px 10px 8px 0;
  border-top: 1px solid var(--line);
  vertical-align: top;
}

td.figures {
  white-space: nowrap;
}

.box {
  font-size: 1.3rem;
  line-height: 1;
  width: 34px;
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
  .head {
    display: none;
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
