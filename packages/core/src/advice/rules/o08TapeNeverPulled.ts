import { neverPulled } from '../../facts/masking';
import { laysFilm } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';
import { about } from '../about';
import { ways } from '../pairs';
import type { Rule } from '../rule';

/** O08: tape that no step pulls stays on until it takes the paint with it. */
export const o08TapeNeverPulled: Rule = {
  id: 'O08',
  severity: 'risk',
  title: 'Tape that nothing pulls',
  look(piece, context) {
    const films = orderedSteps(piece, context).filter(laysFilm);
    // Tape that was never laid, as the work went on without it, need not be pulled.
    const isLeftOut = (stepId: string) => {
      const passes = context.plan.operations.filter(
        (one) => one.pieceId === piece.id && one.stepId === stepId,
      );
      return passes.length > 0 && passes.every(({ status }) => status === 'skipped');
    };
    const laid = neverPulled(piece).filter(({ step }) => !isLeftOut(step.id));
    return laid.map(({ step, at }) => {
      const last = films.filter((film) => film.at > at).at(-1);
      return about(this, piece, step, {
        message:
          'No step pulls this tape: left on for days it leaves glue, or takes the edge of the paint along.',
        reason:
          'Tape comes off while the newest paint is touch-dry and not yet hard, slowly, back on itself.',
        ideas: [
          ways.insert('Pull it after the last coat', piece, context, (last?.at ?? at) + 1, {
            kind: 'unmask',
            ...(step.zones ? { zones: step.zones } : {}),
            ...(step.covers ? { note: `Off: ${step.covers.join(', ')}.` } : {}),
          }),
        ],
      });
    });
  },
};
