import {
  closedBuild,
  applyLogEdit,
  severities,
  sure,
  toWallTime,
  type Around,
  type Build,
  type LogEdit,
  type Piece,
  type PlannedOperation,
  type PlanView,
  type RuleFinding,
  type PatchStep,
  type WarmStart,
} from '@fixatum/core';
import isEqual from 'fast-deep-equal';
import { useTimeoutFn } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { api, ApiProblem } from './api';
import type { BuildAnswer } from './knownBuild';
import { plain } from './offThread/workerLink';
import { useClock } from './clock';
import { useNotice } from './notice';
import { useOutbox } from './outbox';
import { startPlanner } from './planner';
import { benchActs } from './benchActs';
import { keepSeen, seenLast } from './lastSeen';
import { besides } from './besides';
import { idleSearch } from './idleSearch';
import { liveUpdates } from './liveUpdates';
import { livingPlan, REPLAN_AFTER_MINUTES } from './livingPlan';
import { measuredAir } from './measuredAir';
import { pieceConflicts } from './pieceConflicts';
import { unplannedPieces } from './unplanned';
import { withoutGone } from './withoutGone';

/** What is seen is kept for when nobody answers once it has stood for so long. */
const KEEP_AFTER_MS = 1500;

/** A build that could not be fetched is asked for again after so long. */
const OPEN_AGAIN_MS = 3000;

/** The build that is open, its plan, and every change to it. */
export const useBuild = defineStore('build', () => {
  const clock = useClock();
  const notice = useNotice();
  const id = ref<string>();
  const build = shallowRef<Build>();
  const pieceEtags = ref<Record<string, string>>({});
  const etag = ref<string>();
  const view = shallowRef<PlanView>();
  const missing = ref(false);
  const busy = ref(false);

  const now = computed(() => (build.value ? clock.now(build.value.timeZone) : 0));
  /** The present as wall time of the build. */
  const wallNow = computed(() =>
    build.value ? toWallTime(Math.floor(now.value), build.value.timeZone) : '',
  );
  /** The present to the minute, for what need not be drawn anew every second. */
  const minute = computed(() => Math.floor(now.value));
  const operations = computed(
    () => new Map((view.value?.operations ?? []).map((operation) => [operation.id, operation])),
  );
  /** The open build, its id and its plan, for what is only there while one is open. */
  const theId = computed(() => sure(id.value, 'the id of an open build'));
  const theBuild = computed(() => sure(build.value, 'an open build'));
  const theView = computed(() => sure(view.value, 'the plan of an open build'));
  const pieceOf = (pieceId: string): Piece | undefined =>
    build.value?.pieces.find((piece) => piece.id === pieceId);
  const planOf = (pieceId: string) => view.value?.pieces.find((piece) => piece.pieceId === pieceId);
  /** Pieces of which the plan on screen says nothing that holds, as their steps have changed since. */
  const unplanned = computed(() =>
    build.value && view.value ? unplannedPieces(build.value, view.value) : new Set<string>(),
  );
  /** What the rules say of a piece; nothing of steps that are not there any more. */
  const findingsOf = (pieceId: string): RuleFinding[] => {
    const steps = new Set(pieceOf(pieceId)?.steps.map((step) => step.id));
    return (view.value?.findings ?? []).filter(
      ({ piece, step }) => piece === pieceId && (step === undefined || steps.has(step)),
    );
  };

  /** What the rules say of the steps that some passes belong to, worst first. */
  const findingsOn = (passes: readonly PlannedOperation[]): RuleFinding[] => {
    const steps = new Set(passes.map(({ pieceId, stepId }) => `${pieceId} ${stepId}`));
    return (view.value?.findings ?? [])
      .filter((finding) => steps.has(`${finding.piece} ${finding.step}`))
      .sort((a, b) => severities.indexOf(a.severity) - severities.indexOf(b.severity));
  };

  const air = measuredAir(id, build, () => living.plan());
  const warm = shallowRef<WarmStart>();
  /** It is planned in any case, once all is known. */
  let isOpening = false;
  const beside = besides({
    id,
    build,
    warm,
    now,
    readingsByPlace: air.readingsByPlace,
    whenTaken: () => {
      if (view.value && !isOpening) plan();
    },
  });
  /** What the open build is planned amid. */
  const around = computed((): Around => ({
    readings: air.readingsByPlace.value,
    taken: beside.taken.value,
  }));
  /** When the build was put by as done; undefined while it is in hand. */
  const finishedAt = ref<string>();
  /** What is planned: nothing of a build that is done. */
  const toPlan = computed(() =>
    build.value && finishedAt.value !== undefined ? closedBuild(build.value, finishedAt.value) : build.value,
  );
  const living = livingPlan({ id, build: toPlan, view, warm, now, around });
  const { planning, plan, rememberPlan, planOfBefore, planOfServer } = living;
  const idle = idleSearch({
    id,
    build,
    view,
    warm,
    planning,
    around,
    take: living.takePlan,
  });

  /** The build as the server had it last. What was pressed and has not been sent yet is shown as if it had. */
  let atServer: Build | undefined;
  function take(answer: BuildAnswer): void {
    if (show(answer) || !view.value) plan();
  }
  /** Shows what the server answered, with what was pressed since; returns whether that is news. */
  function show(answer: BuildAnswer): boolean {
    id.value = answer.id;
    atServer = answer.build;
    const shown = outbox.applied(answer.id, answer.build);
    // What was pressed here comes back as it is shown already: nothing to plan anew, and what moved stays said.
    const finished = answer.finishedAt ?? undefined;
    const isNews = !isEqual(shown, build.value) || finished !== finishedAt.value;
    finishedAt.value = finished;
    if (isNews) {
      if (view.value) view.value = withoutGone(view.value, shown);
      build.value = shown;
    }
    etag.value = `"${answer.version}"`;
    pieceEtags.value = answer.pieceEtags;
    missing.value = false;
    isFromMemory.value = false;
    keepSoon.start(answer);
    return isNews;
  }

  /** What is shown is what was seen here last: the server has not answered since the page was opened. */
  const isFromMemory = ref(false);
  const keepSoon = useTimeoutFn((answer: BuildAnswer) => void keepSeen(answer), KEEP_AFTER_MS, {
    immediate: false,
  });
  /** Shows what was seen last, where nobody answers. */
  async function showFromMemory(buildId: string): Promise<void> {
    const seen = build.value ? undefined : await seenLast(buildId);
    if (!seen || id.value !== buildId || build.value) return;
    show(seen);
    keepSoon.stop();
    isFromMemory.value = true;
    await living.showSeen();
    if (id.value === buildId) plan();
  }

  /** Opens a build; while the server does not answer it is asked again and again, and complained of once. */
  async function open(buildId: string, isRetry = false): Promise<void> {
    if (id.value !== buildId) {
      build.value = undefined;
      living.forget();
      air.forget();
      beside.forget();
    }
    id.value = buildId;
    startPlanner();
    try {
      await outbox.ready;
      const [answer] = await Promise.all([api.build(buildId), warm.value ? undefined : planOfServer()]);
      if (id.value !== buildId) return;
      // Shown before anything else is waited for, as it may be changed from then on.
      show(answer);
      isOpening = true;
      const seen = await living.showSeen();
      // A first plan that books hands which another build has would only be moved again.
      await beside.load();
      if (id.value !== buildId) return;
      isOpening = false;
      if (!seen || !living.letStand(seen)) plan();
      void air.loadReadings();
      void outbox.flush();
    } catch (error) {
      if (!isRetry) notice.complain(error);
      // Only the server can say that there is no such build; one that does not answer is asked again.
      if (error instanceof ApiProblem && error.type === 'not-found') missing.value = true;
      else {
        openAgain.start(buildId);
        // A device that is let in no more sees nothing from before, either.
        if (error instanceof ApiProblem && error.type === 'away') await showFromMemory(buildId);
      }
    }
  }
  const openAgain = useTimeoutFn(
    (buildId: string) => {
      if (id.value === buildId && (!build.value || isFromMemory.value)) void open(buildId, true);
    },
    OPEN_AGAIN_MS,
    { immediate: false },
  );

  /** Applies a patch to the whole build as one change; some pieces may go before all others in the plan for it. */
  async function patch(
    label: string,
    steps: PatchStep[],
    urgentPieces?: readonly string[],
  ): Promise<boolean> {
    living.putFirst(urgentPieces);
    const done = await change(() => api.applyPatch(theId.value, label, steps, etag.value), label);
    // What was refused must not move anything in a later plan.
    if (!done) living.putFirst(undefined);
    return done;
  }

  /** Keeps some passes to a moment, or as soon after as can be. */
  function pin(operationIds: readonly string[], minute: number): Promise<boolean> {
    const kept = (build.value?.pins ?? []).filter((one) => !operationIds.includes(one.operation));
    const at = toWallTime(minute, theBuild.value.timeZone);
    const pins = [...kept, ...operationIds.map((operation) => ({ operation, at }))];
    return change(() => api.patchBuild(theId.value, { pins }, etag.value), 'Pinned');
  }
  async function unpin(operationIds: readonly string[]): Promise<boolean> {
    const pins = (build.value?.pins ?? []).filter((one) => !operationIds.includes(one.operation));
    // The next plan is not to hold it where the pin was, whatever plan comes in until then.
    const takeBack = living.letGo(operationIds);
    const done = await change(() => api.patchBuild(theId.value, { pins }, etag.value), 'Let go');
    if (!done) takeBack();
    return done;
  }

  /** Runs one change, takes what the server answers, and says so; returns whether it went through. */
  async function change(work: () => Promise<BuildAnswer>, said?: string): Promise<boolean> {
    busy.value = true;
    try {
      const answer = await work();
      rememberPlan();
      take(answer);
      if (said) notice.say(said, { label: 'Undo', run: () => void undo() });
      return true;
    } catch (error) {
      notice.complain(error);
      return false;
    } finally {
      busy.value = false;
    }
  }

  /** As `change`, but what can't be used is thrown, so that a dialog can say it beside its fields. */
  async function attempt(work: () => Promise<BuildAnswer>, said: string): Promise<boolean> {
    const answer = await work();
    rememberPlan();
    take(answer);
    notice.say(said, { label: 'Undo', run: () => void undo() });
    return true;
  }

  const outbox = useOutbox();
  outbox.whenSent((buildId, answer) => {
    if (buildId === id.value) take(answer);
  });

  /** The presses before have been kept and shown: one at a time, so that each is judged on what the last one left. */
  let acting: Promise<unknown> = Promise.resolve();

  /**
   * Does what was pressed at the bench: it is kept on this machine, shows from then on, and is sent as soon as the server
   * answers, once. Returns whether it could be done.
   */
  async function act(edit: LogEdit, said?: string): Promise<boolean> {
    const kept = acting.then(() => keepAndShow(edit, said));
    acting = kept;
    if (!(await kept)) return false;
    await outbox.flush();
    return true;
  }

  async function keepAndShow(edit: LogEdit, said?: string): Promise<boolean> {
    const buildId = id.value;
    if (!build.value || !buildId) return false;
    const edited = applyLogEdit(build.value, plain(edit));
    if (!edited.ok) {
      notice.complain(
        new Error(
          edited.why === 'logged-already'
            ? 'That coat is in the log already.'
            : 'That step does not work on that face any more.',
        ),
      );
      return false;
    }
    await outbox.put(buildId, edit);
    if (id.value !== buildId || !atServer) return true;
    rememberPlan();
    build.value = outbox.applied(buildId, atServer);
    plan();
    if (said) notice.say(said, { label: 'Undo', run: () => void undo() });
    return true;
  }

  /** Taking back and doing again, one at a time: the second is of what the first left. */
  let turning: Promise<void> = Promise.resolve();
  const undo = () => (turning = turning.then(takeBackLast));
  const redo = () => (turning = turning.then(doAgain));

  async function takeBackLast(): Promise<void> {
    busy.value = true;
    try {
      await acting;
      await outbox.flush();
      // What could not be sent is the last change, and only this machine knows of it.
      if (atServer && (await outbox.takeBack(theId.value))) {
        build.value = outbox.applied(theId.value, atServer);
        planOfBefore();
        plan();
        notice.say('Taken back before it was sent.');
        return;
      }
      const answer = await api.undo(theId.value, etag.value);
      if (living.hasPlansBefore()) planOfBefore();
      else await planOfServer();
      take(answer);
      notice.say(`Taken back: ${answer.undone}`);
    } catch (error) {
      notice.complain(error);
    } finally {
      busy.value = false;
    }
  }

  /** Does again what was taken back last. */
  async function doAgain(): Promise<void> {
    busy.value = true;
    try {
      await acting;
      await outbox.flush();
      const answer = await api.redo(theId.value, etag.value);
      rememberPlan();
      take(answer);
      notice.say(`Done again: ${answer.undone}`, { label: 'Undo', run: () => void undo() });
    } catch (error) {
      notice.complain(error);
    } finally {
      busy.value = false;
    }
  }

  const live = liveUpdates(
    id,
    etag,
    () => void catchUp(),
    () => void beside.load(),
  );
  /** Fetches what was changed on another screen. What can't be fetched is news again when the line is back. */
  async function catchUp(): Promise<void> {
    const buildId = theId.value;
    try {
      await outbox.flush();
      const seen = etag.value;
      const answer = await api.build(buildId);
      // What was changed here while it was on its way is the later.
      if (id.value === buildId && !busy.value && etag.value === seen) take(answer);
    } catch {
      // A server that is away is told of where it matters: where something is pressed.
    }
  }

  const bench = benchActs({ build, view, now, elsewhere: beside.elsewhere, pieceOf, act });
  const pieces = pieceConflicts({ id: theId, pieceEtags, change, attempt });

  // What comes after the open build in the workshop's order has what its plan leaves.
  watch([view, planning], () => {
    if (view.value && !planning.value) void beside.workOut();
  });
  watch(now, (minute) => {
    if (view.value && !planning.value && minute - view.value.now > REPLAN_AFTER_MINUTES) plan();
  });

  return {
    id,
    build,
    view,
    theId,
    unplanned,
    wallNow,
    theBuild,
    theView,
    planning,
    replan: plan,
    provisional: living.provisional,
    missing,
    finishedAt,
    isLive: live.connected,
    busy,
    now,
    minute,
    operations,
    pieceEtags,
    etag,
    pieceOf,
    planOf,
    planGround: living.planGround,
    findingsOf,
    findingsOn,
    open,
    change,
    changed: living.changed,
    hasChanged: living.hasChanged,
    missed: living.missed,
    forgetMissed: living.forgetMissed,
    takePlan: living.takePlan,
    looksWhileIdle: idle.allowed,
    isLookingWhileIdle: idle.looking,
    warm,
    patch,
    pin,
    unpin,
    undo,
    redo,
    ...bench,
    ...pieces,
    readings: air.readings,
    around,
    beside: beside.inHand,
    besidePlans: beside.plans,
    askGoFirst: beside.askGoFirst,
    elsewhere: beside.elsewhere,
    doneDrawn: beside.doneDrawn,
    wornElsewhere: beside.wornElsewhere,
    loadBeside: beside.load,
    loadReadings: air.loadReadings,
    attempt,
  };
});
