import { tellTooEarly } from '../begunTooEarly';
import type { Rule } from '../rule';

/** O03: what is attached or joined before the coats can be handled leaves its print in them. */
export const o03AttachedTooSoon: Rule = {
  id: 'O03',
  severity: 'risk',
  title: 'Attached before the coats could be handled',
  look(piece, context) {
    return tellTooEarly(this, piece, context, {
      wants: ({ kind }) => kind === 'attach' || kind === 'join',
      waitsFor: ({ milestone }) => milestone === 'handle',
      was: (_, unit) => `This was put on${unit} before the coats could be handled`,
      is: (_, unit) => `This is put on${unit} before the coats can be handled`,
      afterwards: 'Look for prints.',
      reason: 'Straps and clamps press into a film that is still soft, and it cures in that shape.',
    });
  },
};
