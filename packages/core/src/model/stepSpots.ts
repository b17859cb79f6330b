import type { Material } from './materialSchema';
import type { Method } from './methods';
import type { Face, Piece, Step } from './schema';
import { stepKindTable } from './stepKinds';

/** The zone of a piece that has none. */
export const WHOLE = 'whole';

/** The spot that holds glue, which lies under nothing and over nothing. */
export const BOND_CELL = 'bond:bond';

/** The zone ids of a piece; one for a piece without zones. */
export const zoneIdsOf = (piece: Piece): string[] =>
  piece.zones && piece.zones.length > 0 ? piece.zones.map((zone) => zone.id) : [WHOLE];

/** The faces a step works on: those it names, or else the outer one. */
export const facesOf = (step: Step): Face[] => step.faces ?? ['outer'];

/** The units of a piece that a step is done on: those it names, or else all. */
export const unitsOf = ({ quantity }: Pick<Piece, 'quantity'>, { units }: Pick<Step, 'units'>): number[] =>
  Array.from({ length: quantity }, (_, n) => n + 1).filter((unit) => units?.includes(unit) ?? true);

/** The spots that a step works on, `face:zone`. */
export const cellsOf = (piece: Piece, step: Step): string[] =>
  facesOf(step).flatMap((face) => (step.zones ?? zoneIdsOf(piece)).map((zone) => `${face}:${zone}`));

/** The face that a spot, `face:zone`, is on. */
export const faceOfCell = (cell: string): Face => (cell.startsWith('inner:') ? 'inner' : 'outer');

/** The method of a step: its own, else the material's usual one, else the kind's. */
export const methodOf = (step: Step, material: Material | undefined): Method =>
  step.method ?? material?.methods[0] ?? stepKindTable[step.kind].method;

/** The share of a piece that some of its zones cover. */
export function shareOf(piece: Piece, zoneIds: readonly string[]): number {
  if (!piece.zones || piece.zones.length === 0) return 1;
  return piece.zones.filter((zone) => zoneIds.includes(zone.id)).reduce((sum, zone) => sum + zone.share, 0);
}

/** The outline of a zone, mm: as it says, or else that of a square of the same area. */
const outlineMm = (piece: Piece, share: number): number =>
  4 * Math.sqrt(piece.faces.outer.areaCm2 * 100 * share);

/** The edges of some zones, mm; of a piece without zones, or of all of them, its outline: as measured, or else that of a square of its area. */
export function edgeOf(piece: Piece, zoneIds: readonly string[]): number {
  const zones = piece.zones?.filter((zone) => zoneIds.includes(zone.id)) ?? [];
  if (zones.length === 0) return piece.lengths?.outlineMm ?? outlineMm(piece, shareOf(piece, zoneIds));
  return zones.reduce((sum, { edgeMm, share }) => sum + (edgeMm ?? outlineMm(piece, share)), 0);
}

/** Where some zones meet some others, mm; undefined where it is not known of all of them. */
export function borderMm(
  piece: Piece,
  some: readonly string[],
  others: readonly string[],
): number | undefined {
  let sum = 0;
  for (const { id, borders } of piece.zones ?? []) {
    if (!some.includes(id)) continue;
    if (!borders) return undefined;
    for (const { zone, mm } of borders) if (others.includes(zone)) sum += mm;
  }
  return sum;
}

/** Which pass of a build: one coat of one step on one face of one unit. */
export interface PassSpot {
  piece: string;
  unit: number;
  step: string;
  coat: number;
  face?: Face | undefined;
}

/** An id as a part of a pass's id, which slashes part. */
const part = (id: string): string => id.replace(/%/g, '%25').replace(/\//g, '%2F');
const unpart = (text: string): string => text.replace(/%2F/g, '/').replace(/%25/g, '%');

/** The id of a pass, `piece/unit/step/coat/face`; the face is `-` for steps that lay no film. */
export const operationId = (spot: PassSpot): string =>
  `${part(spot.piece)}/${spot.unit}/${part(spot.step)}/${spot.coat}/${spot.face ?? '-'}`;

/** The pass that an id means; undefined for what is no such id. */
export function passOfId(id: string): PassSpot | undefined {
  const [piece, unit, step, coat, face, ...more] = id.split('/');
  if (piece === undefined || step === undefined || face === undefined || more.length > 0) return undefined;
  return {
    piece: unpart(piece),
    unit: Number(unit),
    step: unpart(step),
    coat: Number(coat),
    ...(face === 'outer' || face === 'inner' ? { face } : {}),
  };
}
