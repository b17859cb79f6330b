<script setup lang="ts">
import {
  filmGrades,
  filmWords,
  materialRoles,
  sayDate,
  type FilmGrade,
  type Material,
  type PairVerdict,
} from '@fixatum/core';
import { computed, onUnmounted, reactive, ref, shallowRef, watch } from 'vue';
import { proxy } from 'comlink';
import { openWorker, plain, type WorkerLink } from '../shared/offThread/workerLink';
import { useNotice } from '../shared/notice';
import { useBuild } from '../shared/build';
import { roleWords } from '../shared/words';

/** Any under-coat against any over-coat in a chosen state; each verdict has a shape, a word and a hue. */
const store = useBuild();
const notice = useNotice();
const form = reactive({
  under: 'seal',
  over: 'paint',
  film: 'light' as FilmGrade,
  cured: false,
  scuffed: false,
  flexing: false,
  text: '',
  only: '' as PairVerdict['verdict'] | '',
});
const tested = (verdict: PairVerdict) => verdict.findings.some((finding) => finding.evidence);
const done = computed(() => rows.value.size === unders.value.length);
const rows = shallowRef(new Map<string, PairVerdict[]>());
const chosen = ref<{ under: string; over: string; verdict: PairVerdict }>();

const layable = new Set(['seal', 'prime', 'paint', 'texture', 'weather', 'detail', 'topcoat', 'fill']);
const roles = materialRoles.filter((role) => layable.has(role));
const of = (role: string) => [...store.materials.values()].filter((material) => material.role === role);
const unders = computed(() => of(form.under));
const overs = computed(() => of(form.over));
const named = (list: Material[]) => {
  const wanted = form.text.trim().toLowerCase();
  return list.filter((material) => `${material.name} ${material.binder}`.toLowerCase().includes(wanted));
};
/** What the filters leave: a word found on either side, and rows and columns with the verdict that is looked for. */
const shownUnders = computed(() => {
  const found = named(unders.value);
  const list = found.length > 0 ? found : unders.value;
  return list.filter(
    (under) =>
      form.only === '' ||
      !rows.value.has(under.id) ||
      rows.value.get(under.id)!.some((one) => one.verdict === form.only),
  );
});
const shownOvers = computed(() => {
  const found = named(overs.value);
  const list = found.length > 0 ? found : overs.value;
  return list.filter(
    (over) =>
      form.only === '' ||
      !done.value ||
      shownUnders.value.some((under) => verdictOf(under.id, over.id)?.verdict === form.only),
  );
});
const verdictOf = (under: string, over: string): PairVerdict | undefined =>
  rows.value.get(under)?.[overs.value.findIndex((one) => one.id === over)];
const nothingFound = computed(
  () => form.text.trim() !== '' && named(unders.value).length + named(overs.value).length === 0,
);

let link: WorkerLink | undefined;
onUnmounted(() => link?.end());
let ticket = 0;
/** Judges the whole board anew, row by row; a newer question ends an older one. */
function judge(): void {
  ticket += 1;
  const own = ticket;
  rows.value = new Map();
  chosen.value = undefined;
  link ??= openWorker('pairs');
  const request = {
    unders: unders.value.map((material) => material.id),
    overs: overs.value.map((material) => material.id),
    state: { film: form.film, cured: form.cured, scuffed: form.scuffed, flexing: form.flexing },
    own: plain(store.build?.materials ?? []),
    swatches: plain(store.build?.swatches ?? []),
  };
  const row = (under: string, verdicts: PairVerdict[]) => {
    if (own === ticket) rows.value = new Map(rows.value).set(under, verdicts);
  };
  link
    .run((remote) => remote.pairs(request, proxy(row)))
    .catch((error: unknown) => {
      link?.end();
      link = undefined;
      if (own === ticket) notice.complain(error, { label: 'Try again', run: judge });
    });
}

watch(
  () =>
    [
      form.under,
      form.over,
      form.film,
      form.cured,
      form.scuffed,
      form.flexing,
      store.materials,
      store.build?.swatches,
    ] as const,
  judge,
  { immediate: true },
);

const marks: Record<PairVerdict['verdict'], string> = {
  stop: '■ stop',
  risk: '▲ risk',
  note: '● note',
  fine: '✓ fine',
};
</script>

<template>
  <div>
    <div class="filters">
      <label
        >Below
        <select v-model="form.under">
          <option v-for="role in roles" :key="role" :value="role">{{ roleWords[role] }}</option>
        </select></label
      >
      <label
        >Above
        <select v-model="form.over">
          <option v-for="role in roles" :key="role" :value="role">{{ roleWords[role] }}</option>
        </select></label
      >
      <label
        >Laid as
        <select v-model="form.film">
          <option v-for="film in filmGrades" :key="film" :value="film">{{ filmWords[film] }}</option>
        </select></label
      >
      <label class="tick"><input v-model="form.cured" type="checkbox" /> the lower one cured</label>
      <label class="tick"><input v-model="form.scuffed" type="checkbox" /> scuffed</label>
      <label class="tick"
        ><input v-model="form.flexing" type="checkbox" /> bends (5 mm foam round 45 mm)</label
      >
      <label
        >Show
        <select v-model="form.only">
          <option value="">all verdicts</option>
          <option v-for="(mark, verdict) in marks" :key="verdict" :value="verdict">{{ mark }} only</option>
        </select></label
      >
      <input
        v-model="form.text"
        type="search"
        placeholder="Find a name or binder"
        aria-label="Find a name or binder"
      />
      <span v-if="nothingFound" class="small">Nothing is called that; all are shown.</span>
      <span class="quiet small" aria-live="polite">{{ done ? '' : 'Judging…' }}</span>
    </div>
    <div class="board">
      <table data-testid="pair-board">
        <thead>
          <tr>
            <td class="corner small quiet">below ↓ &nbsp; above →</td>
            <th v-for="over in shownOvers" :key="over.id" scope="col">
              <span>{{ over.name }}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="under in shownUnders" :key="under.id">
            <th scope="row">{{ under.name }}</th>
            <td v-for="over in shownOvers" :key="over.id">
              <button
                v-if="verdictOf(under.id, over.id)"
                class="verdict"
                :class="[
                  verdictOf(under.id, over.id)!.verdict,
                  { dim: form.only !== '' && verdictOf(under.id, over.id)!.verdict !== form.only },
                ]"
                :aria-label="`${over.name} over ${under.name}: ${verdictOf(under.id, over.id)!.verdict}`"
                @click="
                  chosen = { under: under.name, over: over.name, verdict: verdictOf(under.id, over.id)! }
                "
              >
                {{ marks[verdictOf(under.id, over.id)!.verdict]
                }}<span v-if="tested(verdictOf(under.id, over.id)!)" title="your own swatch speaks here">
                  ✎</span
                >
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <section v-if="chosen" class="why" aria-live="polite">
      <h3>{{ chosen.over }} over {{ chosen.under }}</h3>
      <p v-if="chosen.verdict.findings.length === 0">
        Nothing stands against it in this state. A swatch on an offcut is still the best proof.
      </p>
      <div v-for="finding in chosen.verdict.findings" :key="finding.rule" class="mt-2">
        <p>
          <strong>{{ marks[finding.severity] }}</strong> {{ finding.message }}
        </p>
        <p v-if="finding.evidence" class="small">
          Your own test, {{ sayDate(finding.evidence.judgedOn) }}:
          {{ finding.evidence.result === 'good' ? 'it held' : 'it failed' }}.
        </p>
        <p class="quiet small">{{ finding.reason }} ({{ finding.rule }})</p>
        <p v-if="finding.ideas.length > 0" class="small">
          Would help: {{ finding.ideas.map((idea) => idea.label).join('; ') }}.
        </p>
      </div>
    </section>
  </div>
</template>

<style scoped>
.board {
  overflow: auto;
  max-height: 62vh;
  border: 1px solid var(--line);
}

table {
  border-collapse: separate;
  border-spacing: 0;
  font-size: 0.875rem;
}

thead th,
.corner {
  position: sticky;
  top: 0;
  z-index: 2;
  background: rgb(var(--v-theme-surface));
  border-bottom: 1px solid var(--line);
  vertical-align: bottom;
  padding: 8px 10px;
  text-align: left;
  min-width: 96px;
  max-width: 120px;
  font-weight: 600;
  line-height: 1.2;
}

tbody th {
  position: sticky;
  left: 0;
  z-index: 1;
  background: rgb(var(--v-theme-surface));
  text-align: left;
  font-weight: 600;
  padding: 0 12px 0 10px;
  white-space: nowrap;
  border-right: 1px solid var(--line);
}

.corner {
  left: 0;
  z-index: 3;
}

tbody td {
  border-bottom: 1px solid var(--line);
  border-right: 1px solid var(--line);
  padding: 0;
}

.verdict {
  width: 100%;
  min-height: 38px;
  padding: 0 10px;
  text-align: left;
  white-space: nowrap;
}

.verdict:hover {
  background: rgb(var(--v-theme-surface-variant));
}

.stop {
  color: rgb(var(--v-theme-error));
  font-weight: 700;
}

.risk {
  color: rgb(var(--v-theme-warning));
  font-weight: 600;
}

.dim {
  opacity: 0.45;
}

.note {
  color: rgb(var(--v-theme-secondary));
}

.fine {
  color: rgb(var(--v-theme-success));
}

.why {
  margin-top: 16px;
  padding: 12px 16px;
  background: rgb(var(--v-theme-surface));
  border-left: 4px solid rgb(var(--v-theme-primary));
}
</style>
