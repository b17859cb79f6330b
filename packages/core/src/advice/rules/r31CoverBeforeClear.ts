import { laysFilm, meet } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';
import { stainable } from '../../model/fields';
import { capitalised } from '../../model/capitalised';
import { attachmentWords } from '../../words/fieldWords';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';

/** R31: fabric, leather, mesh or lenses on before the last film there, and not covered, are stained or fogged by it. */
export const r31CoverBeforeClear: Rule = {
  id: 'R31',
  severity: 'risk',
  title: 'Fabric, leather, mesh or lens on before the last clear',
  look(piece, context) {
    const steps = orderedSteps(piece, context);
    return steps.flatMap(({ step, at }): RuleFinding[] => {
      const isMeant = step.wanted?.includes('painted-cloth') === true;
      if (!step.attaches || !stainable.includes(step.attaches) || isMeant) return [];
      const what = capitalised(attachmentWords[step.attaches]);
      const isCovered = (before: number) =>
        steps.some(
          (other) =>
            other.step.kind === 'mask' && other.at > at && other.at < before && meet(piece, other.step, step),
        );
      const last = steps
        .filter(
          (other) =>
            other.at > at && laysFilm(other) && meet(piece, other.step, step) && !isCovered(other.at),
        )
        .at(-1);
      if (!last?.material) return [];
      return [
        about(this, piece, step, {
          below: last.material.id,
          message: `${what} goes on before the ${last.material.name}: it would be stained or fogged.`,
          reason:
            'Overspray and brush slips can’t be cleaned off cloth, mesh or lenses, and clear coats go stiff in them.',
          ideas: [
            ways.move(`Put it on after the ${last.material.name}`, piece, context, at, last.at),
            ways.set('It is meant to be painted along', piece, context, at, {
              wanted: [...(step.wanted ?? []), 'painted-cloth'],
            }),
          ],
        }),
      ];
    });
  },
};
