import {
  drynessAt,
  type Batch,
  type CoatMilestones,
  type Dryness,
  type PlannedOperation,
  type PlanView,
  type RecoatWindow,
  type Session,
} from '@fixatum/core';

/** A batch with its operations. */
export interface BenchBatch {
  key: string;
  start: number;
  end: number;
  session: Session | undefined;
  operations: PlannedOperation[];
}

/** Something that is drying, with what it reaches next. Units of a set that stand alike are told together. */
export interface Drying {
  key: string;
  pieceId: string;
  units: number[];
  face: string;
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

const isOpen = (operation: PlannedOperation) => operation.status === 'planned';

/** The passes that have been started and not logged. */
export const underwayOf = (view: PlanView): PlannedOperation[] =>
  view.operations.filter((operation) => operation.status === 'underway');

/** All planned batches in order of time, over all people. */
export function batchesOf(view: PlanView): BenchBatch[] {
  const operations = new Map(view.operations.map((operation) => [operation.id, operation]));
  const withOperations = (batch: Batch, session: Session): BenchBatch => ({
    key: `${session.id} ${batch.start}`,
    start: batch.start,
    end: batch.end,
    session,
    operations: batch.operationIds.map((id) => operations.get(id)!).filter(isOpen),
  });
  return view.sessions
    .flatMap((session) => session.batches.map((batch) => withOperations(batch, session)))
    .filter((batch) => batch.operations.length > 0)
    .sort((a, b) => a.start - b.start);
}

/** When the window that is open now, or the next one, closes for the next coat; undefined where it stays open. */
function closesAt(windows: readonly RecoatWindow[], now: number): number | undefined {
  const window = windows.find((one) => one.to > now);
  return window && Number.isFinite(window.to) ? window.to : undefined;
}

/** When each spot gets a coat that waits until what lies there is dry through, by `piece/unit face:zone`. */
function restsOf({ operations }: PlanView): Map<string, number> {
  const rests = new Map<string, number>();
  for (const { pieceId, unit, cells, status, start, letsDryThrough } of operations) {
    if (status !== 'planned' || start === undefined || !letsDryThrough) continue;
    for (const cell of cells) {
      const key = `${pieceId}/${unit} ${cell}`;
      rests.set(key, Math.min(start, rests.get(key) ?? Infinity));
    }
  }
  return rests;
}

/** When a coat is cured, or the next one is planned all the same; undefined where none waits for that. */
const restsUntil = (nextAt: number | undefined, { packAt, wearAt }: CoatMilestones): number | undefined =>
  nextAt === undefined ? undefined : Math.min(nextAt, Math.max(packAt, wearAt));

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
      const face = cell.split(':')[0]!;
      const key = `${pieceId} ${face} ${top.stepId} ${state}`;
      const rest = restsUntil(rests.get(`${unitKey} ${cell}`), milestones);
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
