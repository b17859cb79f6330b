import { isPorousFoam } from '../../model/substrates';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';
import { sayC } from '../../model/sayMeasure';

/** R67: lamps and batteries that lie on foam warm it until it gives way. */
export const r67HeatFromLamps: Rule = {
  id: 'R67',
  severity: 'risk',
  title: 'Lamp or battery against foam',
  look(piece, context) {
    if (!isPorousFoam(piece.substrate.kind)) return [];
    return piece.steps.flatMap((step, at): RuleFinding[] => {
      if ((step.attaches !== 'led' && step.attaches !== 'battery') || step.spaced) return [];
      const what = step.attaches === 'led' ? 'Lamps' : 'A battery';
      return [
        about(this, piece, step, {
          message: `${what} right against foam ${step.attaches === 'led' ? 'get' : 'gets'} hot, as foam keeps warmth in: leave a gap, or mount on a strip of metal.`,
          reason: `Foam softens from ${sayC(60)} on, and glue lets go. A battery that is squeezed or hot can burn.`,
          ideas: [ways.set('With a gap or a heat sink', piece, context, at, { spaced: true })],
        }),
      ];
    });
  },
};
