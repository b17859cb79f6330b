import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';
import { orderedSteps } from '../../facts/spots';

const MOST_TINT_PCT = 15;

/** R37: much pigment or powder stirred into a binder leaves too little binder to hold the film together. */
export const r37TooMuchTint: Rule = {
  id: 'R37',
  severity: 'risk',
  title: 'More than 15 % pigment or powder stirred in',
  look(piece, context) {
    return orderedSteps(piece, context).flatMap(({ step, at, material }): RuleFinding[] => {
      if (!material || (step.tintPct ?? 0) <= MOST_TINT_PCT) return [];
      return [
        {
          rule: 'R37',
          severity: 'risk',
          piece: piece.id,
          step: step.id,
          message: `${step.tintPct} % of tint weakens ${material.name}: keep to ${MOST_TINT_PCT} % and paint on top.`,
          reason:
            'The binder has to wet every grain of pigment. What it spends on that is missing between the grains, and the film tears and rubs off.',
          ideas: [ways.set(`Tint with ${MOST_TINT_PCT} %`, piece, context, at, { tintPct: MOST_TINT_PCT })],
        },
      ];
    });
  },
};
