import type { Build, Piece } from './schema';

/** One step of one piece, by its places in the build file. */
export interface StepLink {
  piece: string;
  step: string;
}

const keyOf = (link: StepLink) => `${link.piece}/${link.step}`;

/**
 * The steps a step waits for: those its `after` names, or without `after` the one before it in the list.
 */
export function stepsBefore(piece: Piece, at: number): StepLink[] {
  const step = piece.steps[at];
  if (!step) return [];
  if (step.after) {
    return step.after.map((link) => {
      const slash = link.indexOf('/');
      return slash < 0
        ? { piece: piece.id, step: link }
        : { piece: link.slice(0, slash), step: link.slice(slash + 1) };
    });
  }
  const previous = piece.steps[at - 1];
  return previous ? [{ piece: piece.id, step: previous.id }] : [];
}

/** A circle of steps that wait for each other, with the path of the step that closes it; undefined if none. */
export function findStepCycle(build: Build): { steps: string[]; path: (string | number)[] } | undefined {
  const before = new Map<string, string[]>();
  const paths = new Map<string, (string | number)[]>();
  build.pieces.forEach((piece, at) =>
    piece.steps.forEach((step, n) => {
      const key = keyOf({ piece: piece.id, step: step.id });
      before.set(key, stepsBefore(piece, n).map(keyOf));
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
    if (circle) return { steps: circle, path: paths.get(circle[0]!) ?? ['pieces'] };
  }
  return undefined;
}
