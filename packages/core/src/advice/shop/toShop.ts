import type { Build } from '../../model/schema';
import type { EpochMinute } from '../../model/wallTime';
import type { PlannedOperation } from '../../schedule/plan/plan';

/** What of a plan is needed to say what to buy. */
export interface Planned {
  operations: readonly PlannedOperation[];
  now: EpochMinute;
  sessions: readonly { id: string; batches: readonly { operationIds: readonly string[] }[] }[];
}

/** A build that is shopped for, with its plan. */
export interface ToShop {
  /** What it is called among several; its steps are told apart by it. */
  id?: string;
  build: Build;
  plan: Pick<Planned, 'operations' | 'sessions'>;
}

const openStatus = new Set<PlannedOperation['status']>(['planned', 'unplaced', 'underway']);

/** Whether a pass is still to be done, and its material still to be taken. */
export const isOpen = ({ status }: Pick<PlannedOperation, 'status'>): boolean => openStatus.has(status);
