import type { Build } from '../../model/schema';
import { sayMoment } from '../../model/sayMoment';
import { sayWait } from '../../model/wallTime';
import { filmWords } from '../../model/filmGrades';
import { workWord } from '../../words/workWord';
import type { Binding, PlannedOperation } from '../plan/plan';
import type { Plan } from './plan';

/** Moves shorter than this are nobody's business. */
const WORTH_SAYING_MINUTES = 20;

/** Why something is later, where that can be said in a few words. */
const whyLater: Partial<Record<Binding | 'choice', string>> = {
  rack: ', as the rack is full',
  air: ', for fit air',
  dust: ', as dust and wet paint must not meet',
  material: ', as a material comes later',
};

/** Why a pass begins later, to follow its times; empty where that can't be said in a few words. */
function whyIsLater(pass: PlannedOperation, { operations, timeZone }: Told): string {
  if (pass.boundBy !== 'drying') return (pass.boundBy && whyLater[pass.boundBy]) || '';
  const { start = Infinity, opensAt } = pass;
  const below = operations
    .filter(
      (one) =>
        one.pieceId === pass.pieceId &&
        one.unit === pass.unit &&
        one.material !== undefined &&
        one.laidAt !== undefined &&
        one.laidAt <= start &&
        one.id !== pass.id,
    )
    .reduce<PlannedOperation | undefined>(
      (last, one) => ((last?.laidAt ?? -Infinity) > (one.laidAt ?? -Infinity) ? last : one),
      undefined,
    );
  if (!below?.material || opensAt === undefined || !Number.isFinite(opensAt))
    return ', as what lies below dries later';
  return `, as the ${filmWords[below.film]} of ${below.material.name} below needs until ${sayMoment(opensAt, timeZone)}`;
}

type Told = Pick<Plan, 'operations' | 'pieces' | 'timeZone'>;

/** What a new plan changes, in whole lines. */
export interface PlanChanges {
  /** What is done otherwise today or tomorrow, and pieces that become late or are in time again. */
  atOnce: string[];
  /** Dates that moved and ask for nothing yet. */
  canWait: string[];
}

/**
 * What a new plan changes against the one before, in at most three lines, what matters most first: pieces that become late
 * or are in time again, work of the next two days that moved, pieces that are ready later or sooner.
 */
export function whatChanged(build: Build, before: Told, after: Told, now: number): PlanChanges {
  const nameOf = (id: string) => build.pieces.find((piece) => piece.id === id)?.name ?? id;
  const lines: { weight: number; text: string; waits?: true }[] = [];
  const late = (readiness: string) => readiness === 'late' || readiness === 'stuck';
  for (const piece of after.pieces) {
    const was = before.pieces.find((one) => one.pieceId === piece.pieceId);
    if (!was) continue;
    if (late(piece.readiness) !== late(was.readiness)) {
      lines.push({
        weight: 10_000,
        text: late(piece.readiness)
          ? `${nameOf(piece.pieceId)} is late now`
          : `${nameOf(piece.pieceId)} is in time again`,
      });
      continue;
    }
    const ready = (one: typeof piece) => Math.max(one.packableAt ?? Infinity, one.wearableAt ?? Infinity);
    const shift = ready(piece) - ready(was);
    if (Number.isFinite(shift) && Math.abs(shift) >= WORTH_SAYING_MINUTES)
      lines.push({
        waits: true,
        weight: Math.min(900, Math.abs(shift) / 10),
        text: `${nameOf(piece.pieceId)} is ready ${sayWait(Math.abs(shift))} ${shift > 0 ? 'later' : 'sooner'}: ${sayMoment(ready(piece), after.timeZone)}`,
      });
  }
  const starts = new Map(before.operations.map((one) => [one.id, one]));
  const moved = new Map<string, { shift: number; text: string }>();
  for (const one of after.operations) {
    const was = starts.get(one.id);
    if (was && one.failures > was.failures && one.status !== 'done') {
      const { start, opensAt = Infinity } = one;
      moved.set(`${one.pieceId} ${one.stepId}`, {
        shift: Infinity,
        text: `${nameOf(one.pieceId)}, ${workWord(one).toLowerCase()}, failed: ${
          start === undefined || !Number.isFinite(opensAt)
            ? 'it has no place in the plan yet'
            : `it can be put right from ${sayMoment(opensAt, after.timeZone)}, and is planned for ${sayMoment(start, after.timeZone)}`
        }`,
      });
      continue;
    }
    if (
      one.status !== 'planned' ||
      was?.status !== 'planned' ||
      one.start === undefined ||
      was.start === undefined
    )
      continue;
    const shift = one.start - was.start;
    const soon = Math.min(one.start, was.start) < now + 2 * 1440;
    if (!soon || Math.abs(shift) < WORTH_SAYING_MINUTES) continue;
    const key = `${one.pieceId} ${one.stepId}`;
    if (Math.abs(shift) <= Math.abs(moved.get(key)?.shift ?? 0)) continue;
    const why = shift > 0 ? whyIsLater(one, after) : '';
    const coat = one.coats > 1 ? `, coat ${one.coat} of ${one.coats}` : '';
    moved.set(key, {
      shift,
      text: `${nameOf(one.pieceId)}, ${workWord(one).toLowerCase()}${coat}: ${sayMoment(one.start, after.timeZone)} in place of ${sayMoment(was.start, after.timeZone)}${why}`,
    });
  }
  for (const { shift, text } of moved.values())
    lines.push({ weight: 1000 + Math.min(900, Math.abs(shift) / 10), text });
  const said = lines.sort((a, b) => b.weight - a.weight).slice(0, 3);
  const textsOf = (waits: boolean) =>
    said.flatMap((line) => ((line.waits ?? false) === waits ? line.text : []));
  return { atOnce: textsOf(false), canWait: textsOf(true) };
}
