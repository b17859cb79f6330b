import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';
import { hazardsOf } from '../../model/hazards';
import type { FilmStep } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';

/** R40: two-part urethane holds isocyanate and is left to licensed sprayers with supplied air. */
export const r40Isocyanate: Rule = {
  id: 'R40',
  severity: 'stop',
  title: 'Two-part urethane',
  look(piece, context) {
    return orderedSteps(piece, context)
      .filter((ordered): ordered is FilmStep => hazardsOf(ordered.material).has('isocyanate'))
      .map(({ step, at, material }): RuleFinding => ({
        rule: 'R40',
        severity: 'stop',
        piece: piece.id,
        step: step.id,
        message: `${material.name} holds isocyanate: leave it to a licensed sprayer with supplied air.`,
        reason:
          'Isocyanates make people asthmatic for life at amounts no cartridge mask shows. Local rules and the safety data sheet win.',
        ideas: [
          ways.set('Gloss acrylic varnish instead', piece, context, at, {
            material: 'gloss-varnish',
            method: 'brush',
          }),
          ways.set('One-part water-borne urethane instead', piece, context, at, {
            material: 'urethane-1k-clear',
            method: 'brush',
          }),
        ],
      }));
  },
};
