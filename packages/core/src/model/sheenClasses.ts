/** Sheen in the five words of the trade; gloss units are at 60°. */
export const sheenClasses = ['dead-matte', 'matte', 'satin', 'semi-gloss', 'gloss'] as const;
export type SheenClass = (typeof sheenClasses)[number];
