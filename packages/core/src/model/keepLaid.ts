import { groupBy } from './groupBy';
import { idFromName } from './pieceEdits';
import type { Build, Face, LogEntry, Piece, Step, Underway } from './schema';
import { facesOf, shareOf, unitsOf, zoneIdsOf } from './stepSpots';

type Passes = Pick<Build, 'log' | 'underway'>;
type Pass = LogEntry | Underway;

/** What is logged of each piece, or under way: a coat that failed lies there, too. */
const passesByPiece = ({ log = [], underway = [] }: Passes): Map<string, Pass[]> =>
  groupBy([...log, ...underway], ({ piece }) => piece);

const ofStep = (passes: readonly Pass[], step: string): Pass[] => passes.filter((pass) => pass.step === step);

/** The fields of a step that say what a finished pass of it was. When one changes, what is still to do is another step. */
const factsOfPass = [
  'kind',
  'material',
  'method',
  'zones',
  'faces',
  'colour',
  'placement',
  'coversPct',
  'pourMm',
  'thinPct',
  'thinWith',
  'tintPct',
  'texture',
  'cleans',
  'covers',
  'bondArea',
  'attaches',
  'parts',
  'looksOver',
] as const satisfies readonly (keyof Step)[];

const same = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other);

/** Whether two steps lay, or do, the very same thing: what is logged of one may be read as the other. */
export const isSamePass = (one: Step, other: Step): boolean =>
  factsOfPass.every((fact) => same(one[fact], other[fact]));

/**
 * A step as far as it was done: with the coats, faces and units that the log has of it, and ended, so that no more of it is planned.
 * @param passes what is logged of it, or under way; at least one
 */
export function endedStep(piece: Piece, step: Step, passes: readonly Pass[]): Step {
  const units = unitsOf(piece, step).filter((unit) => passes.some((pass) => pass.unit === unit));
  const faces = facesOf(step).filter((face) =>
    passes.some((pass) => pass.face === undefined || pass.face === face),
  );
  const coats = Math.max(1, ...passes.map(({ coat }) => coat));
  const { units: _units, faces: _faces, coats: _coats, optional: _optional, ...rest } = step;
  return {
    ...rest,
    ...(coats > 1 ? { coats } : {}),
    ...(faces.length > 0 && step.faces ? { faces } : {}),
    ...(units.length > 0 && units.length < piece.quantity ? { units } : {}),
    ended: true,
  };
}

/** Coats of a step that are logged on a face of a unit, or under way; a failed one is to do again. */
const coatsDone = (passes: readonly Pass[], unit: number, face: Face): number =>
  new Set(
    passes
      .filter(
        (pass) =>
          pass.unit === unit &&
          (pass.face ?? face) === face &&
          !('outcome' in pass && pass.outcome === 'failed'),
      )
      .map(({ coat }) => coat),
  ).size;

/**
 * What is left of a step that was changed after some of it was done: the coats that are missing, unit by unit. Zones that it did not work
 * on before get all of its coats.
 */
function restOf(piece: Piece, old: Step, changed: Step, passes: readonly Pass[], used: Set<string>): Step[] {
  const zonesBefore = new Set(old.zones ?? zoneIdsOf(piece));
  const zones = changed.zones ?? zoneIdsOf(piece);
  const parts = [
    { zones: zones.filter((zone) => zonesBefore.has(zone)), isNew: false },
    { zones: zones.filter((zone) => !zonesBefore.has(zone)), isNew: true },
  ].filter((part) => part.zones.length > 0);
  const coats = changed.coats ?? 1;
  const lays = changed.material !== undefined;
  const groups = new Map<string, { zones: string[]; faces: Face[]; coats: number; units: number[] }>();
  for (const part of parts)
    for (const unit of unitsOf(piece, changed)) {
      const own = part.isNew ? [] : passes;
      const byCoats = new Map<number, Face[]>();
      for (const face of facesOf(changed)) {
        const done = coatsDone(own, unit, face);
        const left = lays ? coats - done : done > 0 ? 0 : 1;
        if (left > 0) byCoats.set(left, [...(byCoats.get(left) ?? []), face]);
      }
      for (const [left, faces] of byCoats) {
        const key = JSON.stringify([part.zones, faces, left]);
        const group = groups.get(key) ?? { zones: part.zones, faces, coats: left, units: [] };
        group.units.push(unit);
        groups.set(key, group);
      }
    }
  return [...groups.values()].map((group) => {
    const id = idFromName(changed.id, used);
    used.add(id);
    const { units: _units, ended: _ended, ...rest } = changed;
    return {
      ...rest,
      id,
      ...(lays ? { coats: group.coats } : {}),
      ...(changed.faces ? { faces: group.faces } : {}),
      ...(parts.length > 1 || changed.zones ? { zones: group.zones } : {}),
      ...(group.units.length < piece.quantity ? { units: group.units } : {}),
    };
  });
}

/** A changed list of steps with what was done of the old one in it. */
function stepsKept(old: Piece, changed: Piece, all: readonly Pass[]): Step[] {
  const begun = new Set(all.map(({ step }) => step));
  const used = new Set([...old.steps, ...changed.steps].map(({ id }) => id));
  const renamed = new Map<string, string[]>();
  const steps = changed.steps.flatMap((step): Step[] => {
    const before = begun.has(step.id) ? old.steps.find(({ id }) => id === step.id) : undefined;
    if (!before) return [step];
    const passes = ofStep(all, step.id);
    const isShort =
      passes.some(({ coat }) => coat > (step.coats ?? 1)) ||
      passes.some(({ unit }) => unit <= changed.quantity && !unitsOf(changed, step).includes(unit));
    if (isSamePass(before, step) && !isShort) return [step];
    const rest = before.ended ? [] : restOf(changed, before, step, passes, used);
    renamed.set(
      step.id,
      rest.map(({ id }) => id),
    );
    return [endedStep(changed, before, passes), ...rest];
  });
  let last = -1;
  for (const step of old.steps) {
    const at = steps.findIndex(({ id }) => id === step.id);
    if (at >= 0) last = at;
    else if (begun.has(step.id)) {
      last += 1;
      steps.splice(last, 0, endedStep(changed, step, ofStep(all, step.id)));
    }
  }
  return steps.map((step) =>
    step.after?.some((link) => renamed.has(link))
      ? {
          ...step,
          after: step.after.flatMap((link) => {
            const rest = renamed.get(link) ?? [];
            return rest.includes(step.id) || rest.length === 0 ? [link] : rest;
          }),
        }
      : step,
  );
}

/**
 * Steps in an order in which nothing that is still to do stands before what was done on all its units: it would count as passed over, and
 * never be done. What stood there before stays.
 */
function afterWhatIsDone(old: Piece, piece: Piece, all: readonly Pass[]): Step[] {
  // What failed is to do again, as a look is after its repair: nothing is passed over for it.
  const done = all.filter((pass) => 'doneAt' in pass && pass.outcome !== 'failed');
  const begun = new Set(done.map(({ step }) => step));
  const oldAt = new Map(old.steps.map(({ id }, at) => [id, at]));
  const doneOn = new Map([...begun].map((id) => [id, new Set(ofStep(done, id).map(({ unit }) => unit))]));
  const isTooLate = (open: Step, done: Step): boolean => {
    const units = doneOn.get(done.id);
    if (!units) return false;
    const stoodBefore = (oldAt.get(open.id) ?? Infinity) < (oldAt.get(done.id) ?? -1);
    return !stoodBefore && unitsOf(piece, open).every((unit) => units.has(unit));
  };
  const steps: Step[] = [];
  let waiting: Step[] = [];
  piece.steps.forEach((step, at) => {
    if (!begun.has(step.id) && piece.steps.slice(at + 1).some((later) => isTooLate(step, later)))
      waiting.push(step);
    else steps.push(step);
    const isLastDone = waiting.length > 0 && begun.has(step.id);
    if (!isLastDone) return;
    const still = waiting.filter((open) => piece.steps.slice(at + 1).some((later) => isTooLate(open, later)));
    steps.push(...waiting.filter((open) => !still.includes(open)));
    waiting = still;
  });
  return [...steps, ...waiting];
}

/**
 * A film on zones that are no longer there lies on the zones that took their place, nobody knows which: it counts on the whole piece, with
 * the share that its zones had.
 */
function onZonesThere(old: Piece, piece: Piece, step: Step): Step {
  if (!step.zones) return step;
  const there = new Set(zoneIdsOf(piece));
  const kept = step.zones.filter((zone) => there.has(zone));
  if (kept.length === step.zones.length) return step;
  if (kept.length > 0) return { ...step, zones: kept };
  const { zones, ...rest } = step;
  const coversPct = Math.round((step.coversPct ?? 100) * shareOf(old, zones));
  return { ...rest, ...(step.material !== undefined && coversPct < 100 ? { coversPct } : {}) };
}

/** Passes with the film and the place they were laid with, where their step says something else now. */
function asLaid<P extends Pass>(pass: P, old: Piece | undefined, changed: Piece | undefined): P {
  const before = old?.steps.find(({ id }) => id === pass.step);
  const now = changed?.steps.find(({ id }) => id === pass.step);
  if (!before || !now || !('doneAt' in pass)) return pass;
  const film = before.film ?? 'normal';
  return {
    ...pass,
    ...(pass.film === undefined && film !== (now.film ?? 'normal') ? { film } : {}),
    ...(pass.place === undefined && before.place !== now.place && before.place !== undefined
      ? { place: before.place }
      : {}),
  };
}

/**
 * A changed build in which everything that was logged is as it was: steps that went stay as far as they were done, changed ones are parted
 * into what is done and what is still to do, and nothing open slips below what is done. A piece that is deleted takes its log with it.
 * Invariants: each logged pass finds its step, with the material, colour, zones and thickness it was laid with; a change that leaves the
 * facts of what was done alone comes back as it is.
 */
export function keepLaid(before: Build, after: Build): Build {
  const passes = passesByPiece(before);
  if (passes.size === 0) return after;
  const old = new Map(before.pieces.map((piece) => [piece.id, piece]));
  const pieces = after.pieces.map((piece) => {
    const own = old.get(piece.id);
    const all = passes.get(piece.id);
    if (!own || own === piece || !all) return piece;
    const begun = new Set(all.map(({ step }) => step));
    const sameZones = same(own.zones, piece.zones);
    const zoned = sameZones
      ? own
      : {
          ...own,
          steps: own.steps.map((step) => (begun.has(step.id) ? onZonesThere(own, piece, step) : step)),
        };
    const moved = sameZones
      ? piece
      : {
          ...piece,
          steps: piece.steps.map((step) => (begun.has(step.id) ? onZonesThere(own, piece, step) : step)),
        };
    const steps = stepsKept(zoned, moved, all);
    const ordered = afterWhatIsDone(own, { ...piece, steps }, all);
    return same(ordered, piece.steps) ? piece : { ...piece, steps: ordered };
  });
  const now = new Map(pieces.map((piece) => [piece.id, piece]));
  const log = after.log?.map((entry) => asLaid(entry, old.get(entry.piece), now.get(entry.piece)));
  const isSameLog = log === undefined || log.every((entry, at) => same(entry, after.log![at]));
  return {
    ...after,
    pieces: pieces.every((piece, at) => piece === after.pieces[at]) ? after.pieces : pieces,
    ...(isSameLog ? {} : { log }),
  };
}

/** A build without ended steps of which nothing is logged any more. */
export function withoutEmptyEnds(build: Build): Build {
  const passes = passesByPiece(build);
  const isEmpty = (piece: Piece, step: Step) =>
    step.ended === true && ofStep(passes.get(piece.id) ?? [], step.id).length === 0;
  if (!build.pieces.some((piece) => piece.steps.some((step) => isEmpty(piece, step)))) return build;
  return {
    ...build,
    pieces: build.pieces.map((piece) => ({
      ...piece,
      steps: piece.steps.filter((step) => !isEmpty(piece, step)),
    })),
  };
}
