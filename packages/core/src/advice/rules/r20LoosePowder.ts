import { binderOf } from '../../model/binders';
import { isClosedBy } from '../../facts/closure';
import { spotsOf, type Layer } from '../../facts/spots';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { isClear, ways } from '../pairs';
import { oncePerStep, type Rule, type RuleContext } from '../rule';
import { methodTable } from '../../model/methods';
import { inText } from '../../model/inText';
import { entryOf } from '../../model/sure';

/** The clear that lies there already, where it can be misted on: the sheen stays what it is. Otherwise a matte one. */
function sprayedClear(below: readonly Layer[], { materials }: RuleContext) {
  const clears = [
    below.findLast(({ material }) => isClear(material))?.material,
    entryOf(materials, 'matte-varnish'),
  ];
  return clears.flatMap((clear) => {
    const method = clear?.carrier === 'water' && clear.methods.find((one) => methodTable[one].sprays);
    return clear && method ? [{ id: clear.id, name: clear.name, method }] : [];
  })[0]!;
}

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
      const clear = sprayedClear(spot.layers.slice(0, at), context);
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
                `Two dust coats of ${inText(clear.name)} over it`,
                piece,
                context,
                (over.at(-1) ?? loose).at + 1,
                {
                  kind: 'topcoat',
                  material: clear.id,
                  method: clear.method,
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
