import type { RuleFinding } from '../finding';
import { stepPointer, type Rule } from '../rule';
import { laysFilm } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';

/** O01: decals want a clear coat over them, so they go on before the last one. */
export const o01DecalAfterClear: Rule = {
  id: 'O01',
  severity: 'risk',
  title: 'Decal after the last clear',
  look(piece, context) {
    const { build } = context;
    const steps = orderedSteps(piece, context);
    const lastClear = steps.filter(laysFilm).findLast(({ material }) => material.role === 'topcoat');
    return steps.flatMap(({ step, at }): RuleFinding[] => {
      if (step.attaches !== 'decal' || !lastClear || lastClear.at > at) return [];
      return [
        {
          rule: 'O01',
          severity: 'risk',
          piece: piece.id,
          step: step.id,
          message: `Nothing lies over this decal: it will lift at the edges. Put it on before the ${lastClear.material.name}.`,
          reason: 'A decal is a thin film held by its rim. The clear coat seals the rim and evens the sheen.',
          ideas: [
            {
              label: `Before the ${lastClear.material.name}`,
              change: [
                {
                  op: 'move',
                  from: stepPointer(build, piece, at),
                  path: stepPointer(build, piece, lastClear.at),
                },
              ],
            },
          ],
        },
      ];
    });
  },
};
