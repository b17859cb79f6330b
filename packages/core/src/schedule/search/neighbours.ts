import { dryThroughOf } from '../place/dryThrough';
import type { Workload } from '../plan/workload';
import type { Candidate } from './candidate';
import { entryOf, nth } from '../../model/sure';

/** Which coats of a candidate are put off until what they land on is dry through: as they were, or now and then one changed. */
export function changedThrough(
  { run }: Candidate,
  workload: Workload,
  random: (below: number) => number,
): ReadonlySet<string> {
  const through = dryThroughOf(run.operations);
  if (random(3) > 0) return through;
  const coats = [...workload.coatsOnCoats.values()].flat();
  if (coats.length === 0) return through;
  const { id } = nth(coats, random(coats.length));
  return new Set(through.has(id) ? [...through].filter((one) => one !== id) : [...through, id]);
}

/** A neighbour of a candidate's order; undefined when the change drawn does not apply. */
export function changed(
  { sequence, run }: Candidate,
  workload: Workload,
  random: (below: number) => number,
): string[] | undefined {
  const open = run.operations.filter(
    (operation) => operation.status === 'planned' || operation.status === 'unplaced',
  );
  if (open.length < 2) return undefined;
  const pick = () => nth(open, random(open.length));
  const place = new Map(sequence.map((id, at) => [id, at]));
  const move = (ids: readonly string[], to: number): string[] => {
    const moving = new Set(ids);
    const rest = sequence.filter((id) => !moving.has(id));
    rest.splice(Math.max(0, Math.min(rest.length, to)), 0, ...ids);
    return rest;
  };
  switch (random(5)) {
    case 0: {
      // One pass, with what it waits for on its unit, goes to the place of another.
      const [one, other] = [pick(), pick()];
      return move([one.id], entryOf(place, other.id));
    }
    case 1: {
      // A piece goes before all others, or some way forward; late ones are drawn more often.
      const late = open.filter((operation) => {
        const due = workload.dueAt.get(operation.pieceId);
        return (
          due !== undefined &&
          operation.laidAt !== undefined &&
          operation.laidAt + (operation.material?.pack ?? 0) > due
        );
      });
      const pieceId = (late.length > 0 && random(2) === 0 ? nth(late, random(late.length)) : pick()).pieceId;
      const ids = sequence.filter((id) => workload.byId.get(id)?.pieceId === pieceId);
      return move(ids, random(2) === 0 ? 0 : random(sequence.length));
    }
    case 2: {
      // Passes with the same things that lie within some days of each other are taken together.
      const one = pick();
      const near = open.filter(
        (operation) =>
          operation.batchKey === one.batchKey &&
          Math.abs((operation.start ?? 0) - (one.start ?? 0)) < 1440 * (1 + random(4)),
      );
      if (near.length < 2) return undefined;
      const ids = near.map((operation) => operation.id).sort((a, b) => entryOf(place, a) - entryOf(place, b));
      return move(
        ids,
        random(2) === 0 ? entryOf(place, nth(ids, 0)) : entryOf(place, nth(ids, ids.length - 1)),
      );
    }
    case 3: {
      const [one, other] = [pick(), pick()];
      const next = [...sequence];
      const [a, b] = [entryOf(place, one.id), entryOf(place, other.id)];
      [next[a], next[b]] = [nth(next, b), nth(next, a)];
      return next;
    }
    default: {
      // One unit goes before or after another piece's.
      const [one, other] = [pick(), pick()];
      const ids = sequence.filter((id) => {
        const operation = workload.byId.get(id);
        return operation?.pieceId === one.pieceId && operation.unit === one.unit;
      });
      return move(ids, entryOf(place, other.id));
    }
  }
}
