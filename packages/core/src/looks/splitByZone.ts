import type { Material } from '../model/materialSchema';
import type { Step, Zone } from '../model/schema';
import type { ZoneFinish } from './finishPlan';

/** The zones' own coats in a list of steps, and what is common before, between and after them. */
export interface SplitSteps {
  before: Step[];
  finishes: ZoneFinish[];
  after: Step[];
}

/**
 * Takes a list of steps apart for ordering: everything up to the first step that belongs to some of the zones only,
 * the zones' own coats without the tape between them, and everything after the last of those.
 * Undefined when fewer than two zones have coats of their own, or one coat serves several but not all of them.
 */
export function splitByZone(
  steps: readonly Step[],
  zones: readonly Zone[],
  materials: ReadonlyMap<string, Material>,
): SplitSteps | undefined {
  const own = (step: Step) =>
    step.zones !== undefined &&
    step.zones.length < zones.length &&
    step.kind !== 'mask' &&
    step.kind !== 'unmask';
  const tape = (step: Step) =>
    (step.kind === 'mask' || step.kind === 'unmask') && step.zones !== undefined && !step.covers;
  // Undercoats are common to what comes, and weathering to what went before: both stay where they are.
  const isColour = ({ kind, material }: Step) =>
    kind !== 'prime' && kind !== 'topcoat' && (kind !== 'weather' || material === undefined);
  const first = steps.findIndex((step) => own(step) && isColour(step));
  const last = steps.findLastIndex((step) => (own(step) && isColour(step)) || tape(step));
  if (first < 0) return undefined;
  const middle = steps.slice(first, last + 1).filter((step) => !tape(step) && step.kind !== 'inspect');
  if (middle.some(({ zones: own, material }) => !own || (material !== undefined && !materials.has(material))))
    return undefined;
  const sets = [...new Set(middle.map((step) => JSON.stringify(step.zones)))].map((text): string[] =>
    JSON.parse(text),
  );
  if (sets.some((set, n) => sets.some((other, m) => m !== n && other.some((id) => set.includes(id)))))
    return undefined;
  const named = new Set(sets.flat());
  const finishes = [...sets, ...zones.filter(({ id }) => !named.has(id)).map(({ id }) => [id])].map(
    (set) => ({
      zones: zones.filter(({ id }) => set.includes(id)),
      steps: middle.filter((step) => step.zones?.[0] !== undefined && set.includes(step.zones[0])),
    }),
  );
  if (finishes.filter((finish) => finish.steps.length > 0).length < 2) return undefined;
  return {
    before: steps.slice(0, first).filter((step) => !tape(step)),
    finishes,
    after: steps.slice(last + 1),
  };
}
