import type { Method } from '../model/methods';

/** How far the amount of one pass lies from the book for whoever takes it, as the standard deviation of its logarithm. */
const SPREAD = 0.25;
/** The part of that which stays from pass to pass, once it is known what somebody takes. */
const OWN_SPREAD = 0.15;
/** What the book says counts like so many measurings of much. */
const PRIOR_COUNT = 3;
/** A measuring of so many ml counts half as much as one of a whole tin: a little is measured badly. */
const HALF_COUNTS_ML = 20;
/** What is further off than this is taken to be a slip, and teaches nothing. */
const MOST_TIMES_OFF = 4;
/** Standard deviations below which nine in ten lie. */
const NINE_IN_TEN_Z = 1.2816;
const NINE_IN_TEN = 0.9;

/** One time that what was used was held against what the book reckons, ml. */
export interface AmountMeasured {
  material: string;
  /** How it was put on; where that is not known it says something of every way. */
  method?: Method | undefined;
  reckonedMl: number;
  usedMl: number;
}

/** What is known of how much somebody takes of a material. */
export interface AmountFactor {
  /** Times what is reckoned. */
  factor: number;
  /** Times the middle figure, enough nine times in ten. */
  nineInTen: number;
  measured: number;
  /** Measurings so far off that they are taken to be slips. */
  leftOut: number;
}

/** Whether what was used is so far from what the book reckons that a slip is likelier, such as 300 for 30. */
export const isLikelySlip = ({
  reckonedMl,
  usedMl,
}: Pick<AmountMeasured, 'reckonedMl' | 'usedMl'>): boolean =>
  reckonedMl > 0 && (usedMl > MOST_TIMES_OFF * reckonedMl || usedMl * MOST_TIMES_OFF < reckonedMl);

/**
 * How much of a material somebody takes, put on in one way, against what the book reckons (docs/domain.md, "Amounts"): the mean of the
 * logarithms of what was measured, each by its volume, with the book counted three times. What is enough comes closer to the middle as more is
 * measured, and never under what was enough nine times in ten.
 * @example measured once at 1.4 times much: e^(ln 1.4 / 4) = 1.088
 */
export function amountFactor(
  measured: readonly AmountMeasured[],
  materialId: string,
  by: Method,
): AmountFactor {
  const own = measured.filter(
    ({ material, method, reckonedMl, usedMl }) =>
      material === materialId && (method === undefined || method === by) && reckonedMl > 0 && usedMl > 0,
  );
  const told = own
    .filter((one) => !isLikelySlip(one))
    .map(({ usedMl, reckonedMl }) => ({
      ratio: usedMl / reckonedMl,
      weight: reckonedMl / (reckonedMl + HALF_COUNTS_ML),
    }))
    .sort((a, b) => a.ratio - b.ratio);
  const weight = told.reduce((sum, one) => sum + one.weight, 0);
  const known = PRIOR_COUNT + weight;
  const factor = Math.exp(told.reduce((sum, one) => sum + one.weight * Math.log(one.ratio), 0) / known);
  // What is not known of the person shrinks with each measuring; what scatters from pass to pass stays.
  const spread = Math.sqrt(OWN_SPREAD ** 2 + ((SPREAD ** 2 - OWN_SPREAD ** 2) * PRIOR_COUNT) / known);
  let below = 0;
  const seen = told.find((one) => (below += one.weight) >= NINE_IN_TEN * weight)?.ratio ?? 0;
  return {
    factor,
    nineInTen: Math.max(Math.exp(NINE_IN_TEN_Z * spread), seen / factor),
    measured: told.length,
    leftOut: own.length - told.length,
  };
}
