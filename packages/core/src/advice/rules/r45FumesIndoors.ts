import { orderedSteps } from '../../facts/spots';
import { hazardsOf } from '../../model/hazards';
import { methodTable } from '../../model/methods';
import { placesOf } from '../../model/places';
import { methodOf } from '../../model/stepSpots';
import { nth } from '../../model/sure';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';

/** R45: cement, solvent or an airbrush in a closed room. Spray cans are told by R35. */
export const r45FumesIndoors: Rule = {
  id: 'R45',
  severity: 'stop',
  title: 'Cement, solvent or airbrush without extraction',
  look(piece, context) {
    const places = placesOf(context.build);
    return orderedSteps(piece, context).flatMap(({ step, at, material }): RuleFinding[] => {
      const method = methodOf(step, material);
      if (!material || methodTable[method].hasPropellant || methodTable[method].isLittle) return [];
      const place = places.find((one) => one.id === step.place) ?? nth(places, 0);
      if (place.ventilation === 'extraction' || place.ventilation === 'outdoor') return [];
      const fumes = hazardsOf(material).has('organic vapour');
      const mist = methodTable[method].sprays;
      if (!fumes && !mist) return [];
      // An open window takes what a brush gives off of mild solvents, and a mist of water-borne paint behind a mask.
      const isShut = place.ventilation === 'none';
      const isMild = fumes ? !mist && material.solvent <= 1 : mist;
      if (!isShut && isMild) return [];
      return [
        about(this, piece, step, {
          // A little white spirit on a brush is unwise in a closed room, not a danger to life.
          severity: isShut && !(fumes && isMild) ? 'stop' : 'risk',
          message: `${material.name}${mist ? ' through an airbrush' : ''}: ${place.name} is no place for it. ${
            isShut
              ? 'It needs extraction or the open air.'
              : 'An open window is not enough: use extraction or the open air.'
          }`,
          reason: fumes
            ? 'Solvent vapour gathers, burns, and makes people dizzy, and the nose soon stops noticing it. The label and local rules win.'
            : 'Spray mist stays in the air for an hour, water-borne or not, and goes deep into the lungs.',
          ideas: [
            // A brush makes no mist.
            ...(mist && (!fumes || material.solvent <= 1)
              ? material.methods
                  .filter((one) => !methodTable[one].sprays)
                  .slice(0, 1)
                  .map((one) =>
                    ways.set(`With a ${methodTable[one].word}`, piece, context, at, { method: one }),
                  )
              : []),
            ...places
              .filter((one) => one.ventilation === 'extraction' || one.ventilation === 'outdoor')
              .map((one) => ways.set(`Move it to ${one.name}`, piece, context, at, { place: one.id })),
          ],
        }),
      ];
    });
  },
};
