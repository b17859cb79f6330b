declare module 'b-spline' {
  /** The point of a B-spline at a share of its length in the parameter, 0 to 1. */
  export default function bspline(
    t: number,
    degree: number,
    points: readonly number[][],
    knots?: readonly number[],
    weights?: readonly number[],
  ): number[];
}
