import type { Build } from '../build/schema';
import { materialsOf } from '../materials/ownMaterials';
import type { Plan } from '../schedule/plan';
import { planBuild } from '../schedule/planBuild';
import type { Finding, Severity } from './finding';
import { rules } from './rules';

const severityOrder: Record<Severity, number> = { stop: 0, risk: 1, note: 2 };

/**
 * Everything the rules have to say about a build, worst first within each piece, pieces in build order. Rules that
 * depend on when things happen judge the given plan, or one made for the purpose.
 */
export function checkBuild(build: Build, plan: Plan = planBuild(build)): Finding[] {
  const context = { build, materials: materialsOf(build.materials), plan };
  return build.pieces.flatMap((piece) => {
    const order = new Map(piece.steps.map((step, at) => [step.id, at]));
    return rules
      .flatMap((rule) => rule.look(piece, context))
      .sort(
        (a, b) =>
          severityOrder[a.severity] - severityOrder[b.severity] ||
          (order.get(a.step ?? '') ?? 0) - (order.get(b.step ?? '') ?? 0),
      );
  });
}
