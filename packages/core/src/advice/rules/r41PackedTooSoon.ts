import type { Piece } from '../../model/schema';
import { epochMinute, sayMoment, type EpochMinute } from '../../model/wallTime';
import type { RuleFinding } from '../finding';
import type { Rule } from '../rule';
import type { Plan } from '../../schedule/answers/plan';
import { entryOf, nth } from '../../model/sure';

/** R41: stacked or bagged before it is packable, a piece sticks to its neighbour and keeps the print. */
export const r41PackedTooSoon: Rule = {
  id: 'R41',
  severity: 'stop',
  title: 'Stacked or bagged before it is packable',
  look(piece, { build, plan }) {
    const softest = softestOf(piece, plan);
    if (!softest) return [];
    const finding = (message: string): RuleFinding => ({
      rule: 'R41',
      severity: 'stop',
      piece: piece.id,
      step: softest.stepId,
      below: softest.materialId,
      message,
      reason:
        'A film that is dry to the hand is still soft inside. Pressed against another, or shut in plastic, the two faces melt into each other.',
      ideas: [],
    });
    const until = Number.isFinite(softest.packAt)
      ? `until ${sayMoment(Math.ceil(softest.packAt), plan.timeZone)}`
      : 'for longer than can be told in this air';
    if (piece.packedAt !== undefined) {
      if (epochMinute(piece.packedAt, build.timeZone) >= Math.floor(softest.packAt)) return [];
      return [
        finding(
          `It was packed while the ${softest.name} still sticks, ${until}: take it out and let air to it.`,
        ),
      ];
    }
    const event = build.events.find((one) => one.id === piece.event);
    if (event?.packAt === undefined) return [];
    const dueAt = epochMinute(event.packAt, build.timeZone);
    if (dueAt >= Math.floor(softest.packAt)) return [];
    return [
      finding(
        `At packing time, ${sayMoment(dueAt, plan.timeZone)}, the ${softest.name} still sticks, ${until}: carry it unwrapped, or be quicker.`,
      ),
    ];
  },
};

/** The coat of all units that is packable last. */
function softestOf(
  piece: Piece,
  plan: Plan,
): { stepId: string; materialId: string; name: string; packAt: EpochMinute } | undefined {
  const stepOf = new Map(plan.operations.map((operation) => [operation.id, operation.stepId]));
  let softest: ReturnType<typeof softestOf>;
  for (let unit = 1; unit <= piece.quantity; unit += 1) {
    const state = plan.units.get(`${piece.id}/${unit}`);
    for (const [, coats, stack] of state?.stacks() ?? []) {
      coats.forEach((coat, at) => {
        const { packAt } = nth(stack.coats, at);
        if (!softest || packAt > softest.packAt)
          softest = {
            stepId: entryOf(stepOf, coat.operationId),
            materialId: coat.material.id,
            name: coat.material.name,
            packAt,
          };
      });
    }
  }
  return softest;
}
