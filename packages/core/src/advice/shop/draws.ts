import type { Build } from '../../model/schema';
import { expandBuild } from '../../schedule/plan/operations';
import type { Drawn } from './shelf';
import { passNeeds, shelfNow } from './shelfNow';
import { compareLogged } from '../../model/wallTime';

/** What the log of a build took from the shelf, for the other builds that share it; nothing from before any level was set. */
export function drawsOf(build: Build): Drawn[] {
  const log = build.log ?? [];
  const levels = (build.stock ?? []).flatMap(({ levelAt }) => levelAt ?? []).sort(compareLogged);
  const [since] = levels;
  if (since === undefined) return [];
  // What was logged by earlier versions does not say what it took.
  const needs = log.every(({ used }) => used) ? new Map() : passNeeds(build, expandBuild(build));
  const { used } = shelfNow(build, needs);
  return log.flatMap(({ id, doneAt }) => {
    const own = used.get(id);
    return own && own.length > 0 && compareLogged(doneAt, since) >= 0 ? [{ doneAt, used: own }] : [];
  });
}
