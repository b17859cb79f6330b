import {
  missedWork,
  promisedBy,
  promisedOfStored,
  storedPlanOf,
  dataMark,
  warmFrom,
  warmOfStored,
  whatChanged,
  type PlanChanges,
  type Around,
  type Build,
  type MissedWork,
  type PlanView,
  type Promised,
  type WarmStart,
  sure,
} from '@fixatum/core';
import { useTimeoutFn } from '@vueuse/core';
import { computed, ref, shallowRef, type ComputedRef, type Ref, type ShallowRef } from 'vue';
import { api } from './api';
import { keepSeenPlan, planSeenLast, type SeenPlan } from './lastSeen';
import { WorkerBroken } from './offThread/workerLink';
import { useMe } from './me';
import { useNotice } from './notice';
import { planInWorker, type PlanGround } from './planner';

/** So many plans are remembered for undo. */
const MOST_PLANS_KEPT = 40;

/** A plan made before now is made again after this long, as what was planned may have slipped. */
export const REPLAN_AFTER_MINUTES = 5;
/** A plan that is older than so is nothing to look at while it is made again. */
const WORTH_SHOWING_MINUTES = 60;
/** What is on screen is kept once it has stood for so long. */
const KEEP_AFTER_MS = 1500;

/** A plan to begin with in which some passes may be at any time. */
const withoutTimes = (warm: WarmStart, ids: ReadonlySet<string>): WarmStart => ({
  ...warm,
  beginsAt: new Map([...warm.beginsAt].filter(([id]) => !ids.has(id))),
});

const nothingChanged: PlanChanges = { atOnce: [], canWait: [] };

interface Planned {
  id: Ref<string | undefined>;
  build: Readonly<Ref<Build | undefined>>;
  view: ShallowRef<PlanView | undefined>;
  /** What the next plan begins with. */
  warm: ShallowRef<WarmStart | undefined>;
  now: ComputedRef<number>;
  around: ComputedRef<Around>;
}

/** The plan of the open build as it is made, kept to, put by on the server, and brought back by undo. */
export function livingPlan({ id, build, view, warm, now, around }: Planned) {
  const notice = useNotice();
  const me = useMe();
  const planning = ref(false);
  /** The plan is a first quick one, soon replaced: nobody should begin work by it. */
  const provisional = ref(false);

  /** The last plan that stood. */
  const settled = shallowRef<PlanView>();
  /** What the last change of plan moved, in at most three lines in all. */
  const changed = shallowRef<PlanChanges>(nothingChanged);

  /** What was planned for days that went by without it. */
  const missed = shallowRef<MissedWork>();
  /** What was first said of each pass. */
  let promised: Promised | undefined;
  /** What was missed is known: from here on only what the plan says now counts. */
  function forgetMissed(): void {
    missed.value = undefined;
    if (!warm.value) return;
    promised = promisedBy(warm.value, undefined, dataMark(build.value));
    void keepPlan(warm.value);
  }

  /** The plan that the server has, as text. */
  let keptText = '';
  /** Puts the plan by on the server, so that a reload or another machine goes on from it. A helper's is only for that screen. */
  async function keepPlan(plan: WarmStart): Promise<void> {
    if (me.isHelper) return;
    const kept = storedPlanOf(plan, promised);
    const text = JSON.stringify(kept);
    if (text === keptText || !id.value) return;
    keptText = text;
    try {
      await api.keepPlan(id.value, kept);
    } catch {
      // Whoever looks next makes a plan of their own; the next change tries again.
      keptText = '';
    }
  }

  /** The plans that changes were made from, so that undo brings them back too. */
  let plansBefore: WarmStart[] = [];
  const rememberPlan = () => {
    if (warm.value) plansBefore = [...plansBefore.slice(1 - MOST_PLANS_KEPT), warm.value];
  };
  const planOfBefore = () => {
    warm.value = plansBefore.at(-1) ?? warm.value;
    plansBefore = plansBefore.slice(0, -1);
  };
  /** Goes on from the plan that the server has, as after a reload, where it takes the plan back with the change. */
  async function planOfServer(): Promise<void> {
    const kept = await api.plan(sure(id.value, 'an open build')).catch(() => undefined);
    if (!kept?.plan) return;
    warm.value = warmOfStored(kept.plan);
    promised = promisedOfStored(kept.plan);
    keptText = JSON.stringify(kept.plan);
  }

  /** Keeps the plan on screen with what it is made from. */
  const keepSoon = useTimeoutFn(
    () => {
      if (planning.value || !id.value || !build.value || !warm.value || !view.value) return;
      void keepSeenPlan({
        id: id.value,
        build: JSON.stringify(build.value),
        around: JSON.stringify(around.value),
        plan: JSON.stringify(storedPlanOf(warm.value, promised)),
        view: view.value,
      });
    },
    KEEP_AFTER_MS,
    { immediate: false },
  );

  /** How many minutes ago it was made, where it is of the build as it is; undefined where it is of another. */
  const ageOf = (seen: SeenPlan): number | undefined =>
    seen.build === JSON.stringify(build.value) ? Math.floor(now.value) - seen.view.now : undefined;
  /** Shows the plan that was on screen last, where it is of this build and not old: something to look at until there is another. */
  async function showSeen(): Promise<SeenPlan | undefined> {
    const buildId = sure(id.value, 'an open build');
    const seen = await planSeenLast(buildId);
    if (!seen || buildId !== id.value || view.value) return undefined;
    const age = ageOf(seen);
    if (age === undefined || age < 0 || age > WORTH_SHOWING_MINUTES) return undefined;
    view.value = seen.view;
    provisional.value = false;
    planning.value = true;
    return seen;
  }
  /** Whether a plan that was shown so is the one that would be made now. If it is, it stands, and nothing need be made. */
  function letStand(seen: SeenPlan): boolean {
    const age = ageOf(seen);
    const isSame =
      view.value === seen.view &&
      age !== undefined &&
      age < REPLAN_AFTER_MINUTES &&
      seen.around === JSON.stringify(around.value) &&
      seen.plan === keptText;
    if (!isSame) return false;
    settled.value = seen.view;
    provisional.value = false;
    planning.value = false;
    return true;
  }

  /** Goes on from a better plan that was found elsewhere. */
  function takePlan(better: WarmStart): void {
    warm.value = better;
    plan();
  }

  /** What the next plan is made from. */
  const planGround = (): PlanGround => ({
    build: sure(build.value, 'an open build'),
    now: Math.floor(now.value),
    around: around.value,
    warm: freed.size > 0 && warm.value ? withoutTimes(warm.value, freed) : warm.value,
  });

  /** Passes that the next plan does not keep to their times, as a pin of theirs was let go. */
  let freed: ReadonlySet<string> = new Set();
  /** Pieces that go before all others in the next plan that stands. */
  let urgent: readonly string[] | undefined;

  function plan(): void {
    if (build.value) makePlan(planGround());
  }

  /** Makes the next plan; where one that goes on from the plan before can't be made, one from nothing is tried. */
  function makePlan(ground: PlanGround): void {
    planning.value = true;
    const buildId = id.value;
    const first = urgent;
    const free = freed;
    // What moved is told against the plan there was when this one was asked for, not between its own stages.
    const before = settled.value;
    planInWorker(
      { ...ground, urgent: first },
      (made, stage) => {
        // Another build was opened meanwhile.
        if (buildId !== id.value) return;
        const stands = stage !== 'quick';
        if (before && stands && build.value) changed.value = whatChanged(build.value, before, made, made.now);
        view.value = made;
        provisional.value = !stands && !warm.value;
        planning.value = stage !== 'whole';
        if (!stands) return;
        if (urgent === first) urgent = undefined;
        if (freed === free) freed = new Set();
        settled.value = made;
        const mark = dataMark(build.value);
        missed.value =
          promised?.of === mark ? missedWork(promised, made.operations, made.now, made.timeZone) : undefined;
        warm.value = warmFrom(made);
        promised = promisedBy(warm.value, promised, mark);
        void keepPlan(warm.value);
        if (stage === 'whole') keepSoon.start();
      },
      (error) => {
        // What could not be loaded is no fault of the plan before.
        if (ground.warm && !(error instanceof WorkerBroken) && buildId === id.value) {
          makePlan({ ...ground, warm: undefined });
          return;
        }
        planning.value = false;
        notice.complain(error, { label: 'Try again', run: plan });
      },
    );
  }

  /** Forgets everything, as another build is opened. */
  function forget(): void {
    view.value = undefined;
    settled.value = undefined;
    warm.value = undefined;
    changed.value = nothingChanged;
    missed.value = undefined;
    promised = undefined;
    keptText = '';
    plansBefore = [];
    urgent = undefined;
    freed = new Set();
  }
  /** Pieces that go before all others in the next plan that stands; undefined for none. */
  const putFirst = (pieces: readonly string[] | undefined) => (urgent = pieces);
  /** Passes that the next plan need not keep to their times, besides those let go already. Returns how to take that back. */
  function letGo(operationIds: readonly string[]): () => void {
    const own = new Set([...freed, ...operationIds]);
    freed = own;
    return () => {
      if (freed === own) freed = new Set();
    };
  }
  const hasPlansBefore = () => plansBefore.length > 0;

  return {
    planning,
    provisional,
    changed,
    hasChanged: computed(() => changed.value.atOnce.length + changed.value.canWait.length > 0),
    missed,
    forgetMissed,
    plan,
    showSeen,
    letStand,
    planGround,
    takePlan,
    rememberPlan,
    planOfBefore,
    planOfServer,
    hasPlansBefore,
    putFirst,
    letGo,
    forget,
  };
}
