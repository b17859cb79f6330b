import {
  hasClosures,
  matchZones,
  schools,
  sure,
  usualTools,
  writeRecipe,
  type Build,
  type Choices,
  type Clear,
  type Look,
  type Method,
  type Piece,
  type Recipe,
  type School,
  type SealerSchool,
  type Undercoat,
  type WrittenSteps,
} from '@fixatum/core';

/** A part of a piece that takes a look: a zone, or the whole of it with no id. */
export interface LookSlot {
  id: string;
  name: string;
}

/** What is chosen in the look dialog; empty texts leave it to the look. */
export interface LookForm {
  byZone: Record<string, { lookId: string; colour: string }>;
  sealer: SealerSchool | '';
  undercoat: Undercoat | '';
  clear: Clear | '';
  tools: Method[];
  quicker: boolean;
  seams: NonNullable<Choices['seams']> | '';
  wipe: boolean;
  lines: NonNullable<Choices['lines']> | '';
  straps: boolean;
  /** Stops to look the work over. */
  lookOvers: boolean;
  /** Tried on before paint. */
  tryOn: boolean;
  /** Zones in the order the user wants them painted. */
  order: string[] | undefined;
  /** A finish that was saved whole, done again here in place of looks; empty for none. */
  recipeId: string;
  /** Which zone of it each zone of the piece is; empty for none. */
  recipeZones: Record<string, string>;
}

/** A zone that takes a look for each zone of a piece, or the whole piece. */
export const lookSlots = (piece: Piece): LookSlot[] =>
  piece.zones && piece.zones.length > 1
    ? piece.zones.map(({ id, name }) => ({ id, name }))
    : [{ id: '', name: 'the whole piece' }];

/** The dialog as it opens for a piece: no look yet, straps where there are some to be put on. */
export const freshLookForm = (piece: Piece): LookForm => ({
  byZone: Object.fromEntries(lookSlots(piece).map(({ id }) => [id, pickedFor(piece, id)])),
  sealer: piece.chosen?.sealer ?? '',
  undercoat: piece.chosen?.undercoat ?? '',
  clear: piece.chosen?.clear ?? '',
  tools: [...(piece.chosen?.tools ?? usualTools)],
  quicker: false,
  seams: '',
  wipe: false,
  lines: '',
  straps: piece.steps.some((step) => step.attaches === 'strap') || hasClosures(piece),
  lookOvers: true,
  tryOn: piece.onSkin === true || (piece.flex?.length ?? 0) > 0,
  order: undefined,
  recipeId: '',
  recipeZones: {},
});

/** The look and colour of a zone as they were chosen last; of a zone that is new, those of the whole piece. */
function pickedFor(piece: Piece, zone: string): { lookId: string; colour: string } {
  const looks = piece.chosen?.looks ?? [];
  const known = looks.find((one) => (one.zone ?? '') === zone) ?? looks.find((one) => one.zone === undefined);
  return {
    lookId: known?.look ?? '',
    colour: known?.colour ?? piece.zones?.find(({ id }) => id === zone)?.colour ?? '',
  };
}

/** What is kept of a choice, for when the dialog is opened again. */
export const keptChoice = (form: LookForm): NonNullable<Piece['chosen']> => ({
  looks: Object.entries(form.byZone).flatMap(([zone, { lookId, colour }]) =>
    lookId ? [{ look: lookId, ...(zone ? { zone } : {}), ...(colour ? { colour } : {}) }] : [],
  ),
  ...(form.sealer ? { sealer: form.sealer } : {}),
  ...(form.undercoat ? { undercoat: form.undercoat } : {}),
  ...(form.clear ? { clear: form.clear } : {}),
  tools: [...form.tools],
});

/** A look that was saved from a piece whole. */
export type SavedFinish = Look & { recipe: Recipe };
export const isSavedFinish = (look: Look | undefined): look is SavedFinish => look?.recipe !== undefined;

/** Which zone is which, to begin with. */
export function likelyZones({ recipe }: SavedFinish, piece: Piece): Record<string, string> {
  const map = matchZones(recipe, piece);
  return Object.fromEntries(lookSlots(piece).map(({ id }) => [id, map[id] ?? '']));
}

/** The steps of a saved finish on a piece, and what was changed to fit. */
export function finishSteps(
  build: Build,
  piece: Piece,
  look: SavedFinish,
  zones: LookForm['recipeZones'],
): WrittenSteps {
  const map = Object.fromEntries(Object.entries(zones).map(([id, known]) => [id, known || undefined]));
  return { ...writeRecipe(build, piece, look, map), zones: undefined };
}

export const schoolOf = (id: SealerSchool): School =>
  sure(
    schools.find((school) => school.id === id),
    `the sealer ${id}`,
  );

/** A sealer to hold another against: the first that is not it and lays something. */
export const otherSchool = (own: SealerSchool): SealerSchool =>
  sure(
    schools.find(({ id, step }) => id !== own && step !== undefined),
    'another sealer',
  ).id;

/** The looks that are chosen, each with its zone and colour. */
export const picksOf = (
  { byZone }: LookForm,
  slots: readonly LookSlot[],
  lookById: (id: string) => Look | undefined,
): Choices['looks'] =>
  slots.flatMap(({ id }) => {
    const pick = byZone[id];
    const look = pick && lookById(pick.lookId);
    return look
      ? [{ look, ...(id ? { zone: id } : {}), ...(pick.colour ? { colour: pick.colour } : {}) }]
      : [];
  });

/** All that is chosen, as the steps are written by it. */
export const choicesOf = (form: LookForm, picks: Choices['looks']): Choices => ({
  looks: picks,
  ...(form.sealer ? { sealer: form.sealer } : {}),
  ...(form.undercoat ? { undercoat: form.undercoat } : {}),
  ...(form.clear ? { clear: form.clear } : {}),
  tools: form.tools,
  quicker: form.quicker,
  ...(form.seams ? { seams: form.seams } : {}),
  wipe: form.wipe,
  ...(form.lines ? { lines: form.lines } : {}),
  straps: form.straps,
  lookOvers: form.lookOvers,
  tryOn: form.tryOn,
  ...(form.order ? { order: form.order } : {}),
});

/** A list with one of its entries moved by some places; as it was where that leads out of it. */
export function movedBy<T>(list: readonly T[], entry: T, by: number): T[] {
  const at = list.indexOf(entry);
  const to = at + by;
  if (at < 0 || to < 0 || to >= list.length) return [...list];
  const rest = list.filter((one) => one !== entry);
  return [...rest.slice(0, to), entry, ...rest.slice(to)];
}
