import { filmsAtBends, type FilmAtBend } from '../../facts/bends';
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

const gradeOf = ({ fares }: FilmAtBend): number => (fares === 'cracks' ? 2 : fares === 'may crack' ? 1 : 0);

const isSeen = (layer: Layer): boolean => layer.share >= MOST_OF_IT && layerUm(layer) >= SEEN_UM;

/** R15: a film that is stretched by what it stands cracks, from half of that on it may. What may crack by R14 is left to it. */
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
        const worst = films
          .filter((film) => film.layer === layer)
          .sort((a, b) => gradeOf(b) - gradeOf(a) || b.share - a.share)[0];
        if (!worst || worst.fares === 'holds' || !isSeen(layer)) return [];
        const isSure = worst.fares === 'cracks';
        if (!isSure && told.has(layer.step.id)) return [];
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
                : `${layer.material.name} ${isSure ? 'cracks' : 'may crack'} at ${worst.spot}: it stretches ${strain} % there, and breaks at ${worst.elongationPct} %.`,
              reason:
                'The outside of a bend is longer than its middle. Bent again and again, a film tires: from about half of its stretch at break on it may crack, and at all of it it does. Thinner foam, a wider bend or a flexible film helps. A curve that was formed with heat and stays is no bend.',
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
