<script setup lang="ts">
import { idFromName, sayDate, sayWait, type RuleFinding, type WayOut } from '@fixatum/core';
import { computed, ref, watch } from 'vue';
import { api } from '../shared/api';
import { plain } from '../shared/offThread/workerLink';
import FieldText from '../shared/FieldText.vue';
import { useWays } from '../shared/ways';
import { pieceName, severityMarks } from '../shared/words';
import { useBuild } from '../shared/build';

/** One finding, beside the step it concerns: what, why on demand, and ways out that were tried, to press. */
const props = defineProps<{ finding: RuleFinding }>();
defineEmits<{ apply: [way: WayOut] }>();
const ways = useWays();
const store = useBuild();
const why = ref(false);

watch(
  () => [props.finding, store.view] as const,
  () => ways.ask(props.finding),
  { immediate: true },
);
/** Plans the offcut that would tell. */
function test(): void {
  if (!props.finding.test) return;
  const list = store.build?.swatches ?? [];
  const swatch = {
    ...plain(props.finding.test),
    id: idFromName(
      'swatch',
      list.map((one) => one.id),
    ),
  };
  void store.change(
    () => api.patchBuild(store.theId, { swatches: [...list, swatch] }, store.etag),
    'Swatch planned; it stands under Materials, Swatches',
  );
}
const found = computed(() => ways.of(props.finding));
const searching = computed(() => props.finding.severity !== 'note' && !found.value);

/** What a way costs, in a few words each. */
function costs(way: WayOut): string[] {
  const later = way.laterMinutes ?? 0;
  const time =
    way.laterMinutes === undefined
      ? 'makes it possible'
      : later > 0
        ? `ready ${sayWait(later)} later`
        : later < 0
          ? `ready ${sayWait(-later)} sooner`
          : 'no time lost';
  return [
    time,
    ...way.buys.map((name) => `to buy: ${name}`),
    ...(way.look === 'slight' && way.shows.length === 0 ? ['looks a little different'] : []),
    ...(way.shows.length > 0
      ? [`${way.look === 'other' ? 'changes the look: ' : ''}${way.shows.join(', ')}`]
      : []),
    ...(way.newRisks.length > 0 ? [`brings a risk (${way.newRisks.join(', ')})`] : []),
    ...way.makesLate.map((id) => `makes ${pieceName(store.build, id)} late`),
  ];
}
</script>

<template>
  <div class="finding" :class="finding.severity" :data-testid="`finding-${finding.rule}`">
    <p>
      <strong>{{ severityMarks[finding.severity] }}</strong> <FieldText :text="finding.message" />
      <button class="why" :aria-expanded="why" @click="why = !why">{{ why ? 'Less' : 'Why?' }}</button>
    </p>
    <p v-if="why" class="quiet mt-1">
      <FieldText :text="finding.reason" /> <span class="small">({{ finding.rule }})</span>
    </p>
    <p v-if="finding.evidence" class="evidence small">
      Your own test, {{ sayDate(finding.evidence.judgedOn) }}:
      {{ finding.evidence.result === 'good' ? 'it held' : 'it failed'
      }}<template v-if="finding.evidence.note">. {{ finding.evidence.note }}</template>
    </p>
    <p v-if="finding.test" class="mt-2">
      <v-btn size="small" variant="text" class="test" @click="test">Test it on an offcut</v-btn>
    </p>
    <p v-if="searching" class="small quiet mt-2" role="status">Trying ways out…</p>
    <ul v-else-if="found && found.waysOut.length > 0" class="ways" aria-label="Ways out">
      <li v-for="way in found.waysOut" :key="way.label">
        <v-btn size="small" @click="$emit('apply', way)">{{ way.label }}</v-btn>
        <span class="small quiet">{{ costs(way).join(' · ') }}</span>
      </li>
    </ul>
    <p v-else-if="found?.noWayOut" class="small mt-2">No way out found. {{ found.noWayOut }}</p>
  </div>
</template>

<style scoped>
.finding {
  margin-top: 8px;
  padding: 8px 12px;
  background: rgb(var(--v-theme-surface));
  border-left: 4px solid currentcolor;
  font-size: 0.92rem;
}

.finding p {
  color: rgb(var(--v-theme-on-surface));
}

.finding .quiet {
  color: var(--quiet);
}

.stop {
  border-left-color: rgb(var(--v-theme-error));
}

.risk {
  border-left-color: rgb(var(--v-theme-warning));
}

.note {
  border-left-color: rgb(var(--v-theme-secondary));
}

.why {
  text-decoration: underline;
  padding: 0 4px;
}

.test {
  text-decoration: underline;
  padding-inline: 4px;
}

.evidence {
  margin-top: 4px;
  padding-left: 8px;
  border-left: 2px dotted currentcolor;
}

.ways {
  list-style: none;
  padding: 0;
  margin-top: 8px;
  display: grid;
  gap: 6px;
  color: rgb(var(--v-theme-on-surface));
}

.ways li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
}

.ways .v-btn {
  white-space: normal;
  height: auto;
  min-height: 32px;
  padding-block: 4px;
}
</style>
