import { orderedSteps } from '../../facts/spots';
import { methodTable, type Method } from '../../model/methods';
import type { Material } from '../../model/materialSchema';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';

/** Whether a tool can lay a material at all: what comes in a can only leaves it by its nozzle, and a mist needs what can be sprayed. */
function canLay({ methods }: Material, method: Method): boolean {
  if (methods.length === 0 || methods.includes(method)) return true;
  const { sprays, hasPropellant } = methodTable[method];
  const isCanOnly = methods.every((one) => methodTable[one].hasPropellant);
  if (isCanOnly || hasPropellant) return false;
  return !sprays || methods.some((one) => methodTable[one].sprays);
}

/** R78: a can by brush, epoxy through an airbrush: a tool that can't lay the material. */
export const r78WrongTool: Rule = {
  id: 'R78',
  severity: 'stop',
  title: 'A tool that can’t lay it',
  look(piece, context) {
    return orderedSteps(piece, context).flatMap(({ step, at, material }): RuleFinding[] => {
      if (!material || step.method === undefined || canLay(material, step.method)) return [];
      const [usual] = material.methods;
      const { sprays, word } = methodTable[step.method];
      return [
        about(this, piece, step, {
          message: `${material.name} can’t be laid by ${word}.`,
          reason: sprays
            ? 'Too thick for a nozzle, or cured in it before it is cleaned; and as a mist it goes into the lungs.'
            : 'What comes in a can is made to dry in the air on its way: from a brush it drags, strings, and bites into what lies below.',
          ideas: usual
            ? [ways.set(`By ${methodTable[usual].word}`, piece, context, at, { method: usual })]
            : [],
        }),
      ];
    });
  },
};
