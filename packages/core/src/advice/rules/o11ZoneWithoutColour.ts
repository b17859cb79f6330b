import { orderedSteps, spotsOf, type Spot } from '../../facts/spots';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { nth } from '../../model/sure';
import type { Rule } from '../rule';

/** A coat on less than this of a zone is a mark, and no colour of it. */
const MOST_OF_IT = 0.5;
const colours = new Set(['paint', 'texture']);

const isColoured = ({ layers }: Spot): boolean =>
  layers.some(
    ({ material, share, step }) =>
      colours.has(material.role) && step.kind !== 'detail' && share >= MOST_OF_IT,
  );

/** O11: a zone that nothing colours while others are painted: its primer or sealer would show. */
export const o11ZoneWithoutColour: Rule = {
  id: 'O11',
  severity: 'risk',
  title: 'Zone without a colour',
  look(piece, context) {
    const zones = piece.zones ?? [];
    if (zones.length < 2) return [];
    const outer = spotsOf(piece, context).filter(({ face }) => face === 'outer');
    if (!outer.some(isColoured)) return [];
    const steps = orderedSteps(piece, context);
    const isCovered = (zone: string) =>
      piece.steps.some((step) => step.attaches === 'fabric' && (step.zones ?? [zone]).includes(zone));
    return zones.flatMap(({ id, name }): RuleFinding[] => {
      const spot = outer.find(({ zone }) => zone === id);
      if (!spot || isColoured(spot) || isCovered(id)) return [];
      // Where it would have got its colour: after the last coat that is on it.
      const last = spot.layers.at(-1);
      const step = last?.step ?? nth(steps, 0).step;
      return [
        about(
          this,
          piece,
          step,
          {
            message: `${name} gets no colour: ${last ? `${last.material.name} is what would show` : 'it stays bare'}.`,
            reason:
              'The other zones are painted. Give this one a look, a coat of its own, or make it part of a neighbour.',
          },
          spot,
        ),
      ];
    });
  },
};
