import type { EpochMinute } from '../../model/wallTime';
import type { PlannedOperation, PiecePlan, Session } from '../plan/plan';
import type { Workload } from '../plan/workload';
import type { UnitState } from '../state/unitState';
import type { Score } from '../search/score';
import type { PieceBound } from '../place/bounds';
import type { PlaceOutlook } from './outlook';
import type { MeasuredMaterial } from '../state/measuredTimes';
import type { Effort } from './effortBound';
import type { HandsBound } from './handsBound';

/** A whole plan: every operation, every piece, every session. */
export interface Plan {
  now: EpochMinute;
  timeZone: string;
  operations: PlannedOperation[];
  pieces: PiecePlan[];
  sessions: Session[];
  /** The coats on each unit with their drying, by `piece/unit`. */
  units: Map<string, UnitState>;
  /** The order the planner placed the work in; planning on from it changes as little as can be. */
  sequence: string[];
  score: Score;
  /** The soonest each piece can be ready under any plan. */
  bounds: PieceBound[];
  hands: HandsBound[];
  /** Sessions and set-ups: as planned, and what no plan can do without. */
  effort: Effort;
  /** What every plan of this build shares. */
  workload: Workload;
  /** The air of each place now and in the coming day. */
  outlooks: PlaceOutlook[];
  /** Planned passes that could be done right now, by id. */
  doableNow: string[];
  /** What the user's own touch tests say of materials. */
  measured: MeasuredMaterial[];
}
