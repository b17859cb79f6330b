declare module 'perspective-transform' {
  /** A perspective map from four corners to four others, both as x, y, x, y… */
  export default function PerspT(
    from: readonly number[],
    to: readonly number[],
  ): {
    transform(x: number, y: number): [number, number];
  };
}
