import { coatsWorth } from '../../facts/closure';
import { filmFactor } from '../../model/filmGrades';
import { isWet, pairRule, ways } from '../pairs';

/** R43: a wet coat with strong solvent on a water-borne film that still holds water wrinkles it. */
export const r43WetSolventOnSoftWater = pairRule({
  id: 'R43',
  severity: 'risk',
  title: 'Wet solvent coat on a water-borne film that is not through',
  reason:
    'Solvent goes through a skin that is still open and swells the soft film below it, which wrinkles or crazes.',
  judge(meeting, piece, context) {
    const { over, under } = meeting;
    if (over.material.solvent < 2 || !isWet(over) || under.share < 0.5) return undefined;
    // A line of a pen is dry before it has gone through anything.
    if (over.material.role === 'detail') return undefined;
    if (under.material.carrier !== 'water' || under.material.role === 'fill' || meeting.through)
      return undefined;
    return {
      message: `${over.material.name} laid wet can wrinkle ${under.material.name} that is not dry through.`,
      ideas: [
        ways.set('Each coat once what is below is dry through', piece, context, over.at, {
          waitFor: 'through',
        }),
        // As many as leave the film that was meant, so that it covers as it would have.
        ways.set('Mist it on in light coats', piece, context, over.at, {
          film: 'light',
          coats: Math.ceil(coatsWorth(over) / filmFactor.light),
        }),
      ],
    };
  },
});
