import { orderedSteps } from '../../facts/spots';
import { laysFilm } from '../../facts/stepOrder';
import { placesOf } from '../../model/places';
import { nth } from '../../model/sure';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';

/** R62: where silicone spray or polish is used, it lies on everything, and paint draws back from it. */
export const r62SiliconeNear: Rule = {
  id: 'R62',
  severity: 'stop',
  title: 'Silicone spray or polish near before paint',
  look(piece, context) {
    const places = placesOf(context.build);
    const steps = orderedSteps(piece, context);
    const first = steps.find(
      (one) =>
        laysFilm(one) && (places.find((place) => place.id === one.step.place) ?? nth(places, 0)).silicone,
    );
    if (!first) return [];
    const isClean = steps.some(({ step, at }) => at < first.at && step.cleans === 'degreased');
    if (isClean) return [];
    const place = places.find((one) => one.id === first.step.place) ?? nth(places, 0);
    const finding: RuleFinding = about(this, piece, first.step, {
      message: `Silicone is used in “${place.name}”. Take every trace off before the ${first.material?.name ?? 'first coat'}, and try it on an offcut.`,
      reason:
        'It creeps over every surface, a few grains of it are enough, and the coat pulls back into craters.',
      ideas: [
        ways.insert('Degrease it first', piece, context, first.at, {
          kind: 'prep',
          cleans: 'degreased',
          minutes: 10,
          note: 'Silicone remover or alcohol on a clean cloth, wiped off with a second one, twice.',
        }),
        ...places
          .filter((one) => !one.silicone)
          .map((one) => ways.set(`Move it to ${one.name}`, piece, context, first.at, { place: one.id })),
      ],
    });
    return [finding];
  },
};
