import {
  afterTornPull,
  checksOf,
  groupBy,
  mended,
  mendOffers,
  type Build,
  type Check,
  type MendOffer,
  type Piece,
  type PlannedOperation,
  type Step,
  type Zone,
} from '@fixatum/core';
import type { LogExtras } from '../shared/benchActs';
import type { useBuild } from '../shared/build';

/** One piece of a batch with the step that is done to it, such as a look-over, and the units of it that are looked at. */
interface Looked {
  piece: Piece;
  step: Step;
  units: number[];
}

/** What of a batch is looked at, piece by piece. */
function lookedAt(build: Build, passes: readonly PlannedOperation[]): Looked[] {
  return [...groupBy(passes, ({ pieceId, stepId }) => `${pieceId} ${stepId}`).values()].flatMap((own) => {
    const piece = build.pieces.find(({ id }) => id === own[0]?.pieceId);
    const step = piece?.steps.find(({ id }) => id === own[0]?.stepId);
    return piece && step ? [{ piece, step, units: own.map(({ unit }) => unit) }] : [];
  });
}

/** What is looked at on any piece of a batch, each thing once. */
export function checksFor(build: Build, passes: readonly PlannedOperation[]): Check[] {
  const all = lookedAt(build, passes).flatMap(({ piece, step }) => checksOf(piece, step));
  return all.filter((check, at) => all.findIndex(({ id }) => id === check.id) === at);
}

/** What a look at any of these found wrong before, as it was logged; undefined where none did. */
export function lastFault(build: Build, passes: readonly PlannedOperation[]): string | undefined {
  if (!passes.some(({ failures }) => failures > 0)) return undefined;
  return build.log?.findLast(
    ({ piece, step, unit, outcome }) =>
      outcome === 'failed' &&
      passes.some((pass) => pass.pieceId === piece && pass.stepId === step && pass.unit === unit),
  )?.note;
}

/** Zones to choose from where all is about one piece. */
export function zonesAskedFor(build: Build, passes: readonly PlannedOperation[]): readonly Zone[] {
  const looked = lookedAt(build, passes);
  return looked.length === 1 ? (looked[0]?.piece.zones ?? []) : [];
}

const offersOf = (build: Build, { piece, step, units }: Looked, check: Check, zones: readonly string[]) =>
  mendOffers(build, piece, step.id, check, { units, ...(zones.length > 0 ? { zones } : {}) });

/** What can be done about something wrong: what can be done on every piece of the batch. */
export function offersFor(
  build: Build,
  passes: readonly PlannedOperation[],
  check: Check,
  zones: readonly string[],
): MendOffer[] {
  const [first = [], ...others] = lookedAt(build, passes).map((one) => offersOf(build, one, check, zones));
  return first.filter(({ mend }) => others.every((list) => list.some((other) => other.mend === mend)));
}

/**
 * Logs that a look failed, and puts in what is done about it; the plan goes on from there.
 * @param offer nothing more than the log without one
 */
export async function repair(
  store: ReturnType<typeof useBuild>,
  passes: readonly PlannedOperation[],
  check: Check,
  offer: MendOffer | undefined,
  zones: readonly string[],
): Promise<boolean> {
  const build = store.theBuild;
  const looked = lookedAt(build, passes);
  const note = offer && offer.steps.length > 0 ? `${check.wrong}: ${offer.label.toLowerCase()}` : check.wrong;
  if (!(await store.logDone([...passes], { outcome: 'failed', note }))) return false;
  if (!offer) return true;
  if (offer.waitMinutes !== undefined)
    return store.pin(
      passes.map(({ id }) => id),
      Math.ceil(store.now) + offer.waitMinutes,
    );
  for (const one of looked) {
    const own = offersOf(build, one, check, zones).find(({ mend }) => mend === offer.mend);
    const piece = store.pieceOf(one.piece.id);
    if (!own || !piece) continue;
    if (
      !(await store.saveSteps(piece, mended(piece, one.step.id, own.steps), `${piece.name}: ${offer.label}`))
    )
      return false;
  }
  return true;
}

/**
 * Logs tape as pulled that took paint along, and puts in after it what puts that right.
 * @returns whether all of it went through
 */
export async function logTornPull(
  store: ReturnType<typeof useBuild>,
  passes: readonly PlannedOperation[],
  more: LogExtras,
): Promise<boolean> {
  const looked = lookedAt(store.theBuild, passes);
  const note = [more.note, 'The tape took paint along.'].filter(Boolean).join(' ');
  if (!(await store.logDone([...passes], { ...more, note }))) return false;
  for (const {
    piece: { id },
    step,
    units,
  } of looked) {
    const piece = store.pieceOf(id);
    if (!piece) continue;
    const steps = afterTornPull(store.theBuild, piece, step.id, { units });
    if (!(await store.saveSteps(piece, steps, `${piece.name}: touched up where the tape took paint along`)))
      return false;
  }
  return true;
}
