import { differenceCiede2000 } from 'culori';

/** The difference, ΔE00, under which a film hides what is below it (docs/domain.md, "Other formulas"). */
export const HIDDEN_DELTA_E = 2;
/** What shows in the streaks of a coat is seen from an arm's length from this difference on. */
export const STREAK_DELTA_E = 6;
/** Up to this difference a colour is only a shade off; beyond it everybody sees it. */
export const PLAIN_DELTA_E = 5;

const deltaE = differenceCiede2000();

/** How far two colours are apart, ΔE00. */
export const colourDistance = (one: string, other: string): number => deltaE(one, other);
