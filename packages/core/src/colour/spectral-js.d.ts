/** The parts of the library that are used: a reflectance in 38 bands for a screen colour, and back. */
declare module 'spectral.js' {
  export class Color {
    /** @param from `#rrggbb`, or 38 reflectances */
    constructor(from: string | number[]);
    /** Reflectance of each band from 380 nm up, every 10 nm. */
    readonly R: number[];
    /** CIE XYZ under D65, white at Y = 1. */
    readonly XYZ: [number, number, number];
  }
}
