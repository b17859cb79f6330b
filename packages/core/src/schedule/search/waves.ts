import { MINUTES_PER_DAY, type EpochMinute } from '../../model/wallTime';
import { entryOf, nth } from '../../model/sure';
import { worthPuttingOff } from '../place/dryThrough';
import type { DecodeOptions } from '../place/decodeOptions';
import { Draft } from '../place/draft';
import type { PlannedOperation } from '../plan/plan';
import { unitKey, type Workload } from '../plan/workload';
import { longestWait } from '../state/timeline';
import { candidateOfDraft, type Candidate } from './candidate';

/** How a build is cut into waves. */
export interface WaveShape {
  /** The units are taken in so many lots, those with the least time to spare first; each lot goes through all its steps together. */
  lots: number;
  /** What is ready this much later than the first of its wave does not hold it up, minutes. */
  patienceMinutes: number;
  /** Other pieces are coated between two coats of one, so that both are one set-up. */
  bridges?: boolean;
  /** Nothing begins before this moment. */
  notBefore?: EpochMinute;
  /** All is done by this person, by id; by whoever can first unless given. */
  byHands?: string;
  /** Pieces that go before all others, in waves of their own, by id. */
  first?: ReadonlySet<string>;
}

/** Shapes from one wave over everything to small quick ones. */
export const waveShapes: readonly WaveShape[] = [
  { lots: 1, patienceMinutes: Infinity },
  { lots: 1, patienceMinutes: 1440 },
  { lots: 1, patienceMinutes: 120 },
  { lots: 2, patienceMinutes: Infinity },
  { lots: 2, patienceMinutes: 240 },
  { lots: 3, patienceMinutes: 1440 },
  { lots: 4, patienceMinutes: 240 },
];

/**
 * A plan as people make it at the bench: wave after wave over many pieces. Of all work that nothing but drying keeps back, that
 * is done next which no other piece is still on its way to; all of it begins when the last of it is ready, so that it is one
 * set-up. What is on its way to nothing together goes by what is ready first.
 */
export function waveCandidate(
  workload: Workload,
  now: EpochMinute,
  shape: WaveShape,
  options: Pick<DecodeOptions, 'letDryThrough' | 'keepsTenth'> = {},
): Candidate {
  const draft = new Draft(workload, { ...options, now: Math.max(now, workload.startAt) });
  const lessons = draft.replay();
  draft.placePins();
  draft.byHands = shape.byHands;
  for (const lot of lotsOf(workload, draft, shape)) {
    // Each wave gives something a place or gives it up for good, so that there are no more waves than passes.
    for (let most = -1; draft.placed.size > most;) {
      most = draft.placed.size;
      const wave = nextWave(workload, draft, lot, shape.patienceMinutes);
      if (wave.length === 0) break;
      const begins = Math.max(shape.notBefore ?? -Infinity, ...wave.map(({ opensAt }) => opensAt));
      draft.heldUntil = new Map(wave.map(({ operation }) => [operation.id, begins]));
      const operations = wave.map(({ operation }) => operation);
      if (shape.bridges) placeBridging(workload, draft, operations);
      else draft.placeAll(operations.map(({ id }) => id));
    }
    draft.heldUntil = new Map();
  }
  draft.byHands = undefined;
  draft.placeAll(draft.planned.keys());
  return candidateOfDraft(workload, draft, lessons, now);
}

/** Longer sessions than the next are waited for no longer than this. */
const WAITS_FOR_A_LONGER_ONE = 14 * MINUTES_PER_DAY;

/**
 * The shapes, and for what is so little that it may fit into one session those that wait for a longer one than any before it.
 */
function shapesFor(workload: Workload, now: EpochMinute): WaveShape[] {
  const minutes = workload.operations.reduce((sum, { workMinutes }) => sum + workMinutes, 0);
  const windows = workload.people
    .flatMap(({ id, calendar }) =>
      calendar.between(now, now + WAITS_FOR_A_LONGER_ONE).map((window) => ({ ...window, id })),
    )
    .sort((a, b) => a.from - b.from);
  let longest = 0;
  const bridging = waveShapes.filter(({ lots }) => lots === 1).map((shape) => ({ ...shape, bridges: true }));
  const longer = windows.flatMap(({ id, from, to }, n) => {
    const isLonger = to - from > longest;
    longest = Math.max(longest, to - from);
    return isLonger && n > 0 && to - from >= minutes ? [{ notBefore: from, byHands: id }] : [];
  });
  return [
    ...waveShapes,
    ...bridging,
    ...longer.flatMap((session) => [
      { lots: 1, patienceMinutes: Infinity, ...session },
      { lots: 1, patienceMinutes: 120, ...session },
      { lots: 1, patienceMinutes: 120, bridges: true, ...session },
    ]),
  ];
}

/**
 * Places a wave so that its set-up reaches to the second coats of what has two: one of those first, then the others, spaced so that
 * the things lie ready all the while; no later than usual where that does not reach.
 */
function placeBridging(workload: Workload, draft: Draft, wave: readonly PlannedOperation[]): void {
  const nextOf = (operation: PlannedOperation): PlannedOperation | undefined => {
    const own = entryOf(workload.byUnit, unitKey(operation));
    const next = own[own.findIndex(({ id }) => id === operation.id) + 1];
    return next?.rinseKey === operation.rinseKey ? draft.planned.get(next.id) : undefined;
  };
  const anchor = wave.find((one) => nextOf(one));
  const again = anchor && nextOf(anchor);
  const ids = ({ id }: PlannedOperation) => id;
  if (!anchor || !again) return draft.placeAll(wave.map(ids));
  const twice = wave.filter((one) => one !== anchor && nextOf(one));
  const between = [...twice, ...wave.filter((one) => !nextOf(one))];
  draft.placeAll([anchor.id]);
  const held = new Map<string, EpochMinute>();
  let reaches = draft.opensAt(again);
  for (const one of [...between].reverse()) {
    reaches -= longestWait(one) + one.workMinutes;
    held.set(one.id, reaches);
  }
  const [next] = between;
  const doesReach =
    Number.isFinite(reaches) &&
    next !== undefined &&
    reaches - longestWait(next) <= (anchor.laidAt ?? -Infinity);
  if (doesReach) draft.heldUntil = new Map([...draft.heldUntil, ...held]);
  draft.placeAll(between.map(ids));
  draft.heldUntil = new Map();
  if (doesReach) draft.placeAll([again, ...twice.flatMap((one) => nextOf(one) ?? [])].map(ids));
}

/** How often what a wave plan has in trouble is brought to the front. */
const MOST_ROUNDS = 4;

/**
 * Wave plans of several shapes, as they come: for each also with what would be late, or short of time to spare, in waves before
 * all others, until that is nothing new.
 */
export function* waveCandidates(
  workload: Workload,
  now: EpochMinute,
  keepsTenth: boolean,
  shapes: readonly WaveShape[] = shapesFor(workload, now),
): Generator<Candidate> {
  for (const shape of shapes) {
    let first = new Set<string>();
    let letDryThrough: ReadonlySet<string> = new Set();
    for (let round = 0; round < MOST_ROUNDS; round += 1) {
      const candidate = waveCandidate(workload, now, { ...shape, first }, { letDryThrough, keepsTenth });
      yield candidate;
      const troubled = [...candidate.standings].flatMap(([id, { unplaced, late, frail, lacking }]) =>
        unplaced > 0 || late > 0 || frail > 0 || lacking > 0 ? [id] : [],
      );
      const more = new Set([...first, ...troubled]);
      if (more.size === first.size || more.size === candidate.standings.size) {
        // Coats that join take long to dry through: laid one by one they may be in time.
        const coats = troubled.length > 0 ? worthPuttingOff(workload, new Set(troubled)).at(0) : undefined;
        if (!coats || coats.every((id) => letDryThrough.has(id))) break;
        letDryThrough = new Set([...letDryThrough, ...coats]);
      }
      first = more;
    }
  }
}

/** The units with open work, `piece/unit`, in so many lots of about the same size, the most urgent first. */
function lotsOf(workload: Workload, draft: Draft, { lots, first = new Set() }: WaveShape): string[][] {
  const slackOf = (key: string): number => {
    const next = entryOf(workload.byUnit, key).find(({ id }) => !draft.placed.has(id));
    if (!next) return Infinity;
    return (workload.dueAt.get(next.pieceId) ?? Infinity) - (workload.tails.get(next.id) ?? 0);
  };
  const open = [...workload.byUnit.keys()]
    .map((key) => ({ key, slack: slackOf(key) }))
    .filter(({ key }) => entryOf(workload.byUnit, key).some(({ id }) => isOpen(draft, id)))
    .sort((a, b) => a.slack - b.slack || 0);
  const isFirst = ({ key }: { key: string }) => first.has(nth(entryOf(workload.byUnit, key), 0).pieceId);
  return [open.filter(isFirst), open.filter((one) => !isFirst(one))].flatMap((own) => {
    const size = Math.max(1, Math.ceil(own.length / lots));
    return Array.from({ length: Math.ceil(own.length / size) }, (_, n) =>
      own.slice(n * size, (n + 1) * size).map(({ key }) => key),
    );
  });
}

const isOpen = (draft: Draft, id: string): boolean =>
  draft.planned.get(id)?.status === 'planned' && !draft.placed.has(id);

interface Waiting {
  operation: PlannedOperation;
  opensAt: EpochMinute;
}

/** What of a lot is best done next in one go; nothing when nothing is left that could be. */
function nextWave(
  workload: Workload,
  draft: Draft,
  lot: readonly string[],
  patienceMinutes: number,
): Waiting[] {
  const groups = new Map<string, Waiting[]>();
  const toCome = new Map<string, Set<string>>();
  for (const key of lot) {
    for (const { id } of entryOf(workload.byUnit, key)) {
      if (!isOpen(draft, id)) continue;
      const operation = entryOf(draft.planned, id);
      const units = toCome.get(operation.rinseKey) ?? new Set();
      toCome.set(operation.rinseKey, units.add(unitKey(operation)));
      if (operation.after.some((before) => isOpen(draft, before))) continue;
      const group = groups.get(operation.rinseKey) ?? [];
      groups.set(operation.rinseKey, group);
      group.push({ operation, opensAt: draft.opensAt(operation) });
    }
  }
  let best: { wave: Waiting[]; share: number; begins: EpochMinute } | undefined;
  for (const [key, group] of groups) {
    const soonest = Math.min(...group.map(({ opensAt }) => opensAt));
    const wave = group.filter(({ opensAt }) => opensAt <= soonest + patienceMinutes || opensAt === soonest);
    const units = new Set(wave.map(({ operation }) => unitKey(operation)));
    const share = units.size / entryOf(toCome, key).size;
    const begins = Math.max(...wave.map(({ opensAt }) => opensAt));
    if (!best || share > best.share || (share === best.share && begins < best.begins))
      best = { wave, share, begins };
  }
  const { wave = [] } = best ?? {};
  // Colour by colour, so that the tool is rinsed as seldom as can be.
  return wave.sort(
    (a, b) =>
      (a.operation.batchKey < b.operation.batchKey
        ? -1
        : a.operation.batchKey > b.operation.batchKey
          ? 1
          : 0) ||
      a.opensAt - b.opensAt ||
      0,
  );
}
