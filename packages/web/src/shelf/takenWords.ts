import { sayMl } from '@fixatum/core';

/** Less than so much is nothing. */
const WORTH_SAYING_ML = 0.05;

/**
 * What plans take of a tin.
 * @param takenMl at most; undefined while there is no plan yet
 * @param leftMl what is in it now
 * @param builds how many builds it is planned for
 */
export function takenWords(takenMl: number | undefined, leftMl: number, builds: number): string {
  if (takenMl === undefined) return 'what the plan takes of it is still being worked out';
  if (takenMl < WORTH_SAYING_ML) return 'nothing planned takes any of it';
  return `${builds > 1 ? 'the plans take' : 'the plan takes'} up to ${sayMl(takenMl)}, ${sayMl(leftMl - takenMl)} are left after`;
}
