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
      const latex = spot.layers.find(({ material }) => hazardsOf(material).has('latex allergy'));
      // What is allergic to latex is so through a film over it, and on any face that can be touched.
      const top = latex ?? (spot.face === inside ? spot.layers.at(-1) : undefined);
      if (!top) return [];
      const { name } = top.material;
      const message = latex
        ? `${name} in what touches skin: those allergic to latex can be harmed badly, through paint too. Another sealer, or never on anybody who has not been asked.`
        : top.material.carrier === 'solvent' || top.material.potLife !== undefined
          ? `${name} lies on skin: wear it only when it is wearable and smells of nothing, with cloth or a liner between.`
          : `${name} lies on skin: wear it once it is wearable. Only what its label calls safe for skin may lie there for hours.`;
      return [
        about(
          this,
          piece,
          top.step,
          {
            severity: latex ? 'stop' : 'note',
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
