import type { PieceDrawing } from '../model/drawingSchema';
import { idFromName } from '../model/pieceEdits';
import type { Piece } from '../model/schema';
import type { SubstrateKind } from '../model/substrates';
import { linesInArea } from './clip';
import { drawingFigures, keptLine, keptRing, partArea, withDrawing } from './drawing';
import type { FoundOutline } from './outline';
import type { MeshFigures } from './mesh';
import { boundsOf, lineMm, lineUnder, movedBy, type Ring } from './rings';

/** What is the same of every piece that is taken in. */
export interface TakenAs {
  kind: SubstrateKind;
  thicknessMm: number;
  event?: string | undefined;
  /** The inner face is finished too. */
  inner: boolean;
}

/** A piece as it is taken in from outlines. */
export interface OutlinePiece {
  name: string;
  quantity: number;
  /** Half of them turned over. */
  pairs: boolean;
  /** One, or several that are glued together. */
  outlines: readonly FoundOutline[];
  seamMm?: number;
  bulge?: number;
}

/** What the part of a piece is called that no zone was drawn on. */
export const REST_NAME = 'Main';

/** What a zone of an outline is called: by the words in it, or else by its kind. */
export const zoneNameOf = ({ name, kind }: FoundOutline['zones'][number]): string =>
  capital(name ?? (kind.startsWith('#') || kind === 'lines' ? 'Panel' : kind));

const capital = (text: string): string => text.slice(0, 1).toUpperCase() + text.slice(1);

/** Shorter than this it is a slip of the pen. */
const LEAST_GROOVE_MM = 1;
/** Parts of one piece lie so far apart on its drawing, mm. */
const APART_MM = 20;

/** The drawing that outlines make, side by side from its upper left. Its zones go by their names. */
export function drawingOfOutlines({
  outlines,
  pairs,
  seamMm = 0,
  bulge = 1,
}: Omit<OutlinePiece, 'name' | 'quantity'>): { drawing: PieceDrawing; zoneNames: string[] } {
  const zoneNames: string[] = [];
  const zones: NonNullable<PieceDrawing['zones']> = [];
  let across = 0;
  const parts = outlines.map(({ outer, holes, grooves, zones: drawn }, at) => {
    const { left, top, right } = boundsOf([outer]);
    const map = movedBy(across - left, -top);
    across += right - left + APART_MM;
    const ring = (points: Ring) => keptRing(lineUnder(points, map));
    for (const zone of drawn) {
      const name = zoneNameOf(zone);
      if (!zoneNames.includes(name)) zoneNames.push(name);
      zones.push({ zone: name, part: at, ring: ring(zone.ring) });
    }
    const part = { outer: ring(outer), ...(holes.length > 0 ? { holes: holes.map(ring) } : {}) };
    // A line that runs on over the edge or over a hole is a groove only where there is foam.
    const cut = linesInArea(
      grooves.map((groove) => lineUnder(groove, map)),
      partArea(part),
    ).filter((line) => lineMm(line) >= LEAST_GROOVE_MM);
    return { ...part, ...(cut.length > 0 ? { grooves: cut.map(keptLine) } : {}) };
  });
  return {
    zoneNames,
    drawing: {
      parts,
      ...(seamMm > 0 ? { seamMm } : {}),
      ...(bulge > 1 ? { bulge } : {}),
      ...(pairs ? { pairs } : {}),
      ...(zones.length > 0 ? { zones } : {}),
    },
  };
}

/**
 * A drawing for a piece that is there already: zones by the names its own have. Zones of the drawing that the piece does not have are left
 * away, unless it has none at all: then they become its own.
 */
export function drawnFor(piece: Piece, one: Omit<OutlinePiece, 'name' | 'quantity'>): Piece {
  const { drawing, zoneNames } = drawingOfOutlines(one);
  const { zones: drawn = [], ...plain } = drawing;
  if (!piece.zones?.length) {
    const made = pieceOfOutlines({ ...one, name: piece.name, quantity: piece.quantity }, [], {
      kind: piece.substrate.kind,
      thicknessMm: piece.substrate.thicknessMm,
      inner: false,
    });
    return {
      ...piece,
      ...(made.zones ? { zones: made.zones } : {}),
      ...(made.drawing ? { drawing: made.drawing } : {}),
    };
  }
  const idOf = new Map(
    zoneNames.flatMap((name) => {
      const own = piece.zones?.find((zone) => zone.name.toLowerCase() === name.toLowerCase());
      return own ? [[name, own.id] as const] : [];
    }),
  );
  const zones = drawn.flatMap((zone) => {
    const own = idOf.get(zone.zone);
    return own === undefined ? [] : [{ ...zone, zone: own }];
  });
  return { ...piece, drawing: { ...plain, ...(zones.length > 0 ? { zones } : {}) } };
}

function bare(name: string, quantity: number, taken: readonly string[], as: TakenAs): Piece {
  const { kind, thicknessMm, event, inner } = as;
  return {
    id: idFromName(name, taken),
    name,
    quantity,
    ...(event === undefined ? {} : { event }),
    substrate: { kind, thicknessMm, heatSealed: false },
    faces: { outer: { areaCm2: 1 }, ...(inner ? { inner: { areaCm2: 1 } } : {}) },
    steps: [],
  };
}

/**
 * A piece from outlines, with area, lengths, zones and borders from its drawing. Zones that come out as nothing are left away.
 * @param taken ids that it can't have
 */
export function pieceOfOutlines(one: OutlinePiece, taken: readonly string[], as: TakenAs): Piece {
  const { drawing, zoneNames } = drawingOfOutlines(one);
  const piece = bare(one.name, one.quantity, taken, as);
  const named = [REST_NAME, ...zoneNames];
  const ids = named.reduce<string[]>((list, name) => [...list, idFromName(name, list)], []);
  const idOf = (name: string) => ids[named.indexOf(name)]!;
  const drawn: PieceDrawing = {
    ...drawing,
    ...(drawing.zones ? { zones: drawing.zones.map((zone) => ({ ...zone, zone: idOf(zone.zone) })) } : {}),
  };
  const shown = drawingFigures(drawn, ids).zones.filter(({ share }) => share >= 0.0005);
  if (zoneNames.length === 0 || shown.length < 2) {
    const { zones: _zones, ...plain } = drawn;
    return withDrawing(piece, plain);
  }
  const kept = new Set(shown.map(({ zone }) => zone));
  const zones = named.flatMap((name, at) =>
    kept.has(ids[at]!) ? [{ id: ids[at]!, name, share: 1 / kept.size }] : [],
  );
  return withDrawing(
    { ...piece, zones },
    { ...drawn, zones: drawn.zones?.filter(({ zone }) => kept.has(zone)) ?? [] },
  );
}

const tenth = (value: number): number => Math.round(value * 10) / 10;
/** Shells this thin are taken at their own thickness; thicker ones are no sheet of foam. */
const THICKEST_MM = 30;

/**
 * A piece from a mesh: its outer face, of a shell with its own thickness and cut edges, its groups as zones where it has several, and its tightest
 * curve as where it bends.
 */
export function pieceOfMesh(
  name: string,
  quantity: number,
  figures: MeshFigures,
  taken: readonly string[],
  as: TakenAs,
): Piece {
  const thicknessMm =
    figures.thicknessMm !== undefined && figures.thicknessMm <= THICKEST_MM
      ? tenth(figures.thicknessMm)
      : as.thicknessMm;
  const piece = bare(name, quantity, taken, { ...as, thicknessMm });
  const areaCm2 = Math.max(0.1, tenth(figures.outerCm2));
  const openMm = (figures.rimCm2 * 100) / thicknessMm;
  const parts = figures.zones.filter(({ share }) => share >= 0.0005);
  const ids = parts.reduce<string[]>((list, part) => [...list, idFromName(part.name || 'part', list)], []);
  const shares = parts.map(({ share }) => Math.max(0.001, Math.round(share * 1000) / 1000));
  const largest = shares.indexOf(Math.max(...shares));
  const others = shares.reduce((sum, share, at) => (at === largest ? sum : sum + share), 0);
  const idOfPart = (part: number) => ids[parts.indexOf(figures.zones[part]!)];
  return {
    ...piece,
    faces: {
      outer: { areaCm2 },
      // What is finished all round has no inner face beside that.
      ...(as.inner && figures.counted !== 'all-round'
        ? { inner: { areaCm2: Math.max(0.1, tenth(figures.innerCm2 ?? figures.outerCm2)) } }
        : {}),
    },
    ...(openMm > 0 ? { lengths: { outlineMm: tenth(openMm), openMm: tenth(openMm) } } : {}),
    ...(figures.tightestMm === undefined || figures.kind === 'solid'
      ? {}
      : { flex: [{ name: 'tightest curve', bendRadiusMm: tenth(figures.tightestMm) }] }),
    ...(parts.length > 1
      ? {
          zones: parts.map(({ name: own, edgeMm, borders }, at) => ({
            id: ids[at]!,
            name: own || `Part ${at + 1}`,
            share: at === largest ? Math.round((1 - others) * 1000) / 1000 : shares[at]!,
            edgeMm: tenth(edgeMm),
            borders: borders.flatMap(({ part, mm }) => {
              const zone = idOfPart(part);
              return zone === undefined ? [] : [{ zone, mm: tenth(mm) }];
            }),
          })),
        }
      : {}),
  };
}
