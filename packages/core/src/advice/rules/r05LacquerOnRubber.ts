import type { Layer } from '../../facts/spots';
import { filmFactor } from '../../model/filmGrades';
import { isWet, pairRule, ways } from '../pairs';

const MOST_DUST_COATS = 6;
/** As many dust coats as come to the film that was meant. */
const dustCoats = ({ film, coats }: Layer): number =>
  Math.min(MOST_DUST_COATS, Math.ceil((filmFactor[film] * coats) / filmFactor.dust));

/** R05: lacquer or acrylic aerosol on rubber dip cracks unless it is only dusted on. */
export const r05LacquerOnRubber = pairRule({
  id: 'R05',
  severity: 'risk',
  title: 'Wet lacquer on rubber dip',
  reason: 'Lacquer is hard and shrinks; the rubber below gives way, and the hard skin breaks into plates.',
  judge({ over, under }, piece, context) {
    if (over.material.binder !== 'acrylic lacquer' || under.material.binder !== 'synthetic rubber')
      return undefined;
    if (!isWet(over)) return undefined;
    return {
      message: `A ${over.film} coat of ${over.material.name} on ${under.material.name} is likely to crack: dust coats only.`,
      ideas: [
        ways.set('Dust coats only', piece, context, over.at, { film: 'dust', coats: dustCoats(over) }),
        ways.barrier('A flexible primer between them', piece, context, over, {
          kind: 'prime',
          material: 'acrylic-pu-primer-grey',
        }),
      ],
    };
  },
});
