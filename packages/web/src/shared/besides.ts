import {
  nothingTaken,
  storedPlanOf,
  type Build,
  type Drawn,
  type GoFirst,
  type ReadingsByPlace,
  type StoredPlan,
  type Taken,
  type WarmStart,
  type Worn,
} from '@fixatum/core';
import isEqual from 'fast-deep-equal';
import { computed, shallowRef, type ComputedRef, type Ref, type ShallowRef } from 'vue';
import { api, type BesideAnswer } from './api';
import type { BesideOutcome, PlanBeside } from './offThread/besideWork';
import { openWorker, plain, WorkerBroken, type WorkerLink } from './offThread/workerLink';

/** Another build of the workshop that is in hand. */
export interface BuildInHand {
  id: string;
  version: number;
  name: string;
  isAhead: boolean;
  build: Build;
  plan: StoredPlan | undefined;
}

interface Beside {
  id: Ref<string | undefined>;
  build: ShallowRef<Build | undefined>;
  warm: ShallowRef<WarmStart | undefined>;
  now: ComputedRef<number>;
  readingsByPlace: ComputedRef<ReadingsByPlace>;
  /** Told when something else is taken than before. */
  whenTaken: () => void;
}

/**
 * The other builds of the workshop that the open one is in: what they leave of hands, racks and rooms, what they took out of the tins, and
 * what is to do in them. Where the server is away, what was known last holds.
 */
export function besides({ id, build, warm, now, readingsByPlace, whenTaken }: Beside) {
  const inHand = shallowRef<BuildInHand[]>([]);
  /** What builds that are not in hand any more took out of the tins, and what those in hand did. */
  const doneDrawn = shallowRef<Drawn[]>([]);
  const drawn = shallowRef<Drawn[]>([]);
  const doneWorn = shallowRef<Worn[]>([]);
  const inHandWorn = shallowRef<Worn[]>([]);
  const taken = shallowRef<Taken>(nothingTaken);
  const plans = shallowRef<Record<string, PlanBeside>>({});
  let link: WorkerLink | undefined;

  function forget(): void {
    inHand.value = [];
    doneDrawn.value = [];
    drawn.value = [];
    doneWorn.value = [];
    inHandWorn.value = [];
    taken.value = nothingTaken;
    plans.value = {};
  }

  /** Asks what is beside the open build, and what it leaves to it. */
  async function load(): Promise<void> {
    const of = id.value;
    if (of === undefined) return;
    const known = new Map(inHand.value.map((one) => [`${one.id}:${one.version}`, one.build]));
    const answer = await api.beside(of, [...known.keys()]).catch(() => undefined);
    if (!answer || id.value !== of) return;
    inHand.value = answer.builds.flatMap((one) => inHandOf(one, known));
    doneDrawn.value = answer.builds.flatMap((one) => one.drawn ?? []);
    doneWorn.value = answer.builds.flatMap((one) => one.worn ?? []);
    await workOut();
  }

  /** What the worker is asked about the open build among the others. */
  function requestFor(of: string, mine: Build, after: readonly BuildInHand[]) {
    const ahead = inHand.value.filter(({ isAhead }) => isAhead);
    const me = { id: of, build: mine, plan: warm.value && storedPlanOf(warm.value) };
    return plain({
      id: of,
      now: Math.floor(now.value),
      readings: readingsByPlace.value,
      builds: [...ahead, me, ...after].map((one) => ({ id: one.id, build: one.build, plan: one.plan })),
    });
  }

  /** What each build that goes before the open one costs it, where that is late; planned for real. */
  async function askGoFirst(): Promise<GoFirst[]> {
    const [of, mine] = [id.value, build.value];
    if (of === undefined || !mine || !inHand.value.some(({ isAhead }) => isAhead)) return [];
    const request = requestFor(
      of,
      mine,
      inHand.value.filter(({ isAhead }) => !isAhead),
    );
    const own = openWorker('going first');
    try {
      return await own.run((remote) => remote.goFirst(request));
    } finally {
      own.end();
    }
  }

  let newest = 0;
  /** Works out anew what the others leave, as the open build and its plan are now. */
  async function workOut(): Promise<void> {
    newest += 1;
    const ticket = newest;
    const [of, mine] = [id.value, build.value];
    if (of === undefined || !mine) return;
    const ahead = inHand.value.filter(({ isAhead }) => isAhead);
    // What comes after an open build that has no plan yet has to wait for that; its first plan need not wait for them.
    const after = warm.value ? inHand.value.filter(({ isAhead }) => !isAhead) : [];
    if (ahead.length === 0 && after.length === 0) {
      take({ taken: nothingTaken, plans: {}, drawn: [], worn: [] });
      return;
    }
    const request = requestFor(of, mine, after);
    const own = (link ??= openWorker('beside'));
    try {
      const outcome = await own.run((remote) => remote.beside(request));
      if (ticket === newest && id.value === of) take(outcome);
    } catch (error) {
      // What was known last holds; the next change asks again.
      if (error instanceof WorkerBroken) {
        own.end();
        if (link === own) link = undefined;
      }
    }
  }

  function take(outcome: BesideOutcome): void {
    plans.value = outcome.plans;
    drawn.value = outcome.drawn;
    inHandWorn.value = outcome.worn;
    if (isEqual(outcome.taken, taken.value)) return;
    taken.value = outcome.taken;
    whenTaken();
  }

  /** What was worn out in the other builds besides paint. */
  const wornElsewhere = computed(() => [...doneWorn.value, ...inHandWorn.value]);
  const elsewhere = computed(() => [...doneDrawn.value, ...drawn.value]);
  return {
    inHand: computed(() => inHand.value),
    elsewhere,
    wornElsewhere,
    doneDrawn,
    taken,
    plans,
    load,
    workOut,
    askGoFirst,
    forget,
  };
}

/** @param known builds that were told of before, by `id:version` */
function inHandOf(
  { id, version, name, isAhead, plan, build, drawn }: BesideAnswer,
  known: ReadonlyMap<string, Build>,
): BuildInHand[] {
  const whole = build ?? known.get(`${id}:${version}`);
  return drawn || !whole ? [] : [{ id, version, name, isAhead, build: whole, plan: plan ?? undefined }];
}
