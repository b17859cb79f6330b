import type { Workload } from '../plan/workload';
import { slackSequence, stepSequence } from './priority';
import { plainHabits, type PlacingHabits } from '../place/decodeOptions';

/** Up to three days are waited to share a set-up. */
export const patient: PlacingHabits = { joinPatienceMinutes: 4320, usedSessionsOnly: false };

/** Evenings that are kept free, where one that is used anyway will do. */
export const gathering: PlacingHabits = { joinPatienceMinutes: 1440, usedSessionsOnly: true };

/** Rules that plans are made by before any is changed; the first is the quickest to be ready. */
export const rules: readonly { order: (workload: Workload) => string[]; habits: PlacingHabits }[] = [
  { order: (workload) => slackSequence(workload), habits: plainHabits },
  { order: stepSequence, habits: plainHabits },
  { order: (workload) => slackSequence(workload, 720), habits: patient },
  { order: (workload) => slackSequence(workload, 720), habits: gathering },
  { order: (workload) => slackSequence(workload), habits: gathering },
  { order: stepSequence, habits: patient },
];
