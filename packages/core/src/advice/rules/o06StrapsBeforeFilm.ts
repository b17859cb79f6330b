import { isHeat, laysFilm, meet } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';
import type { Attachment } from '../../model/schema';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';

/** What goes on, with its verb, and how it is called again in the same breath. */
const soft: Partial<Record<Attachment, { goes: string; it: string }>> = {
  strap: { goes: 'Straps go', it: 'them' },
  elastic: { goes: 'Elastic goes', it: 'it' },
  closure: { goes: 'Closures go', it: 'them' },
};

/** O06: elastic, straps and closures on before heat and film go stiff, melt or clog, unless they are covered. */
export const o06StrapsBeforeFilm: Rule = {
  id: 'O06',
  severity: 'risk',
  title: 'Straps, elastic or closures on before heat or film',
  look(piece, context) {
    const steps = orderedSteps(piece, context);
    return steps.flatMap(({ step, at }): RuleFinding[] => {
      const what = step.attaches && soft[step.attaches];
      if (!what) return [];
      const isCovered = (before: number) =>
        steps.some(
          (other) =>
            other.step.kind === 'mask' &&
            other.at > at &&
            other.at < before &&
            (other.step.covers ?? []).length > 0,
        );
      const last = steps
        .filter(
          (other) =>
            other.at > at &&
            (isHeat(other.step) || (laysFilm(other) && meet(piece, other.step, step))) &&
            !isCovered(other.at),
        )
        .at(-1);
      if (!last) return [];
      return [
        about(this, piece, step, {
          message: `${what.goes} on before ${last.material ? `the ${last.material.name}` : 'heat'}: ${last.material ? 'paint stiffens and clogs' : 'heat melts'} ${what.it}. Put ${what.it} on last, or cover ${what.it}.`,
          reason: 'Elastic loses its stretch under heat and paint, and hook-and-loop no longer closes.',
          ideas: [ways.move(`Put ${what.it} on afterwards`, piece, context, at, last.at)],
        }),
      ];
    });
  },
};
