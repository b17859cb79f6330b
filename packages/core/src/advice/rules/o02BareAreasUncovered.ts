import type { RuleFinding } from '../finding';
import { freshId } from '../freshId';
import { stepPointer, type Rule } from '../rule';
import { laysFilm } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';

/** O02: closures, tabs and bond areas are covered before the first film, or they are sealed along with the rest. */
export const o02BareAreasUncovered: Rule = {
  id: 'O02',
  severity: 'risk',
  title: 'Closures and bond areas not covered before sealing',
  look(piece, context) {
    const { build } = context;
    const bare = piece.keepBare ?? [];
    const steps = orderedSteps(piece, context);
    const films = steps.filter(laysFilm);
    const [first] = films;
    if (bare.length === 0 || !first) return [];
    const covered = new Set(
      steps
        .filter(({ step, at }) => step.kind === 'mask' && at < first.at)
        .flatMap(({ step }) => step.covers ?? []),
    );
    const open = bare.filter((name) => !covered.has(name));
    if (open.length === 0) return [];
    const mask = {
      id: freshId('mask-bare', piece),
      kind: 'mask',
      covers: open,
      note: `Cover: ${open.join(', ')}.`,
    };
    const finding: RuleFinding = {
      rule: 'O02',
      severity: 'risk',
      piece: piece.id,
      step: first.step.id,
      message: `Nothing covers ${open.join(', ')} before the ${first.material.name}.`,
      reason:
        'Glue does not hold on films, and closures fill up with them. Cover what must stay bare before the first coat.',
      ideas: [
        {
          label: `Cover ${open.join(', ')} first`,
          change: [
            { op: 'add', path: stepPointer(build, piece, first.at), value: mask },
            {
              op: 'add',
              path: stepPointer(build, piece, (films.at(-1) ?? first).at + 2),
              value: { id: freshId('unmask-bare', piece), kind: 'unmask', note: `Off: ${open.join(', ')}.` },
            },
          ],
        },
      ],
    };
    return [finding];
  },
};
