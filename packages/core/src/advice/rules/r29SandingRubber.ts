import { binderOf } from '../../model/binders';
import type { RuleFinding } from '../finding';
import { stepPointer, type Rule } from '../rule';
import { isSanding, laysFilm, meet } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';

/** R29: soft rubber films tear and roll up under sandpaper. */
export const r29SandingRubber: Rule = {
  id: 'R29',
  severity: 'stop',
  title: 'Sanding a soft rubber film',
  look(piece, context) {
    const { build } = context;
    const steps = orderedSteps(piece, context);
    const findings: RuleFinding[] = [];
    for (const sanding of steps) {
      if (!isSanding(sanding.step)) continue;
      const top = steps
        .filter((other) => other.at < sanding.at && laysFilm(other) && meet(piece, other.step, sanding.step))
        .at(-1);
      if (!top?.material || top.material.sand !== undefined || !binderOf(top.material).soft) continue;
      const pointer = stepPointer(build, piece, sanding.at);
      findings.push({
        rule: 'R29',
        severity: 'stop',
        piece: piece.id,
        step: sanding.step.id,
        below: top.material.id,
        message: `${top.material.name} is never sanded: it tears and rolls up.`,
        reason:
          'The film is elastic, so grit drags it instead of cutting it. Fill the flaw and lay another thin coat.',
        ideas: [{ label: 'Leave the sanding out', change: [{ op: 'remove', path: pointer }] }],
      });
    }
    return findings;
  },
};
