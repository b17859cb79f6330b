import { freshUntil, freshWorkOn } from '../../facts/freshWork';
import { sayMoment } from '../../model/sayMoment';
import { type EpochMinute } from '../../model/wallTime';
import { nth } from '../../model/sure';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { unitWords } from '../landings';
import { oncePerStep, type Rule } from '../rule';

/** O09: chipping works while the colour over the resist is fresh, and wiping back while the wash has not set. */
export const o09WorkedTooLate: Rule = {
  id: 'O09',
  severity: 'stop',
  title: 'Chipped or wiped back too late',
  look(piece, { plan }) {
    const found = plan.operations.flatMap((operation): RuleFinding[] => {
      const { start, unit, stepId } = operation;
      const isWork = operation.kind === 'weather' && operation.material === undefined;
      if (operation.pieceId !== piece.id || !isWork || start === undefined) return [];
      const state = plan.units.get(`${piece.id}/${unit}`);
      return operation.cells.flatMap((cell): RuleFinding[] => {
        const stack = state?.asOf(cell, start);
        const coats = (state?.cells.get(cell) ?? []).filter(({ laidAt }) => laidAt <= start);
        const top = coats.at(-1);
        if (!stack || !top) return [];
        const work = freshWorkOn(
          operation,
          coats.map(({ material }) => material),
        );
        if (!work) return [];
        const isChipped = work === 'chipped';
        const until: EpochMinute = nth(stack.coats, coats.length - 1)[freshUntil[work]];
        if (start <= Math.ceil(until)) return [];
        const isDone = operation.status === 'done';
        return [
          about(
            this,
            piece,
            { id: stepId },
            {
              severity: isDone ? 'stop' : 'risk',
              below: top.material.id,
              message: isChipped
                ? `${isDone ? 'It was chipped' : 'It would be chipped'}${unitWords(piece, unit)} after the ${top.material.name} had hardened (${sayMoment(until, plan.timeZone)}): it comes off in skins or not at all.`
                : `${isDone ? 'It was wiped' : 'It would be wiped'} back${unitWords(piece, unit)} after the ${top.material.name} had set (${sayMoment(until, plan.timeZone)}).`,
              reason: isChipped
                ? 'Water reaches the resist only through a film that is still open. Chip it as soon as it is touch-dry.'
                : 'Once it is dry a wash stays where it is. Wipe a hand’s breadth at a time, within minutes.',
            },
          ),
        ];
      });
    });
    return oncePerStep(found);
  },
};
