import { pairRule, ways } from '../pairs';

/** R13: natural latex perishes under copper pigments, oils and solvents. */
export const r13LatexPerishes = pairRule({
  id: 'R13',
  severity: 'stop',
  title: 'Copper, oil or solvent on natural latex',
  reason:
    'Copper and manganese make rubber age in weeks, oils and solvents swell it: it turns sticky, then brittle.',
  judge({ over, below }, piece, context) {
    const latex = below.find((layer) => layer.material.binder === 'natural rubber');
    if (
      !latex ||
      !(over.material.id === 'copper-acrylic' || over.material.solvent >= 1 || over.material.binder === 'oil')
    )
      return undefined;
    return {
      message: `${over.material.name} makes the natural latex below perish.`,
      ideas: [
        ways.set('Seal with brush-on neoprene instead', piece, context, latex.at, {
          material: 'neoprene-soft',
        }),
      ],
    };
  },
});
