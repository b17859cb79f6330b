import { hazardsOf } from '../../model/hazards';
import { spotsOf } from '../../facts/spots';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { oncePerStep, type Rule } from '../rule';

/** R74: what lies on bare skin has cured, smells of nothing, and nobody is allergic to it. */
export const r74OnSkin: Rule = {
  id: 'R74',
  severity: 'note',
  title: 'A film that lies on bare skin',
  look(piece, context) {
    if (!piece.onSkin) return [];
    const inside = piece.faces.inner ? 'inner' : 'outer';
    const found = spotsOf(piece, context).flatMap((spot): RuleFinding[] => {
      const top = spot.layers.at(-1);
      if (spot.face !== inside || !top) return [];
      const hazards = hazardsOf(top.material);
      const { name } = top.material;
      const message = hazards.has('latex allergy')
        ? `${name} lies on skin: not for anyone with the allergy. Ask before anybody else wears it.`
        : top.material.carrier === 'solvent' || top.material.potLife !== undefined
          ? `${name} lies on skin: wear it only when it is wearable and smells of nothing, with cloth or a liner between.`
          : `${name} lies on skin: wear it once it is wearable. Only what its label calls safe for skin may lie there for hours.`;
      return [
        about(
          this,
          piece,
          top.step,
          {
            severity: hazards.has('latex allergy') ? 'risk' : 'note',
            message,
            reason:
              'Warm, damp skin takes up what a film that is dry to the hand still gives off. The label and the safety data sheet win.',
          },
          spot,
        ),
      ];
    });
    return oncePerStep(found);
  },
};
