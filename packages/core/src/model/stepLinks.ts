import { isAtPacking } from './lookOvers';
import type { Build, Piece, Step } from './schema';

/** One step of one piece, by its places in the build file. */
export interface StepLink {
  piece: string;
  step: string;
}

/** How another piece's step is named in `after`. */
export const linkText = ({ piece, step }: StepLink): string => `${piece}/${step}`;

/** By the list of steps: thousands of links into one list ask for it. */
const idsOfSteps = new WeakMap<readonly Step[], { ids: ReadonlySet<string>; count: number }>();

/** Whether a list has a step. A list never changes; a changed piece has another. */
function hasStep(steps: readonly Step[], id: string): boolean {
  let known = idsOfSteps.get(steps);
  if (known?.count !== steps.length) {
    known = { ids: new Set(steps.map((step) => step.id)), count: steps.length };
    idsOfSteps.set(steps, known);
  }
  return known.ids.has(id);
}

/**
 * What a link in `after` means: a step of the piece itself by its id, else `piece/step`; undefined when there is no such
 * step. Ids may hold slashes, so every way to part the text is tried, own steps first.
 */
export function linkTarget(pieces: readonly Piece[], own: Piece, link: string): StepLink | undefined {
  if (hasStep(own.steps, link)) return { piece: own.id, step: link };
  for (let slash = link.indexOf('/'); slash >= 0; slash = link.indexOf('/', slash + 1)) {
    const [pieceId, stepId] = [link.slice(0, slash), link.slice(slash + 1)];
    const other = pieces.find((piece) => piece.id === pieceId);
    if (other && hasStep(other.steps, stepId)) return { piece: pieceId, step: stepId };
  }
  return undefined;
}

/**
 * The steps a step waits for: those its `after` names; or without `after` the one before it in the list, and for a step that joins parts the
 * last that is done to each of them by itself.
 * @param pieces those that links may point into; what is not among them is left out
 */
export function stepsBefore(pieces: readonly Piece[], piece: Piece, at: number): StepLink[] {
  const step = piece.steps[at];
  if (!step) return [];
  if (step.parts && !step.after) {
    const before = piece.steps[at - 1];
    const ends = step.parts.flatMap((part) => lastOfPart(pieces, part, piece) ?? []);
    return [...(before ? [{ piece: piece.id, step: before.id }] : []), ...ends];
  }
  if (step.after) return step.after.flatMap((link) => linkTarget(pieces, piece, link) ?? []);
  const previous = piece.steps[at - 1];
  return previous ? [{ piece: piece.id, step: previous.id }] : [];
}

/**
 * The last step of a part before it is joined: what is done to it afterwards waits for a step of the whole, and it is packed with that, so
 * that its own last look is not waited for.
 */
function lastOfPart(pieces: readonly Piece[], part: string, whole: Piece): StepLink | undefined {
  const piece = pieces.find(({ id }) => id === part);
  if (!piece || piece.id === whole.id) return undefined;
  const joined = piece.steps.findIndex((step) =>
    step.after?.some((link) => linkTarget(pieces, piece, link)?.piece === whole.id),
  );
  const own = joined < 0 ? piece.steps : piece.steps.slice(0, joined);
  const last = own.findLast((step) => !isAtPacking(step));
  return last && { piece: piece.id, step: last.id };
}

/**
 * A circle of steps that wait for each other, with the path of the step that closes it; undefined if there is none. Walks without
 * recursion, so a chain may be as long as it likes.
 */
export function findStepCycle(
  build: Pick<Build, 'pieces'>,
): { steps: string[]; path: (string | number)[] } | undefined {
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
  for (const first of before.keys()) {
    /** The steps from `first` to where the walk is, each with how many of those it waits for have been looked at. */
    const trail = new Map<string, number>();
    const stack = done.has(first) ? [] : [first];
    if (stack.length > 0) trail.set(first, 0);
    for (let key = stack.at(-1); key !== undefined; key = stack.at(-1)) {
      const seen = trail.get(key) ?? 0;
      const next = before.get(key)?.[seen];
      if (next === undefined) {
        done.add(key);
        trail.delete(key);
        stack.pop();
        continue;
      }
      trail.set(key, seen + 1);
      if (trail.has(next)) {
        const steps = [...stack.slice(stack.indexOf(next)), next];
        return { steps, path: paths.get(next) ?? ['pieces'] };
      }
      if (done.has(next)) continue;
      trail.set(next, 0);
      stack.push(next);
    }
  }
  return undefined;
}

/** What is said of a circle of steps. */
export const saidOfCycle = (steps: readonly string[]): string =>
  `These steps wait for each other in a circle: ${steps.join(' → ')}.`;
