import {
  airyPlace,
  facesOf,
  readColour,
  idFromName,
  methodOf,
  methodTable,
  methodWords,
  stepSchema,
  type Face,
  type FilmGrade,
  type Material,
  type Method,
  type Piece,
  type Place,
  type Placement,
  type Result,
  type Step,
} from '@fixatum/core';
import { made, namesIn, orNothing } from '../shared/formValues';

/** A step as it is typed: every field has a value, an empty one where the step says nothing. */
export interface StepForm {
  kind: Step['kind'];
  material: string;
  method: Method | '';
  coats: number | undefined;
  film: FilmGrade;
  faces: Face[];
  zones: string[];
  place: string;
  colour: string;
  /** The colour of the palette that it follows; none where it was picked by itself. */
  palette: string;
  placement: Placement | '';
  coversPct: number | undefined;
  air: NonNullable<Step['air']>;
  minutes: number | undefined;
  optional: boolean;
  trims: boolean;
  waitFor: NonNullable<Step['waitFor']> | '';
  wanted: NonNullable<Step['wanted']>;
  attaches: NonNullable<Step['attaches']> | '';
  covers: string;
  dilution: string;
  pourMm: number | undefined;
  mixes: number | undefined;
  reworkEveryMinutes: number | undefined;
  tintPct: number | undefined;
  thinPct: number | undefined;
  thinWith: NonNullable<Step['thinWith']> | '';
  bondArea: string;
  texture: NonNullable<Step['texture']> | '';
  cleans: NonNullable<Step['cleans']> | '';
  spaced: boolean;
  looksOver: NonNullable<Step['looksOver']> | '';
  /** Units of a set; none means all. */
  units: number[];
  /** The pieces that are joined into this one. */
  parts: string[];
  /** How it is glued or put on: by fixings, along a length, or over an area. */
  fixings: number | undefined;
  alongMm: number | undefined;
  bondCm2: number | undefined;
  note: string;
}

/** A step as the form shows it; a base coat where there is none yet. */
export const stepToForm = (step?: Step): StepForm => ({
  kind: step?.kind ?? 'base',
  material: step?.material ?? '',
  method: step?.method ?? '',
  coats: step?.coats ?? 1,
  film: step?.film ?? 'normal',
  faces: step ? [...facesOf(step)] : ['outer'],
  zones: [...(step?.zones ?? [])],
  place: step?.place ?? '',
  colour: step?.colour ?? '',
  palette: step?.palette ?? '',
  placement: step?.placement ?? '',
  coversPct: step?.coversPct,
  air: step?.air ?? 'still',
  minutes: step?.minutes,
  optional: step?.optional ?? false,
  trims: step?.trims ?? false,
  waitFor: step?.waitFor ?? '',
  wanted: [...(step?.wanted ?? [])],
  attaches: step?.attaches ?? '',
  covers: (step?.covers ?? []).join(', '),
  dilution: step?.dilution ?? '',
  pourMm: step?.pourMm,
  mixes: step?.mixes,
  reworkEveryMinutes: step?.reworkEveryMinutes,
  tintPct: step?.tintPct,
  thinPct: step?.thinPct,
  thinWith: step?.thinWith ?? '',
  bondArea: step?.bondArea ?? '',
  texture: step?.texture ?? '',
  cleans: step?.cleans ?? '',
  spaced: step?.spaced ?? false,
  looksOver: step?.looksOver ?? '',
  units: [...(step?.units ?? [])],
  parts: [...(step?.parts ?? [])],
  fixings: step?.fixings,
  alongMm: step?.alongMm,
  bondCm2: step?.bondCm2,
  note: step?.note ?? '',
});

/** What a step that lays this material may say beyond the common: how thick it is laid, in how many lots, how tinted. */
export const asksFor = (material: Material | undefined) => ({
  pour: material?.binder === 'epoxy' || material?.role === 'fill',
  lots: material?.potLife !== undefined,
  tint: material?.role === 'seal' || material?.role === 'prime' || material?.role === 'topcoat',
  bondArea: material?.role === 'bond',
  thinner: material !== undefined && material.role !== 'bond' && material.role !== 'fill',
});

/** What a step of some kind may say besides: how texture got in, what it cleans off, how warm things are mounted. */
export const kindAsksFor = ({
  kind,
  attaches,
  material,
}: Pick<StepForm, 'kind' | 'attaches' | 'material'>) => ({
  texture: kind === 'texture' && material === '',
  cleans: kind === 'prep',
  looksOver: kind === 'inspect',
  parts: kind === 'join',
  bareFor: kind === 'join' || kind === 'attach',
  fixings: kind === 'attach' || material !== '',
  along: kind === 'attach' || kind === 'join' || kind === 'fill',
  spaced: kind === 'attach' && (attaches === 'led' || attaches === 'battery'),
});

/** What of a form can't be with the material and the method that are chosen, changed, with a sentence for each change. */
export function fittedForm(
  form: Pick<StepForm, 'kind' | 'method' | 'place'>,
  material: Material | undefined,
  places: readonly Place[],
): { change: Partial<Pick<StepForm, 'method' | 'place'>>; said: string[] } {
  const usual = methodOf({ id: '', kind: form.kind }, material);
  const said: string[] = [];
  const change: Partial<Pick<StepForm, 'method' | 'place'>> = {};
  if (material && form.method !== '' && !material.methods.includes(form.method)) {
    change.method = '';
    said.push(
      `${material.name} can’t be applied by ${methodWords[form.method]}: it is ${methodWords[usual]} now.`,
    );
  }
  const method: Method = (change.method ?? form.method) || usual;
  const here = places.find(({ id }) => id === form.place) ?? places[0];
  const airy = airyPlace(places);
  if (
    methodTable[method].hasPropellant &&
    here &&
    airy &&
    here.ventilation !== 'outdoor' &&
    here.ventilation !== 'extraction'
  ) {
    change.place = airy.id;
    said.push(`A can wants moving air: it is done in ${airy.name}.`);
  }
  return { change, said };
}

/** Where a detail coat goes that nobody has said yet: where the last one went. */
export const detailPlacement = (pieces: readonly Piece[]): Placement =>
  pieces
    .flatMap(({ steps }) => steps)
    .findLast((step) => step.kind === 'detail' && step.placement !== undefined)?.placement ?? 'lines';

export interface StepContext {
  /** The step as it was, whose other fields stay. */
  old?: Step | undefined;
  /** Ids that a new step can't have. */
  taken: readonly string[];
  /** What the form's material is. */
  material: Material | undefined;
}

/** The step a form makes; what does not go with its kind and material is left out. */
export function stepFromForm(form: StepForm, { old, taken, material }: StepContext): Result<Step> {
  const asks = asksFor(material);
  const kindAsks = kindAsksFor(form);
  const lays = form.material !== '';
  const isJoined = kindAsks.parts || kindAsks.bareFor;
  const isGlued = isJoined || asks.bondArea;
  const samePartsAsBefore = JSON.stringify(old?.parts ?? []) === JSON.stringify(form.parts);
  const isUsualFace = form.faces.length === 1 && form.faces[0] === 'outer';
  return made(stepSchema, {
    ...old,
    id: old?.id ?? idFromName(form.kind, taken),
    kind: form.kind,
    material: orNothing(form.material),
    coats: lays ? form.coats : undefined,
    film: lays ? form.film : undefined,
    method: orNothing(form.method),
    faces: isUsualFace ? undefined : orNothing(form.faces),
    zones: orNothing(form.zones),
    place: orNothing(form.place),
    colour: orNothing(readColour(form.colour)),
    palette: form.colour === '' ? undefined : orNothing(form.palette),
    placement: lays ? orNothing(form.placement) : undefined,
    coversPct: lays ? form.coversPct : undefined,
    air: form.air === 'still' ? undefined : form.air,
    minutes: form.minutes,
    optional: form.optional || undefined,
    waitFor: orNothing(form.waitFor),
    trims: (form.trims && form.kind === 'prep') || undefined,
    wanted: orNothing(form.wanted),
    attaches: form.kind === 'attach' ? orNothing(form.attaches) : undefined,
    covers: orNothing(namesIn(form.covers)),
    dilution: orNothing(form.dilution),
    pourMm: asks.pour ? form.pourMm : undefined,
    mixes: asks.lots && form.mixes !== 1 ? form.mixes : undefined,
    reworkEveryMinutes: asks.lots ? form.reworkEveryMinutes : undefined,
    tintPct: asks.tint ? form.tintPct : undefined,
    // Sanding wet is the one thing that takes water without a material.
    thinPct: asks.thinner ? form.thinPct : undefined,
    thinWith: asks.thinner || form.kind === 'sand' ? orNothing(form.thinWith) : undefined,
    bondArea: isGlued ? orNothing(form.bondArea) : undefined,
    parts: kindAsks.parts ? orNothing(form.parts) : undefined,
    // What other parts are joined, or none, has other steps to wait for.
    after: samePartsAsBefore ? old?.after : undefined,
    fixings: isGlued ? form.fixings : undefined,
    alongMm: isGlued || kindAsks.along ? form.alongMm : undefined,
    bondCm2: isGlued ? form.bondCm2 : undefined,
    texture: kindAsks.texture ? orNothing(form.texture) : undefined,
    cleans: kindAsks.cleans ? orNothing(form.cleans) : undefined,
    spaced: (kindAsks.spaced && form.spaced) || undefined,
    looksOver: kindAsks.looksOver ? orNothing(form.looksOver) : undefined,
    units: orNothing([...form.units].sort((a, b) => a - b)),
    note: orNothing(form.note.trim()),
  });
}
