import { spotsOf } from '../../facts/spots';
import { ways } from '../pairs';
import type { RuleFinding } from '../finding';
import { oncePerStep, type Rule } from '../rule';

const COATS_NEEDED = 2;

/** R01: solvents eat bare polystyrene foam. */
export const r01SolventOnPolystyrene: Rule = {
  id: 'R01',
  severity: 'stop',
  title: 'Solvent on bare polystyrene foam',
  look(piece, context) {
    if (piece.substrate.kind !== 'expanded-polystyrene') return [];
    const found = spotsOf(piece, context).flatMap(({ layers, face }): RuleFinding[] => {
      let closed = 0;
      for (const layer of layers) {
        if (layer.material.solvent >= 2 && closed < COATS_NEEDED) {
          const sealer = ways.barrier('Two coats of flexible PVA primer first', piece, context, layer, {
            kind: 'seal',
            material: 'pva-flex-primer',
            coats: COATS_NEEDED,
            film: 'normal',
          });
          return [
            {
              rule: 'R01',
              severity: 'stop',
              piece: piece.id,
              face,
              step: layer.step.id,
              message: `${layer.material.name} eats polystyrene foam that is not closed by two full water-borne coats.`,
              reason:
                'Aromatics, ketones and acetates dissolve polystyrene on contact, also through a pinhole.',
              ideas: [sealer],
            },
          ];
        }
        if (
          layer.material.carrier === 'water' &&
          (layer.material.role === 'seal' || layer.material.role === 'prime')
        )
          closed += layer.coats;
      }
      return [];
    });
    return oncePerStep(found);
  },
};
