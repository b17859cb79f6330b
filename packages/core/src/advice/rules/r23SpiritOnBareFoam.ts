import { exposedOf } from '../../facts/closure';
import { spotsOf } from '../../facts/spots';
import { isPorousFoam } from '../../model/substrates';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';

/** What holds more than this, by volume, makes a film and does not pool. */
const THIN_SOLIDS = 0.25;

/** R23: a white-spirit wash pooling on bare foam soaks in and swells it. */
export const r23SpiritOnBareFoam: Rule = {
  id: 'R23',
  severity: 'risk',
  title: 'White-spirit wash on bare foam',
  look(piece, context) {
    if (!isPorousFoam(piece.substrate.kind)) return [];
    const found = spotsOf(piece, context).flatMap((spot): RuleFinding[] => {
      const layer = spot.layers.find(
        ({ material }, n) =>
          material.solvent === 1 && material.solids <= THIN_SOLIDS && exposedOf(spot.layers.slice(0, n)).bare,
      );
      if (!layer) return [];
      return [
        about(
          this,
          piece,
          layer.step,
          {
            message: `${layer.material.name} pools in bare foam and softens it.`,
            reason:
              'White spirit soaks into cut cells and pores and leaves them slowly: the foam swells, and later coats lift.',
            ideas: [
              ways.barrier('Seal first', piece, context, layer, {
                kind: 'seal',
                material: 'pva-flex-primer',
                coats: 2,
              }),
            ],
          },
          spot,
        ),
      ];
    });
    return oncePerStep(found);
  },
};
