import type { EpochMinute } from '../../model/wallTime';
import type { Operation } from './operations';
import { sure } from '../../model/sure';

/** Why an operation can't begin earlier. */
export const bindings = [
  'start',
  'order',
  'drying',
  'through',
  'window',
  'hands',
  'tool',
  'place',
  'quiet',
  'rack',
  'air',
  'dust',
  'material',
] as const;
export type Binding = (typeof bindings)[number];
/**
 * Why a pass does not begin sooner, in words for people: `choice` where nothing keeps it but the plan as a whole is better for it; `busy`
 * where hands are at other work of the build, `elsewhere` where another build has them; `daylight` where its place is open, but it is dark.
 */
export type Reason = Binding | 'choice' | 'busy' | 'elsewhere' | 'daylight';

/** What keeps a pass from beginning, found by taking it away. */
export interface Proof {
  why: Reason;
  /** For `elsewhere`: the build that has the hands, by its name. */
  by?: string;
  /** For `hands`: when somebody is free, where they are at other work for a good while then. */
  freeAt?: EpochMinute;
}

/** The last moment a session can begin, and the piece that misses its date when it begins later. */
export interface SessionDeadline {
  at: EpochMinute;
  pieceId: string;
}

/** What has become of an operation. `skipped` means a later step was logged without it. */
export type OperationStatus = 'done' | 'underway' | 'planned' | 'skipped' | 'unplaced';

/** An operation with its place in time. Times are epoch minutes. */
export interface PlannedOperation extends Operation {
  status: OperationStatus;
  /** Who does it; undefined for what was logged. */
  personId: string | undefined;
  /** Set-up begins. Undefined when it could not be placed or was skipped. */
  start: EpochMinute | undefined;
  /** The coat is laid, or the work is done. */
  laidAt: EpochMinute | undefined;
  /** Cleaned up; the hands are free again. */
  end: EpochMinute | undefined;
  /**
   * What keeps it from beginning earlier, or from being placed at all. `choice`: nothing does, but the plan as a whole is
   * better for it, or keeps what was planned.
   */
  boundBy: Binding | 'choice' | undefined;
  /** What it waits for, proved by taking that away; only where somebody asked (`withProofs`). */
  waitsFor?: Proof;
  /** When what lies on the unit let its work begin; undefined when it has no place in time. */
  opensAt: EpochMinute | undefined;
  /** It is put off until what it lands on is dry through, as joining or covering that would slow it. */
  letsDryThrough: boolean;
  /** How often it was done and failed; it is sanded back before it is done again. */
  failures: number;
}

/** An operation that has its place in somebody's time. */
export interface PlacedOperation extends PlannedOperation {
  personId: string;
  start: EpochMinute;
  laidAt: EpochMinute;
  end: EpochMinute;
}

/** Whether an operation has its place in somebody's time, as against logged, skipped or not placed. */
export const isPlaced = (operation: PlannedOperation): operation is PlacedOperation =>
  operation.personId !== undefined &&
  operation.start !== undefined &&
  operation.laidAt !== undefined &&
  operation.end !== undefined;

/**
 * When the work of an operation begins, its set-up done: what shares the set-up of another has none before it.
 * @throws Missing for one that has no place in time
 */
export const workBegins = (operation: PlannedOperation): EpochMinute =>
  sure(operation.laidAt, `when ${operation.id} is laid`) - operation.workMinutes;

/** How a piece stands against its dates; `no-steps`: nothing is known of what shall be done with it. */
export type Readiness = 'ready' | 'on-time' | 'tight' | 'late' | 'stuck' | 'undated' | 'no-steps';

/** When a piece is ready, and whether that is in time. All its units count. */
export interface PiecePlan {
  pieceId: string;
  readiness: Readiness;
  /** Last work on it is done; cleaning up the tools may take longer. */
  finishedAt: EpochMinute | undefined;
  packableAt: EpochMinute | undefined;
  wearableAt: EpochMinute | undefined;
  packDueAt: EpochMinute | undefined;
  wearDueAt: EpochMinute | undefined;
  /** Minutes to spare before the nearer date; negative when late. */
  slackMinutes: number | undefined;
  /** The last moment its next step can begin, with nothing else in the way, and still be in time. */
  latestStartAt: EpochMinute | undefined;
  doneCount: number;
  totalCount: number;
}

/** One person's work in one free window: a run sheet. */
export interface Session {
  id: string;
  personId: string;
  from: EpochMinute;
  to: EpochMinute;
  /** Batches in order; each is a run of operations that share set-up and clean-up. */
  batches: Batch[];
  /** The last moment it can begin, and for which piece; undefined when nothing hangs on it, or that was not asked for. */
  beginBy?: SessionDeadline;
}

export interface Batch {
  key: string;
  start: EpochMinute;
  end: EpochMinute;
  operationIds: string[];
}
