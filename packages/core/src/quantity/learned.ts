import type { Method } from '../model/methods';

/** How sure the middle figure of an amount is: the spread of its logarithm. */
const SPREAD = 0.25;
/** The same once enough was measured. */
const KNOWN_SPREAD = 0.12;
const ENOUGH_MEASURED = 3;
/** What is reckoned counts like so many measurings that came to the same. */
const PRIOR_COUNT = 3;
/** Standard deviations below which nine in ten lie. */
const NINE_IN_TEN_Z = 1.2816;

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
}

/**
 * How much of a material somebody takes, put on in one way, against what the book reckons: the mean of what was measured, with the figure
 * of the book counted three times; after three measurings that is much surer (docs/domain.md, "Amounts").
 * @example measured once at 1.4 times as much: (3·1 + 1.4) / 4 = 1.1
 */
export function amountFactor(
  measured: readonly AmountMeasured[],
  materialId: string,
  by: Method,
): AmountFactor {
  const ratios = measured
    .filter(
      ({ material, method, reckonedMl }) =>
        material === materialId && (method === undefined || method === by) && reckonedMl > 0,
    )
    .map(({ usedMl, reckonedMl }) => usedMl / reckonedMl);
  const sum = ratios.reduce((total, ratio) => total + ratio, PRIOR_COUNT);
  const spread = ratios.length >= ENOUGH_MEASURED ? KNOWN_SPREAD : SPREAD;
  return {
    factor: sum / (PRIOR_COUNT + ratios.length),
    nineInTen: Math.exp(NINE_IN_TEN_Z * spread),
    measured: ratios.length,
  };
}
