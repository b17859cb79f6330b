import type { Build } from '../model/schema';
import { toWallTime } from '../model/wallTime';
import { planBuild } from '../schedule/answers/planBuild';
import type { Plan } from '../schedule/answers/plan';
import { warmFrom } from '../schedule/search/warmStart';

/** A build whose first batch was logged so many minutes after each pass of it was due, and how its plan is gone on from. */
export function withFirstBatchLogged(build: Build, plan: Plan, lateMinutes: number) {
  const inTime = plan.operations
    .filter(({ status }) => status === 'planned')
    .sort((a, b) => a.start! - b.start!);
  const [first] = inTime;
  const end = inTime.findIndex((one) => one.batchKey !== first!.batchKey || one.personId !== first!.personId);
  const batch = inTime.slice(0, end);
  // The log is written to the whole minute, and nothing in it is still to come.
  const now = Math.ceil(batch.at(-1)!.laidAt!) + lateMinutes;
  const log = batch.map((one) => ({
    id: one.id.replaceAll('/', '-'),
    piece: one.pieceId,
    unit: one.unit,
    step: one.stepId,
    coat: one.coat,
    ...(one.face ? { face: one.face } : {}),
    doneAt: toWallTime(one.laidAt! + lateMinutes, build.timeZone),
  }));
  const logged: Build = { ...build, log };
  const warm = warmFrom(plan);
  const goOn = () =>
    planBuild(logged, { now, latestStarts: false, search: { warm, keep: true, starts: 'none' } });
  return { build: logged, now, goOn };
}
