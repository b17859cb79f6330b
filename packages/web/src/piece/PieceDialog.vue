<script setup lang="ts">
import {
  bendRadiusRound,
  idFromName,
  shapeAreaCm2,
  shapeWords,
  sheenClasses,
  sheenWords,
  substrateKinds,
  substrateNames,
  writeSteps,
  type Fault,
  type Piece,
  type ShapeKind,
  type SheenClass,
  type SubstrateKind,
} from '@fixatum/core';
import { mdiClose, mdiPlus } from '@mdi/js';
import { computed, reactive, ref, watch } from 'vue';
import DialogFoot from '../shared/DialogFoot.vue';
import { api, faultsOf } from '../shared/api';
import { shapeFields, shapeFrom } from './shapeFields';
import { useBuild } from '../shared/build';
import FaultList from '../shared/FaultList.vue';
import { useLooks } from '../shared/looks';
import ZonesEditor, { type ZoneDraft } from './ZonesEditor.vue';

/** Makes a new piece, or changes one; areas come from simple shapes, steps of a new one from a look. */
const open = defineModel<boolean>({ required: true });
const props = defineProps<{ piece?: Piece | undefined }>();
const emit = defineEmits<{ saved: [pieceId: string] }>();
const store = useBuild();
const looks = useLooks();

type Measure = 'typed' | ShapeKind;
interface FlexDraft {
  name: string;
  bendRadiusMm: number | undefined;
  bodyDiameterMm: number | undefined;
}
const fresh = () => ({
  name: '',
  quantity: 1,
  kind: 'eva-foam' as SubstrateKind,
  thicknessMm: 6,
  heatSealed: false,
  measure: 'rectangle' as Measure,
  values: {} as Record<string, number>,
  polygon: '0,0 200,0 200,120 100,180 0,120',
  outerCm2: 600,
  inner: true,
  innerCm2: undefined as number | undefined,
  event: '',
  finestDetailMm: undefined as number | undefined,
  wantsSheen: '' as SheenClass | '',
  keepBare: '',
  flex: [] as FlexDraft[],
  zones: [] as ZoneDraft[],
  lookId: '',
  note: '',
});
const form = reactive(fresh());
const faults = ref<Fault[]>([]);
const saving = ref(false);
/** The piece as it was when the dialog opened: what a change is measured against. */
const base = ref<Piece>();
const seen = ref<string>();

watch(open, (isOpen) => {
  if (!isOpen) return;
  faults.value = [];
  void looks.load();
  base.value = props.piece && (JSON.parse(JSON.stringify(props.piece)) as Piece);
  seen.value = props.piece && store.pieceEtags[props.piece.id];
  Object.assign(form, fresh(), { event: store.build?.events[0]?.id ?? '' });
  const piece = base.value;
  if (!piece) return;
  const shape = piece.faces.outer.shape;
  Object.assign(form, {
    name: piece.name,
    quantity: piece.quantity,
    kind: piece.substrate.kind,
    thicknessMm: piece.substrate.thicknessMm,
    heatSealed: piece.substrate.heatSealed ?? false,
    measure: shape?.kind ?? 'typed',
    values: shape && shape.kind !== 'polygon' ? { ...(shape as unknown as Record<string, number>) } : {},
    polygon:
      shape?.kind === 'polygon'
        ? shape.pointsMm.map((corner) => corner.join(',')).join(' ')
        : fresh().polygon,
    outerCm2: piece.faces.outer.areaCm2,
    inner: piece.faces.inner !== undefined,
    innerCm2: piece.faces.inner?.areaCm2,
    event: piece.event ?? '',
    finestDetailMm: piece.finestDetailMm,
    wantsSheen: piece.wantsSheen ?? '',
    keepBare: (piece.keepBare ?? []).join(', '),
    flex: (piece.flex ?? []).map((spot) => ({
      name: spot.name,
      bendRadiusMm: spot.bendRadiusMm,
      bodyDiameterMm: undefined,
    })),
    zones: (piece.zones ?? []).map((zone) => ({
      id: zone.id,
      name: zone.name,
      percent: Math.round(zone.share * 1000) / 10,
      edgeMm: zone.edgeMm,
      lookId: '',
      wantsSheen: zone.wantsSheen ?? ('' as const),
    })),
    note: piece.note ?? '',
  });
});

const shape = computed(() =>
  form.measure === 'typed' ? undefined : shapeFrom(form.measure, form.values, form.polygon),
);
const outerCm2 = computed(() =>
  form.measure === 'typed'
    ? Number(form.outerCm2)
    : shape.value
      ? Math.round(shapeAreaCm2(shape.value) * 10) / 10
      : 0,
);
const fields = computed(() =>
  form.measure === 'typed' || form.measure === 'polygon' ? [] : shapeFields[form.measure],
);

const measures = [
  { value: 'typed', title: 'Type the area' },
  ...Object.entries(shapeWords).map(([value, title]) => ({ value, title })),
];
const substrates = substrateKinds.map((value) => ({ value, title: substrateNames[value] }));
const sheens = [
  { value: '', title: 'any' },
  ...sheenClasses.map((value) => ({ value, title: sheenWords[value] })),
];
const events = computed(() => [
  { value: '', title: 'No date' },
  ...(store.build?.events ?? []).map((event) => ({ value: event.id, title: event.name })),
]);
const lookItems = computed(() => [
  { value: '', title: 'Choose later' },
  ...looks.all.map((look) => ({ value: look.id, title: look.name })),
]);

function measureFlex(spot: FlexDraft): void {
  if (spot.bodyDiameterMm)
    spot.bendRadiusMm = Math.round(bendRadiusRound(spot.bodyDiameterMm, form.thicknessMm) * 10) / 10;
}

const filled = <T,>(value: T | undefined | '' | null): value is T =>
  value !== undefined && value !== '' && value !== null && !Number.isNaN(value);

function drafted(): Piece {
  const old = base.value;
  const {
    event: _event,
    flex: _flex,
    finestDetailMm: _detail,
    wantsSheen: _sheen,
    zones: _zones,
    keepBare: _bare,
    note: _note,
    ...kept
  } = old ?? ({} as Partial<Piece>);
  const bare = form.keepBare
    .split(',')
    .map((name) => name.trim())
    .filter(Boolean);
  const zones = form.zones.map((zone) => {
    const before = old?.zones?.find((candidate) => candidate.id === zone.id);
    const { edgeMm: _edge, wantsSheen: _wants, ...rest } = before ?? {};
    return {
      ...rest,
      id: zone.id,
      name: zone.name.trim(),
      share: Number(zone.percent) / 100,
      ...(filled(zone.edgeMm) ? { edgeMm: Number(zone.edgeMm) } : {}),
      ...(zone.wantsSheen ? { wantsSheen: zone.wantsSheen } : {}),
    };
  });
  const outer = { ...(old?.faces.outer ?? {}), areaCm2: outerCm2.value };
  if (shape.value) outer.shape = shape.value;
  else delete (outer as { shape?: unknown }).shape;
  const { inner: _inner, ...otherFaces } = old?.faces ?? ({} as Partial<Piece['faces']>);
  return {
    ...kept,
    id:
      old?.id ??
      idFromName(
        form.name,
        (store.build?.pieces ?? []).map((piece) => piece.id),
      ),
    name: form.name.trim(),
    quantity: Number(form.quantity),
    substrate: {
      ...(old?.substrate ?? {}),
      kind: form.kind,
      thicknessMm: Number(form.thicknessMm),
      heatSealed: form.heatSealed,
    },
    faces: {
      ...otherFaces,
      outer,
      ...(form.inner
        ? {
            inner: {
              ...(old?.faces.inner ?? {}),
              areaCm2: filled(form.innerCm2) ? Number(form.innerCm2) : outerCm2.value,
            },
          }
        : {}),
    },
    steps: old?.steps ?? [],
    ...(form.event ? { event: form.event } : {}),
    ...(form.wantsSheen ? { wantsSheen: form.wantsSheen } : {}),
    ...(filled(form.finestDetailMm) ? { finestDetailMm: Number(form.finestDetailMm) } : {}),
    ...(form.flex.length > 0
      ? {
          flex: form.flex.map((spot) => ({
            name: spot.name.trim(),
            bendRadiusMm: Number(spot.bendRadiusMm),
          })),
        }
      : {}),
    ...(zones.length > 0 ? { zones } : {}),
    ...(bare.length > 0 ? { keepBare: bare } : {}),
    ...(form.note.trim() ? { note: form.note.trim() } : {}),
  };
}

/** A new piece gets the steps of the looks chosen here. */
function withSteps(piece: Piece): Piece {
  if (base.value) return piece;
  const chosen = form.zones.flatMap((zone) => {
    const look = looks.byId(zone.lookId);
    return look ? [{ zone: zone.id, look }] : [];
  });
  const whole = looks.byId(form.lookId);
  const picks = [...chosen, ...(whole ? [{ look: whole }] : [])];
  if (picks.length === 0) return piece;
  return {
    ...piece,
    steps: writeSteps(store.build!, piece, { looks: picks, straps: (piece.keepBare?.length ?? 0) > 0 }).steps,
  };
}

async function save(): Promise<void> {
  faults.value = [];
  if (form.name.trim() === '') {
    faults.value = [{ code: 'name', path: ['name'], message: 'Give the piece a name.' }];
    return;
  }
  if (form.measure !== 'typed' && !shape.value) {
    faults.value = [
      {
        code: 'shape',
        path: ['faces', 'outer'],
        message: 'Fill in the lengths, each more than zero; a polygon needs three corners or more.',
      },
    ];
    return;
  }
  const piece = withSteps(drafted());
  saving.value = true;
  try {
    const done = base.value
      ? await store.savePiece(piece, base.value, `Changed: ${piece.name}`, seen.value)
      : await store.attempt(() => api.addPiece(store.id!, piece), `Added: ${piece.name}`);
    if (!done) return;
    open.value = false;
    emit('saved', piece.id);
  } catch (error) {
    faults.value = faultsOf(error);
  } finally {
    saving.value = false;
  }
}
</script>

<template>
  <v-dialog v-model="open" max-width="760" scrollable>
    <v-card>
      <v-card-text class="pa-6">
        <h2 class="mb-4">{{ base ? `Change ${base.name}` : 'New piece' }}</h2>
        <form id="piece-form" novalidate @submit.prevent="save">
          <div class="grid">
            <v-text-field v-model="form.name" class="span4" label="Name" maxlength="120" autofocus />
            <v-text-field
              v-model.number="form.quantity"
              class="span2"
              label="How many"
              type="number"
              min="1"
              max="200"
            />
            <v-select v-model="form.kind" class="span3" label="Made of" :items="substrates" />
            <v-text-field
              v-model.number="form.thicknessMm"
              class="span3"
              label="Thickness"
              suffix="mm"
              type="number"
              min="0.1"
              step="any"
            />
            <v-select v-model="form.measure" class="span3" label="Shape" :items="measures" />
            <v-text-field
              v-if="form.measure === 'typed'"
              v-model.number="form.outerCm2"
              class="span3"
              label="Area of the outer face"
              suffix="cm²"
              type="number"
              step="any"
            />
            <p v-else class="span3 area figures" data-testid="area">
              <strong>{{ outerCm2 || '–' }} cm²</strong> each
            </p>
            <v-text-field
              v-for="field in fields"
              :key="field.key"
              :model-value="form.values[field.key] ?? field.start"
              class="span2"
              :label="field.label"
              :suffix="field.suffix"
              type="number"
              step="any"
              @update:model-value="form.values[field.key] = Number($event)"
            />
            <v-text-field
              v-if="form.measure === 'polygon'"
              v-model="form.polygon"
              class="span6"
              label="Corners in mm, x,y with spaces between"
            />
            <v-select
              v-if="!base && form.zones.length === 0"
              v-model="form.lookId"
              class="span6"
              label="Look"
              :items="lookItems"
              hint="Writes the whole list of steps; change anything later."
              persistent-hint
            />
          </div>
          <div class="checks">
            <v-checkbox v-model="form.inner" label="The inner face is sealed too" />
            <v-checkbox
              v-if="form.kind === 'eva-foam' || form.kind === 'craft-foam'"
              v-model="form.heatSealed"
              label="Already heat-sealed"
            />
          </div>
          <ZonesEditor v-model="form.zones" :looks="looks.all" :with-looks="!base" />
          <details :open="Boolean(base)">
            <summary>More: date, detail, bends, areas to keep bare</summary>
            <div class="grid mt-3">
              <v-select v-model="form.event" class="span3" label="For" :items="events" />
              <v-text-field
                v-model.number="form.finestDetailMm"
                class="span3"
                label="Finest detail"
                suffix="mm"
                type="number"
                step="any"
                min="0"
                clearable
              />
              <v-select v-model="form.wantsSheen" class="span3" label="Sheen wanted" :items="sheens" />
              <v-text-field
                v-if="form.inner"
                v-model.number="form.innerCm2"
                class="span3"
                label="Inner face, if it differs"
                suffix="cm²"
                type="number"
                step="any"
                clearable
              />
              <v-text-field
                v-model="form.keepBare"
                class="span6"
                label="Keep bare: tabs, closures, bond areas"
                hint="Commas between"
                persistent-hint
              />
            </div>
            <p class="mt-4 mb-1"><strong>Where it bends</strong></p>
            <div v-for="(spot, at) in form.flex" :key="at" class="flex-spot">
              <v-text-field v-model="spot.name" label="Where" density="compact" />
              <v-text-field
                v-model.number="spot.bodyDiameterMm"
                label="Round a body of"
                suffix="mm Ø"
                type="number"
                density="compact"
                @update:model-value="measureFlex(spot)"
              />
              <v-text-field
                v-model.number="spot.bendRadiusMm"
                label="Bend radius"
                suffix="mm"
                type="number"
                step="any"
                density="compact"
              />
              <v-btn
                :icon="mdiClose"
                variant="text"
                size="small"
                :aria-label="`Remove ${spot.name || 'this bend'}`"
                @click="form.flex.splice(at, 1)"
              />
            </div>
            <v-btn
              size="small"
              :prepend-icon="mdiPlus"
              @click="form.flex.push({ name: 'bend', bendRadiusMm: 60, bodyDiameterMm: undefined })"
              >A bend</v-btn
            >
            <v-textarea v-model="form.note" class="mt-4" label="Note" rows="2" auto-grow maxlength="4000" />
          </details>
        </form>
        <FaultList :faults="faults" />
      </v-card-text>
      <DialogFoot v-model="open" form="piece-form" :words="base ? 'Save' : 'Add it'" :saving="saving" />
    </v-card>
  </v-dialog>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(6, 1fr);
  gap: 14px 12px;
}

.span2 {
  grid-column: span 2;
}

.span3 {
  grid-column: span 3;
}

.span4 {
  grid-column: span 4;
}

.span6 {
  grid-column: span 6;
}

.area {
  align-self: center;
  font-size: 1.1rem;
}

.checks {
  display: flex;
  flex-wrap: wrap;
  gap: 0 24px;
  margin: 8px 0;
}

details {
  border-top: 1px solid var(--line);
  padding-top: 12px;
  margin-top: 10px;
}

summary {
  font-weight: 600;
  cursor: pointer;
  min-height: 32px;
}

.flex-spot {
  display: grid;
  grid-template-columns: 1.2fr 1fr 1fr 40px;
  gap: 8px;
  margin-bottom: 8px;
  align-items: center;
}

@media (max-width: 640px) {
  .grid > * {
    grid-column: span 6;
  }

  .flex-spot {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
