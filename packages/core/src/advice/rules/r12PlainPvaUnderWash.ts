import { exposedOf } from '../../facts/closure';
import { spotsOf } from '../../facts/spots';
import { has } from '../../model/traits';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { meetingsOf } from '../meetings';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';

/** R12: plain PVA goes soft again under a wet wash, and inside a piece that is worn against sweat. */
export const r12PlainPvaUnderWash: Rule = {
  id: 'R12',
  severity: 'risk',
  title: 'Plain PVA under a wash or against sweat',
  look(piece, context) {
    const reason =
      'Plain PVA never becomes waterproof. Water that stays on it, of a wash or of sweat, softens and lifts it.';
    const primer = { kind: 'prime', material: 'acrylic-pu-primer-grey' } as const;
    const washed = meetingsOf(piece, context).flatMap(({ over, under, spot }): RuleFinding[] => {
      const isWet = over.method !== 'dry-brush' && over.material.carrier === 'water';
      if (!has(under.material, 'resoftens') || over.material.role !== 'weather' || !isWet) return [];
      const said = {
        below: under.material.id,
        message: `${over.material.name} softens ${under.material.name} again.`,
        reason,
        ideas: [ways.barrier('A primer over it first', piece, context, over, primer)],
      };
      return [about(this, piece, over.step, said, spot)];
    });
    const worn = spotsOf(piece, context).flatMap((spot): RuleFinding[] => {
      const soft = exposedOf(spot.layers).layers.find(({ material }) => has(material, 'resoftens'));
      if (spot.face !== 'inner' || !soft || piece.event === undefined) return [];
      const said = {
        message: `${soft.material.name} lies open on the inner face, where sweat softens it.`,
        reason,
        ideas: [
          ways.insert('Varnish over it inside', piece, context, spot.layers.at(-1)!.at + 1, {
            kind: 'topcoat',
            material: 'satin-varnish',
            method: 'brush',
            coats: 1,
            faces: ['inner'],
          }),
        ],
      };
      return [about(this, piece, soft.step, said, spot)];
    });
    return oncePerStep([...washed, ...worn]);
  },
};
