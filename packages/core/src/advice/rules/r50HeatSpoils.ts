import { isHeat } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';
import { methodTable } from '../../model/methods';
import { methodOf } from '../../model/stepSpots';
import { layerThat, substrateNames, substrateTable } from '../../model/substrates';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';
import { inText } from '../../model/inText';

/** R50: a flame on polystyrene or card, and any heat on cloth or clear plastic, spoils them. */
export const r50HeatSpoils: Rule = {
  id: 'R50',
  severity: 'stop',
  title: 'Heat or flame on what it spoils',
  look(piece, context) {
    const heat = layerThat(piece.substrate, 'isSpoiltByHeat');
    const flame = layerThat(piece.substrate, 'isSpoiltByFlame');
    return orderedSteps(piece, context).flatMap(({ step, at, material }): RuleFinding[] => {
      if (!isHeat(step)) return [];
      const isFlame = methodTable[methodOf(step, material)].burns === true;
      const spoilt = heat ?? (isFlame ? flame : undefined);
      // Paint in cloth is set by an iron, which is a short pass on purpose.
      const isSetting =
        step.wanted?.includes('short-reheat') === true && substrateTable[piece.substrate.kind].isCloth;
      if (!spoilt || isSetting) return [];
      const name = substrateNames[spoilt];
      return [
        about(this, piece, step, {
          message: heat
            ? `${name} is not heated: it shrivels or clouds.`
            : `No flame on ${inText(name)}: it burns.`,
          reason: heat
            ? 'It is stretched thin when it is made, and shrinks back or loses its gloss as soon as it is warm.'
            : 'It catches within a second, drips and gives off thick smoke.',
          ideas: [
            ways.drop('Leave the heat out', piece, context, at),
            ...(substrateTable[spoilt].isCloth
              ? [
                  ways.set('An iron over a cloth, to set the paint', piece, context, at, {
                    wanted: [...(step.wanted ?? []), 'short-reheat'],
                  }),
                ]
              : []),
            ...(heat
              ? []
              : [
                  ways.set('Hot air, gently, in place of the flame', piece, context, at, {
                    method: 'hot-air',
                  }),
                ]),
          ],
        }),
      ];
    });
  },
};
