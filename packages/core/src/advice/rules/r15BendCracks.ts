import { CRACKING_SHARE, filmsAtBends, RISKY_SHARE } from '../../facts/bends';
import { layerUm, spotsOf, type Layer } from '../../facts/spots';
import { about } from '../about';
import { flexibleInstead } from '../flexibleInstead';
import type { RuleFinding } from '../finding';
import { meetingsOf } from '../meetings';
import { oncePerStep, type Rule } from '../rule';
import { isRigidOnFlexible } from './r14RigidOverFlexible';

/** Thinner than this, or in fewer places, a film breaks too fine to see, µm. */
const SEEN_UM = 1.5;
const MOST_OF_IT = 0.5;

const isSeen = (layer: Layer): boolean => layer.share >= MOST_OF_IT && layerUm(layer) >= SEEN_UM;

/** R15: a film stretched beyond half of what it stands cracks; beyond a quarter it may. What R14 tells of is left to it. */
export const r15BendCracks: Rule = {
  id: 'R15',
  severity: 'stop',
  title: 'Film cracks where the piece bends',
  look(piece, context) {
    const told = new Set(
      meetingsOf(piece, context)
        .filter(isRigidOnFlexible)
        .map(({ over }) => over.step.id),
    );
    const found = spotsOf(piece, context).flatMap((spot): RuleFinding[] => {
      const films = filmsAtBends(piece, spot.layers);
      return spot.layers.flatMap((layer): RuleFinding[] => {
        const worst = films.filter((film) => film.layer === layer).sort((a, b) => b.share - a.share)[0];
        if (!worst || worst.share <= RISKY_SHARE || told.has(layer.step.id) || !isSeen(layer)) return [];
        const isSure = worst.share > CRACKING_SHARE;
        const strain = worst.strainPct.toFixed(1);
        const isWanted = layer.step.wanted?.includes('cracking') === true;
        return [
          about(
            this,
            piece,
            layer.step,
            {
              severity: isWanted ? 'note' : isSure ? 'stop' : 'risk',
              below: worst.spot,
              message: isWanted
                ? `${layer.material.name} will craze at ${worst.spot}, as wanted: ${strain} % stretch against ${worst.elongationPct} %.`
                : `${layer.material.name} ${isSure ? 'cracks' : 'may crack'} at ${worst.spot}: it stretches ${strain} % there and stands ${worst.elongationPct} % once.`,
              reason:
                'The outside of a bend is longer than its middle. Worn again and again, a film keeps whole to about a quarter of its stretch at break; beyond half it goes soon. Thinner foam, a wider bend or a flexible film helps.',
              ideas: isWanted ? [] : flexibleInstead(layer, piece, context),
            },
            spot,
          ),
        ];
      });
    });
    return oncePerStep(found);
  },
};
