import { isAlkyd, isOilyWash, pairRule, ways } from '../pairs';

/** R06: hot solvents over an alkyd that is not fully cured lift and wrinkle it. A wash in the recesses is told by R44. */
export const r06LacquerOnSoftAlkyd = pairRule({
  id: 'R06',
  severity: 'stop',
  title: 'Lacquer on alkyd that is not cured',
  reason:
    'The alkyd is only skinned over for a week. Ketones and acetates swell the skin, which wrinkles and never lies flat again.',
  judge(meeting, piece, context) {
    const { over, under } = meeting;
    if (over.material.solvent < 3 || !isAlkyd(under.material) || isOilyWash(under) || meeting.cured)
      return undefined;
    return {
      message: `${over.material.name} lifts ${under.material.name} that has not cured for a week.`,
      ideas: [
        ways.waitForCure(piece, context, over),
        ways.barrier('A water-borne barrier once the alkyd takes it', piece, context, over, {
          kind: 'prime',
          material: 'acrylic-pu-primer-grey',
        }),
      ],
    };
  },
});
