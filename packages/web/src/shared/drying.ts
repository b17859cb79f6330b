import {
  drynessAt,
  faceOfCell,
  throughAt,
  type Build,
  type Dryness,
  type Face,
  type PlanView,
  type RecoatWindow,
} from '@fixatum/core';

/** Something that is drying, with what it reaches next. Units of a set that stand alike are told together. */
export interface Drying {
  key: string;
  pieceId: string;
  units: number[];
  face: Face;
  material: string;
  colour: string;
  state: Dryness;
  laidAt: number;
  next: 'touch-dry' | 'recoatable' | 'handleable' | 'cured';
  nextAt: number;
  /** When a window for the next coat that is open, or opens next, closes again. */
  closesAt: number | undefined;
  /** How long it is left alone, where the next coat waits until this one is dry through. */
  restsUntil: number | undefined;
  stepId: string;
}

/** When the window that is open now, or the next one, closes for the next coat; undefined where it stays open. */
function closesAt(windows: readonly RecoatWindow[], now: number): number | undefined {
  const window = windows.find((one) => one.to > now);
  return window && Number.isFinite(window.to) ? window.to : undefined;
}

/** A coat that waits until what lies on its spot is dry through. */
interface Waiting {
  start: number;
  materialId: string | undefined;
}

/** The next coat of each spot that waits until what lies there is dry through, by `piece/unit face:zone`. */
function restsOf({ operations }: PlanView): Map<string, Waiting> {
  const rests = new Map<string, Waiting>();
  for (const { pieceId, unit, cells, status, start, letsDryThrough, material } of operations) {
    if (status !== 'planned' || start === undefined || !letsDryThrough) continue;
    for (const cell of cells) {
      const key = `${pieceId}/${unit} ${cell}`;
      if (start < (rests.get(key)?.start ?? Infinity)) rests.set(key, { start, materialId: material?.id });
    }
  }
  return rests;
}

/** When a coat is through, or the next one is planned all the same; undefined where none waits for that. */
const restsUntil = (
  next: Waiting | undefined,
  top: PlanView['strata'][string][string][number],
): number | undefined =>
  next && Math.min(next.start, throughAt(top.milestones, next.materialId === top.materialId));

/** What is drying now, what is due first at the top. Coats that only have to cure come last. */
export function dryingOf(view: PlanView, now: number): Drying[] {
  const groups = new Map<string, Drying>();
  const rests = restsOf(view);
  for (const [unitKey, cells] of Object.entries(view.strata)) {
    const slash = unitKey.lastIndexOf('/');
    const pieceId = unitKey.slice(0, slash);
    const unit = Number(unitKey.slice(slash + 1));
    for (const [cell, coats] of Object.entries(cells)) {
      const top = [...coats].reverse().find((coat) => coat.real);
      if (!top) continue;
      const state = drynessAt(top.milestones, now);
      if (state === 'cured') continue;
      const { milestones } = top;
      const [next, nextAt] = (() => {
        if (state === 'wet') return ['touch-dry', milestones.touchAt] as const;
        if (state === 'touch-dry')
          return ['recoatable', milestones.recoat[0]?.from ?? milestones.handleAt] as const;
        if (state === 'recoatable') return ['handleable', milestones.handleAt] as const;
        return ['cured', Math.max(milestones.packAt, milestones.wearAt)] as const;
      })();
      const face = faceOfCell(cell);
      const key = `${pieceId} ${face} ${top.stepId} ${state}`;
      const rest = restsUntil(rests.get(`${unitKey} ${cell}`), top);
      const known = groups.get(key);
      if (!known) {
        groups.set(key, {
          key,
          pieceId,
          units: [unit],
          face,
          material: top.name,
          colour: top.colour,
          state,
          laidAt: top.laidAt,
          next,
          nextAt,
          closesAt: closesAt(milestones.recoat, now),
          restsUntil: rest,
          stepId: top.stepId,
        });
      } else {
        if (!known.units.includes(unit)) known.units.push(unit);
        known.nextAt = Math.max(known.nextAt, nextAt);
        known.laidAt = Math.max(known.laidAt, top.laidAt);
        if (rest !== undefined) known.restsUntil = Math.max(rest, known.restsUntil ?? rest);
      }
    }
  }
  const rank = (drying: Drying) => (drying.state === 'handleable' ? 1 : 0);
  return [...groups.values()].sort((a, b) => rank(a) - rank(b) || a.nextAt - b.nextAt);
}

/** What is drying, by name and number: "Comet tasset, 1 and 3 of 4". */
export function dryingName(
  build: Build | undefined,
  { pieceId, units }: Pick<Drying, 'pieceId' | 'units'>,
): string {
  const piece = build?.pieces.find((one) => one.id === pieceId);
  if (!piece) return pieceId;
  if (piece.quantity === 1) return piece.name;
  if (units.length === piece.quantity) return `${piece.name} ×${piece.quantity}`;
  return `${piece.name}, ${[...units].sort((a, b) => a - b).join(' and ')} of ${piece.quantity}`;
}
