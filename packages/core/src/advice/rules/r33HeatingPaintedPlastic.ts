import type { RuleFinding } from '../finding';
import { type Rule, stepPointer } from '../rule';
import { isHeat, laysFilm, meet, type FilmStep } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';
import { layerThat } from '../../model/substrates';
import { degreesOf, sayC } from '../../model/sayMeasure';
import { has } from '../../model/traits';
import { ways } from '../pairs';

/** R33: thermoplastic and printed parts go soft under heat and hot glue, and the paint on them with them. */
export const r33HeatingPaintedPlastic: Rule = {
  id: 'R33',
  severity: 'stop',
  title: 'Heat or hot glue on painted thermoplastic or print',
  look(piece, context) {
    const { build } = context;
    if (!layerThat(piece.substrate, 'softensInHeat')) return [];
    const steps = orderedSteps(piece, context);
    return steps.flatMap(({ step, at, material }): RuleFinding[] => {
      const isGlue = has(material, 'melts');
      const film =
        isHeat(step) || isGlue
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
          message: isGlue
            ? `${material?.name ?? 'Hot glue'} softens this plastic, and the paint on it lets go: glue it with something cold.`
            : `This plastic softens between ${degreesOf(55)} and ${sayC(90)}: form it before the first coat.`,
          reason: 'The part sags and carries the film with it, which wrinkles and lets go.',
          ideas: isGlue
            ? [
                ways.set('Contact cement in its place', piece, context, at, {
                  material: 'contact-cement',
                  method: 'brush',
                }),
              ]
            : [
                {
                  label: 'Heat before the first coat',
                  change: [
                    {
                      op: 'move',
                      from: stepPointer(build, piece, at),
                      path: stepPointer(build, piece, film.at),
                    },
                  ],
                },
              ],
        },
      ];
    });
  },
};
