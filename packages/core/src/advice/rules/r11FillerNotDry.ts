import { coatedTooEarly } from '../coatedTooEarly';
import type { Rule } from '../rule';

/** R11: caulk, filler, clay or spackle that is not dry through before a film. */
export const r11FillerNotDry: Rule = {
  id: 'R11',
  severity: 'stop',
  title: 'Film over filler that is not dry through',
  look: (piece, { plan }) =>
    coatedTooEarly(piece, plan, {
      rule: 'R11',
      speaksOf: ({ role }) => role === 'fill',
      state: 'dry through',
      reason:
        'Fillers go on shrinking while they dry. A film laid too soon is pulled apart from below, and the gap shows again.',
    }),
};
