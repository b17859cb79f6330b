import { binderOf } from '../../model/binders';
import { pairRule, ways } from '../pairs';

/** R24: the colour over a chipping resist has to be a thin water-borne acrylic, or it does not chip. */
export const r24ChipColour = pairRule({
  id: 'R24',
  severity: 'risk',
  title: 'Colour over chipping resist',
  reason:
    'The resist works by taking up water through a film that is still open. A thick or solvent-borne film locks it in.',
  judge({ over, under, between }, piece, context) {
    // Only the first coat over it locks it in.
    if (!binderOf(under.material).comesOff || over.material.role !== 'paint' || between.length > 0)
      return undefined;
    const isThin = over.film === 'light' || over.film === 'dust';
    if (over.material.carrier === 'water' && isThin && over.coats === 1) return undefined;
    return {
      message: `${over.material.name} over the ${under.material.name} must be one thin water-borne coat, chipped while it is fresh.`,
      ideas:
        over.material.carrier === 'water'
          ? [ways.set('One light coat', piece, context, over.at, { film: 'light', coats: 1 })]
          : [],
    };
  },
});
