import type { PieceDrawing, DrawnPart } from '../model/drawingSchema';
import type { Piece } from '../model/schema';
import {
  areaMm2,
  common,
  edgeMm,
  evenOdd,
  grown,
  sharedEdgeMm,
  simplified,
  strips,
  union,
  without,
  type Area,
} from './clip';
import {
  boundsOf,
  lineMm,
  lineUnder,
  ringAreaCm2,
  ringMm,
  signedAreaMm2,
  turnedOver,
  type Affine,
  type Line,
  type Point,
  type Ring,
} from './rings';

const MM2_PER_CM2 = 100;

/** What a drawing says of a zone. */
export interface ZoneFigures {
  zone: string;
  /** Of the whole face, 0 to 1. */
  share: number;
  /** All round it, mm. */
  edgeMm: number;
  /** Where it meets other zones, mm. */
  borders: { zone: string; mm: number }[];
}

/** What a drawing says of one unit of its piece. */
export interface DrawingFigures {
  areaCm2: number;
  /** All edges that were cut: round its parts and their holes, mm. */
  outlineMm: number;
  /** Of those, what is not glued to another part, mm. */
  openMm: number;
  seamMm: number;
  grooveMm: number;
  /** Of its largest part. */
  widthMm: number;
  heightMm: number;
  zones: ZoneFigures[];
}

/** The area of a part: its outline less its holes. */
export const partArea = ({ outer, holes = [] }: DrawnPart): Area =>
  holes.length === 0 ? union([outer]) : without(union([outer]), union(holes));

/** Where a zone lies on a part. */
export interface ZonePlace {
  zone: string;
  part: number;
  area: Area;
}

/**
 * Where each zone of a drawing lies, part by part: later areas over earlier ones, and what none covers is of the zone that has no area of
 * its own, or else of the first. Together they are the whole of every part, and none lies on another.
 * @param zoneIds the zones of the piece in order; none for a piece of one finish
 */
export function zonePlaces(drawing: PieceDrawing, zoneIds: readonly string[]): ZonePlace[] {
  const drawn = drawing.zones ?? [];
  const rest = zoneIds.find((zone) => drawn.every((one) => one.zone !== zone)) ?? zoneIds[0];
  if (rest === undefined) return [];
  return drawing.parts.flatMap((part, at) => {
    let free: Area = partArea(part);
    const places = new Map<string, Ring[]>();
    const shapesOf = new Map<string, number>();
    for (const one of [...drawn].reverse()) {
      if (one.part !== at || !zoneIds.includes(one.zone) || one.zone === rest) continue;
      const shape = union([one.ring]);
      const own = common(free, shape);
      if (own.length === 0) continue;
      places.set(one.zone, [...(places.get(one.zone) ?? []), ...own]);
      shapesOf.set(one.zone, (shapesOf.get(one.zone) ?? 0) + 1);
      free = without(free, shape);
    }
    const list = [...places].map(([zone, rings]): ZonePlace => ({
      zone,
      part: at,
      area: shapesOf.get(zone) === 1 ? rings : union(rings),
    }));
    return free.length > 0 ? [{ zone: rest, part: at, area: free }, ...list] : list;
  });
}

/** Area, edges, grooves and zones of a drawing (docs/domain.md, "From drawings to areas"). */
export function drawingFigures(drawing: PieceDrawing, zoneIds: readonly string[] = []): DrawingFigures {
  const { parts, bulge = 1, seamMm = 0 } = drawing;
  const flatMm2 = parts.reduce((sum, part) => sum + areaMm2(partArea(part)), 0);
  const outlineMm = parts.reduce(
    (sum, { outer, holes = [] }) => sum + ringMm(outer) + holes.reduce((all, hole) => all + ringMm(hole), 0),
    0,
  );
  const grooveMm = parts.reduce(
    (sum, { grooves = [] }) => sum + grooves.reduce((all, groove) => all + lineMm(groove), 0),
    0,
  );
  const boxes = parts.map(({ outer }) => boundsOf([outer]));
  const [box] = boxes.sort(
    (a, b) => (b.right - b.left) * (b.bottom - b.top) - (a.right - a.left) * (a.bottom - a.top),
  );
  return {
    areaCm2: (flatMm2 * bulge) / MM2_PER_CM2,
    outlineMm,
    // A seam joins two edges.
    openMm: Math.max(0, outlineMm - 2 * seamMm),
    seamMm,
    grooveMm,
    widthMm: box ? box.right - box.left : 0,
    heightMm: box ? box.bottom - box.top : 0,
    zones: zoneFigures(zonePlaces(drawing, zoneIds), zoneIds, flatMm2),
  };
}

function zoneFigures(
  places: readonly ZonePlace[],
  zoneIds: readonly string[],
  flatMm2: number,
): ZoneFigures[] {
  return zoneIds.map((zone) => {
    const own = places.filter((place) => place.zone === zone);
    const borders = zoneIds.flatMap((other) => {
      if (other === zone) return [];
      const mm = own.reduce(
        (sum, { part, area }) =>
          sum +
          places
            .filter((place) => place.zone === other && place.part === part)
            .reduce((all, place) => all + sharedEdgeMm(area, place.area), 0),
        0,
      );
      return mm > 0 ? [{ zone: other, mm }] : [];
    });
    return {
      zone,
      share: flatMm2 > 0 ? own.reduce((sum, { area }) => sum + areaMm2(area), 0) / flatMm2 : 0,
      edgeMm: own.reduce((sum, { area }) => sum + edgeMm(area), 0),
      borders,
    };
  });
}

const tenth = (value: number): number => Math.round(value * 10) / 10;

/** What keeps a drawing from being taken as it is, as a sentence; undefined where it is sound. */
export function drawingProblem(
  drawing: PieceDrawing,
  zones: readonly { id: string; name: string }[],
): string | undefined {
  const figures = drawingFigures(
    drawing,
    zones.map(({ id }) => id),
  );
  if (figures.areaCm2 < 0.05)
    return 'This drawing has no area: its points lie on a line, or its holes take up all of it.';
  const gone = figures.zones.find(({ share }) => share < LEAST_SHARE);
  if (gone)
    return `“${zones.find(({ id }) => id === gone.zone)?.name ?? gone.zone}” has no place on the drawing: draw where it is, or take the zone away.`;
  return undefined;
}
/** A zone smaller than this is a slip of the hand. */
const LEAST_SHARE = 0.0005;

/**
 * A piece with a drawing, and with all that follows from it: area, lengths of edges, seams and grooves, shares and borders of its zones. The one
 * place where these are written; without a drawing they stay as they were typed. The drawing has to be sound (`drawingProblem`).
 */
export function withDrawing(piece: Piece, drawing: PieceDrawing): Piece {
  const zoneIds = (piece.zones ?? []).map(({ id }) => id);
  const figures = drawingFigures(drawing, zoneIds);
  const areaCm2 = tenth(figures.areaCm2);
  const { inner, outer } = piece.faces;
  // An inner face that was as large as the outer one still is.
  const innerCm2 = inner && (inner.areaCm2 === outer.areaCm2 ? areaCm2 : inner.areaCm2);
  const { shape: _shape, ...rest } = outer;
  return {
    ...piece,
    drawing,
    faces: {
      ...piece.faces,
      outer: { ...rest, areaCm2 },
      ...(inner && innerCm2 !== undefined ? { inner: { ...inner, areaCm2: innerCm2 } } : {}),
    },
    lengths: {
      outlineMm: tenth(figures.outlineMm),
      openMm: tenth(figures.openMm),
      seamMm: tenth(figures.seamMm),
      grooveMm: tenth(figures.grooveMm),
    },
    ...(piece.zones ? { zones: zonesBy(piece.zones, figures.zones) } : {}),
  };
}

/** Zones with the shares and borders of a drawing; shares are rounded so that they add up to 1. */
function zonesBy(zones: NonNullable<Piece['zones']>, figures: readonly ZoneFigures[]): Piece['zones'] {
  const shares = figures.map(({ share }) => Math.round(share * 1000) / 1000);
  const largest = shares.indexOf(Math.max(...shares));
  const others = shares.reduce((sum, share, at) => (at === largest ? sum : sum + share), 0);
  return zones.map((zone, at) => {
    const { edgeMm = 0, borders = [] } = figures[at] ?? {};
    return {
      ...zone,
      share: at === largest ? Math.round((1 - others) * 1000) / 1000 : Math.max(0.001, shares[at] ?? 0),
      edgeMm: tenth(edgeMm),
      borders: borders.map(({ zone: other, mm }) => ({ zone: other, mm: tenth(mm) })),
    };
  });
}

/** A piece whose drawing is taken away: its figures stay, to be typed over. */
export function withoutDrawing({ drawing: _drawing, ...piece }: Piece): Piece {
  return piece;
}

const POINT_DIGITS = 100;
const rounded = (line: Line): [number, number][] =>
  line.map(([x, y]) => [
    Math.round(x * POINT_DIGITS) / POINT_DIGITS,
    Math.round(y * POINT_DIGITS) / POINT_DIGITS,
  ]);

/** A drawing under a map: moved, turned, scaled or turned over, with its zones and grooves. */
export function drawingUnder(drawing: PieceDrawing, map: Affine): PieceDrawing {
  const [a, b] = map;
  const factor = Math.hypot(a, b);
  return {
    ...drawing,
    parts: drawing.parts.map((part) => ({
      ...part,
      outer: rounded(lineUnder(part.outer, map)),
      ...(part.holes ? { holes: part.holes.map((hole) => rounded(lineUnder(hole, map))) } : {}),
      ...(part.grooves ? { grooves: part.grooves.map((groove) => rounded(lineUnder(groove, map))) } : {}),
    })),
    ...(drawing.seamMm === undefined ? {} : { seamMm: drawing.seamMm * factor }),
    ...(drawing.zones
      ? { zones: drawing.zones.map((zone) => ({ ...zone, ring: rounded(lineUnder(zone.ring, map)) })) }
      : {}),
  };
}

/** The drawing of the other side: left for right. */
export const mirroredDrawing = (drawing: PieceDrawing): PieceDrawing => drawingUnder(drawing, turnedOver);

/** Points closer to their line than this are left out when a drawing is kept, mm. */
const KEPT_WITHIN_MM = 0.03;
const MOST_POINTS = 2_000;

/** A ring as it is kept: no more points than it needs, to a hundredth of a millimetre. */
export function keptRing(ring: Ring): [number, number][] {
  let within = KEPT_WITHIN_MM;
  let kept: readonly Point[] = simplified(ring, within);
  while (kept.length > MOST_POINTS) {
    within *= 2;
    kept = simplified(ring, within);
  }
  return rounded(kept.length >= 3 ? kept : ring);
}

/** An open line as it is kept. */
export const keptLine = (line: Line): [number, number][] => rounded(line.slice(0, 5_000));

/** Grooves part a face where they are this wide, mm. */
const GROOVE_MM = 0.2;

/**
 * What the grooves of a part divide it into, as rings, the largest first: to be picked as zones. A groove parts only what it goes all the way
 * across or round. Holes in a region are left aside; what lies in them is a region of its own.
 */
export function regionsOf(part: DrawnPart): [number, number][][] {
  const { grooves = [] } = part;
  const whole = partArea(part);
  const parted = grooves.length === 0 ? whole : without(whole, strips(grooves, GROOVE_MM));
  return parted
    .filter((ring) => signedAreaMm2(ring) > 0)
    .map((ring) => rounded(common(grown([ring], GROOVE_MM / 2), union([part.outer]))[0] ?? ring))
    .filter((ring) => ringAreaCm2(ring) >= 0.05)
    .sort((a, b) => ringAreaCm2(b) - ringAreaCm2(a));
}

/** The part of a drawing that a ring lies on most; undefined where it lies on none. */
export function partUnder(drawing: PieceDrawing, ring: Ring): number | undefined {
  const shares = drawing.parts.map((part) => areaMm2(common(partArea(part), union([ring]))));
  const most = Math.max(...shares);
  return most > 0 ? shares.indexOf(most) : undefined;
}

/** The area of a part, cm², without its holes. */
export const partCm2 = (part: DrawnPart): number => areaMm2(partArea(part)) / MM2_PER_CM2;

/** Rings drawn over each other as one area, for where an outline with its holes is filled. */
export const filledArea = (rings: readonly Ring[]): Area => evenOdd(rings);
