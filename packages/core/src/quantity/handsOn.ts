import type { Step } from '../build/schema';
import type { Material, Method } from '../materials/material';

/** Hands-on time of one pass, minutes: getting ready, doing it, cleaning up. */
export interface HandsOn {
  setUpMinutes: number;
  workMinutes: number;
  cleanUpMinutes: number;
}

interface Pace {
  setUp: number;
  cleanUp: number;
  /** m² an hour. */
  rate: number;
}

/** Starting paces (docs/domain.md, "Other formulas"); a step's own `minutes` override them. */
const paceOf: Partial<Record<Method, Pace>> = {
  aerosol: { setUp: 5, cleanUp: 5, rate: 6 },
  airbrush: { setUp: 10, cleanUp: 15, rate: 1 },
  brush: { setUp: 3, cleanUp: 5, rate: 2 },
  'foam-brush': { setUp: 3, cleanUp: 5, rate: 3 },
  sponge: { setUp: 3, cleanUp: 5, rate: 1.5 },
  stipple: { setUp: 3, cleanUp: 5, rate: 1.5 },
  'dry-brush': { setUp: 3, cleanUp: 5, rate: 2 },
  wipe: { setUp: 3, cleanUp: 5, rate: 2 },
  dip: { setUp: 5, cleanUp: 5, rate: 6 },
  sand: { setUp: 2, cleanUp: 3, rate: 1.5 },
  'hot-air': { setUp: 2, cleanUp: 1, rate: 3 },
  torch: { setUp: 2, cleanUp: 1, rate: 6 },
};
const otherPace: Pace = { setUp: 3, cleanUp: 3, rate: 1 };

const TWO_PART_SET_UP = 8;
const TWO_PART_CLEAN_UP = 10;
const MASKING_MM_PER_HOUR = 4000;
const SHORTEST_WORK_MINUTES = 1;

/** Minutes for steps whose length hardly depends on area. */
const fixedMinutes: Partial<Record<Step['kind'], number>> = { attach: 10, join: 15, inspect: 5, unmask: 4 };

/**
 * Hands-on minutes for one pass of a step over an area: set-up + area ÷ rate + clean-up.
 * @param areaCm2 what this one pass covers
 * @param edgeMm the edge to tape off, for masking
 */
export function handsOn(
  step: Step,
  method: Method,
  material: Material | undefined,
  areaCm2: number,
  edgeMm: number,
): HandsOn {
  if (step.minutes !== undefined) return { setUpMinutes: 0, workMinutes: step.minutes, cleanUpMinutes: 0 };
  const fixed = fixedMinutes[step.kind];
  if (fixed !== undefined) return { setUpMinutes: 0, workMinutes: fixed, cleanUpMinutes: 0 };
  if (step.kind === 'mask') {
    return {
      setUpMinutes: 2,
      workMinutes: Math.max(SHORTEST_WORK_MINUTES, Math.ceil((edgeMm / MASKING_MM_PER_HOUR) * 60)),
      cleanUpMinutes: 0,
    };
  }
  const pace = paceOf[method] ?? otherPace;
  const workMinutes = Math.max(SHORTEST_WORK_MINUTES, Math.ceil((areaCm2 / 10_000 / pace.rate) * 60));
  if (material?.potLife === undefined)
    return { setUpMinutes: pace.setUp, workMinutes, cleanUpMinutes: pace.cleanUp };
  const mixes = step.mixes ?? 1;
  return {
    setUpMinutes: TWO_PART_SET_UP * mixes,
    workMinutes,
    cleanUpMinutes: TWO_PART_CLEAN_UP * mixes,
  };
}
