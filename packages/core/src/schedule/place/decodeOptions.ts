import type { Binding } from '../plan/plan';
import type { EpochMinute } from '../../model/wallTime';

/** What a run of the planner may be asked to leave out or take as given. */
export interface DecodeOptions {
  now: EpochMinute;
  /** Only these pieces are planned; others keep the ends given in `fixedEnds`. */
  onlyPieces?: ReadonlySet<string>;
  fixedEnds?: ReadonlyMap<string, EpochMinute>;
  /** How much longer than the label each material takes, by id; for trying uncertain futures. */
  timeFactors?: ReadonlyMap<string, number>;
  /** Moments before which operations do not begin, by id. */
  notBefore?: ReadonlyMap<string, EpochMinute>;
  /** Who does an operation, by its id, where that is given. */
  personOf?: ReadonlyMap<string, string>;
  /** Passes that keep their moments and hands where that can be; only what can't goes where there is room. */
  kept?: Kept;
  /** Nobody does a pass before what was placed for them ahead of it, but for those that are kept. */
  keepsTurns?: boolean;
  /** Coats that are put off until what they land on is dry through, by id. */
  letDryThrough?: ReadonlySet<string>;
  /** How passes are placed; as soon as can be unless said otherwise. */
  habits?: PlacingHabits;
  /** A tenth of each session stays free for what takes longer. */
  keepsTenth?: boolean;
  /** Works out what really keeps each pass from beginning sooner, where `notBefore` put it. */
  explain?: boolean;
}

/** When the work of passes was to begin and who was to do them, by operation. */
export interface Kept {
  beginsAt: ReadonlyMap<string, EpochMinute>;
  personOf: ReadonlyMap<string, string>;
  /** Why a pass was not to begin sooner than at a moment, where that was worked out. */
  reasons?: ReadonlyMap<string, { at: EpochMinute; why: Binding | 'choice' }>;
}

/** How much sooner a pass could be and still be put off, for the good of the whole plan. */
export interface PlacingHabits {
  /** A pass is put off by this many minutes, and no more, to share set-up and clean-up with others. */
  joinPatienceMinutes: number;
  /** Work goes into sessions that have some already, where it fits into one at all. */
  usedSessionsOnly: boolean;
}

/** Passes are placed as soon as can be, but for a few minutes to share a set-up. */
export const plainHabits: PlacingHabits = { joinPatienceMinutes: 20, usedSessionsOnly: false };

/** Passes are placed as soon as can be, with no minute given to share a set-up. */
export const atOnce: PlacingHabits = { joinPatienceMinutes: 0, usedSessionsOnly: false };
