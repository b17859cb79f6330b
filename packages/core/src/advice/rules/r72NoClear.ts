import { spotsOf } from '../../facts/spots';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import { has } from '../../model/traits';
import { oncePerStep, type Rule } from '../rule';

/** R72: what is worn and handled rubs bare paint off; a clear takes the wear. Mirror effects are left bare on purpose. */
export const r72NoClear: Rule = {
  id: 'R72',
  severity: 'note',
  title: 'Nothing over the paint of a piece that is worn',
  look(piece, context) {
    if (piece.event === undefined) return [];
    const found = spotsOf(piece, context).flatMap((spot): RuleFinding[] => {
      const { layers, face } = spot;
      const top = layers.findLast(({ material, share }) => material.role === 'paint' && share >= 0.5);
      const isHard = top !== undefined && (top.material.carrier === 'solvent' || has(top.material, 'mirror'));
      const over = top ? layers.slice(layers.indexOf(top) + 1) : [];
      const isCovered = over.some(({ material }) => material.role === 'topcoat' || material.role === 'seal');
      if (face !== 'outer' || !top || isHard || isCovered) return [];
      return [
        about(
          this,
          piece,
          top.step,
          {
            message: `Nothing lies over the ${top.material.name}: where hands and straps rub it wears off. A thin clear keeps it.`,
            reason:
              'Water-borne paint stays a little soft. A clear of the sheen you want takes the wear, and can be laid again.',
            ideas: [
              ways.insert('A light coat of satin varnish', piece, context, (layers.at(-1) ?? top).at + 1, {
                kind: 'topcoat',
                material: 'satin-varnish',
                method: 'brush',
                film: 'light',
              }),
            ],
          },
          spot,
        ),
      ];
    });
    return oncePerStep(found).slice(0, 1);
  },
};
