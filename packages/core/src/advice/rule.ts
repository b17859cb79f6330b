import type { Build, Piece } from '../model/schema';
import { severities, type RuleFinding, type Severity } from './finding';
import type { Material } from '../model/materialSchema';
import type { SpotName } from '../words/whereWords';
import type { Plan } from '../schedule/answers/plan';

/**
 * What a rule may look at: the build, its materials, and the plan that says when everything happens, its operations being
 * those of the piece at hand. One context serves one piece.
 */
export interface RuleContext {
  build: Build;
  materials: ReadonlyMap<string, Material>;
  plan: Plan;
}

/** One compatibility rule. `look` gives its findings for one piece. */
export interface Rule {
  id: string;
  severity: Severity;
  /** What it watches for, in a few words. */
  title: string;
  look(piece: Piece, context: RuleContext): RuleFinding[];
}

/** The JSON Pointer of a step, for patches. */
export function stepPointer(build: Build, piece: Piece, stepIndex: number): string {
  return `/pieces/${build.pieces.indexOf(piece)}/steps/${stepIndex}`;
}

/**
 * Keeps the worst finding for each step and cause, the first of those, so that four units of a set speak once. It tells of all the
 * spots on which it is as bad as that.
 */
export function oncePerStep(findings: RuleFinding[]): RuleFinding[] {
  const worst = new Map<string, RuleFinding>();
  for (const finding of findings) {
    const key = `${finding.rule} ${finding.piece} ${finding.step} ${finding.below}`;
    const known = worst.get(key);
    const gravity = known ? severities.indexOf(finding.severity) - severities.indexOf(known.severity) : -1;
    if (gravity < 0) worst.set(key, { ...finding, spots: spotsOfFinding(finding) });
    else if (gravity === 0 && known?.spots) known.spots.push(...spotsOfFinding(finding));
  }
  return [...worst.values()];
}

const spotsOfFinding = ({ face, zone, spots }: RuleFinding): SpotName[] =>
  spots ?? (face === undefined || zone === undefined ? [] : [{ face, zone }]);
