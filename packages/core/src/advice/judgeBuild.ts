import type { Build, Piece } from '../model/schema';
import type { RuleContext } from './rule';
import { materialsOf } from '../materials/ownMaterials';
import type { PlannedOperation } from '../schedule/plan/plan';
import { groundsOf } from '../facts/grounds';
import { planBuild } from '../schedule/answers/planBuild';
import { severities, type RuleFinding } from './finding';
import { rules } from './rules/index';
import { weighSwatches } from './swatches';
import type { Plan } from '../schedule/answers/plan';
import { entryOf } from '../model/sure';
import { spotWords, stepTitle } from '../words/whereWords';
import { messageOf } from '../model/unknowns';

/**
 * Everything the rules have to say about a build, weighed against the user's own swatches, worst first within each piece,
 * pieces in build order. Rules that depend on when things happen judge the given plan, or one made for the purpose.
 * Quick: no way out is tried.
 */
export function judgeBuild(
  build: Build,
  plan: Plan = planBuild(build, { latestStarts: false }),
): RuleFinding[] {
  const materials = materialsOf(build.materials);
  const own = new Map<string, PlannedOperation[]>(build.pieces.map((piece) => [piece.id, []]));
  for (const operation of plan.operations) own.get(operation.pieceId)?.push(operation);
  return build.pieces.flatMap((piece) => {
    // Rules look at one piece, so each gets the operations of that piece only.
    const context = { build, materials, plan: { ...plan, operations: entryOf(own, piece.id) } };
    const order = new Map(piece.steps.map((step, at) => [step.id, at]));
    const where = (finding: RuleFinding): RuleFinding => {
      const at = order.get(finding.step ?? '');
      const words = [
        at === undefined ? '' : stepTitle(piece, at, materials),
        spotWords(piece, finding.spots ?? []),
      ].filter(Boolean);
      return words.length === 0 ? finding : { ...finding, where: words.join(' · ') };
    };
    return judgedPiece(piece, context)
      .map(where)
      .sort(
        (a, b) =>
          severities.indexOf(a.severity) - severities.indexOf(b.severity) ||
          (order.get(a.step ?? '') ?? 0) - (order.get(b.step ?? '') ?? 0),
      );
  });
}

/** What is said of the whole piece is said for each thing it is made of: once is enough. */
function saidOnce(findings: readonly RuleFinding[]): RuleFinding[] {
  const said = new Set<string>();
  return findings.filter(({ rule, step, message }) => {
    const key = [rule, step, message].join('|');
    if (said.has(key)) return false;
    said.add(key);
    return true;
  });
}

/** What the rules say of one piece. A rule that breaks on it says so itself, and takes nothing from the other pieces. */
function judgedPiece(piece: Piece, context: RuleContext): RuleFinding[] {
  try {
    const grounds = groundsOf(piece);
    const found = grounds.flatMap((ground) => rules.flatMap((rule) => rule.look(ground, context)));
    return weighSwatches(piece, grounds.length > 1 ? saidOnce(found) : found, context);
  } catch (error) {
    return [
      {
        rule: 'X01',
        severity: 'risk',
        piece: piece.id,
        message: `“${piece.name}” could not be checked: ${messageOf(error)}`,
        reason:
          'This is a fault of the program or of the file, not of the piece. Its coats are planned all the same; check them by the labels.',
        ideas: [],
      },
    ];
  }
}
