<script setup lang="ts">
import {
  idFromName,
  sheenClasses,
  sheenWords,
  substrateKinds,
  substrateNames,
  zoneEdges,
  zoneEdgeWords,
  zoneRoles,
  zoneRoleWords,
  type Look,
} from '@fixatum/core';
import { mdiPlus } from '@mdi/js';
import { valueOf } from '../shared/inputs';
import RemoveButton from '../shared/RemoveButton.vue';
import { computed } from 'vue';
import NumberField from '../shared/NumberField.vue';
import type { ZoneDraft } from './pieceForm';

/** The zones of a piece, that together are all of it. */
const zones = defineModel<ZoneDraft[]>({ required: true });
const props = defineProps<{
  looks: readonly Look[];
  withLooks: boolean;
  /** The look of the whole piece, which zones it is split into keep. */
  lookId?: string | undefined;
  /** Their shares and edges come from the drawing of the piece. */
  drawn?: boolean;
}>();
const sum = computed(() => zones.value.reduce((total, zone) => total + (zone.percent ?? 0), 0));
const lookItems = computed(() => [
  { value: '', title: 'No look yet' },
  ...props.looks.map((look) => ({ value: look.id, title: look.name })),
]);

const sheenItems = [
  { value: '', title: 'any' },
  ...sheenClasses.map((value) => ({ value, title: sheenWords[value] })),
];

const roleItems = [
  { value: '', title: 'by its size' },
  ...zoneRoles.map((value) => ({ value, title: zoneRoleWords[value] })),
];

const groundItems = [
  { value: '', title: 'the same' },
  ...substrateKinds.map((value) => ({ value, title: substrateNames[value] })),
];
const edgeItems = [
  { value: '', title: 'by its tool' },
  ...zoneEdges.map((value) => ({ value, title: zoneEdgeWords[value] })),
];

/** What a zone comes out in where it is not said: the colour of its look. */
const lookColour = ({ lookId }: ZoneDraft): string | undefined =>
  props.looks.find(({ id }) => id === lookId)?.colour;

function add(): void {
  const rest = Math.max(0, 100 - sum.value);
  const fresh = zones.value.length === 0 ? [60, 40] : [rest || 10];
  for (const percent of fresh) {
    const name = `Zone ${zones.value.length + 1}`;
    zones.value.push({
      id: idFromName(
        name,
        zones.value.map((zone) => zone.id),
      ),
      name,
      percent,
      edgeMm: undefined,
      lookId: props.lookId ?? '',
      wantsSheen: '',
      role: '',
      edge: '',
      kind: '',
      thicknessMm: undefined,
      colour: '',
    });
  }
  if (sum.value > 100) evenOut();
}

/** Brings the shares to 100 % without changing their proportions. */
function evenOut(): void {
  const total = sum.value || 1;
  zones.value.forEach((zone) => (zone.percent = Math.round((100 * (zone.percent ?? 0)) / total)));
  const first = zones.value[0];
  if (first) first.percent = (first.percent ?? 0) + 100 - sum.value;
}

function remove(at: number): void {
  zones.value.splice(at, 1);
  if (zones.value.length === 1) zones.value = [];
}
</script>

<template>
  <fieldset>
    <legend>Zones with a look of their own</legend>
    <p v-if="zones.length === 0" class="small quiet">
      One look all over. Add zones for a panel, a trim, a strap.
    </p>
    <div v-for="(zone, at) in zones" :key="zone.id" class="zone">
      <v-text-field v-model="zone.name" :label="`Zone ${at + 1}`" density="compact" maxlength="120" />
      <NumberField
        v-model="zone.percent"
        label="Share"
        suffix="%"
        :min="1"
        :max="100"
        density="compact"
        :disabled="drawn"
      />
      <NumberField
        v-model="zone.edgeMm"
        label="Edge"
        of="lengthMm"
        :min="0"
        density="compact"
        :disabled="drawn"
      />
      <v-select
        v-if="withLooks"
        v-model="zone.lookId"
        :items="lookItems"
        :label="`Look of ${zone.name}`"
        density="compact"
      />
      <v-select
        v-else
        v-model="zone.wantsSheen"
        :items="sheenItems"
        :label="`Sheen of ${zone.name}`"
        density="compact"
      />
      <v-select
        v-if="!withLooks"
        v-model="zone.role"
        :items="roleItems"
        :label="`${zone.name} is`"
        density="compact"
        class="role"
      />
      <v-select
        v-model="zone.kind"
        :items="groundItems"
        :label="`${zone.name} is made of`"
        density="compact"
      />
      <NumberField
        v-if="zone.kind !== ''"
        v-model="zone.thicknessMm"
        label="How thick"
        of="lengthMm"
        :min="0.1"
        density="compact"
      />
      <v-select
        v-model="zone.edge"
        :items="edgeItems"
        :label="`Edge of ${zone.name} kept`"
        density="compact"
      />
      <label class="colour" :title="`Colour of ${zone.name}`">
        <input
          type="color"
          :aria-label="`Colour of ${zone.name}`"
          :value="zone.colour || lookColour(zone) || '#808080'"
          @change="zone.colour = valueOf($event)"
        />
        <span v-if="!zone.colour && !lookColour(zone)" class="small quiet">colour?</span>
      </label>
      <RemoveButton :label="`Remove ${zone.name}`" @click="remove(at)" />
    </div>
    <p v-if="drawn" class="small quiet">Zones are added, and made larger or smaller, on its drawing.</p>
    <div v-else class="foot">
      <v-btn size="small" :prepend-icon="mdiPlus" @click="add">{{
        zones.length === 0 ? 'Split into zones' : 'Another zone'
      }}</v-btn>
      <template v-if="zones.length > 0">
        <span class="small figures" :class="{ wrong: sum !== 100 }">{{ sum }} % of the piece</span>
        <v-btn v-if="sum !== 100" size="small" variant="text" @click="evenOut">Make it 100 %</v-btn>
      </template>
    </div>
  </fieldset>
</template>

<style scoped>
fieldset {
  border: 0;
  border-top: 1px solid var(--line);
  padding: 12px 0 4px;
}

legend {
  font-weight: 600;
  padding-right: 10px;
}

.zone {
  display: grid;
  grid-template-columns: 1.2fr 92px 104px 1fr auto 56px 40px;
  gap: 8px;
  margin: 8px 0;
  align-items: center;
}

.role {
  width: 130px;
}

.colour {
  display: block;
  line-height: 1;
}

.colour input {
  width: 100%;
  height: 40px;
  padding: 0;
  border: 1px solid var(--line);
  background: none;
}

.foot {
  display: flex;
  align-items: center;
  gap: 12px;
  margin-top: 6px;
}

.wrong {
  color: rgb(var(--v-theme-error));
  font-weight: 600;
}

@media (max-width: 640px) {
  .zone {
    grid-template-columns: 1fr 1fr 40px;
  }
}
</style>
