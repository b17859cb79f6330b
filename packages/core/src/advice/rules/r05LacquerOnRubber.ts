import { isWet, pairRule, ways } from '../pairs';

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
        ways.set('Dust coats only', piece, context, over.at, {
          film: 'dust',
          // As much in all as was meant.
          coats: Math.min(6, (over.step.coats ?? 1) + 1),
        }),
        ways.barrier('A flexible primer between them', piece, context, over, {
          kind: 'prime',
          material: 'acrylic-pu-primer-grey',
        }),
      ],
    };
  },
});
