/** Spread of label times, σ of the logarithm; narrower once the user's own tests confirm a material (docs/domain.md, "The drying model"). */
const SPREAD = 0.2;
const CONFIRMED_SPREAD = 0.1;

/** How far the time a material takes may be from its label, σ of the logarithm. */
export const spreadOf = (isConfirmed: boolean): number => (isConfirmed ? CONFIRMED_SPREAD : SPREAD);

/** How much longer than the label a material takes in one future: `e^(σz)`, for z from the standard normal distribution. */
export const timeFactor = (z: number, isConfirmed: boolean): number => Math.exp(spreadOf(isConfirmed) * z);

/**
 * What the air of a day or two adds, σ of the logarithm: two degrees are a factor of 2^0.2 (σ 0.14), eight per cent of humidity
 * one of √(42/50) (0.09), together 0.16; and over two days, of which the second is like the first by 0.7, 0.92 of that.
 */
const AIR_SPREAD = 0.15;

/** Nine values in ten of the standard normal distribution lie below this. */
const NINE_IN_TEN = 1.2816;

/** The factor on a drying time that nine futures in ten stay under. */
export const nineInTenFactor = (isConfirmed: boolean): number =>
  Math.exp(NINE_IN_TEN * Math.hypot(spreadOf(isConfirmed), AIR_SPREAD));
