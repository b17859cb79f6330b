import type { EpochMinute } from '../../model/wallTime';
import { dryThroughOf } from '../place/dryThrough';
import type { Workload } from '../plan/workload';
import type { Kept } from '../place/decodeOptions';
import { isPlaced, workBegins, type PlannedOperation } from '../plan/plan';
import { nth } from '../../model/sure';
import type { StoredPlan } from './storedPlan';

/** A plan that was made before: its order, and when and by whom each pass was to be done. */
export interface WarmStart {
  sequence: readonly string[];
  /** When the work itself was to begin, by operation. */
  beginsAt: ReadonlyMap<string, EpochMinute>;
  personOf: ReadonlyMap<string, string>;
  /** Passes that wait until what they land on is dry through. */
  letDryThrough: ReadonlySet<string>;
  /** Why each was not to begin sooner than at its moment, where that is known. */
  reasons?: Kept['reasons'];
}

/** When each pass was first said to begin since the build was as it is: what went by without it is told from that. */
export interface Promised {
  /** A mark of the build. */
  of: string;
  at: ReadonlyMap<string, EpochMinute>;
}

/**
 * What was first said of the passes of a plan: as long as a build stays the same, a pass that slips from evening to evening is remembered by
 * the first.
 * @param of a mark of the build that the plan is of
 */
export function promisedBy(plan: WarmStart, before: Promised | undefined, of: string): Promised {
  const known = before?.of === of ? before.at : undefined;
  return { of, at: new Map([...plan.beginsAt].map(([id, at]) => [id, Math.min(at, known?.get(id) ?? at)])) };
}

/** What a plan gives the next one to begin with. */
export function warmFrom(plan: {
  sequence: readonly string[];
  operations: readonly PlannedOperation[];
}): WarmStart {
  // What is under way stays on the hands it is on.
  const placed = plan.operations
    .filter(isPlaced)
    .filter(({ status }) => status === 'planned' || status === 'underway');
  return {
    sequence: plan.sequence,
    beginsAt: new Map(placed.map((operation) => [operation.id, workBegins(operation)])),
    personOf: new Map(placed.map((operation) => [operation.id, operation.personId])),
    letDryThrough: dryThroughOf(placed),
    reasons: new Map(
      placed.flatMap((operation) =>
        operation.boundBy ? [[operation.id, { at: workBegins(operation), why: operation.boundBy }]] : [],
      ),
    ),
  };
}

/**
 * A warm start for a build whose steps were put into another order since: where a pass was planned before one that it waits
 * for now, the moments and hands of its unit are dealt out anew in the new order. All else stays as it was.
 */
export function dealtInOrder(warm: WarmStart, workload: Pick<Workload, 'byUnit'>): WarmStart {
  const beginsAt = new Map(warm.beginsAt);
  const personOf = new Map(warm.personOf);
  const at = (id: string) => warm.beginsAt.get(id) ?? -Infinity;
  for (const own of workload.byUnit.values()) {
    if (!own.some(({ id, after }) => beginsAt.has(id) && after.some((before) => at(before) > at(id))))
      continue;
    const known = own.filter(({ id }) => warm.beginsAt.has(id)).map(({ id }) => id);
    const slots = [...known].sort((a, b) => at(a) - at(b));
    for (const [place, id] of known.entries()) {
      beginsAt.set(id, at(nth(slots, place)));
      const person = warm.personOf.get(nth(slots, place));
      if (person !== undefined) personOf.set(id, person);
    }
  }
  return { ...warm, beginsAt, personOf };
}

/** A warm start as it is put by, with what was first said of its passes. */
export const storedPlanOf = (
  { sequence, beginsAt, personOf, letDryThrough, reasons }: WarmStart,
  promised?: Promised,
): StoredPlan => ({
  order: [...sequence],
  ...(promised ? { of: promised.of } : {}),
  passes: [...beginsAt].flatMap(([operation, minute]) => {
    const person = personOf.get(operation);
    const through = letDryThrough.has(operation) ? { letsDryThrough: true as const } : {};
    const reason = reasons?.get(operation);
    const why = reason?.at === minute ? { why: reason.why } : {};
    const first = promised?.at.get(operation);
    const promise = first === undefined || first === minute ? {} : { promisedAt: first };
    return person === undefined
      ? []
      : [{ operation, beginsAt: minute, person, ...through, ...why, ...promise }];
  }),
});

/** What was first said of the passes of a plan that was put by; undefined of one from before that was kept. */
export const promisedOfStored = ({ of, passes }: StoredPlan): Promised | undefined =>
  of === undefined
    ? undefined
    : {
        of,
        at: new Map(passes.map(({ operation, beginsAt, promisedAt = beginsAt }) => [operation, promisedAt])),
      };

/** The warm start that was put by. */
export const warmOfStored = ({ order, passes }: StoredPlan): WarmStart => ({
  sequence: order,
  beginsAt: new Map(passes.map((pass) => [pass.operation, pass.beginsAt])),
  personOf: new Map(passes.map((pass) => [pass.operation, pass.person])),
  letDryThrough: new Set(passes.flatMap((pass) => (pass.letsDryThrough ? [pass.operation] : []))),
  reasons: new Map(
    passes.flatMap(({ operation, beginsAt, why }) => (why ? [[operation, { at: beginsAt, why }]] : [])),
  ),
});
