import type { Piece, Step } from '../model/schema';
import type { Spot } from '../facts/spots';
import type { RuleFinding } from './finding';
import type { Rule } from './rule';

/** What a rule says of one step. */
export type Said = Pick<RuleFinding, 'message' | 'reason'> & Partial<RuleFinding>;

/** A finding of a rule about a step, or about a piece as a whole, on a spot where the rule looks at spots. */
export function about(
  { id, severity }: Pick<Rule, 'id' | 'severity'>,
  piece: Piece,
  step: Pick<Step, 'id'> | undefined,
  said: Said,
  spot?: Pick<Spot, 'face' | 'zone'>,
): RuleFinding {
  return {
    rule: id,
    severity,
    piece: piece.id,
    ...(step ? { step: step.id } : {}),
    ...(spot ? { face: spot.face, zone: spot.zone } : {}),
    ideas: [],
    ...said,
  };
}
