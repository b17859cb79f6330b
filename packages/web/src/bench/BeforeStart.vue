<script setup lang="ts">
import { sayMoment, sayWait, type LaterPiece, type RuleFinding } from '@fixatum/core';
import { useBuild } from '../shared/build';
import { useMe } from '../shared/me';
import { pieceName, severityMarks } from '../shared/words';

/** What to know before Start is pressed: what speaks against these passes, and what beginning now does to the dates. */
defineProps<{
  findings: readonly RuleFinding[];
  later: readonly LaterPiece[];
  late: readonly { pieceId: string; byMinutes: number | undefined }[];
}>();
const store = useBuild();
const me = useMe();
const pieceLink = (piece: string) => ({ name: 'piece', params: { build: store.theId, piece } });
</script>

<template>
  <ul v-if="findings.length + later.length + late.length > 0" class="before" data-testid="before-start">
    <li
      v-for="finding in findings"
      :key="`${finding.piece} ${finding.rule} ${finding.step} ${finding.below}`"
      :class="finding.severity"
    >
      <strong>{{ severityMarks[finding.severity] }}</strong> {{ pieceName(store.build, finding.piece) }}:
      {{ finding.message }}
      <router-link v-if="finding.severity !== 'note' && !me.isHelper" :to="pieceLink(finding.piece)"
        >Ways out</router-link
      >
    </li>
    <li v-for="piece in later" :key="`later ${piece.pieceId}`" :class="piece.missesDate ? 'stop' : 'risk'">
      <strong>▲ Starting it now costs {{ sayWait(piece.byMinutes) }}:</strong>
      {{ pieceName(store.build, piece.pieceId) }} would be ready
      {{ sayMoment(piece.readyAt, store.theView.timeZone) }}{{ piece.missesDate ? ', after its date' : '' }}.
    </li>
    <li v-for="piece in late" :key="`late ${piece.pieceId}`" class="risk">
      <strong
        >▲ {{ pieceName(store.build, piece.pieceId) }}
        {{ piece.byMinutes === undefined ? 'is stuck' : 'is late' }}</strong
      ><template v-if="piece.byMinutes !== undefined"> by {{ sayWait(piece.byMinutes) }} as planned</template
      >.
      <router-link v-if="!me.isHelper" :to="{ name: 'plan', params: { build: store.theId } }"
        >Catch up</router-link
      >
    </li>
  </ul>
</template>

<style scoped>
.before {
  list-style: none;
  margin-top: 14px;
  padding: 0;
  display: grid;
  gap: 8px;
}

.before li {
  padding: 8px 12px;
  border-left: 4px solid var(--line);
  background: rgb(var(--v-theme-surface));
}

.before li a {
  /* As high as a glove needs, without pushing the lines apart. */
  display: inline;
  padding-block: 12px;
}

.before li.stop {
  border-left: 4px double rgb(var(--v-theme-error));
}

.before li.risk {
  border-left-color: rgb(var(--v-theme-warning));
}

.before a {
  color: inherit;
  font-weight: 600;
  white-space: nowrap;
}
</style>
