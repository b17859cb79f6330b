import { workdayBegan, type PlannedOperation } from '@fixatum/core';

/** Begun within so many minutes of when it is planned, work costs nothing that the plan does not know. */
export const ON_TIME_MINUTES = 5;

const isOpen = ({ status }: PlannedOperation): boolean => status === 'planned' || status === 'underway';
const unitOf = ({ pieceId, unit }: PlannedOperation): string => `${pieceId} ${unit}`;

/** What is still to do and planned before some passes on the same units, the first of it: that is ticked before them. */
export function comesBefore(
  passes: readonly PlannedOperation[],
  all: readonly PlannedOperation[],
): PlannedOperation | undefined {
  const own = new Set(passes.map(({ id }) => id));
  const from = Math.min(...passes.map(({ start = Infinity }) => start));
  const units = new Set(passes.map(unitOf));
  return all
    .filter(
      (one) => isOpen(one) && !own.has(one.id) && units.has(unitOf(one)) && (one.start ?? Infinity) < from,
    )
    .sort((a, b) => a.start! - b.start!)[0];
}

/** Passes of one kind that follow each other within so many minutes were done together. */
const TOGETHER_MINUTES = 15;

/**
 * Whether some passes can be ticked without a question: they are planned for now, or for later today and nothing that lies on their units
 * keeps them from it.
 * @param passes of one batch, at least one
 * @param now epoch minutes
 */
export function isDue(passes: readonly PlannedOperation[], now: number, timeZone: string): boolean {
  const start = Math.min(...passes.map((one) => one.start ?? Infinity));
  if (start <= now + ON_TIME_MINUTES) return true;
  if (!Number.isFinite(start) || workdayBegan(start, timeZone) !== workdayBegan(now, timeZone)) return false;
  return passes.every(({ opensAt }) => opensAt !== undefined && opensAt <= now);
}

/** What was done together, as one line of a sheet. */
export interface DoneTogether {
  from: number;
  until: number;
  operations: PlannedOperation[];
}

/** What was done from a moment on, in the order it was begun. */
export function doneSince(all: readonly PlannedOperation[], from: number): DoneTogether[] {
  const lines: DoneTogether[] = [];
  const last = new Map<string, DoneTogether>();
  const done = all.flatMap((one) =>
    one.status === 'done' && one.laidAt !== undefined && one.laidAt >= from ? [{ one, at: one.laidAt }] : [],
  );
  for (const { one, at } of done.sort((a, b) => a.at - b.at)) {
    const kind = [one.kind, one.material?.id, one.coat, one.face].join(' ');
    const line = last.get(kind);
    if (line && at - line.until <= TOGETHER_MINUTES) {
      line.operations.push(one);
      line.until = at;
      continue;
    }
    const begun = { from: at, until: at, operations: [one] };
    lines.push(begun);
    last.set(kind, begun);
  }
  return lines;
}
