import { isAlkyd, pairRule, ways } from '../pairs';

/** R22: a white-spirit wash lifts alkyd or enamel that has not cured. */
export const r22SpiritOnSoftAlkyd = pairRule({
  id: 'R22',
  severity: 'stop',
  title: 'White-spirit wash on soft alkyd',
  reason:
    'White spirit is the thinner of alkyds: until they have cured through, a wash with it dissolves them again.',
  judge({ over, under, cured }, piece, context) {
    if (
      over.material.role !== 'weather' ||
      over.material.solvent !== 1 ||
      over.material.binder === 'wax' ||
      !isAlkyd(under.material) ||
      under.material.role === 'weather' ||
      cured
    )
      return undefined;
    return {
      message: `${over.material.name} dissolves ${under.material.name} that has not cured.`,
      ideas: [ways.waitForCure(piece, context, over)],
    };
  },
});
