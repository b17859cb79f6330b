import { stepKindTable } from '../../model/stepKinds';
import { coatedTooEarly } from '../coatedTooEarly';
import { tellTooEarly } from '../begunTooEarly';
import type { PlannedOperation } from '../../schedule/plan/plan';
import { oncePerStep, type Rule } from '../rule';

const reason =
  'Fillers go on shrinking while they dry. What is done to them too soon is undone from below: a film is pulled apart, grit tears them, heat blows them up, and the gap shows again.';

/** R11: caulk, filler, clay or spackle that is not dry through before a film, heat or sanding. */
export const r11FillerNotDry: Rule = {
  id: 'R11',
  severity: 'stop',
  title: 'Filler that is not dry through',
  look(piece, context) {
    const coated = coatedTooEarly(piece, context.plan, {
      rule: 'R11',
      speaksOf: ({ role }) => role === 'fill',
      state: 'dry through',
      reason,
    });
    const burned = new Set(piece.steps.flatMap(({ id, texture }) => (texture === 'burned' ? [id] : [])));
    const heats = ({ kind, stepId }: PlannedOperation) =>
      stepKindTable[kind].heats === true || burned.has(stepId);
    const worked = tellTooEarly(this, piece, context, {
      wants: (operation) => stepKindTable[operation.kind].abrades === true || heats(operation),
      waitsFor: ({ coats }) => coats === 'fills',
      was: (operation, unit) =>
        `${heats(operation) ? 'Heat came' : 'It was sanded'}${unit} before the filler was dry through`,
      is: (operation, unit) =>
        `${heats(operation) ? 'Heat comes' : 'It is sanded'}${unit} before the filler is dry through`,
      reason,
    });
    return oncePerStep([...coated, ...worked]);
  },
};
