import {
  drawsOf,
  goFirst as goFirstOf,
  planTogether,
  sure,
  warmOfStored,
  wornIn,
  type Build,
  type Drawn,
  type GoFirst,
  type PlannedOperation,
  type PlanView,
  type ReadingsByPlace,
  type StoredPlan,
  type Taken,
  type Worn,
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

/** What there is to do in another build, or was done, and when. */
export type PlanBeside = Pick<PlanView, 'operations' | 'sessions'>;

/** What a build finds taken, and what is to do in the others. */
export interface BesideOutcome {
  taken: Taken;
  plans: Record<string, PlanBeside>;
  /** What the others took out of the tins. */
  drawn: Drawn[];
  /** What was worn out in them besides paint. */
  worn: Worn[];
}

const withPlans = (builds: BesideRequest['builds']) =>
  builds.map(({ plan, ...one }) => ({ ...one, plan: plan && warmOfStored(plan) }));

/** What each build before that one in the order costs it, where it is late. */
export const goFirst = ({ builds, id, now, readings }: BesideRequest): GoFirst[] =>
  goFirstOf(withPlans(builds), id, { now, readings });

export function beside({ builds, id, now, readings }: BesideRequest): BesideOutcome {
  const plans = planTogether(withPlans(builds), { now, readings });
  const isMeant = ({ status }: PlannedOperation) => status !== 'skipped';
  return {
    taken: sure(plans.get(id), 'the plan of the open build').workload.taken,
    drawn: builds.flatMap((one) => (one.id === id ? [] : drawsOf(one.build))),
    worn: builds.flatMap((one) => (one.id === id ? [] : wornIn(one.build))),
    plans: Object.fromEntries(
      [...plans].flatMap(([other, { operations, sessions }]) =>
        other === id ? [] : [[other, { operations: operations.filter(isMeant), sessions }] as const],
      ),
    ),
  };
}
