import type { EpochMinute } from '../../model/wallTime';
import type { PlannedOperation } from '../plan/plan';
import type { DraftState } from '../state/draftState';
import { isReserved, longestWait, type Busy, type Timeline } from '../state/timeline';
import { allowedFrom } from './allowed';
import type { Kept } from './decodeOptions';
import { gate } from './gates';
import type { Fit } from './joiningFit';

/**
 * The stretches of everybody's time that some passes would take if all of them kept their moments, so that nothing else is put
 * there: with set-up and clean-up where they do not share those with their neighbours.
 */
export function stretchesKept(
  draft: DraftState,
  { beginsAt, personOf }: Kept,
): { line: Timeline; stretch: Busy }[] {
  return draft.hands.flatMap((line) => {
    const own = [...beginsAt]
      .flatMap(([id, begins]) => {
        const operation = draft.planned.get(id);
        const isOpen = operation?.status === 'planned' && personOf.get(id) === line.id && begins >= draft.now;
        return isOpen ? [{ operation, begins, laidAt: begins + operation.workMinutes }] : [];
      })
      .sort((a, b) => a.begins - b.begins);
    const shares = (before: (typeof own)[number] | undefined, next: (typeof own)[number] | undefined) =>
      before !== undefined &&
      next !== undefined &&
      before.operation.batchKey === next.operation.batchKey &&
      next.begins - before.laidAt <= longestWait(next.operation);
    return own.map((pass, at) => {
      const { operation, begins, laidAt } = pass;
      const next = own[at + 1];
      const start = shares(own[at - 1], pass) ? begins : begins - operation.setUpMinutes;
      const end = next && shares(pass, next) ? next.begins : laidAt + operation.cleanUpMinutes;
      return { line, stretch: { start, end, operation } };
    });
  });
}

/**
 * The fit of a pass at the very moment and in the hands it had before, joined on to what it shares a set-up with or set up for
 * anew; undefined where that can't be any more.
 * @param from the moment all that goes before has ended
 */
export function keptFit(
  draft: DraftState,
  operation: PlannedOperation,
  from: EpochMinute,
  { beginsAt, personOf }: Kept,
): Fit | undefined {
  const begins = beginsAt.get(operation.id);
  const line = draft.hands.find(({ id }) => id === personOf.get(operation.id));
  if (begins === undefined || line === undefined || begins < from) return undefined;
  const { workMinutes, setUpMinutes, cleanUpMinutes, batchKey, material, letsDryThrough } = operation;
  const laidAt = begins + workMinutes;
  if (gate(operation, draft.unitOf(operation), begins, letsDryThrough) !== begins) return undefined;
  // Cleaning up is put off for what is to go on with the same things.
  const goesOn = (stretch: Busy) =>
    isReserved(stretch) && stretch.start >= laidAt && stretch.operation.batchKey === batchKey;
  const fit = (start: EpochMinute, mixedAt: EpochMinute, joins: Busy | undefined): Fit | undefined =>
    laidAt - mixedAt <= (material?.potLife ?? Infinity) &&
    allowedFrom(draft, operation, start, begins - start).start === start
      ? { start, laidAt, line, boundBy: 'choice', joins, mixedAt }
      : undefined;
  for (const stretch of line.withKey(batchKey, begins - longestWait(operation))) {
    const { laidAt: before, status } = stretch.operation;
    if (before === undefined || (status !== 'planned' && status !== 'underway')) continue;
    if (before > begins) break;
    const { joinedBy: next } = stretch;
    const isFree = next
      ? laidAt <= next.start
      : line.isFree(before, laidAt - before + cleanUpMinutes, (other) => other === stretch || goesOn(other));
    const joined = isFree ? fit(begins, stretch.mixedAt ?? begins, stretch) : undefined;
    if (joined) return joined;
  }
  const ready = draft.ready.get(batchKey);
  if (
    ready?.personId === line.id &&
    begins - ready.laidAt <= longestWait(operation) &&
    line.isFree(draft.now, laidAt - draft.now + cleanUpMinutes, goesOn)
  ) {
    const gone = fit(begins, ready.mixedAt, undefined);
    if (gone) return gone;
  }
  const start = begins - setUpMinutes;
  if (start < draft.now || !line.isFree(start, setUpMinutes + workMinutes + cleanUpMinutes, goesOn))
    return undefined;
  return fit(start, begins, undefined);
}
