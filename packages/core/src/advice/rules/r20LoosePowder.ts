import { binderOf } from '../../model/binders';
import { isClosedBy } from '../../facts/closure';
import { spotsOf } from '../../facts/spots';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';

/** R20: powder, graphite or earth with nothing over it rubs off. */
export const r20LoosePowder: Rule = {
  id: 'R20',
  severity: 'risk',
  title: 'Loose powder with nothing over it',
  look(piece, context) {
    const found = spotsOf(piece, context).flatMap((spot): RuleFinding[] => {
      const at = spot.layers.findLastIndex(({ material }) => binderOf(material).loose === true);
      const loose = spot.layers[at];
      const over = spot.layers.slice(at + 1);
      if (!loose || isClosedBy(over)) return [];
      return [
        about(
          this,
          piece,
          loose.step,
          {
            message: `Nothing holds the ${loose.material.name}: it rubs off on hands and clothes.`,
            reason:
              'Powders have no binder of their own. A clear coat, dusted on first so that it does not move them, holds them.',
            ideas: [
              ways.insert(
                'Two dust coats of matte varnish over it',
                piece,
                context,
                (over.at(-1) ?? loose).at + 1,
                {
                  kind: 'topcoat',
                  material: 'matte-varnish',
                  method: 'airbrush',
                  coats: 2,
                  film: 'dust',
                  ...(loose.step.faces ? { faces: loose.step.faces } : {}),
                  ...(loose.step.zones ? { zones: loose.step.zones } : {}),
                },
              ),
            ],
          },
          spot,
        ),
      ];
    });
    return oncePerStep(found);
  },
};
