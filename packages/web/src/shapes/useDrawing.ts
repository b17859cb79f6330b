import {
  boundsOf,
  bulges,
  drawingFigures,
  drawingProblem,
  drawingUnder,
  handRing,
  idFromName,
  isInside,
  keptRing,
  lineMm,
  partUnder,
  regionsOf,
  ringAreaCm2,
  scaledBy,
  sidesOfRing,
  zonePlaces,
  type Piece,
  type PieceDrawing,
  type Point,
} from '@fixatum/core';
import { computed, ref, shallowRef, watch, type Ref } from 'vue';
import { plain } from '../shared/offThread/workerLink';
import { freshShapeId, useBoardHistory, type BoardShape } from './board';

/** Rings of a drawing as shapes of the board. */
const shapesOf = ({ zones = [] }: PieceDrawing): BoardShape[] =>
  zones.map(({ zone: own, ring }) => ({
    id: freshShapeId(),
    tone: 'zone',
    zone: own,
    closed: true,
    points: ring.map(([x, y]) => ({ x, y })),
  }));
/** Places along a straight side, whose ends are far apart. */
const middles = (points: readonly Point[]): Point[] =>
  points.slice(1).flatMap((to, at) => {
    const from = points[at]!;
    return [0.2, 0.4, 0.6, 0.8].map((share): Point => [
      from[0] + (to[0] - from[0]) * share,
      from[1] + (to[1] - from[1]) * share,
    ]);
  });
/** What a picked region is known by among what was drawn by hand. */
const REGION = 'region';
/** Picked regions with the larger below, as one may lie in another; what was drawn by hand lies over them. */
function largestBelow(shapes: readonly BoardShape[]): BoardShape[] {
  const areaOf = ({ points }: BoardShape) => ringAreaCm2(points.map(({ x, y }): Point => [x, y]));
  const isPicked = ({ id }: BoardShape) => id.startsWith(REGION);
  return [
    ...shapes.filter(isPicked).sort((one, other) => areaOf(other) - areaOf(one)),
    ...shapes.filter((shape) => !isPicked(shape)),
  ];
}

/**
 * The drawing of a piece while it is changed: its zones and where they lie, glued edges, form and scale, and what follows from them.
 * @param kept the piece as it is kept
 * @param takeDraft gives a drawing that was read for it and is not kept yet, once
 */
export function useDrawing(kept: Ref<Piece | undefined>, takeDraft: (pieceId: string) => Piece | undefined) {
  /** The piece as it is being drawn; its zones may be new too. */
  const piece = shallowRef<Piece>();
  const drawing = shallowRef<PieceDrawing>();
  const shapes = ref<BoardShape[]>([]);
  const active = ref<string>();
  const history = useBoardHistory(shapes);
  const seams = ref<string[]>([]);
  /** What a press on the board does. */
  const mode = ref<'draw' | 'pick' | 'seam'>('draw');
  const zone = ref('');
  const scalePct = ref<number | undefined>(100);

  function start(of: Piece): void {
    piece.value = of;
    drawing.value = of.drawing;
    shapes.value = of.drawing ? shapesOf(of.drawing) : [];
    history.commit();
    history.clear();
    seams.value = [];
    zone.value = of.zones?.[1]?.id ?? of.zones?.[0]?.id ?? '';
  }
  watch(
    kept,
    (one) => {
      if (!one || piece.value?.id === one.id) return;
      start(takeDraft(one.id) ?? one);
    },
    { immediate: true },
  );

  const zones = computed(() => piece.value?.zones ?? []);
  const zoneIds = computed(() => zones.value.map(({ id }) => id));
  /** The drawing as it stands on the board. */
  const now = computed((): PieceDrawing | undefined => {
    if (!drawing.value) return undefined;
    const { zones: _zones, ...rest } = drawing.value;
    const areas = shapes.value.flatMap((shape) => {
      if (!shape.closed || shape.points.length < 3 || !shape.zone || !zoneIds.value.includes(shape.zone))
        return [];
      const ring = keptRing(handRing(plain(shape.points), 0.05));
      const part = partUnder(rest, ring);
      return part === undefined ? [] : [{ zone: shape.zone, part, ring }];
    });
    return { ...rest, ...(areas.length > 0 ? { zones: areas } : {}) };
  });
  const figures = computed(() => now.value && drawingFigures(now.value, zoneIds.value));
  const problem = computed(() => now.value && drawingProblem(now.value, zones.value));
  const places = computed(() => (now.value ? zonePlaces(now.value, zoneIds.value) : []));
  const box = computed(() => {
    const { left, top, right, bottom } = boundsOf((drawing.value?.parts ?? []).map(({ outer }) => outer));
    const edge = Math.max(right - left, bottom - top, 1) * 0.06;
    return { x: left - edge, y: top - edge, w: right - left + 2 * edge, h: bottom - top + 2 * edge };
  });
  const sides = computed(() =>
    (drawing.value?.parts ?? []).flatMap((part, n) =>
      sidesOfRing(part.outer).map((side, at) => ({ id: `${n}/${at}`, ...side })),
    ),
  );
  const regions = computed(() => (drawing.value?.parts ?? []).flatMap((part) => regionsOf(part)));

  function drawArea(): void {
    mode.value = 'draw';
    const shape: BoardShape = {
      id: freshShapeId(),
      tone: 'zone',
      points: [],
      closed: false,
      zone: zone.value,
    };
    shapes.value = [...shapes.value.filter(({ closed }) => closed), shape];
    active.value = shape.id;
  }
  function addZone(): void {
    if (!piece.value) return;
    const before = zones.value.length > 0 ? zones.value : [{ id: 'main', name: 'Main', share: 1 }];
    const name = `Zone ${before.length + 1}`;
    const fresh = {
      id: idFromName(
        name,
        before.map(({ id }) => id),
      ),
      name,
      share: 0.1,
    };
    piece.value = { ...piece.value, zones: [...before, fresh] };
    zone.value = fresh.id;
    drawArea();
  }
  function rename(id: string, name: string): void {
    if (piece.value)
      piece.value = {
        ...piece.value,
        zones: zones.value.map((one) => (one.id === id ? { ...one, name } : one)),
      };
  }
  const inUse = (id: string) => piece.value?.steps.some(({ zones: own }) => own?.includes(id)) === true;
  function removeZone(id: string): void {
    if (!piece.value) return;
    const left = zones.value.filter((one) => one.id !== id);
    const { zones: _zones, ...rest } = piece.value;
    piece.value = left.length > 1 ? { ...rest, zones: left } : rest;
    shapes.value = shapes.value.filter((shape) => shape.zone !== id);
    zone.value = left[1]?.id ?? '';
    history.commit();
  }

  function press(place: Point): void {
    if (mode.value === 'pick') pickRegion(place);
    if (mode.value === 'seam') pickSide(place);
  }
  /** The region between grooves that was pressed becomes the zone's; the largest lie below. */
  function pickRegion(place: Point): void {
    const region = [...regions.value].reverse().find((ring) => isInside(place, ring));
    if (!region || !zone.value) return;
    const id = `${REGION} ${region[0]?.join(' ')} ${region.length}`;
    const fresh: BoardShape = {
      id,
      tone: 'zone',
      zone: zone.value,
      closed: true,
      points: region.map(([x, y]) => ({ x, y })),
    };
    const had = shapes.value.find((shape) => shape.id === id);
    const others = shapes.value.filter((shape) => shape.id !== id);
    shapes.value = had?.zone === zone.value ? others : largestBelow([...others, fresh]);
    history.commit();
  }
  function pickSide(place: Point): void {
    const near = sides.value
      .map((side) => ({
        id: side.id,
        apart: Math.min(
          ...side.points.map((point) => Math.hypot(point[0] - place[0], point[1] - place[1])),
          ...middles(side.points).map((point) => Math.hypot(point[0] - place[0], point[1] - place[1])),
        ),
      }))
      .sort((a, b) => a.apart - b.apart)[0];
    if (!near) return;
    seams.value = seams.value.includes(near.id)
      ? seams.value.filter((id) => id !== near.id)
      : [...seams.value, near.id];
    const mm = sides.value.reduce(
      (sum, side) => sum + (seams.value.includes(side.id) ? lineMm(side.points) : 0),
      0,
    );
    setSeam(mm / 2);
  }
  function change(changes: Partial<PieceDrawing>): void {
    if (drawing.value) drawing.value = { ...drawing.value, ...changes };
  }
  const setSeam = (mm: number | undefined) =>
    change({ seamMm: mm === undefined ? 0 : Math.round(mm * 10) / 10 });
  const bulge = computed(
    () => bulges.find(({ times }) => Math.abs(times - (drawing.value?.bulge ?? 1)) < 0.01)?.id,
  );

  /** The whole drawing larger, smaller or turned over, with what is drawn on it. */
  function remake(change: (one: PieceDrawing) => PieceDrawing): void {
    if (!now.value) return;
    const made = change(now.value);
    drawing.value = made;
    shapes.value = shapesOf(made);
    history.commit();
    history.clear();
    seams.value = [];
    active.value = undefined;
  }
  function scale(): void {
    const pct = scalePct.value;
    if (!pct || pct <= 0 || pct === 100) return;
    remake((one) => drawingUnder(one, scaledBy(pct / 100)));
    scalePct.value = 100;
  }

  return {
    piece,
    drawing,
    shapes,
    active,
    history,
    seams,
    mode,
    zone,
    scalePct,
    zones,
    zoneIds,
    now,
    figures,
    problem,
    places,
    box,
    sides,
    regions,
    drawArea,
    addZone,
    rename,
    inUse,
    removeZone,
    press,
    change,
    setSeam,
    bulge,
    remake,
    scale,
  };
}
