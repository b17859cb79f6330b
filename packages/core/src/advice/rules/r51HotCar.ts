import { binderOf } from '../../model/binders';
import { orderedSteps, spotsOf } from '../../facts/spots';
import { layerThat } from '../../model/substrates';
import { has } from '../../model/traits';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';
import { sayC } from '../../model/sayMeasure';

/** R51: in a hot car hot glue lets go, printed and thermoplastic parts sag, and soft films stick to what they touch. */
export const r51HotCar: Rule = {
  id: 'R51',
  severity: 'risk',
  title: 'In a hot car',
  look(piece, context) {
    const event = context.build.events.find((one) => one.id === piece.event);
    if (!event?.hotCar) return [];
    const glue = orderedSteps(piece, context).flatMap(({ step, at, material }): RuleFinding[] =>
      has(material, 'melts')
        ? [
            about(this, piece, step, {
              message: `${material?.name ?? 'Hot glue'} lets go above ${sayC(60)}, which a car in the sun reaches.`,
              reason: 'It holds by having gone stiff, and goes soft again by the same way.',
              ideas: [
                ways.set('Contact cement in its place', piece, context, at, {
                  material: 'contact-cement',
                  method: 'brush',
                }),
              ],
            }),
          ]
        : [],
    );
    const sags = layerThat(piece.substrate, 'softensInHeat')
      ? [
          about(this, piece, undefined, {
            severity: 'stop',
            message: `This plastic sags from ${sayC(55)} on, which a car in the sun reaches: carry it in the shade, or with you.`,
            reason:
              'It softens at about the heat of a dashboard, bends under its own weight, and stays bent.',
          }),
        ]
      : [];
    const films = spotsOf(piece, context).flatMap((spot): RuleFinding[] => {
      const top = spot.layers.at(-1);
      const isSoft =
        top !== undefined &&
        (top.material.redissolves ||
          binderOf(top.material).soft === true ||
          (top.material.pack ?? 0) >= 4320);
      if (!top || !isSoft) return [];
      return [
        about(
          this,
          piece,
          top.step,
          {
            message: `${top.material.name} sticks to what it touches in a hot car: keep it in the shade, with paper between.`,
            reason: 'What softens with warmth goes tacky again, and two faces pressed together become one.',
          },
          spot,
        ),
      ];
    });
    return [...sags, ...glue, ...oncePerStep(films).slice(0, 1)];
  },
};
