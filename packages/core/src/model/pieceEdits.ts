import { linkTarget } from './stepLinks';
import type { Build, Piece, Step } from './schema';
import { nth } from './sure';

/** An id for a new thing, made from its name and unlike all those used: "Hip plate" gives `hip-plate`, then `hip-plate-2`. */
export function idFromName(name: string, used: Iterable<string>): string {
  const taken = new Set(used);
  const stem =
    name
      .toLowerCase()
      .normalize('NFKD')
      .replace(/\p{M}+/gu, '')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 60) || 'piece';
  for (let n = 1; ; n += 1) {
    const id = n === 1 ? stem : `${stem}-${n}`;
    if (!taken.has(id)) return id;
  }
}

const pieceIds = (build: Build) => build.pieces.map((piece) => piece.id);

/**
 * A copy of a piece with its plan, under a new id and name. Links to its own steps stay its own. It is not packed, mirrors
 * nothing, and takes no parts: those are in the first already.
 */
export function copyPiece(build: Build, piece: Piece, name: string): Piece {
  const { mirrors: _mirrors, packedAt: _packedAt, ...rest } = structuredClone(piece);
  const parts = new Set(piece.steps.flatMap((step) => step.parts ?? []));
  const steps = rest.steps.map((step) => {
    const { parts: _parts, after, ended: _ended, ...kept } = step;
    if (!after) return kept;
    const links = after.flatMap((link) => {
      const target = linkTarget(build.pieces, piece, link);
      if (!target || parts.has(target.piece)) return [];
      return [target.piece === piece.id ? target.step : link];
    });
    return links.length > 0 || after.length === 0 ? { ...kept, after: links } : kept;
  });
  return { ...rest, id: idFromName(name, pieceIds(build)), name, steps };
}

/** Gives steps to another piece: with ids it does not use yet, without zones and faces it does not have. */
export function stepsFor(target: Piece, steps: readonly Step[]): Step[] {
  const used = target.steps.map((step) => step.id);
  const zones = new Set((target.zones ?? []).map((zone) => zone.id));
  return steps.map((step) => {
    const {
      zones: wantedZones,
      faces: wantedFaces,
      after: _after,
      ended: _ended,
      ...rest
    } = structuredClone(step);
    const id = idFromName(step.id, used);
    used.push(id);
    const kept = wantedZones?.filter((zone) => zones.has(zone)) ?? [];
    const faces = wantedFaces?.filter((face) => face === 'outer' || target.faces.inner) ?? [];
    return {
      ...rest,
      id,
      ...(kept.length > 0 ? { zones: kept } : {}),
      ...(faces.length > 0 ? { faces } : {}),
    };
  });
}

/**
 * Replaces all steps of some kinds in a piece by others, at the place where the first of them stood: "give these six the
 * same sealing".
 */
export function replaceKind(target: Piece, kinds: ReadonlySet<Step['kind']>, steps: readonly Step[]): Piece {
  const at = target.steps.findIndex((step) => kinds.has(step.kind));
  const rest = target.steps.filter((step) => !kinds.has(step.kind));
  const fresh = stepsFor({ ...target, steps: rest }, steps);
  const before =
    at < 0 ? rest.length : target.steps.slice(0, at).filter((step) => !kinds.has(step.kind)).length;
  return { ...target, steps: [...rest.slice(0, before), ...fresh, ...rest.slice(before)] };
}

/** One field that two people changed differently. */
export interface MergeClash {
  field: string;
  mine: unknown;
  theirs: unknown;
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/**
 * Joins two changes of one piece that began from the same state. A field changed by one of them is taken from that one;
 * fields changed by both to different values are taken from `mine` and told as clashes.
 */
export function mergePieces(
  base: Piece,
  mine: Piece,
  theirs: Piece,
): { piece: Piece; clashes: MergeClash[] } {
  const clashes: MergeClash[] = [];
  const merged: Record<string, unknown> = {};
  const old: Record<string, unknown> = base;
  const ours: Record<string, unknown> = mine;
  const others: Record<string, unknown> = theirs;
  for (const field of new Set([...Object.keys(others), ...Object.keys(ours)])) {
    const iChanged = !same(old[field], ours[field]);
    const theyChanged = !same(old[field], others[field]);
    if (iChanged && theyChanged && !same(ours[field], others[field]))
      clashes.push({ field, mine: ours[field], theirs: others[field] });
    const value = iChanged ? ours[field] : others[field];
    if (value !== undefined) merged[field] = value;
  }
  return { piece: merged as Piece, clashes };
}

/**
 * New steps for a piece that has been worked on: a step that does the same with the same material keeps the old id, and with
 * it what was logged; all others get ids the piece never had, so that the log is not read as something it was not.
 * @param taken ids that are in use already
 */
export function keepLoggedIds(
  piece: Piece,
  steps: readonly Step[],
  taken: ReadonlySet<string> = new Set(),
): Step[] {
  const free = piece.steps.filter(({ id }) => !taken.has(id));
  const used = new Set(piece.steps.map((step) => step.id));
  const alike = (a: Step, b: Step) =>
    a.kind === b.kind && a.material === b.material && same(a.zones, b.zones) && same(a.covers, b.covers);
  return steps.map((step) => {
    const at = free.findIndex((old) => alike(old, step));
    if (at >= 0) return { ...step, id: nth(free.splice(at, 1), 0).id };
    const id = idFromName(step.id, used);
    used.add(id);
    return { ...step, id };
  });
}
