import { isHeat } from '../../facts/stepOrder';
import type { Step } from '../../model/schema';
import { stepPointer, type Rule } from '../rule';
import type { RuleFinding } from '../finding';
import { facesOf } from '../../model/stepSpots';

/** Texture pressed or stamped into warm foam, as against texture that is sprayed on. */
const isImpressed = (step: Step) => step.kind === 'texture' && step.material === undefined;
const faceWords = (step: Step) => facesOf(step).join(' and ');

/** R28: foam that is heated again lets go of the texture pressed into it. */
export const r28HeatAfterTexture: Rule = {
  id: 'R28',
  severity: 'stop',
  title: 'Heat after impressed texture',
  look(piece, { build }) {
    const findings: RuleFinding[] = [];
    piece.steps.forEach((step, at) => {
      if (!isHeat(step) || isImpressed(step)) return;
      const textureAt = piece.steps.findIndex(
        (other, n) =>
          n < at && isImpressed(other) && facesOf(other).some((face) => facesOf(step).includes(face)),
      );
      if (textureAt < 0) return;
      findings.push({
        rule: 'R28',
        severity: 'stop',
        piece: piece.id,
        step: step.id,
        message: `Heating the ${faceWords(step)} face now would melt the texture pressed in before.`,
        reason:
          'Closed-cell foam remembers its flat shape: warmed again, it swells back and the impression is lost.',
        ideas: [
          {
            label: 'Heat first, press the texture in afterwards',
            change: [
              { op: 'move', from: stepPointer(build, piece, at), path: stepPointer(build, piece, textureAt) },
            ],
          },
        ],
      });
    });
    return findings;
  },
};
