import {
  bendRadiusRound,
  idFromName,
  pieceSchema,
  shapeAreaCm2,
  shapeTable,
  substrateTable,
  withDrawing,
  type FlexUse,
  type Piece,
  type PieceDrawing,
  type Result,
  type Shape,
  type ShapeKind,
  type SealerSchool,
  type SheenClass,
  type SubstrateKind,
  type Surface,
  type ZoneEdge,
  type ZoneRole,
} from '@fixatum/core';
import { made, namesIn, orNothing } from '../shared/formValues';
import { polygonText, shapeFrom, shapeLengths } from './shapeFields';

/** A bend as it is typed: its radius, or the body it goes round. */
export interface BendDraft {
  name: string;
  bendRadiusMm: number | undefined;
  bodyDiameterMm: number | undefined;
  use: FlexUse;
}

/** A zone as it is typed: share in per cent, lengths in mm, and a look if one is chosen here. */
export interface ZoneDraft {
  id: string;
  name: string;
  percent: number | undefined;
  edgeMm: number | undefined;
  lookId: string;
  wantsSheen: SheenClass | '';
  /** What it is in the finish; empty for as its size tells. */
  role: ZoneRole | '';
  /** What it is made of, and how thick; empty for as the piece is. */
  kind: SubstrateKind | '';
  thicknessMm: number | undefined;
  /** How its edge is kept; empty for as its tool wants. */
  edge: ZoneEdge | '';
  /** The colour it is to have; empty where none is said. */
  colour: string;
}

/** A piece as it is typed. */
export interface PieceForm {
  name: string;
  quantity: number | undefined;
  kind: SubstrateKind;
  thicknessMm: number | undefined;
  heatSealed: boolean;
  surface: Surface | '';
  over: SubstrateKind[];
  groundColour: string;
  stretchPct: number | undefined;
  standing: boolean;
  onSkin: boolean;
  againstVinyl: boolean;
  /** By a drawing it can't be typed over: what is drawn is measured. */
  measure: 'typed' | 'drawn' | ShapeKind;
  /** Lengths of the shape by their name, where they differ from what a shape starts with. */
  values: Record<string, number | undefined>;
  polygon: string;
  outerCm2: number | undefined;
  inner: boolean;
  innerCm2: number | undefined;
  event: string;
  finestDetailMm: number | undefined;
  wantsSheen: SheenClass | '';
  keepBare: string;
  flex: BendDraft[];
  zones: ZoneDraft[];
  lookId: string;
  /** How a new one is sealed; empty for as its look says. */
  sealer: SealerSchool | '';
  note: string;
}

const SAMPLE_POLYGON = '0,0 200,0 200,120 100,180 0,120';

/** A piece as the form shows it; a 6 mm foam rectangle where there is none yet. */
export function pieceToForm(piece?: Piece, firstEvent = ''): PieceForm {
  const shape = piece?.faces.outer.shape;
  return {
    name: piece?.name ?? '',
    quantity: piece?.quantity ?? 1,
    kind: piece?.substrate.kind ?? 'eva-foam',
    thicknessMm: piece?.substrate.thicknessMm ?? 6,
    heatSealed: piece?.substrate.heatSealed ?? false,
    surface: piece?.substrate.surface ?? '',
    over: [...(piece?.substrate.over ?? [])],
    groundColour: piece?.substrate.colour ?? '',
    stretchPct: piece?.substrate.stretchPct,
    standing: piece?.standing ?? false,
    onSkin: piece?.onSkin ?? false,
    againstVinyl: piece?.againstVinyl ?? false,
    measure: piece?.drawing ? 'drawn' : (shape?.kind ?? (piece ? 'typed' : 'rectangle')),
    values: shapeLengths(shape),
    polygon: polygonText(shape) ?? SAMPLE_POLYGON,
    outerCm2: piece?.faces.outer.areaCm2 ?? 600,
    inner: piece ? piece.faces.inner !== undefined : true,
    innerCm2: piece?.faces.inner?.areaCm2,
    event: piece ? (piece.event ?? '') : firstEvent,
    finestDetailMm: piece?.finestDetailMm,
    wantsSheen: piece?.wantsSheen ?? '',
    keepBare: (piece?.keepBare ?? []).join(', '),
    flex: (piece?.flex ?? []).map(({ name, bendRadiusMm, use = 'worn' }) => ({
      name,
      bendRadiusMm,
      bodyDiameterMm: undefined,
      use,
    })),
    zones: (piece?.zones ?? []).map(
      ({ id, name, share, edgeMm, wantsSheen, role, edge, substrate, colour }) => ({
        id,
        name,
        percent: Math.round(share * 1000) / 10,
        edgeMm,
        lookId: '',
        wantsSheen: wantsSheen ?? '',
        role: role ?? '',
        edge: edge ?? '',
        kind: substrate?.kind ?? '',
        thicknessMm: substrate?.thicknessMm,
        colour: colour ?? '',
      }),
    ),
    lookId: '',
    sealer: '',
    note: piece?.note ?? '',
  };
}

/** The shape that was measured; undefined where the area is typed, or a length is missing. */
export const shapeOfForm = ({ measure, values, polygon }: PieceForm): Shape | undefined =>
  measure === 'typed' || measure === 'drawn' ? undefined : shapeFrom(measure, values, polygon);

/** Whether a piece of the shape that is chosen has an inner face at all. */
export const canHaveInner = ({ measure }: PieceForm): boolean =>
  measure === 'typed' || measure === 'drawn' || shapeTable[measure].isSolid !== true;

/** The area of the outer face of one, cm²; undefined while it can't be told. */
export function outerAreaOf(form: PieceForm): number | undefined {
  if (form.measure === 'typed' || form.measure === 'drawn') return form.outerCm2;
  const shape = shapeOfForm(form);
  return shape && Math.round(shapeAreaCm2(shape) * 10) / 10;
}

/** The radius of a bend round the body that was typed for it, mm; its own where none was. */
export const radiusOf = (bend: BendDraft, thicknessMm: number | undefined): number | undefined =>
  bend.bodyDiameterMm && thicknessMm
    ? Math.round(bendRadiusRound(bend.bodyDiameterMm, thicknessMm) * 10) / 10
    : bend.bendRadiusMm;

/**
 * The piece a form makes; what the form does not show stays as it was.
 * @param old the piece as it was
 * @param taken ids that a new piece can't have
 */
export function pieceFromForm(
  form: PieceForm,
  old: Piece | undefined,
  taken: readonly string[],
): Result<Piece> {
  if (form.name.trim() === '')
    return { ok: false, faults: [{ code: 'name', path: ['name'], message: 'Give the piece a name.' }] };
  const shape = shapeOfForm(form);
  if (form.measure !== 'typed' && form.measure !== 'drawn' && !shape) {
    const message = 'Fill in the lengths, each more than zero; a polygon needs three corners or more.';
    return { ok: false, faults: [{ code: 'shape', path: ['faces', 'outer'], message }] };
  }
  const outerCm2 = outerAreaOf(form);
  const bordersOf = (id: string) =>
    old?.zones
      ?.find((zone) => zone.id === id)
      ?.borders?.filter(({ zone }) => form.zones.some((one) => one.id === zone));
  const zones = form.zones.map((zone) => ({
    ...old?.zones?.find(({ id }) => id === zone.id),
    id: zone.id,
    name: zone.name.trim(),
    share: zone.percent === undefined ? undefined : zone.percent / 100,
    edgeMm: zone.edgeMm,
    borders: bordersOf(zone.id),
    wantsSheen: orNothing(zone.wantsSheen),
    role: orNothing(zone.role),
    edge: orNothing(zone.edge),
    substrate:
      zone.kind === ''
        ? undefined
        : {
            ...old?.zones?.find(({ id }) => id === zone.id)?.substrate,
            kind: zone.kind,
            thicknessMm: zone.thicknessMm ?? form.thicknessMm,
          },
    colour: orNothing(zone.colour),
  }));
  const read = made(pieceSchema, {
    ...old,
    drawing: drawnOf(old, form),
    id: old?.id ?? idFromName(form.name, taken),
    name: form.name.trim(),
    quantity: form.quantity,
    substrate: {
      ...old?.substrate,
      kind: form.kind,
      thicknessMm: form.thicknessMm,
      heatSealed: form.heatSealed,
      surface: orNothing(form.surface),
      over: orNothing(form.over),
      colour: orNothing(form.groundColour.trim()),
      stretchPct: substrateTable[form.kind].isCloth ? form.stretchPct : undefined,
    },
    standing: form.standing || undefined,
    onSkin: form.onSkin || undefined,
    againstVinyl: form.againstVinyl || undefined,
    faces: {
      ...old?.faces,
      outer: { ...old?.faces.outer, areaCm2: outerCm2, shape },
      inner:
        form.inner && canHaveInner(form)
          ? { ...old?.faces.inner, areaCm2: form.innerCm2 ?? outerCm2 }
          : undefined,
    },
    steps: old?.steps ?? [],
    event: orNothing(form.event),
    wantsSheen: orNothing(form.wantsSheen),
    finestDetailMm: form.finestDetailMm,
    flex: orNothing(
      form.flex.map(({ name, bendRadiusMm, use }) => ({
        name: name.trim(),
        bendRadiusMm,
        ...(use === 'worn' ? {} : { use }),
      })),
    ),
    zones: orNothing(zones),
    keepBare: orNothing(namesIn(form.keepBare)),
    note: orNothing(form.note.trim()),
  });
  return read.ok && read.value.drawing
    ? { ok: true, value: withDrawing(read.value, read.value.drawing) }
    : read;
}

/** The drawing of a piece without what was drawn of zones that are gone. */
function drawnOf(old: Piece | undefined, form: PieceForm): PieceDrawing | undefined {
  if (!old?.drawing?.zones) return old?.drawing;
  const left = old.drawing.zones.filter(({ zone }) => form.zones.some(({ id }) => id === zone));
  const { zones: _zones, ...rest } = old.drawing;
  return { ...rest, ...(left.length > 0 ? { zones: left } : {}) };
}
