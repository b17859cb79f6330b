import { isHeat } from '../../facts/stepOrder';
import { methodTable } from '../../model/methods';
import type { Step } from '../../model/schema';
import { facesOf } from '../../model/stepSpots';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';
import { heatReaches } from './r27HeatAfterFilm';
import { sayMm } from '../../model/sayMeasure';

const faceWords = (step: Step) => facesOf(step).join(' and ');

/** Texture that heat takes out again: pressed or stamped in, as against burned, ground or sprayed on. */
function isImpressed(step: Step): boolean {
  if (step.kind !== 'texture' || step.material !== undefined) return false;
  if (step.texture !== undefined) return step.texture === 'pressed';
  // Said by the tool where it is not said outright.
  const tool = step.method === undefined ? undefined : methodTable[step.method];
  return !tool?.abrades && !tool?.heats;
}

/** R28: foam that is heated again lets go of the texture pressed into it. */
export const r28HeatAfterTexture: Rule = {
  id: 'R28',
  severity: 'stop',
  title: 'Heat after impressed texture',
  look(piece, context) {
    return piece.steps.flatMap((step, at): RuleFinding[] => {
      if (!isHeat(step) || step.kind === 'texture' || step.wanted?.includes('short-reheat')) return [];
      const textureAt = piece.steps.findIndex(
        (other, n) => n < at && isImpressed(other) && heatReaches(piece, step, other),
      );
      const texture = piece.steps[textureAt];
      if (!texture) return [];
      const isThrough = !facesOf(texture).some((face) => facesOf(step).includes(face));
      return [
        about(this, piece, step, {
          message: isThrough
            ? `Heating the ${faceWords(step)} face would melt the texture of the other one: ${sayMm(piece.substrate.thicknessMm)} of foam let the heat through.`
            : `Heating the ${faceWords(step)} face now would melt the texture pressed in before.`,
          reason:
            'Closed-cell foam remembers its flat shape: warmed again, it swells back and the impression is lost.',
          ideas: [
            ways.move('Heat first, press the texture in afterwards', piece, context, at, textureAt),
            ways.set('A short pass on purpose, to soften the texture', piece, context, at, {
              wanted: [...(step.wanted ?? []), 'short-reheat'],
            }),
          ],
        }),
      ];
    });
  },
};
