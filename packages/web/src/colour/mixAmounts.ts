import { DROPS_A_ML, sayMl } from '@fixatum/core';

/** Less than so much is counted in drops. */
const FEW_ML = 2;

export const dropWords = (drops: number): string => `${drops} ${drops === 1 ? 'drop' : 'drops'}`;

/** How much of a tin goes into a mix, as it is measured out. */
export const amountOf = (ml: number): string =>
  ml < FEW_ML ? dropWords(Math.max(1, Math.round(ml * DROPS_A_ML))) : sayMl(ml);
