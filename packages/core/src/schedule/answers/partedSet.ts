import { sayMoment } from '../../model/sayMoment';
import type { PlannedOperation, Reason } from '../plan/plan';
import { passOfSet, type Sets } from '../plan/sets';

/** Why the rest of a set comes later, to follow its time. */
const why: Readonly<Record<Reason, string>> = {
  start: 'as soon as it can be',
  order: 'after what goes before',
  drying: 'what lies below dries until then',
  through: 'what lies below dries through',
  window: 'for its recoat window',
  hands: 'nobody is free before',
  tool: 'the tool is in other hands',
  place: 'the place opens then',
  daylight: 'for daylight',
  quiet: 'for the quiet hours',
  rack: 'the rack is full',
  air: 'for fit air',
  dust: 'for the dust',
  material: 'a material is on order',
  elsewhere: 'another build has the hands',
  busy: 'hands are at other work',
  choice: 'for fewer evenings and set-ups',
};

/**
 * What a set that is parted, a left from its right too, is told by: how many of it get the same pass later, when, and why. Undefined where the set is done in one go.
 * @param batch the passes that are done together
 * @param operations all of the plan
 * @param sets lefts with their rights
 * @example "2 more Thu 18 Feb, 19:00: the rack is full"
 */
export function partedSet(
  batch: readonly PlannedOperation[],
  operations: readonly PlannedOperation[],
  sets: Sets,
  timeZone: string,
): string | undefined {
  const here = new Set(batch.map(({ id }) => id));
  const key = (one: PlannedOperation) =>
    `${sets.of.get(one.pieceId)?.[0] ?? one.pieceId} ${passOfSet(sets, one)}`;
  const passes = new Set(batch.map(key));
  const begins = Math.min(...batch.map(({ start = Infinity }) => start));
  const rest = operations
    .filter(
      (one) =>
        one.status === 'planned' &&
        !here.has(one.id) &&
        one.start !== undefined &&
        one.start > begins &&
        passes.has(key(one)),
    )
    .sort((a, b) => (a.start ?? 0) - (b.start ?? 0));
  const [first] = rest;
  if (first?.start === undefined) return undefined;
  const { waitsFor } = first;
  const reason = waitsFor?.freeAt === undefined ? (waitsFor?.why ?? first.boundBy) : 'busy';
  return `${rest.length} more ${sayMoment(first.start, timeZone)}${reason ? `: ${why[reason]}` : ''}`;
}
