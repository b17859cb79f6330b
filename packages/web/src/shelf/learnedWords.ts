import { amountFactor, methodWords, type AmountMeasuredEntry, type Method } from '@fixatum/core';

const countOf = (count: number): string => (count === 1 ? 'once' : `${count} times`);
/** Nearer to the book than this nobody has to be told, as a share. */
const WORTH_SAYING = 0.05;

/**
 * What was learned of how much the user takes of a material, a sentence for each way of putting it on that was measured; nothing where
 * that is what the book says.
 */
export function learnedWords(
  amounts: readonly AmountMeasuredEntry[] | undefined,
  { id, methods: [usual] }: { id: string; methods: readonly Method[] },
): string[] {
  const own = (amounts ?? []).filter(({ material }) => material === id);
  const measuredBy = new Set(own.flatMap(({ method = usual }) => method ?? []));
  return [...measuredBy].flatMap((method) => {
    const { factor, measured, leftOut } = amountFactor(own, id, method);
    const slips =
      leftOut > 0
        ? [
            `${countOf(leftOut)} by ${methodWords[method]} what was used is over four times off the book: it teaches nothing`,
          ]
        : [];
    if (Math.abs(factor - 1) < WORTH_SAYING) return slips;
    return [
      `by ${methodWords[method]} you take ${factor.toFixed(1)} times the book, measured ${countOf(measured)}`,
      ...slips,
    ];
  });
}
