import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';
import { isHeat } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';

/** R32: PVC gives off hydrogen chloride when heated. */
export const r32HeatingPvc: Rule = {
  id: 'R32',
  severity: 'stop',
  title: 'Heating PVC',
  look(piece, context) {
    if (piece.substrate.kind !== 'pvc-pipe') return [];
    return orderedSteps(piece, context)
      .filter(({ step }) => isHeat(step))
      .map(({ step, at }): RuleFinding => ({
        rule: 'R32',
        severity: 'stop',
        piece: piece.id,
        step: step.id,
        message: 'PVC is never heated: it gives off hydrogen chloride.',
        reason:
          'Hot air and flame split acid gas off the plastic, which burns eyes and lungs and rusts tools.',
        ideas: [ways.drop('Leave the heat out', piece, context, at)],
      }));
  },
};
