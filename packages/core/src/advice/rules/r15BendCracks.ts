import { CRACKING_SHARE, filmsAtBends, RISKY_SHARE } from '../../facts/bends';
import { spotsOf } from '../../facts/spots';
import type { RuleFinding } from '../finding';
import { oncePerStep, type Rule } from '../rule';

/** R15: a film stretched beyond half of what it stands cracks; beyond a quarter it may. */
export const r15BendCracks: Rule = {
  id: 'R15',
  severity: 'stop',
  title: 'Film cracks where the piece bends',
  look(piece, { build, materials }) {
    const found = spotsOf(piece, { build, materials }).flatMap(({ layers, face }): RuleFinding[] => {
      const films = filmsAtBends(piece, layers);
      const wanted = layers.some((one) => one.step.wanted?.includes('cracking'));
      return layers.flatMap((layer): RuleFinding[] => {
        const worst = films.filter((film) => film.layer === layer).sort((a, b) => b.share - a.share)[0];
        if (!worst || worst.share <= RISKY_SHARE) return [];
        const sure = worst.share > CRACKING_SHARE;
        const strain = worst.strainPct.toFixed(1);
        return [
          {
            rule: 'R15',
            severity: wanted ? 'note' : sure ? 'stop' : 'risk',
            piece: piece.id,
            face,
            step: layer.step.id,
            below: worst.spot,
            message: wanted
              ? `${layer.material.name} will craze at ${worst.spot}, as wanted: ${strain} % stretch against ${worst.elongationPct} %.`
              : `${layer.material.name} ${sure ? 'cracks' : 'may crack'} at ${worst.spot}: it stretches ${strain} % there and stands ${worst.elongationPct} % once.`,
            reason:
              'The outside of a bend is longer than its middle. Worn again and again, a film keeps whole to about a quarter of its stretch at break; beyond half it goes soon. Thinner foam, a wider bend or a flexible film helps.',
            ideas: [],
          },
        ];
      });
    });
    return oncePerStep(found);
  },
};
