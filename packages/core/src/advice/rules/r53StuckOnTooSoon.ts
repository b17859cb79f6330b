import { isPorousFoam } from '../../model/substrates';
import { has } from '../../model/traits';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { workBegins } from '../../schedule/plan/plan';
import { pairRule, ways } from '../pairs';
import type { Rule } from '../rule';
import { sayC } from '../../model/sayMeasure';

const sheets = pairRule({
  id: 'R53',
  severity: 'stop',
  title: 'Vinyl or foil on a film that is not packable',
  reason:
    'What still leaves the film below can’t get through a sheet: it gathers under it and lifts it in bubbles.',
  judge(meeting, piece, context) {
    const { over, under } = meeting;
    if (!has(over.material, 'sheet') || under.share < 0.5 || meeting.packable) return undefined;
    return {
      message: `${over.material.name} on ${under.material.name} that still gives off what it dries by lifts in bubbles.`,
      ideas: [ways.waitForCure(piece, context, over)],
    };
  },
});

/** R53: self-adhesive vinyl on a film that is still drying bubbles, and an iron melts foam. */
export const r53StuckOnTooSoon: Rule = {
  id: 'R53',
  severity: 'stop',
  title: 'Vinyl too soon, or ironed on foam',
  look(piece, context) {
    const { plan } = context;
    const ironed = piece.steps.flatMap((step, at): RuleFinding[] =>
      step.attaches === 'iron-on' && isPorousFoam(piece.substrate.kind)
        ? [
            about(this, piece, step, {
              message: 'An iron melts foam and the films on it: use self-adhesive vinyl, put on cold.',
              reason: `Iron-on film wants ${sayC(130)} or more. Foam gives way from ${sayC(60)} on.`,
              ideas: [
                ways.set('Self-adhesive vinyl, cold, once the film has cured', piece, context, at, {
                  attaches: 'vinyl',
                  waitFor: 'cured',
                }),
              ],
            }),
          ]
        : [],
    );
    const vinyl = plan.operations.flatMap((operation): RuleFinding[] => {
      const { laidAt, stepId, stepIndex, unit } = operation;
      const step = piece.steps[stepIndex];
      if (operation.pieceId !== piece.id || step?.attaches !== 'vinyl' || laidAt === undefined) return [];
      const start = workBegins(operation);
      const state = plan.units.get(`${piece.id}/${unit}`);
      const isSoft = operation.cells.some((cell) => (state?.asOf(cell, start)?.packAt ?? -Infinity) > start);
      if (!isSoft) return [];
      return [
        about(
          this,
          piece,
          { id: stepId },
          {
            message: 'Vinyl goes on before the film below is packable: it lifts in bubbles.',
            reason: 'What still leaves the film below gathers under the sheet.',
            ideas: [ways.waitForCure(piece, context, { at: stepIndex })],
          },
        ),
      ];
    });
    return [...sheets.look(piece, context), ...ironed, ...vinyl.slice(0, 1)];
  },
};
