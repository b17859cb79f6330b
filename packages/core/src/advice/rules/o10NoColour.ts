import { orderedSteps } from '../../facts/spots';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import type { Rule } from '../rule';

/** O10: paint without a colour can be neither mixed nor bought, and nothing can be said of what covers. */
export const o10NoColour: Rule = {
  id: 'O10',
  severity: 'note',
  title: 'Coat without a colour',
  look(piece, context) {
    const bare = orderedSteps(piece, context).filter(
      ({ step, material }) =>
        material?.role === 'paint' && step.colour === undefined && material.hideUm !== undefined,
    );
    const [first] = bare;
    if (!first) return [];
    const finding: RuleFinding = about(this, piece, first.step, {
      message:
        bare.length === 1
          ? `No colour is said for the ${first.material?.name ?? 'paint'}.`
          : `No colour is said for ${bare.length} coats of paint, beginning with the ${first.material?.name ?? 'first'}.`,
      reason: 'With its colour the app tells whether it covers what is below, and how many coats that takes.',
    });
    return [finding];
  },
};
