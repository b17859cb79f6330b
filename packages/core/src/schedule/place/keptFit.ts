import type { EpochMinute } from '../../model/wallTime';
import type { PlannedOperation } from '../plan/plan';
import type { DraftState } from '../state/draftState';
import { isReserved, longestWait, rinseBetween, type Busy, type Timeline } from '../state/timeline';
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
    /** When a pass is begun with the things of the one before, rinsed where that is of another colour; undefined for one that is not. */
    const goesOnAt = (at: number): EpochMinute | undefined => {
      const [before, next] = [own[at - 1], own[at]];
      if (!before || !next || before.operation.rinseKey !== next.operation.rinseKey) return undefined;
      const start = next.begins - rinseBetween(before.operation, next.operation);
      return start >= before.laidAt && start - before.laidAt <= longestWait(next.operation)
        ? start
        : undefined;
    };
    return own.map(({ operation, begins, laidAt }, at) => ({
      line,
      stretch: {
        start: goesOnAt(at) ?? begins - operation.setUpMinutes,
        end: goesOnAt(at + 1) ?? laidAt + operation.cleanUpMinutes,
        operation,
      },
    }));
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
  const { workMinutes, setUpMinutes, cleanUpMinutes, batchKey, rinseKey, material, letsDryThrough } =
    operation;
  const laidAt = begins + workMinutes;
  if (gate(operation, draft.unitOf(operation), begins, letsDryThrough) !== begins) return undefined;
  // Cleaning up is put off for what is to go on with the same things.
  const goesOn = (stretch: Busy) =>
    isReserved(stretch) && stretch.start >= laidAt && stretch.operation.rinseKey === rinseKey;
  const fit = (start: EpochMinute, mixedAt: EpochMinute, joins: Busy | undefined): Fit | undefined =>
    laidAt - mixedAt <= (material?.potLife ?? Infinity) &&
    allowedFrom(draft, operation, line, start, begins - start).start === start
      ? { start, laidAt, line, boundBy: 'choice', joins, mixedAt }
      : undefined;
  for (const stretch of line.withKey(rinseKey, begins - longestWait(operation) - setUpMinutes)) {
    const { laidAt: before, status } = stretch.operation;
    if (before === undefined || (status !== 'planned' && status !== 'underway')) continue;
    const rinse = rinseBetween(stretch.operation, operation);
    const start = begins - rinse;
    if (before > begins) break;
    if (start < before || start - before > longestWait(operation)) continue;
    const { joinedBy: next } = stretch;
    if (next && rinse > 0) continue;
    const isFree = next
      ? laidAt <= next.start
      : line.isFree(
          before,
          laidAt - before + cleanUpMinutes,
          (other) => other === stretch || goesOn(other),
          true,
        );
    const mixedAt = rinse > 0 ? begins : (stretch.mixedAt ?? begins);
    const joined = isFree ? fit(start, mixedAt, stretch) : undefined;
    if (joined) return joined;
  }
  const ready = draft.ready.get(batchKey);
  if (
    ready?.personId === line.id &&
    begins - ready.laidAt <= longestWait(operation) &&
    line.isFree(draft.now, laidAt - draft.now + cleanUpMinutes, goesOn, true)
  ) {
    const gone = fit(begins, ready.mixedAt, undefined);
    if (gone) return gone;
  }
  const start = begins - setUpMinutes;
  if (start < draft.now || !line.isFree(start, setUpMinutes + workMinutes + cleanUpMinutes, goesOn, true))
    return undefined;
  return fit(start, begins, undefined);
}
