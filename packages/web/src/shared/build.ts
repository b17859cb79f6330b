import {
  applyLogEdit,
  epochMinute,
  operationId,
  storedPlanOf,
  materialsOf,
  toWallTime,
  warmFrom,
  warmOfStored,
  whatChanged,
  type Build,
  type Face,
  type LogEdit,
  type LogEntry,
  type Piece,
  type PlannedOperation,
  type PlanView,
  type RuleFinding,
  type Step,
  type TimerIdea,
  type TouchTest,
  type PatchStep,
  type WarmStart,
} from '@fixatum/core';
import isEqual from 'fast-deep-equal';
import { defineStore } from 'pinia';
import { nanoid } from 'nanoid';
import { computed, ref, shallowRef, watch } from 'vue';
import { useIntervalFn } from '@vueuse/core';
import { api, ApiProblem, type BuildAnswer, type PlaceReadings } from './api';
import { planInWorker, type PlanGround } from './planner';
import { plain } from './work/workerLink';
import { useClock } from './clock';
import { useNotice } from './notice';
import { useOutbox } from './outbox';
import { mergeReadings } from './readings';

/** A plan made before now is made again after this long, as what was planned may have slipped. */
const REPLAN_AFTER_MINUTES = 5;

/** So many plans are remembered for undo. */
const MOST_PLANS_KEPT = 40;

/** What may be said of a pass that was not done as planned. */
export type LogExtras = Partial<
  Pick<LogEntry, 'film' | 'material' | 'place' | 'outcome' | 'photo' | 'note' | 'doneAt'>
>;

/** What names one pass in the log. */
const spotOf = (operation: PlannedOperation) => ({
  piece: operation.pieceId,
  unit: operation.unit,
  step: operation.stepId,
  coat: operation.coat,
  ...(operation.face ? { face: operation.face } : {}),
});

/** A plan to begin with in which some passes may be at any time. */
const withoutTimes = (warm: WarmStart, ids: ReadonlySet<string>): WarmStart => ({
  ...warm,
  beginsAt: new Map([...warm.beginsAt].filter(([id]) => !ids.has(id))),
});

/** The build that is open, its plan, and every change to it. */
export const useBuild = defineStore('build', () => {
  const clock = useClock();
  const notice = useNotice();
  const id = ref<string>();
  const build = shallowRef<Build>();
  const pieceEtags = ref<Record<string, string>>({});
  const etag = ref<string>();
  const view = shallowRef<PlanView>();
  const planning = ref(false);
  /** The plan is a first quick one, soon replaced: nobody should begin work by it. */
  const provisional = ref(false);
  const missing = ref(false);
  const busy = ref(false);

  const now = computed(() => (build.value ? clock.now(build.value.timeZone) : 0));
  /** The present to the minute, for what need not be drawn anew every second. */
  const minute = computed(() => Math.floor(now.value));
  const materials = computed(() => materialsOf(build.value?.materials));
  const operations = computed(
    () => new Map((view.value?.operations ?? []).map((operation) => [operation.id, operation])),
  );
  const pieceOf = (pieceId: string): Piece | undefined =>
    build.value?.pieces.find((piece) => piece.id === pieceId);
  const planOf = (pieceId: string) => view.value?.pieces.find((piece) => piece.pieceId === pieceId);
  const findingsOf = (pieceId: string): RuleFinding[] =>
    (view.value?.findings ?? []).filter((finding) => finding.piece === pieceId);

  const readings = shallowRef<PlaceReadings[]>([]);
  const readingsByPlace = computed(() =>
    Object.fromEntries(readings.value.map((one) => [one.place, one.readings])),
  );

  /** The last plan that stood, and what the next one begins with. */
  const settled = shallowRef<PlanView>();
  const warm = shallowRef<WarmStart>();
  /** What the last change of plan moved, in at most three lines. */
  const changed = ref<string[]>([]);

  /** The plan that the server has, as text. */
  let keptText = '';
  /** Puts the plan by on the server, so that a reload or another machine goes on from it. */
  async function keepPlan(plan: WarmStart): Promise<void> {
    const kept = storedPlanOf(plan);
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
    const kept = await api.plan(id.value!).catch(() => undefined);
    if (!kept?.plan) return;
    warm.value = warmOfStored(kept.plan);
    keptText = JSON.stringify(kept.plan);
  }

  /** Goes on from a better plan that was found elsewhere. */
  function takePlan(better: WarmStart): void {
    warm.value = better;
    plan();
  }

  /** What the next plan is made from. */
  const planGround = (): PlanGround => ({
    build: build.value!,
    now: Math.floor(now.value),
    readings: readingsByPlace.value,
    warm: freed.size > 0 && warm.value ? withoutTimes(warm.value, freed) : warm.value,
  });

  /** Passes that the next plan does not keep to their times, as a pin of theirs was let go. */
  let freed: ReadonlySet<string> = new Set();
  /** Pieces that go before all others in the next plan that stands. */
  let urgent: readonly string[] | undefined;

  function plan(): void {
    if (!build.value) return;
    planning.value = true;
    const buildId = id.value;
    const first = urgent;
    const free = freed;
    // What moved is told against the plan there was when this one was asked for, not between its own stages.
    const before = settled.value;
    planInWorker(
      { ...planGround(), urgent: first },
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
        warm.value = warmFrom(made);
        void keepPlan(warm.value);
      },
      (error) => {
        planning.value = false;
        notice.complain(error, { label: 'Try again', run: plan });
      },
    );
  }

  /** The build as the server had it last. What was pressed and has not been sent yet is shown as if it had. */
  let atServer: Build | undefined;
  function take(answer: BuildAnswer): void {
    id.value = answer.id;
    atServer = answer.build;
    const shown = outbox.applied(answer.id, answer.build);
    // What was pressed here comes back as it is shown already: nothing to plan anew, and what moved stays said.
    const isNews = !isEqual(shown, build.value);
    if (isNews) build.value = shown;
    etag.value = `"${answer.version}"`;
    pieceEtags.value = answer.pieceEtags;
    missing.value = false;
    if (isNews || !view.value) plan();
  }

  async function open(buildId: string): Promise<void> {
    if (id.value !== buildId) {
      build.value = undefined;
      view.value = undefined;
      settled.value = undefined;
      warm.value = undefined;
      changed.value = [];
      keptText = '';
      plansBefore = [];
      urgent = undefined;
      readings.value = [];
      readUntil = undefined;
    }
    id.value = buildId;
    try {
      await outbox.ready;
      const [answer] = await Promise.all([api.build(buildId), warm.value ? undefined : planOfServer()]);
      take(answer);
      void loadReadings();
      void outbox.flush();
    } catch (error) {
      missing.value = true;
      notice.complain(error);
    }
  }

  /** Applies a patch to the whole build as one change; some pieces may go before all others in the plan for it. */
  async function patch(
    label: string,
    steps: PatchStep[],
    urgentPieces?: readonly string[],
  ): Promise<boolean> {
    urgent = urgentPieces;
    const done = await change(() => api.applyPatch(id.value!, label, steps, etag.value), label);
    // What was refused must not move anything in a later plan.
    if (!done) urgent = undefined;
    return done;
  }

  /** Keeps some passes to a moment, or as soon after as can be. */
  function pin(operationIds: readonly string[], minute: number): Promise<boolean> {
    const kept = (build.value?.pins ?? []).filter((one) => !operationIds.includes(one.operation));
    const at = toWallTime(minute, build.value!.timeZone);
    const pins = [...kept, ...operationIds.map((operation) => ({ operation, at }))];
    return change(() => api.patchBuild(id.value!, { pins }, etag.value), 'Pinned');
  }
  async function unpin(operationIds: readonly string[]): Promise<boolean> {
    const pins = (build.value?.pins ?? []).filter((one) => !operationIds.includes(one.operation));
    // The next plan is not to hold it where the pin was, whatever plan comes in until then.
    const own = new Set([...freed, ...operationIds]);
    freed = own;
    const done = await change(() => api.patchBuild(id.value!, { pins }, etag.value), 'Let go');
    if (!done && freed === own) freed = new Set();
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

  /** A piece that was changed here and elsewhere, until the user says what shall be. */
  const conflict = shallowRef<{
    base: Piece;
    mine: Piece;
    theirs: Piece;
    etag: string | undefined;
    said: string;
    settled: (done: boolean) => void;
  }>();
  /** The version of a piece that each edit began from. */
  const seenEtag = (piece: Piece) => pieceEtags.value[piece.id];

  /**
   * Saves a piece that was changed from `base`. When it was changed elsewhere meanwhile, the user is asked; false means
   * nothing was saved. Rejects with an ApiProblem when it can't be used.
   */
  async function savePiece(
    mine: Piece,
    base: Piece,
    said: string,
    etagSeen = seenEtag(base),
  ): Promise<boolean> {
    try {
      return await attempt(() => api.putPiece(id.value!, mine, etagSeen), said);
    } catch (error) {
      if (!(error instanceof ApiProblem) || error.status !== 412) throw error;
      return new Promise((settled) => {
        conflict.value = { base, mine, theirs: error.current as Piece, etag: error.etag, said, settled };
      });
    }
  }

  /** Ends a conflict with the piece as it shall be, or with what is there now. */
  async function settleConflict(piece: Piece | undefined): Promise<void> {
    const open = conflict.value;
    conflict.value = undefined;
    if (!open) return;
    if (piece === undefined) {
      await change(() => api.build(id.value!));
      open.settled(false);
      return;
    }
    open.settled(await change(() => api.putPiece(id.value!, piece, open.etag), open.said));
  }

  /** Saves a piece with other steps, and says what is wrong with them if they can't be used. */
  async function saveSteps(piece: Piece, steps: Step[], said: string, etagSeen?: string): Promise<boolean> {
    try {
      return await savePiece({ ...piece, steps }, piece, said, etagSeen ?? seenEtag(piece));
    } catch (error) {
      notice.complain(error);
      return false;
    }
  }

  const outbox = useOutbox();
  outbox.whenSent((buildId, answer) => {
    if (buildId === id.value) take(answer);
  });

  /**
   * Does what was pressed at the bench: it shows at once, is kept on this machine, and is sent as soon as the server
   * answers, once. Returns whether it could be done.
   */
  async function act(edit: LogEdit, said?: string): Promise<boolean> {
    if (!build.value || !id.value) return false;
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
    rememberPlan();
    build.value = edited.build;
    plan();
    if (said) notice.say(said, { label: 'Undo', run: () => void undo() });
    await outbox.put(id.value, edit);
    return true;
  }
  const wallNow = () => toWallTime(Math.floor(now.value), build.value!.timeZone);

  const start = (passes: PlannedOperation[]) =>
    act({
      kind: 'start',
      passes: passes.map((pass) => ({ ...spotOf(pass), id: nanoid(12), startedAt: wallNow() })),
    });

  /** Passes under way, as the build has them, for some operations. */
  const underwayOf = (passes: readonly PlannedOperation[]) => {
    const keys = new Set(passes.map((pass) => pass.id));
    return (build.value?.underway ?? []).filter((pass) => keys.has(operationId(pass)));
  };
  const isPaused = (passes: readonly PlannedOperation[]) =>
    underwayOf(passes).some((pass) => pass.pausedAt !== undefined);
  /** Minutes that passes under way have been worked on, pauses left out. */
  function workedMinutes(passes: readonly PlannedOperation[]): number {
    const [pass] = underwayOf(passes);
    if (!pass || !build.value) return 0;
    const { timeZone } = build.value;
    const until = pass.pausedAt === undefined ? now.value : epochMinute(pass.pausedAt, timeZone);
    return Math.max(0, until - epochMinute(pass.startedAt, timeZone) - (pass.pausedMinutes ?? 0));
  }
  const pause = (passes: PlannedOperation[]) =>
    act({
      kind: 'pause',
      ids: underwayOf(passes).map((pass) => pass.id),
      at: wallNow(),
      resume: isPaused(passes),
    });

  /** Logs passes as done; `more` is what was not as planned. */
  function logDone(passes: PlannedOperation[], more: LogExtras = {}): Promise<boolean> {
    const entries = passes.map((pass): LogEntry => {
      const air = view.value?.outlooks.find((one) => one.placeId === (more.place ?? pass.placeId));
      return {
        ...spotOf(pass),
        id: nanoid(12),
        doneAt: wallNow(),
        ...(pass.material ? { film: pass.film } : {}),
        // Only air that was measured is written down.
        ...(air?.measured ? { temperatureC: air.air.temperatureC, humidityPct: air.air.humidityPct } : {}),
        ...more,
      };
    });
    const names = [...new Set(passes.map((pass) => pieceOf(pass.pieceId)?.name ?? pass.pieceId))].join(', ');
    const failed = more.outcome === 'failed';
    return act({ kind: 'log', entries }, failed ? `Logged as failed: ${names}` : `Logged: ${names}`);
  }

  /** A finger on the newest coat of some units. */
  const touch = (
    { pieceId, units, face, stepId }: { pieceId: string; units: number[]; face: string; stepId: string },
    state: TouchTest['state'],
  ) =>
    act(
      {
        kind: 'touch',
        tests: units.map((unit) => ({
          id: nanoid(12),
          piece: pieceId,
          unit,
          step: stepId,
          face: face as Face,
          at: wallNow(),
          state,
        })),
      },
      `${pieceOf(pieceId)?.name ?? pieceId}: ${state === 'dry' ? 'dry now' : 'still tacky'}`,
    );

  const startTimer = (idea: TimerIdea) =>
    act(
      {
        kind: 'timer',
        timers: [{ ...idea, id: nanoid(12), startedAt: new Date(now.value * 60_000).toISOString() }],
      },
      `Timer runs: ${idea.label}`,
    );
  const stopTimer = (timerId: string) => act({ kind: 'stopTimer', ids: [timerId] });

  /** Up to when the readings at hand go; only what is new is asked for. */
  let readUntil: number | undefined;
  async function loadReadings(): Promise<void> {
    const buildId = id.value;
    if (!buildId || !build.value?.places.some((place) => place.hygrometerPort !== undefined)) return;
    try {
      const answer = await api.readings(buildId, readUntil);
      if (buildId !== id.value) return;
      const merged = readUntil === undefined ? answer.places : mergeReadings(readings.value, answer);
      readUntil = answer.until;
      if (isEqual(merged, readings.value)) return;
      readings.value = merged;
      plan();
    } catch {
      // The air that was known still is; the next round asks again.
    }
  }
  useIntervalFn(() => void loadReadings(), 60_000);

  const stop = (passes: PlannedOperation[]) =>
    act({ kind: 'stop', ids: underwayOf(passes).map((pass) => pass.id) });

  async function undo(): Promise<void> {
    busy.value = true;
    try {
      await outbox.flush();
      // What could not be sent is the last change, and only this machine knows of it.
      if (atServer && (await outbox.takeBack(id.value!))) {
        build.value = outbox.applied(id.value!, atServer);
        planOfBefore();
        plan();
        notice.say('Taken back before it was sent.');
        return;
      }
      const answer = await api.undo(id.value!, etag.value);
      if (plansBefore.length > 0) planOfBefore();
      else await planOfServer();
      take(answer);
      notice.say(`Taken back: ${answer.undone}`);
    } catch (error) {
      notice.complain(error);
    } finally {
      busy.value = false;
    }
  }

  watch(now, (minute) => {
    if (view.value && !planning.value && minute - view.value.now > REPLAN_AFTER_MINUTES) plan();
  });

  return {
    id,
    build,
    view,
    planning,
    provisional,
    missing,
    busy,
    now,
    minute,
    materials,
    operations,
    pieceEtags,
    etag,
    pieceOf,
    planOf,
    planGround,
    findingsOf,
    open,
    change,
    start,
    logDone,
    touch,
    startTimer,
    stopTimer,
    isPaused,
    workedMinutes,
    pause,
    changed,
    takePlan,
    warm,
    patch,
    pin,
    unpin,
    readings,
    readingsByPlace,
    loadReadings,
    stop,
    undo,
    attempt,
    conflict,
    savePiece,
    settleConflict,
    saveSteps,
  };
});
