import type { RuleFinding } from '../finding';
import { type Rule, stepPointer } from '../rule';
import { isHeat, laysFilm, meet, type FilmStep } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';
import { layerThat } from '../../model/substrates';
import { degreesOf, sayC } from '../../model/sayMeasure';

/** R33: thermoplastic and PLA parts go soft under heat, and the paint on them with them. */
export const r33HeatingPaintedPlastic: Rule = {
  id: 'R33',
  severity: 'stop',
  title: 'Heating painted thermoplastic or PLA',
  look(piece, context) {
    const { build } = context;
    if (!layerThat(piece.substrate, 'softensInHeat')) return [];
    const steps = orderedSteps(piece, context);
    return steps.flatMap(({ step, at }): RuleFinding[] => {
      const film = isHeat(step)
        ? steps.find(
            (other): other is FilmStep => other.at < at && laysFilm(other) && meet(piece, other.step, step),
          )
        : undefined;
      if (!film) return [];
      return [
        {
          rule: 'R33',
          severity: 'stop',
          piece: piece.id,
          step: step.id,
          below: film.material.id,
          message: `This plastic softens between ${degreesOf(55)} and ${sayC(90)}: form it before the first coat.`,
          reason: 'The part sags and carries the film with it, which wrinkles and lets go.',
          ideas: [
            {
              label: 'Heat before the first coat',
              change: [
                { op: 'move', from: stepPointer(build, piece, at), path: stepPointer(build, piece, film.at) },
              ],
            },
          ],
        },
      ];
    });
  },
};
