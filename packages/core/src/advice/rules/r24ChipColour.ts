import { pairRule, ways } from '../pairs';

/** R24: the colour over a chipping resist has to be a thin water-borne acrylic, or it does not chip. */
export const r24ChipColour = pairRule({
  id: 'R24',
  severity: 'risk',
  title: 'Colour over chipping resist',
  reason:
    'The resist works by taking up water through a film that is still open. A thick or solvent-borne film locks it in.',
  judge({ over, under }, piece, context) {
    if (under.material.binder !== 'resist') return undefined;
    const thin = over.film === 'light' || over.film === 'dust';
    if (over.material.carrier === 'water' && thin && (over.step.coats ?? 1) === 1) return undefined;
    return {
      message: `${over.material.name} over the resist must be one thin water-borne coat, chipped while it is fresh.`,
      ideas:
        over.material.carrier === 'water'
          ? [ways.set('One light coat', piece, context, over.at, { film: 'light', coats: 1 })]
          : [],
    };
  },
});
