import { orderedSteps } from '../../facts/spots';
import { methodTable } from '../../model/methods';
import { placesOf } from '../../model/places';
import { sayC } from '../../model/sayMeasure';
import { methodOf } from '../../model/stepSpots';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { extremesC } from '../frost';
import { oncePerStep, type Rule } from '../rule';

const COLDEST_C = 10;
const HOTTEST_C = 50;

/** R57: a cold spray can spits, and a hot one bursts. */
export const r57CanTooCold: Rule = {
  id: 'R57',
  severity: 'risk',
  title: 'Spray can too cold or too hot',
  look(piece, context) {
    const { build, plan } = context;
    const places = new Map(placesOf(build).map((place) => [place.id, place]));
    const found = orderedSteps(piece, context).flatMap(({ step, material }): RuleFinding[] => {
      if (!material || !methodTable[methodOf(step, material)].hasPropellant) return [];
      const tin = (build.stock ?? []).find((one) => one.material === material.id && one.keptIn !== undefined);
      const kept = tin?.keptIn === undefined ? undefined : places.get(tin.keptIn);
      if (kept && extremesC(kept.climate).warmest > HOTTEST_C)
        return [
          about(this, piece, step, {
            severity: 'stop',
            message: `The can of ${material.name} is kept in: ${kept.name}, which gets hotter than ${sayC(HOTTEST_C)}. It can burst.`,
            reason: 'The gas in it doubles its push within a few tens of degrees.',
          }),
        ];
      const air = plan.operations.flatMap(({ pieceId, stepId, placeId, start, status }) =>
        pieceId === piece.id && stepId === step.id && start !== undefined && status === 'planned'
          ? (plan.workload.airs.get(placeId)?.series.airAt(start) ?? [])
          : [],
      );
      const isCold = kept
        ? extremesC(kept.climate).coldest < COLDEST_C
        : air.some(({ temperatureC }) => temperatureC < COLDEST_C);
      if (!isCold) return [];
      return [
        about(this, piece, step, {
          message: `A can of ${material.name} colder than ${sayC(COLDEST_C)} spits: let it stand in a warm room for an hour, or in lukewarm water. Never on a heater.`,
          reason: 'The colder the gas, the less it pushes; the spray breaks into drops.',
        }),
      ];
    });
    return oncePerStep(found);
  },
};
