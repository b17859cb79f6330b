import type { Step } from '../model/schema';
import type { Material } from '../model/materialSchema';
import { lookOverTable } from '../model/lookOvers';
import { methodTable, type Method } from '../model/methods';
import { spotMaskHands, stepKindTable, type BatchHands } from '../model/stepKinds';

/** Hands-on time of one pass, minutes: getting ready, doing it, cleaning up. */
export interface HandsOn {
  setUpMinutes: number;
  workMinutes: number;
  cleanUpMinutes: number;
}

/** A film of what is mixed stands half a pot life after the cup has gone off, minutes from when it was mixed. */
export const standsAfter = (potLifeMinutes: number): number => 1.5 * potLifeMinutes;

/** What the minutes of a pass go by. */
export interface PassSize {
  /** What this one pass covers. */
  areaCm2: number;
  /** What is taped, pulled, filled or joined along; `workLengthMm`. */
  lengthMm?: number;
  /** The edge it is cut in along by hand; `cutInMm`. */
  cutInMm?: number;
  /** How many units the step is done on, of which this pass is one. */
  units?: number;
}

const TWO_PART_SET_UP = 8;
const TWO_PART_CLEAN_UP = 10;
/** Keeping to an edge by hand. */
const CUT_IN_MM_PER_HOUR = 15_000;
/** Taking up a small piece of a set and laying it down again. */
const SHORTEST_OF_A_SET_MINUTES = 0.25;
/** Minutes of a unit of a set come in so many parts of a minute, so that sums of them are exact. */
const PARTS_OF_A_MINUTE = 64;

/**
 * Hands-on minutes for one pass of a step on one unit (docs/domain.md, "Other formulas"). What lays a film: set-up + area ÷ rate + clean-up.
 * What lays none: getting ready, which units and pieces that follow each other share like a set-up, and then each by its size. Minutes
 * that somebody typed are for all units together.
 */
export function handsOn(
  step: Step,
  method: Method,
  material: Material | undefined,
  { areaCm2, lengthMm = 0, cutInMm = 0, units = 1 }: PassSize,
): HandsOn {
  const inAll = step.minutes ?? (step.looksOver ? lookOverTable[step.looksOver].minutesInAll : undefined);
  if (inAll !== undefined)
    return { setUpMinutes: 0, workMinutes: ofOne(inAll / units, units), cleanUpMinutes: 0 };
  const hands = batchHands(step, material);
  if (hands) {
    const minutes = unitMinutes(hands, step, areaCm2, lengthMm);
    return { setUpMinutes: hands.readyMinutes, workMinutes: ofOne(minutes, units), cleanUpMinutes: 0 };
  }
  const pace = methodTable[method];
  const laying = (areaCm2 / 10_000 / pace.rateM2PerHour + cutInMm / CUT_IN_MM_PER_HOUR) * 60;
  const workMinutes =
    units > 1 ? Math.ceil(Math.max(SHORTEST_OF_A_SET_MINUTES, laying) * 4) / 4 : ofOne(laying, 1);
  if (material?.potLife === undefined)
    return { setUpMinutes: pace.setUpMinutes, workMinutes, cleanUpMinutes: pace.cleanUpMinutes };
  const mixes = step.mixes ?? 1;
  const reworkMinutes = step.reworkEveryMinutes === undefined ? 0 : standsAfter(material.potLife);
  return {
    setUpMinutes: TWO_PART_SET_UP * mixes,
    workMinutes,
    cleanUpMinutes: TWO_PART_CLEAN_UP * mixes + reworkMinutes,
  };
}

/** The minutes of a kind of work as a batch; undefined for what goes by the pace of its method. */
function batchHands(step: Step, material: Material | undefined): BatchHands | undefined {
  if (step.kind === 'mask' && step.covers)
    return { ...spotMaskHands, eachMinutes: spotMinutes(step.covers.length) };
  const { hands } = stepKindTable[step.kind];
  // A wash is brushed on by its area; wiping it back is not.
  return step.kind === 'weather' && material ? undefined : hands;
}

const spotMinutes = (spots: number): number => (spotMaskHands.eachMinutes ?? 0) * Math.max(1, spots);

function unitMinutes(
  { eachMinutes = 0, per500Cm2Minutes = 0, mmPerHour, perFixingMinutes = 0 }: BatchHands,
  step: Step,
  areaCm2: number,
  lengthMm: number,
): number {
  // What is put on along a length is not counted in fixings as well.
  const fixings = step.fixings ?? (lengthMm > 0 ? 0 : 1);
  return (
    eachMinutes +
    (per500Cm2Minutes * areaCm2) / 500 +
    (mmPerHour === undefined ? 0 : (lengthMm / mmPerHour) * 60) +
    perFixingMinutes * fixings
  );
}

/** Minutes for laying so much tape on one unit, and for pulling it again. */
export const tapeMinutes = (edgeMm: number): number =>
  (['mask', 'unmask'] as const).reduce((sum, kind) => {
    const { setUpMinutes, workMinutes } = handsOn({ id: kind, kind }, 'hand', undefined, {
      areaCm2: 0,
      lengthMm: edgeMm,
    });
    return sum + setUpMinutes + workMinutes;
  }, 0);

/** Minutes of one pass: whole ones for a single piece; exact ones for the units of a set, taken up one after the other. */
const ofOne = (minutes: number, units: number): number =>
  units > 1
    ? Math.max(1, Math.round(minutes * PARTS_OF_A_MINUTE)) / PARTS_OF_A_MINUTE
    : Math.max(1, Math.ceil(minutes));
