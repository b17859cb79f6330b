import type { Build } from '../build/schema';
import { materialsOf } from '../materials/ownMaterials';
import type { Plan } from '../schedule/plan';
import { planBuild } from '../schedule/planBuild';
import { severities, type RuleFinding } from './finding';
import { rules } from './rules';
import { weighSwatches } from './swatches';

/**
 * Everything the rules have to say about a build, weighed against the user's own swatches, worst first within each piece,
 * pieces in build order. Rules that depend on when things happen judge the given plan, or one made for the purpose.
 * Quick: no way out is tried.
 */
export function judgeBuild(
  build: Build,
  plan: Plan = planBuild(build, { latestStarts: false }),
): RuleFinding[] {
  const context = { build, materials: materialsOf(build.materials), plan };
  return build.pieces.flatMap((piece) => {
    const order = new Map(piece.steps.map((step, at) => [step.id, at]));
    const found = rules.flatMap((rule) => rule.look(piece, context));
    return weighSwatches(piece, found, context).sort(
      (a, b) =>
        severities.indexOf(a.severity) - severities.indexOf(b.severity) ||
        (order.get(a.step ?? '') ?? 0) - (order.get(b.step ?? '') ?? 0),
    );
  });
}
