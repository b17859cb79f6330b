import { isPorousFoam } from '../../model/substrates';
import { spotsOf, orderedSteps } from '../../facts/spots';
import { isHeat, laysFilm } from '../../facts/stepOrder';
import type { RuleFinding } from '../finding';
import { freshId } from '../freshId';
import { oncePerStep, stepPointer, type Rule } from '../rule';

/** R17: tape takes peelable rubber dip along where it lies on glossy skin that was never opened by heat or grit. */
export const r17TapeOnPeelable: Rule = {
  id: 'R17',
  severity: 'risk',
  title: 'Tape on rubber dip over glossy foam skin',
  look(piece, context) {
    const { build } = context;
    if (!isPorousFoam(piece.substrate.kind) || piece.substrate.heatSealed) return [];
    const steps = orderedSteps(piece, context);
    const firstFilm = steps.find(laysFilm);
    if (!firstFilm) return [];
    const keyed = steps.some(({ step, at }) => at < firstFilm.at && (isHeat(step) || step.kind === 'sand'));
    if (keyed) return [];
    const found = spotsOf(piece, context).flatMap(({ layers, face, zone }): RuleFinding[] => {
      const dip = layers[0];
      if (dip?.material.binder !== 'synthetic rubber') return [];
      const tape = piece.steps.find(
        (step, at) =>
          at > dip.at && step.kind === 'mask' && !step.covers && (step.zones ?? [zone]).includes(zone),
      );
      if (!tape) return [];
      return [
        {
          rule: 'R17',
          severity: 'risk',
          piece: piece.id,
          face,
          step: tape.id,
          below: dip.material.id,
          message: `Tape can peel the ${dip.material.name} off the smooth foam skin. Heat-seal and wipe before the first coat; use low-tack tape and pull it slowly, back on itself.`,
          reason:
            'Rubber dip is made to peel. It holds to foam only where the skin has been opened by heat or grit and is free of dust.',
          ideas: [
            {
              label: 'Heat-seal and wipe first',
              change: [
                {
                  op: 'add',
                  path: stepPointer(build, piece, firstFilm.at),
                  value: {
                    id: freshId('heat', piece),
                    kind: 'heat-seal',
                    method: 'hot-air',
                    faces: piece.faces.inner ? ['inner', 'outer'] : ['outer'],
                    note: 'One even pass; wipe the dust off when cool.',
                  },
                },
              ],
            },
          ],
        },
      ];
    });
    return oncePerStep(found);
  },
};
