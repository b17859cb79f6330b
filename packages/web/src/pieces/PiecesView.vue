<script setup lang="ts">
import { sayWait, sure, type PlanView, sayDayOf, sayTimeOfDay } from '@fixatum/core';
import { mdiMagnify, mdiPlus } from '@mdi/js';
import { useWindowVirtualizer } from '@tanstack/vue-virtual';
import { useElementBounding, useElementSize } from '@vueuse/core';
import { computed, ref, useTemplateRef } from 'vue';
import { useRouter } from 'vue-router';
import ChartFlags from '../shared/ChartFlags.vue';
import DryingRibbon from '../shared/DryingRibbon.vue';
import FileButton from '../shared/FileButton.vue';
import PieceDialog from '../piece/PieceDialog.vue';
import ReadinessMark from '../shared/ReadinessMark.vue';
import StrataCut from '../shared/StrataCut.vue';
import TimeHeader from './TimeHeader.vue';
import { datesOf } from '../shared/chartFlags';
import { useWordsInAddress } from '../shared/inAddress';
import { useBuild } from '../shared/build';
import { useForecast } from '../shared/forecast';
import { lookOfFile } from '../shared/lookFiles';
import { useLooks } from '../shared/looks';
import { useNotice } from '../shared/notice';
import { useOverFrames } from '../shared/overFrames';
import { percent } from '../shared/timeAxis';
import { packedWords, passWords, reachedWords } from '../shared/words';

const store = useBuild();
const forecast = useForecast();
const looks = useLooks();
const notice = useNotice();
const router = useRouter();
const adding = ref(false);
const openPiece = (piece: string) => router.push({ name: 'piece', params: { build: store.theId, piece } });

async function takeLook(file: File): Promise<void> {
  try {
    const look = await lookOfFile(await file.text(), file.name);
    if (await looks.save(look)) notice.say(`Taken in: ${look.name}. It stands with the looks now.`);
  } catch (error) {
    notice.complain(error);
  }
}

const rows = computed(() => {
  const { view, build } = store;
  if (!view || !build) return [];
  return view.pieces.map((state) => {
    const piece = sure(store.pieceOf(state.pieceId), 'a piece of the plan');
    const [next] = view.operations
      .filter(
        ({ pieceId, status, start }) =>
          pieceId === piece.id && start !== undefined && (status === 'planned' || status === 'underway'),
      )
      .sort((a, b) => (a.start ?? 0) - (b.start ?? 0));
    const cells = view.strata[`${piece.id}/1`] ?? {};
    const cell = Object.keys(cells).find((key) => key.startsWith('outer:')) ?? Object.keys(cells)[0];
    const findings = store.findingsOf(piece.id);
    return {
      piece,
      state,
      next,
      coats: (cell && cells[cell]) || [],
      stops: findings.filter((finding) => finding.severity === 'stop').length,
      risks: findings.filter((finding) => finding.severity === 'risk').length,
    };
  });
});
const dates = computed(() => (store.build ? datesOf(store.build) : []));
const counts = computed(() => {
  const late = rows.value.filter((row) => ['late', 'stuck'].includes(row.state.readiness)).length;
  return { total: rows.value.length, late };
});
/** Fewer than these are seen at a glance. */
const FIND_FROM = 8;
const words = useWordsInAddress('find');
const found = computed(() => {
  const asked = words.value.toLowerCase().split(/\s+/).filter(Boolean);
  return rows.value.filter(({ piece, next }) => {
    const said = `${piece.name} ${(piece.zones ?? []).map(({ name }) => name).join(' ')} ${next ? passWords(next) : ''}`;
    return asked.every((word) => said.toLowerCase().includes(word));
  });
});

/** Only the rows in view are drawn, with some above and below; a row is about so high. */
const ROW_PX = 84;
const list = useTemplateRef<HTMLElement>('list');
const { top } = useElementBounding(list);
const { width: axisPx } = useElementSize(useTemplateRef<HTMLElement>('axis'));
const virtual = useWindowVirtualizer(
  computed(() => ({
    count: found.value.length,
    estimateSize: () => ROW_PX,
    getItemKey: (index: number) => found.value[index]?.piece.id ?? index,
    scrollMargin: Math.round(top.value + window.scrollY),
    overscan: 10,
  })),
);
const drawn = useOverFrames(4, 36);
const inView = computed(() =>
  virtual.value
    .getVirtualItems()
    .slice(0, drawn.value)
    .flatMap(({ index, start }) => {
      const row = found.value[index];
      return row ? [{ ...row, index, topPx: start - virtual.value.options.scrollMargin }] : [];
    }),
);
const measure = (row: unknown) => {
  const element = row instanceof Element ? row : (row as { $el?: unknown } | null)?.$el;
  if (element instanceof Element) virtual.value.measureElement(element);
};
const at = (state: PlanView['pieces'][number], minute: number | undefined) =>
  reachedWords(state, minute, store.theView.timeZone);
</script>

<template>
  <div v-if="store.build && store.view" class="page">
    <div class="head">
      <h1>Pieces</h1>
      <p class="quiet">
        {{ counts.total }} {{ counts.total === 1 ? 'kind' : 'kinds' }} of piece<template
          v-if="counts.late > 0"
          >, <strong class="warn">{{ counts.late }} not in time</strong></template
        >
      </p>
      <span class="tools">
        <v-btn :prepend-icon="mdiPlus" variant="flat" color="primary" @click="adding = true"
          >Add a piece</v-btn
        >
        <v-btn :to="{ name: 'shapes', params: { build: store.theId } }">From a template or photo</v-btn>
        <FileButton
          field="Look file"
          accept=".json,application/json"
          drop="Drop a look here to keep it with the looks"
          @file="takeLook"
          >Open a look file</FileButton
        >
      </span>
    </div>
    <PieceDialog v-model="adding" @saved="openPiece" />
    <div v-if="rows.length === 0" class="my-8">
      <p class="mb-4">
        No pieces yet. A piece is one kind of part: a breastplate, two pauldrons, eight finger plates.
      </p>
      <v-btn size="large" variant="flat" color="primary" :prepend-icon="mdiPlus" @click="adding = true"
        >Add the first piece</v-btn
      >
      <v-btn size="large" class="ml-3" :to="{ name: 'shapes', params: { build: store.theId } }"
        >From a template, a mesh or a photo</v-btn
      >
    </div>
    <v-text-field
      v-if="rows.length >= FIND_FROM || words !== ''"
      v-model="words"
      class="find"
      type="search"
      label="Find a piece"
      density="compact"
      clearable
      :prepend-inner-icon="mdiMagnify"
      @click:clear="words = ''"
    />
    <p v-if="rows.length > 0 && found.length === 0" class="my-6">
      No piece has “{{ words }}” in its name, its zones or its next step.
    </p>
    <div v-if="found.length > 0" class="table">
      <div class="line heading small quiet" aria-hidden="true">
        <span />
        <span>Piece and next step</span>
        <div ref="axis">
          <TimeHeader :from="store.view.from" :until="store.view.until" :time-zone="store.view.timeZone" />
          <ChartFlags :flags="dates" :from="store.view.from" :until="store.view.until" :width-px="axisPx" />
        </div>
        <span>Ready</span>
      </div>
      <div ref="list" class="rows" :style="{ height: `${virtual.getTotalSize()}px` }">
        <router-link
          v-for="row in inView"
          :key="row.piece.id"
          :ref="measure"
          class="line plain row"
          :data-index="row.index"
          :style="{ transform: `translateY(${row.topPx}px)` }"
          :to="{ name: 'piece', params: { build: store.theId, piece: row.piece.id } }"
          :data-testid="`piece-${row.piece.id}`"
        >
          <StrataCut
            class="thumb"
            :coats="row.coats"
            :substrate="row.piece.substrate"
            :now="store.minute"
            :height="56"
            :labels="false"
            :planned="false"
          />
          <div class="title">
            <strong
              >{{ row.piece.name
              }}<template v-if="row.piece.quantity > 1"> ×{{ row.piece.quantity }}</template></strong
            >
            <span class="small quiet">
              <template v-if="row.next"
                >{{ passWords(row.next) }} · {{ sayDayOf(row.next.start!, store.view.timeZone) }},
                {{ sayTimeOfDay(row.next.start!, store.view.timeZone) }}</template
              >
              <template v-else-if="row.piece.packedAt">{{
                packedWords(row.piece, store.view.operations)
              }}</template>
              <template v-else-if="row.state.totalCount === 0"
                >Choose a look, and its steps are written</template
              >
              <template v-else-if="row.state.readiness === 'stuck'">Stuck: see its steps</template>
              <template v-else>Hands-on work done</template>
            </span>
            <span v-if="row.stops + row.risks > 0" class="small warn">
              <template v-if="row.stops > 0"
                >■ {{ row.stops }} {{ row.stops === 1 ? 'stop' : 'stops' }}</template
              >
              <template v-if="row.risks > 0">
                ▲ {{ row.risks }} {{ row.risks === 1 ? 'risk' : 'risks' }}</template
              >
            </span>
          </div>
          <div class="ribbon-cell">
            <DryingRibbon
              :spans="row.state.ribbon"
              :from="store.view.from"
              :until="store.view.until"
              :time-zone="store.view.timeZone"
              :now="store.minute"
              :spread="forecast.byPiece.get(row.state.pieceId)?.ready"
              :spread-is-old="forecast.isOld"
              :height="26"
            />
            <div
              v-for="date in dates"
              :key="date.key"
              class="date"
              :style="{ left: percent(date.at, store.view.from, store.view.until) }"
            />
          </div>
          <div class="ready">
            <ReadinessMark :readiness="row.state.readiness" />
            <span class="small figures quiet" data-testid="ready-dates">
              <template v-if="row.state.packableAt === row.state.wearableAt"
                >ready {{ at(row.state, row.state.packableAt) }}</template
              >
              <template v-else
                >pack {{ at(row.state, row.state.packableAt) }}<br />wear
                {{ at(row.state, row.state.wearableAt) }}</template
              >
            </span>
            <span v-if="row.state.slackMinutes !== undefined" class="small figures">
              {{
                row.state.slackMinutes < 0
                  ? `${sayWait(-row.state.slackMinutes)} too late`
                  : `${sayWait(row.state.slackMinutes)} to spare`
              }}
            </span>
          </div>
        </router-link>
      </div>
    </div>
  </div>
  <div v-else class="page quiet">Opening the build…</div>
</template>

<style scoped>
.rows {
  position: relative;
}

.row {
  position: absolute;
  top: 0;
  left: 0;
  right: 0;
}

.find {
  max-width: 320px;
  margin-bottom: 8px;
}

.tools {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-left: auto;
}

.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 18px;
  margin-bottom: 8px;
}

.warn {
  color: rgb(var(--v-theme-error));
  font-weight: 600;
}

.line {
  display: grid;
  grid-template-columns: 52px minmax(180px, 270px) 1fr 196px;
  gap: 18px;
  align-items: center;
  border-bottom: 1px solid var(--line);
  padding: 8px 0;
}

.heading {
  align-items: end;
  position: sticky;
  top: var(--masthead-px);
  background: rgb(var(--v-theme-background));
  z-index: 5;
}

.row:hover {
  background: rgb(var(--v-theme-surface));
}

.title,
.ready {
  display: flex;
  flex-direction: column;
  min-width: 0;
  line-height: 1.3;
}

.ribbon-cell {
  position: relative;
}

.date {
  position: absolute;
  top: -14px;
  bottom: -14px;
  border-left: 2px solid rgb(var(--v-theme-error));
}

@media (max-width: 820px) {
  .heading {
    display: none;
  }

  .line {
    grid-template-columns: 44px 1fr;
  }

  .ribbon-cell,
  .ready {
    grid-column: 1 / -1;
  }
}
</style>
