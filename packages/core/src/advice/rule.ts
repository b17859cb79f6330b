import type { Build, Piece } from '../model/schema';
import type { RuleFinding, Severity } from './finding';
import type { Material } from '../model/materialSchema';
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

/** Keeps the first finding for each step and cause, so that four units of a set speak once. */
export function oncePerStep(findings: RuleFinding[]): RuleFinding[] {
  const seen = new Set<string>();
  return findings.filter((finding) => {
    const key = `${finding.rule} ${finding.piece} ${finding.step} ${finding.below}`;
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}
