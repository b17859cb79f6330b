import { isAlkyd, isOilyWash, pairRule, ways } from '../pairs';

/** R22: a white-spirit wash lifts alkyd or enamel that has not cured. */
export const r22SpiritOnSoftAlkyd = pairRule({
  id: 'R22',
  severity: 'stop',
  title: 'White-spirit wash on soft alkyd',
  reason:
    'White spirit is the thinner of alkyds: until they have cured through, a wash with it dissolves them again.',
  judge(meeting, piece, context) {
    const { over, under } = meeting;
    const isSpiritWash =
      over.material.role === 'weather' && over.material.solvent === 1 && over.material.binder !== 'wax';
    if (!isSpiritWash || !isAlkyd(under.material) || isOilyWash(under) || meeting.cured) return undefined;
    return {
      message: `${over.material.name} dissolves ${under.material.name} that has not cured.`,
      ideas: [
        ways.barrier('A coat of acrylic varnish between them', piece, context, over, {
          kind: 'topcoat',
          material: 'satin-varnish',
        }),
        ways.waitForCure(piece, context, over),
      ],
    };
  },
});
