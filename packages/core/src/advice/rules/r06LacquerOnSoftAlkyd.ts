import { isAlkyd, pairRule, ways } from '../pairs';

/** R06: hot solvents over an alkyd that is not fully cured lift and wrinkle it. */
export const r06LacquerOnSoftAlkyd = pairRule({
  id: 'R06',
  severity: 'stop',
  title: 'Lacquer on alkyd that is not cured',
  reason:
    'The alkyd is only skinned over for a week. Ketones and acetates swell the skin, which wrinkles and never lies flat again.',
  judge({ over, under, cured }, piece, context) {
    if (over.material.solvent < 3 || !isAlkyd(under.material) || cured) return undefined;
    return {
      message: `${over.material.name} lifts ${under.material.name} that has not cured for a week.`,
      ideas: [ways.waitForCure(piece, context, over)],
    };
  },
});
