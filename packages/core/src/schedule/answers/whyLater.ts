import { firstGoodAir } from '../../drying/goodAir';
import { methodTable } from '../../model/methods';
import { entryOf } from '../../model/sure';
import { toolCount, type Tool } from '../../model/tools';
import type { EpochMinute } from '../../model/wallTime';
import type { Window } from '../plan/calendar';
import { isPlaced, workBegins, type PlannedOperation, type Proof, type Reason } from '../plan/plan';
import { Rack } from '../state/rack';
import { dryingOf } from '../state/rackStays';
import { hasOwnSetUp } from '../state/timeline';
import { firstLeft } from '../state/toolFree';
import type { Plan } from './plan';

/** Shorter than this is nobody's wait, minutes. */
const WORTH_PROVING_MINUTES = 60;
/** Less is gained by rounding alone. */
const LEAST_GAIN_MINUTES = 5;
const MOST_ROUNDS = 200;

/** What can be taken away. */
type Cause = 'elsewhere' | 'busy' | 'hands' | 'tool' | 'place' | 'quiet' | 'air' | 'material';
const causes: readonly Cause[] = ['elsewhere', 'place', 'air', 'quiet', 'material', 'tool', 'busy', 'hands'];
/** What holds only together, such as daylight with evenings that are free. */
const pairs: readonly (readonly [Cause, Cause])[] = [
  ['place', 'hands'],
  ['place', 'elsewhere'],
  ['air', 'hands'],
  ['place', 'air'],
  ['busy', 'elsewhere'],
  ['busy', 'hands'],
];
/** What the plan found and this does not work out again. */
const notWorkedOut = new Set<Reason>(['rack', 'dust', 'window', 'through']);

/** Finds for passes of one plan why they do not begin as soon as what lies below lets them. */
export class WhyLater {
  private readonly busy = new Map<string, Window[]>();
  private readonly elsewhere = new Map<string, (Window & { by?: string | undefined })[]>();
  /** When somebody holds a tool that counts. */
  private readonly uses: (Window & { person: string; tool: Tool })[] = [];
  private filled: ReadonlyMap<string, Rack> | undefined;

  constructor(private readonly plan: Plan) {
    for (const operation of plan.operations)
      if (isPlaced(operation) && operation.status === 'planned') {
        const { personId: person, start: from, end: to, method } = operation;
        add(this.busy, person, { from, to });
        this.use(person, methodTable[method].tool, { from, to });
      }
    for (const { person, from, to, by, tool } of plan.workload.taken.hands) {
      add(this.elsewhere, person, { from, to, by });
      this.use(person, tool, { from, to });
    }
  }

  private use(person: string, tool: Tool | undefined, window: Window): void {
    if (tool) this.uses.push({ ...window, person, tool });
  }

  /** Undefined for a pass that waits for nothing but what lies below, or is not planned. */
  of(operation: PlannedOperation): Proof | undefined {
    const { opensAt, boundBy } = operation;
    if (operation.status !== 'planned' || opensAt === undefined || operation.laidAt === undefined)
      return undefined;
    const begins = workBegins(operation);
    const from = Math.max(opensAt, this.plan.now);
    if (begins - from < WORTH_PROVING_MINUTES)
      return boundBy === 'hands' ? this.takenHands(operation, from) : undefined;
    const own = this.soonest(operation, from, begins, new Set());
    // What chose a later moment is the reason where that is most of the wait; else it is what kept it until there was a choice.
    if (begins - own >= Math.max(LEAST_GAIN_MINUTES, (begins - from) / 2)) {
      if (boundBy !== undefined && notWorkedOut.has(boundBy)) return { why: boundBy };
      return { why: this.isRackFull(operation, own, begins) ? 'rack' : 'choice' };
    }
    const without = (...left: Cause[]) => this.soonest(operation, from, own, new Set(left));
    const alone = causes.map((cause) => ({ cause, gain: own - without(cause) }));
    const together = () => pairs.map(([cause, other]) => ({ cause, gain: own - without(cause, other) }));
    const found = mostOf(alone) ?? mostOf(together());
    if (!found) return boundBy === undefined ? undefined : { why: boundBy };
    return this.said(found, operation, from, own);
  }

  /** What free hands are at before a pass that begins soon after it can: other work here, or another build's. Undefined where nobody is free. */
  private takenHands(operation: PlannedOperation, from: EpochMinute): Proof | undefined {
    const { start = from } = operation;
    if (this.freeFrom(operation, from) + LEAST_GAIN_MINUTES > start) return undefined;
    const others = [...this.elsewhere.values()]
      .flat()
      .find(({ from: since, to }) => to > from && since < start);
    return others
      ? { why: 'elsewhere', ...(others.by === undefined ? {} : { by: others.by }) }
      : { why: 'busy' };
  }

  /** When anybody first has time for a pass, whatever else they do in it. */
  private freeFrom(
    { setUpMinutes, workMinutes, cleanUpMinutes }: PlannedOperation,
    from: EpochMinute,
  ): EpochMinute {
    const total = setUpMinutes + workMinutes + cleanUpMinutes;
    const soonest = Math.max(this.plan.now, from - setUpMinutes);
    return Math.min(...this.plan.workload.people.map(({ calendar }) => calendar.firstFit(soonest, total)));
  }

  private said(cause: Cause, operation: PlannedOperation, from: EpochMinute, begins: EpochMinute): Proof {
    if (cause === 'elsewhere') {
      const held = [...this.elsewhere.values()]
        .flat()
        .find(({ from: since, to, by }) => by !== undefined && to > from && since < begins);
      return { why: 'elsewhere', ...(held?.by === undefined ? {} : { by: held.by }) };
    }
    if (cause === 'hands') {
      const freeAt = this.freeFrom(operation, from);
      const isBusyThen = (operation.start ?? -Infinity) - freeAt > WORTH_PROVING_MINUTES;
      return { why: 'hands', ...(isBusyThen ? { freeAt } : {}) };
    }
    const place = this.plan.workload.build.places.find(({ id }) => id === operation.placeId);
    return { why: cause === 'place' && place?.daylightAtDeg !== undefined ? 'daylight' : cause };
  }

  /** Whether the rack has no room for it from when its work could begin over most of the time it waits. */
  private isRackFull(operation: PlannedOperation, own: EpochMinute, begins: EpochMinute): boolean {
    const { plan } = this;
    const drying = dryingOf(operation, plan.workload.airs, plan.units);
    if (!drying || operation.laidAt === undefined) return false;
    const later = begins - own;
    return drying.stays.some(({ placeId, from, to }) => {
      const rack = this.racks().get(placeId);
      const free = rack?.firstFree(drying.unit, from - later, to - from, operation.rackShare) ?? 0;
      return free - (from - later) >= Math.max(LEAST_GAIN_MINUTES, later / 2);
    });
  }

  /** The racks that can be full at all, as the plan fills them. */
  private racks(): ReadonlyMap<string, Rack> {
    if (this.filled) return this.filled;
    const { workload, units, operations } = this.plan;
    const racks = new Map([...workload.scarceSlots].map(([place, slots]) => [place, new Rack(slots)]));
    for (const { place, unit, from, to, share } of workload.taken.racks)
      racks.get(place)?.take(`${unit} elsewhere`, from, to, share);
    for (const operation of racks.size > 0 ? operations : []) {
      const drying = dryingOf(operation, workload.airs, units);
      for (const { placeId, from, to } of drying?.stays ?? [])
        racks.get(placeId)?.take(drying?.unit ?? '', from, to, operation.rackShare);
    }
    this.filled = racks;
    return racks;
  }

  /** The first moment its work could begin, some causes taken away; `until` where there is none before that. */
  private soonest(
    operation: PlannedOperation,
    from: EpochMinute,
    until: EpochMinute,
    without: ReadonlySet<Cause>,
  ): EpochMinute {
    const { workload } = this.plan;
    const { material, placeId, workMinutes, cleanUpMinutes, filmFactor } = operation;
    const setUp = hasOwnSetUp(operation) ? operation.setUpMinutes : 0;
    const total = setUp + workMinutes + cleanUpMinutes;
    let at = Math.max(this.plan.now, from - setUp);
    for (let round = 0; round < MOST_ROUNDS && at + setUp < until; round += 1) {
      let next = at;
      if (!without.has('place')) next = entryOf(workload.placeHours, placeId).firstFit(next, total);
      if (!without.has('quiet') && workload.loudHours && methodTable[operation.method].loud)
        next = Math.max(next, workload.loudHours.firstFit(next, total));
      if (!without.has('material'))
        next = Math.max(next, (workload.arrivals.get(operation.id) ?? -Infinity) - setUp);
      if (next < Infinity) next = Math.max(next, this.handsFrom(operation, next, total, until, without));
      if (material && !without.has('air') && next + setUp < until) {
        const air = entryOf(workload.airs, placeId);
        next = Math.max(next, firstGoodAir(material, air, next + setUp, workMinutes, filmFactor) - setUp);
      }
      if (next <= at) return at + setUp;
      at = next;
    }
    return Math.min(until, at + setUp);
  }

  /** The first moment at which anybody has so many minutes. */
  private handsFrom(
    operation: PlannedOperation,
    from: EpochMinute,
    minutes: number,
    until: EpochMinute,
    without: ReadonlySet<Cause>,
  ): EpochMinute {
    const { people, build } = this.plan.workload;
    const tool = without.has('tool') ? undefined : methodTable[operation.method].tool;
    const count = tool && people.length > toolCount(build.tools, tool) ? toolCount(build.tools, tool) : 0;
    let soonest = Infinity;
    for (const { id, calendar } of people) {
      const others = count > 0 ? this.uses.filter((use) => use.tool === tool && use.person !== id) : [];
      const taken = [
        ...(without.has('busy') ? [] : (this.busy.get(id) ?? [])),
        ...(without.has('elsewhere') ? [] : (this.elsewhere.get(id) ?? [])),
      ].filter((one) => one.to > from && !(one.from === operation.start && one.to === operation.end));
      const windows = without.has('hands') ? [{ from, to: Infinity }] : calendar.between(from, until + 1440);
      for (const window of windows) {
        let start = firstGap(taken, Math.max(from, window.from), minutes);
        for (let left = firstLeft(others, count, start, minutes); left > start && start < window.to;) {
          start = firstGap(taken, left, minutes);
          left = firstLeft(others, count, start, minutes);
        }
        if (start + minutes <= window.to) {
          soonest = Math.min(soonest, start);
          break;
        }
      }
    }
    return soonest;
  }
}

/** The first cause whose absence gains most of what any gains, as more freedom for somebody's hands helps nearly always. */
function mostOf(gains: readonly { cause: Cause; gain: number }[]): Cause | undefined {
  const most = Math.max(...gains.map(({ gain }) => gain));
  return most < LEAST_GAIN_MINUTES ? undefined : gains.find(({ gain }) => gain >= most / 2)?.cause;
}

/** The passes of a plan with why each waits, proved; all else as it is. */
export function withProofs(plan: Plan): PlannedOperation[] {
  const whyLater = new WhyLater(plan);
  return plan.operations.map((operation) => {
    const proof = whyLater.of(operation);
    return proof ? { ...operation, waitsFor: proof } : operation;
  });
}

/** The first moment from which nothing of what is taken lies in so many minutes. */
function firstGap(taken: readonly Window[], from: EpochMinute, minutes: number): EpochMinute {
  let start = from;
  for (const { from: since, to } of [...taken].sort((a, b) => a.from - b.from)) {
    if (since >= start + minutes) break;
    if (to > start) start = to;
  }
  return start;
}

function add<T>(lists: Map<string, T[]>, key: string, entry: T): void {
  const list = lists.get(key);
  if (list) list.push(entry);
  else lists.set(key, [entry]);
}
