import type { Step } from '../model/schema';
import type { Material } from '../model/materialSchema';
import { lookOverTable } from '../model/lookOvers';
import { methodTable, type Method } from '../model/methods';
import { stepKindTable } from '../model/stepKinds';

/** Hands-on time of one pass, minutes: getting ready, doing it, cleaning up. */
export interface HandsOn {
  setUpMinutes: number;
  workMinutes: number;
  cleanUpMinutes: number;
}

const TWO_PART_SET_UP = 8;
const TWO_PART_CLEAN_UP = 10;
const MASKING_MM_PER_HOUR = 4000;
const SHORTEST_WORK_MINUTES = 1;
/** Taking up a small piece of a set and laying it down again. */
const SHORTEST_OF_A_SET_MINUTES = 0.25;

/**
 * Hands-on minutes for one pass of a step over an area: set-up + area ÷ rate + clean-up.
 * @param areaCm2 what this one pass covers
 * @param edgeMm the edge to tape off, for masking
 * @param isOfASet there are more units like it, of which small ones take less than a minute each
 */
export function handsOn(
  step: Step,
  method: Method,
  material: Material | undefined,
  areaCm2: number,
  edgeMm: number,
  isOfASet = false,
): HandsOn {
  if (step.minutes !== undefined) return { setUpMinutes: 0, workMinutes: step.minutes, cleanUpMinutes: 0 };
  const fixed = step.looksOver ? lookOverTable[step.looksOver].minutes : stepKindTable[step.kind].minutes;
  if (fixed !== undefined) return { setUpMinutes: 0, workMinutes: fixed, cleanUpMinutes: 0 };
  if (step.kind === 'mask') return { ...masking(edgeMm, isOfASet), cleanUpMinutes: 0 };
  const pace = methodTable[method];
  const workMinutes = told((areaCm2 / 10_000 / pace.rateM2PerHour) * 60, isOfASet);
  if (material?.potLife === undefined)
    return { setUpMinutes: pace.setUpMinutes, workMinutes, cleanUpMinutes: pace.cleanUpMinutes };
  const mixes = step.mixes ?? 1;
  return {
    setUpMinutes: TWO_PART_SET_UP * mixes,
    workMinutes,
    cleanUpMinutes: TWO_PART_CLEAN_UP * mixes,
  };
}

/** Tape in hand, and laid along an edge. */
const masking = (edgeMm: number, isOfASet: boolean) => ({
  setUpMinutes: 2,
  workMinutes: told((edgeMm / MASKING_MM_PER_HOUR) * 60, isOfASet),
});
/** Hands-on minutes for laying so much tape, and for pulling it again. */
export function maskMinutes(edgeMm: number): number {
  const { setUpMinutes, workMinutes } = masking(edgeMm, false);
  return setUpMinutes + workMinutes;
}
export const unmaskMinutes = stepKindTable.unmask.minutes ?? 0;

/** Minutes of one pass: whole ones, but quarters for the units of a set, which are taken up one after the other. */
const told = (minutes: number, isOfASet: boolean): number =>
  isOfASet
    ? Math.ceil(Math.max(SHORTEST_OF_A_SET_MINUTES, minutes) * 4) / 4
    : Math.max(SHORTEST_WORK_MINUTES, Math.ceil(minutes));
