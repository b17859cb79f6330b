import {
  planTogether,
  sure,
  warmOfStored,
  type Build,
  type PlannedOperation,
  type ReadingsByPlace,
  type StoredPlan,
  type Taken,
} from '@fixatum/core';

/** Asks what the builds of a workshop leave to one of them. */
export interface BesideRequest {
  /** In their order, that one among them. */
  builds: { id: string; build: Build; plan: StoredPlan | undefined }[];
  /** The one it is asked for. */
  id: string;
  now: number;
  readings: ReadingsByPlace;
}

/** What a build finds taken, and what is to do in the others soon. */
export interface BesideOutcome {
  taken: Taken;
  soon: Record<string, PlannedOperation[]>;
}

/** What is to do in other builds is told this far ahead. */
const SOON_MINUTES = 36 * 60;

export function beside({ builds, id, now, readings }: BesideRequest): BesideOutcome {
  const known = builds.map(({ plan, ...one }) => ({ ...one, plan: plan && warmOfStored(plan) }));
  const plans = planTogether(known, { now, readings });
  const isSoon = ({ status, start }: PlannedOperation) =>
    status === 'underway' || (status === 'planned' && start !== undefined && start < now + SOON_MINUTES);
  return {
    taken: sure(plans.get(id), 'the plan of the open build').workload.taken,
    soon: Object.fromEntries(
      [...plans].flatMap(([other, { operations }]) =>
        other === id ? [] : [[other, operations.filter(isSoon)] as const],
      ),
    ),
  };
}
