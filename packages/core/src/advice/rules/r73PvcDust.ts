import { isSanding } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';
import { placesOf } from '../../model/places';
import { substrateTable } from '../../model/substrates';
import { nth } from '../../model/sure';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';

/** R73: the dust of dry-sanded PVC is not to be breathed: it is scuffed wet, or outdoors. */
export const r73PvcDust: Rule = {
  id: 'R73',
  severity: 'stop',
  title: 'PVC sanded dry indoors',
  look(piece, context) {
    if (!substrateTable[piece.substrate.kind].isNeverHeated) return [];
    const places = placesOf(context.build);
    const steps = orderedSteps(piece, context);
    return steps.flatMap(({ step, at }): RuleFinding[] => {
      const place = places.find((one) => one.id === step.place) ?? nth(places, 0);
      const isAiry = place.ventilation === 'outdoor' || place.ventilation === 'extraction';
      // Once a film is on, the grit meets that.
      const isBare = !steps.some((other) => other.at < at && other.material !== undefined);
      if (!isSanding(step) || isAiry || !isBare || step.thinWith === 'water') return [];
      return [
        about(this, piece, step, {
          message: `PVC is not sanded dry in “${place.name}”. Wipe it and scuff it wet, so that no dust flies.`,
          reason: 'Its dust holds chlorine and stabilisers, and stays in the lungs.',
          ideas: [
            ways.set('Scuff it wet', piece, context, at, {
              thinWith: 'water',
              note: 'A wet fine pad; rinse, let it dry.',
            }),
            ...places
              .filter((one) => one.ventilation === 'outdoor' || one.ventilation === 'extraction')
              .map((one) => ways.set(`Move it to ${one.name}`, piece, context, at, { place: one.id })),
          ],
        }),
      ];
    });
  },
};
