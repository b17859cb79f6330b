import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';
import { methodOf } from '../../model/stepSpots';
import { placesOf } from '../../model/places';
import { orderedSteps } from '../../facts/spots';
import { nth } from '../../model/sure';

/** R35: spray cans want moving air: outdoors or extraction. */
export const r35SprayIndoors: Rule = {
  id: 'R35',
  severity: 'stop',
  title: 'Spray can without extraction',
  look(piece, context) {
    const places = placesOf(context.build);
    const airy = places.filter(
      (place) => place.ventilation === 'outdoor' || place.ventilation === 'extraction',
    );
    return orderedSteps(piece, context).flatMap(({ step, at, material }): RuleFinding[] => {
      if (methodOf(step, material) !== 'aerosol') return [];
      const place = places.find((candidate) => candidate.id === step.place) ?? nth(places, 0);
      if (airy.includes(place)) return [];
      return [
        {
          rule: 'R35',
          severity: 'stop',
          piece: piece.id,
          step: step.id,
          message: `${material?.name ?? 'A spray can'} in “${place.name}”. Spray outdoors or with extraction, away from any flame or heater.`,
          reason:
            'Propellant and solvent build up to what burns, and what no mask should have to take alone. The label and local rules win.',
          ideas: airy.map((other) =>
            ways.set(`Spray in “${other.name}”`, piece, context, at, { place: other.id }),
          ),
        },
      ];
    });
  },
};
