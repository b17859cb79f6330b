import { binderOf } from '../../model/binders';
import type { Material } from '../../model/materialSchema';
import { has } from '../../model/traits';
import { pairRule, ways } from '../pairs';

const isLatex = ({ binder }: Material): boolean => binder === 'natural rubber';
/** What makes natural rubber perish: metals that age it, and what swells it. */
const harmsLatex = (material: Material): boolean =>
  has(material, 'copper') ||
  has(material, 'manganese') ||
  material.solvent >= 1 ||
  material.binder === 'oil' ||
  binderOf(material).curesByAir === true;

/** R13: natural latex perishes under copper pigments, oils and solvents, whichever lies on the other. */
export const r13LatexPerishes = pairRule({
  id: 'R13',
  severity: 'stop',
  title: 'Copper, manganese, oil or solvent with natural latex',
  reason:
    'Copper and manganese make rubber age in weeks, oils and solvents swell it: it turns sticky, then brittle.',
  judge({ over, below }, piece, context) {
    const instead = (at: number) =>
      ways.set('Seal with brush-on neoprene instead', piece, context, at, {
        material: 'neoprene-soft',
        method: 'brush',
      });
    const latex = below.find((layer) => isLatex(layer.material));
    if (latex && harmsLatex(over.material))
      return {
        message: `${over.material.name} makes the ${latex.material.name} below perish.`,
        ideas: [instead(latex.at)],
      };
    // Through any film, as metals and oils wander; solvent that has left does no harm any more.
    const harm = isLatex(over.material)
      ? below.find(
          ({ material }) =>
            has(material, 'copper') || has(material, 'manganese') || material.binder === 'oil',
        )
      : undefined;
    if (!harm) return undefined;
    return {
      message: `${over.material.name} perishes on ${harm.material.name}.`,
      ideas: [instead(over.at)],
    };
  },
});
