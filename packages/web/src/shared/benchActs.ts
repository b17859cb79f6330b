import {
  epochMinute,
  operationId,
  toLoggedTime,
  type Build,
  type Drawn,
  type Face,
  type LogEdit,
  type LogEntry,
  type Piece,
  type PlannedOperation,
  type PlanView,
  type TimerIdea,
  type TouchTest,
  sure,
} from '@fixatum/core';
import { nanoid } from 'nanoid';
import type { ComputedRef, ShallowRef } from 'vue';
import { useMe } from './me';

/** What may be said of a pass that was not done as planned. */
export type LogExtras = Partial<
  Pick<LogEntry, 'film' | 'material' | 'place' | 'outcome' | 'cause' | 'photo' | 'note' | 'doneAt'>
>;

/** What names one pass in the log. */
const spotOf = (operation: PlannedOperation) => ({
  piece: operation.pieceId,
  unit: operation.unit,
  step: operation.stepId,
  coat: operation.coat,
  ...(operation.face ? { face: operation.face } : {}),
});

interface Bench {
  build: ShallowRef<Build | undefined>;
  view: ShallowRef<PlanView | undefined>;
  now: ComputedRef<number>;
  /** What other builds took from the same shelf. */
  elsewhere: ComputedRef<Drawn[]>;
  pieceOf(pieceId: string): Piece | undefined;
  /** Does what was pressed; returns whether it could be done. */
  act(edit: LogEdit, said?: string): Promise<boolean>;
}

/** What can be pressed at the bench: beginning, laying down, logging, feeling, timing. */
export function benchActs({ build, view, now, elsewhere, pieceOf, act }: Bench) {
  const me = useMe();
  const wallNow = () => toLoggedTime(Math.floor(now.value), sure(build.value, 'an open build').timeZone);

  /** The device this is; the server says the same of it. */
  const onDevice = () => (me.device ? { device: me.device.id } : {});

  const start = (passes: PlannedOperation[]) =>
    act({
      kind: 'start',
      passes: passes.map((pass) => ({
        ...spotOf(pass),
        id: nanoid(12),
        startedAt: wallNow(),
        ...onDevice(),
      })),
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

  /** Air that is measured now is that of a coat which was done so many minutes ago at most. */
  const SAME_AIR_MINUTES = 30;

  /** Entries for passes that are done; `more` is what was not as planned. */
  function entriesFor(passes: readonly PlannedOperation[], more: LogExtras): LogEntry[] {
    const { timeZone } = sure(build.value, 'an open build');
    const isNow =
      more.doneAt === undefined || now.value - epochMinute(more.doneAt, timeZone) <= SAME_AIR_MINUTES;
    return passes.map((pass): LogEntry => {
      const air = view.value?.outlooks.find((one) => one.placeId === (more.place ?? pass.placeId));
      return {
        ...spotOf(pass),
        id: nanoid(12),
        doneAt: wallNow(),
        ...(pass.material ? { film: pass.film } : {}),
        // Only air that was measured is written down.
        ...(isNow && air?.measured
          ? { temperatureC: air.air.temperatureC, humidityPct: air.air.humidityPct }
          : {}),
        ...more,
      };
    });
  }
  const namesOf = (passes: readonly PlannedOperation[]) =>
    [...new Set(passes.map((pass) => pieceOf(pass.pieceId)?.name ?? pass.pieceId))].join(', ');

  /** Logs passes as done; `more` is what was not as planned. */
  async function logDone(passes: readonly PlannedOperation[], more: LogExtras = {}): Promise<boolean> {
    const failed = more.outcome === 'failed';
    return act(
      { kind: 'log', entries: await used(entriesFor(passes, more)) },
      failed ? `Logged as failed: ${namesOf(passes)}` : `Logged: ${namesOf(passes)}`,
    );
  }

  /** Logs several batches with their own times, as one change. */
  async function logLate(
    batches: readonly { passes: readonly PlannedOperation[]; doneAt: string }[],
  ): Promise<boolean> {
    const entries = batches.flatMap(({ passes, doneAt }) => entriesFor(passes, { doneAt }));
    return act(
      { kind: 'log', entries: await used(entries) },
      `Logged: ${namesOf(batches.flatMap(({ passes }) => passes))}`,
    );
  }

  /** Entries with what they take out of which tin. */
  async function used(entries: LogEntry[]): Promise<LogEntry[]> {
    // Away from the server its script may be out of reach: then they are reckoned by whoever asks.
    const tins = await import('./usedTins').catch(() => undefined);
    return tins && build.value ? tins.withTins(build.value, view.value, entries, elsewhere.value) : entries;
  }

  /** A finger on the newest coat of some units. */
  const touch = (
    { pieceId, units, face, stepId }: { pieceId: string; units: number[]; face: Face; stepId: string },
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
          face,
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
        timers: [
          { ...idea, id: nanoid(12), startedAt: new Date(now.value * 60_000).toISOString(), ...onDevice() },
        ],
      },
      `Timer runs: ${idea.label}`,
    );
  const stopTimer = (timerId: string) => act({ kind: 'stopTimer', ids: [timerId] });

  const stop = (passes: PlannedOperation[]) =>
    act({ kind: 'stop', ids: underwayOf(passes).map((pass) => pass.id) });

  return {
    start,
    underwayOf,
    isPaused,
    workedMinutes,
    pause,
    logDone,
    logLate,
    touch,
    startTimer,
    stopTimer,
    stop,
  };
}
