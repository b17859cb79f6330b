import type { Build, Piece } from './schema';
import { nth } from './sure';

/** One step of one piece, by its places in the build file. */
export interface StepLink {
  piece: string;
  step: string;
}

/** How another piece's step is named in `after`. */
export const linkText = ({ piece, step }: StepLink): string => `${piece}/${step}`;

/**
 * What a link in `after` means: a step of the piece itself by its id, else `piece/step`; undefined when there is no such
 * step. Ids may hold slashes, so every way to part the text is tried, own steps first.
 */
export function linkTarget(pieces: readonly Piece[], own: Piece, link: string): StepLink | undefined {
  if (own.steps.some((step) => step.id === link)) return { piece: own.id, step: link };
  for (let slash = link.indexOf('/'); slash >= 0; slash = link.indexOf('/', slash + 1)) {
    const [pieceId, stepId] = [link.slice(0, slash), link.slice(slash + 1)];
    const other = pieces.find((piece) => piece.id === pieceId);
    if (other?.steps.some((step) => step.id === stepId)) return { piece: pieceId, step: stepId };
  }
  return undefined;
}

/**
 * The steps a step waits for: those its `after` names, or without `after` the one before it in the list.
 * @param pieces those that links may point into; what is not among them is left out
 */
export function stepsBefore(pieces: readonly Piece[], piece: Piece, at: number): StepLink[] {
  const step = piece.steps[at];
  if (!step) return [];
  if (step.after) return step.after.flatMap((link) => linkTarget(pieces, piece, link) ?? []);
  const previous = piece.steps[at - 1];
  return previous ? [{ piece: piece.id, step: previous.id }] : [];
}

/** A circle of steps that wait for each other, with the path of the step that closes it; undefined if none. */
export function findStepCycle(build: Build): { steps: string[]; path: (string | number)[] } | undefined {
  const before = new Map<string, string[]>();
  const paths = new Map<string, (string | number)[]>();
  build.pieces.forEach((piece, at) =>
    piece.steps.forEach((step, n) => {
      const key = linkText({ piece: piece.id, step: step.id });
      before.set(key, stepsBefore(build.pieces, piece, n).map(linkText));
      paths.set(key, ['pieces', at, 'steps', n, 'after']);
    }),
  );
  const done = new Set<string>();
  const trail: string[] = [];
  const visit = (key: string): string[] | undefined => {
    if (done.has(key)) return undefined;
    const at = trail.indexOf(key);
    if (at >= 0) return [...trail.slice(at), key];
    trail.push(key);
    for (const next of before.get(key) ?? []) {
      const circle = visit(next);
      if (circle) return circle;
    }
    trail.pop();
    done.add(key);
    return undefined;
  };
  for (const key of before.keys()) {
    const circle = visit(key);
    if (circle) return { steps: circle, path: paths.get(nth(circle, 0)) ?? ['pieces'] };
  }
  return undefined;
}
