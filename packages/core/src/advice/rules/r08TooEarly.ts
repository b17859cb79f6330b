import { coatedTooEarly } from '../coatedTooEarly';
import type { Rule } from '../rule';

/** R08: anything over a coat that has not reached recoat. */
export const r08TooEarly: Rule = {
  id: 'R08',
  severity: 'stop',
  title: 'Coat over one that is not dry enough',
  look: (piece, { plan }) =>
    coatedTooEarly(piece, plan, {
      rule: 'R08',
      speaksOf: ({ role }) => role !== 'fill',
      state: 'recoatable',
      reason:
        'What is still leaving the coat below is trapped: the stack stays soft, wrinkles or peels. Let both dry through, look for wrinkles, sand and redo if there are any.',
    }),
};
