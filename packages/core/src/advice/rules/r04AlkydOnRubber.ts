import { isAlkyd, pairRule, ways } from '../pairs';

/** R04: alkyd or enamel on rubber dip stays tacky and may never cure. */
export const r04AlkydOnRubber = pairRule({
  id: 'R04',
  severity: 'stop',
  title: 'Alkyd or enamel on rubber dip',
  reason:
    'Plasticiser wanders out of the rubber into the alkyd, which cures by taking up oxygen and can no longer harden.',
  judge({ over, under }, piece, context) {
    if (!isAlkyd(over.material) || under.material.binder !== 'synthetic rubber') return undefined;
    const ideas = [
      ways.barrier('Acrylic-urethane primer between them', piece, context, over, {
        kind: 'prime',
        material: 'acrylic-pu-primer-grey',
      }),
    ];
    // So little of it that it dries before it takes anything up.
    const isThin =
      over.share < 0.5 || (over.film === 'dust' && over.coats === 1 && (over.material.sheenGu ?? 100) <= 15);
    return isThin
      ? {
          severity: 'risk',
          message: `So little ${over.material.name} on ${under.material.name} may hold, or stay tacky: try it on an offcut.`,
          ideas,
        }
      : { message: `${over.material.name} on ${under.material.name} stays tacky and may never cure.`, ideas };
  },
});
