import { spotsOf } from '../../facts/spots';
import { exposedOf } from '../../facts/closure';
import { isHeat } from '../../facts/stepOrder';
import { substrateTable } from '../../model/substrates';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';

/** R02: a wet coat with hot solvents swells and pits bare foam. */
export const r02SolventOnBareFoam: Rule = {
  id: 'R02',
  severity: 'risk',
  title: 'Wet solvent coat on bare EVA or craft foam',
  look(piece, context) {
    const { kind, heatSealed } = piece.substrate;
    if (!substrateTable[kind].swells || heatSealed) return [];
    const found = spotsOf(piece, context).flatMap((spot): RuleFinding[] => {
      const layer = spot.layers.find(
        (one, n) =>
          one.material.solvent >= 3 && one.film !== 'dust' && exposedOf(spot.layers.slice(0, n)).bare,
      );
      const isHeated = piece.steps.some((step, at) => layer !== undefined && at < layer.at && isHeat(step));
      if (!layer || isHeated) return [];
      return [
        about(
          this,
          piece,
          layer.step,
          {
            message: `${layer.material.name} laid wet on bare foam swells it and soaks in: heat-seal first.`,
            reason:
              'Cut cells and pores drink the solvent, which softens their walls before the film can close over them.',
            ideas: [
              ways.insert('Heat-seal first', piece, context, layer.at, {
                kind: 'heat-seal',
                method: 'hot-air',
                faces: piece.faces.inner ? ['inner', 'outer'] : ['outer'],
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
