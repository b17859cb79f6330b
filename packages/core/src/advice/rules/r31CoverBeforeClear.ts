import type { RuleFinding } from '../finding';
import { stepPointer, type Rule } from '../rule';
import { laysFilm } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';

const delicate = new Set(['fabric', 'leather', 'mesh', 'lens']);
const words: Record<string, string> = { fabric: 'Fabric', leather: 'Leather', mesh: 'Mesh', lens: 'A lens' };

/** R31: fabric, leather, mesh or lenses on before the last clear are stained or fogged by it. */
export const r31CoverBeforeClear: Rule = {
  id: 'R31',
  severity: 'risk',
  title: 'Fabric, leather, mesh or lens on before the last clear',
  look(piece, { build, materials }) {
    const steps = orderedSteps(piece, { build, materials });
    const lastFilm = steps.filter(laysFilm).at(-1);
    return steps.flatMap(({ step, at }): RuleFinding[] => {
      if (!step.attaches || !delicate.has(step.attaches) || !lastFilm || lastFilm.at < at) return [];
      return [
        {
          rule: 'R31',
          severity: 'risk',
          piece: piece.id,
          step: step.id,
          below: lastFilm.material.id,
          message: `${words[step.attaches]} goes on before the ${lastFilm.material.name}: it would be stained or fogged.`,
          reason:
            'Overspray and brush slips can’t be cleaned off cloth, mesh or lenses, and clear coats go stiff in them.',
          ideas: [
            {
              label: `Put it on after the ${lastFilm.material.name}`,
              change: [
                {
                  op: 'move',
                  from: stepPointer(build, piece, at),
                  path: stepPointer(build, piece, lastFilm.at),
                },
              ],
            },
          ],
        },
      ];
    });
  },
};
