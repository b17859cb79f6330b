import type { Tool } from '../../model/tools';
import { MINUTES_PER_DAY, type EpochMinute } from '../../model/wallTime';
import { LOOK_AHEAD_MINUTES, type Calendar, type Window } from '../plan/calendar';
import type { PlannedOperation } from '../plan/plan';

/** A stretch of somebody's time that is taken by one operation. */
export interface Busy {
  start: EpochMinute;
  /** Cleaned up; moves when the next pass shares the clean-up. */
  end: EpochMinute;
  operation: PlannedOperation;
  /** When the work of its batch began, which is when a two-part material was mixed. */
  mixedAt?: EpochMinute;
  /** The stretch whose set-up it shares, right before it. */
  joined?: Busy | undefined;
  /** The stretch that shares its set-up, right behind it. */
  joinedBy?: Busy | undefined;
  /** What another build's work holds meanwhile, where it counts; for work of this build its method says it. */
  tool?: Tool | undefined;
}

/** What shares a set-up may in any case begin this long after the one before. */
const LEAST_GAP_MINUTES = 3;

/** How long the things of a pass lie ready for the next with the same: no longer than cleaning up and setting up would take. */
export const longestWait = ({ setUpMinutes, cleanUpMinutes }: PlannedOperation): number =>
  Math.max(LEAST_GAP_MINUTES, setUpMinutes + cleanUpMinutes);

/** Rinsing the tool, or taking up another can, for the next colour. */
const RINSE_MINUTES = 2;

/** Minutes between a pass and the next with the same things: none for the same colour, a rinse for another. */
export const rinseBetween = (
  before: Pick<PlannedOperation, 'batchKey'>,
  next: Pick<PlannedOperation, 'batchKey' | 'setUpMinutes'>,
): number => (before.batchKey === next.batchKey ? 0 : Math.min(RINSE_MINUTES, next.setUpMinutes));

/** Makes one stretch go on into the next with the same things. */
export function join(before: Busy, next: Busy): void {
  before.joinedBy = next;
  next.joined = before;
  endAt(before, next.start);
}

/** Puts a new stretch between the one whose set-up it shares and the one behind that, if any. */
export function linkBehind(stretch: Busy, before: Busy): void {
  if (before.joinedBy) join(stretch, before.joinedBy);
  join(before, stretch);
}

/** Takes a stretch out from between those it shares a set-up with; who is last of them then cleans up. */
export function unlink({ joined: before, joinedBy: next }: Busy): void {
  if (before && next) join(before, next);
  else if (next) next.joined = undefined;
  else if (before) {
    before.joinedBy = undefined;
    endAt(before, laidAtOf(before) + before.operation.cleanUpMinutes);
  }
}

/** Changes when a stretch ends, for it and its operation. */
export function endAt(stretch: Busy, end: EpochMinute): void {
  stretch.end = end;
  stretch.operation.end = end;
}

/** Changes when a stretch begins, for it and its operation; its place among others stays. */
export function startAt(stretch: Busy, start: EpochMinute): void {
  stretch.start = start;
  stretch.operation.start = start;
}

/** How many sessions hold planned work, how many set-ups that takes, and the minutes of waiting about between passes of one. */
export interface Tally {
  sessions: number;
  setUps: number;
  idle: number;
}

/** One free window of a person, with what is done in it and the longest gap that is left. */
interface Session extends Window {
  busy: Busy[];
  longestGap: number;
}

/** A session keeps one part in so many of what is left of it free, so that what takes longer slides and nothing moves to another day. */
const KEEPS_FREE_ONE_IN = 10;

/** How many minutes of a session a plan keeps free at its end. Of free time that never ends there is no tenth. */
export function keptFreeMinutes({ from, to }: Window, now: EpochMinute): number {
  const left = to - Math.max(from, now);
  return left > 0 && to - from <= MINUTES_PER_DAY ? Math.floor(left / KEEPS_FREE_ONE_IN) : 0;
}

/** How much of its sessions a timeline gives away. */
export interface Leeway {
  /** A tenth of each session stays free, but for a pass that needs it. */
  keepsTenth: boolean;
  /** The session that somebody is in runs over by so many minutes, if its last work begins in it. */
  overMinutes: number;
}

/** What one person does, in order of time, window by window. Invariant: stretches never overlap. */
export class Timeline {
  private readonly sessions: Session[] = [];
  private readonly byKey = new Map<string, Busy[]>();
  /** No session after this one has been used. */
  private lastUsed = -1;
  /** Work under way outside any free window. */
  private readonly stray: Busy[] = [];

  constructor(
    readonly id: string,
    readonly calendar: Calendar,
  ) {}

  /** The session with this number, counted from the first window that anybody asked about; undefined past the last. */
  private session(at: number): Session | undefined {
    while (this.sessions.length <= at) {
      const last = this.sessions[this.sessions.length - 1];
      const window = this.calendar.windowFrom(last ? last.to : this.begin);
      if (!window) return undefined;
      this.sessions.push({ ...window, busy: [], longestGap: window.to - window.from });
    }
    return this.sessions[at];
  }

  /** The moment before which nobody asks, and the present. */
  private begin = -Infinity;
  private now = -Infinity;
  startAt(minute: EpochMinute, now: EpochMinute): void {
    this.begin = minute;
    this.now = now;
  }

  private leeway: Leeway = { keepsTenth: false, overMinutes: 0 };
  /** How much of its sessions what is placed from now on may take; all, and no more, unless said. */
  give(leeway: Leeway): void {
    this.leeway = leeway;
  }

  /** By when so many minutes of work in a session are done; all of it where they are to keep their moment, or would not fit into less. */
  private limitOf(at: number, minutes: number, isKept: boolean): EpochMinute {
    const session = this.sessions[at]!;
    const { keepsTenth, overMinutes } = this.leeway;
    if (overMinutes > 0 && session.from <= this.now && this.now < session.to)
      return Math.min(session.to + overMinutes, this.session(at + 1)?.from ?? Infinity);
    if (!keepsTenth || isKept) return session.to;
    const room = session.to - keptFreeMinutes(session, this.now);
    return minutes > room - Math.max(session.from, this.now) ? session.to : room;
  }

  /** The number of the first session that ends after a moment. */
  private indexFrom(minute: EpochMinute): number {
    let low = 0;
    let high = this.sessions.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.sessions[middle]!.to > minute) high = middle;
      else low = middle + 1;
    }
    let at = low;
    for (let session = this.session(at); session && session.to <= minute; session = this.session(at)) at += 1;
    return at;
  }

  /**
   * The first moment at or after `from` that leaves so many minutes free, inside one free window.
   * @param usedOnly looks only at windows in which something is done already
   */
  firstFree(from: EpochMinute, minutes: number, usedOnly = false): EpochMinute {
    if (from === Infinity) return Infinity;
    for (let at = this.indexFrom(from); ; at += 1) {
      if (usedOnly && at > this.lastUsed) return Infinity;
      const session = this.session(at);
      if (!session || session.from > from + LOOK_AHEAD_MINUTES) return Infinity;
      if (session.longestGap < minutes || (usedOnly && session.busy.length === 0)) continue;
      let start = Math.max(from, session.from);
      for (const stretch of session.busy) {
        if (stretch.end <= start) continue;
        if (stretch.start >= start + minutes) break;
        start = stretch.end;
      }
      for (const stretch of this.stray)
        if (stretch.start < start + minutes && stretch.end > start) start = stretch.end;
      if (start < session.to && start + minutes <= this.limitOf(at, minutes, false)) return start;
    }
  }

  /**
   * Whether a span lies in one free window with nothing else in it but what makes way.
   * @param isKept what is to be done then was planned for that moment before, and may take what is kept free
   */
  isFree(from: EpochMinute, minutes: number, makesWay?: (stretch: Busy) => boolean, isKept = false): boolean {
    const at = this.indexFrom(from);
    const session = this.session(at);
    return (
      session !== undefined &&
      session.from <= from &&
      this.limitOf(at, minutes, isKept) >= from + minutes &&
      session.busy.every(
        (stretch) => stretch.end <= from || stretch.start >= from + minutes || makesWay?.(stretch) === true,
      )
    );
  }

  /** What is done in some part of a span, others' work included. */
  *within(from: EpochMinute, to: EpochMinute): Iterable<Busy> {
    const meets = (stretch: Busy) => stretch.start < to && stretch.end > from;
    for (let at = this.indexFrom(from); ; at += 1) {
      const session = this.session(at);
      if (!session || session.from >= to) break;
      yield* session.busy.filter(meets);
    }
    yield* this.stray.filter(meets);
  }

  /** What is done with the same things, of whatever colour, and laid at or after a moment, in order of time. */
  *withKey(key: string, from: EpochMinute): Iterable<Busy> {
    const list = this.byKey.get(key);
    if (!list) return;
    let low = 0;
    let high = list.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (laidAtOf(list[middle]!) >= from) high = middle;
      else low = middle + 1;
    }
    for (let at = low; at < list.length; at += 1) yield list[at]!;
  }

  add(stretch: Busy): void {
    const key = stretch.operation.rinseKey;
    const list = this.byKey.get(key);
    if (list) {
      let place = list.length;
      while (place > 0 && laidAtOf(list[place - 1]!) > laidAtOf(stretch)) place -= 1;
      list.splice(place, 0, stretch);
    } else this.byKey.set(key, [stretch]);
    const number = this.indexFrom(stretch.start);
    const session = this.session(number);
    if (!session || session.from > stretch.start) {
      this.stray.push(stretch);
      return;
    }
    this.lastUsed = Math.max(this.lastUsed, number);
    let at = session.busy.length;
    while (at > 0 && session.busy[at - 1]!.start > stretch.start) at -= 1;
    session.busy.splice(at, 0, stretch);
    measure(session);
  }

  /** What its sessions with planned work come to. */
  tally(): Tally {
    let sessions = 0;
    let setUps = 0;
    let idle = 0;
    for (let at = 0; at <= this.lastUsed; at += 1) {
      let until: EpochMinute | undefined;
      for (const { operation, start, end } of this.sessions[at]!.busy) {
        if (operation.status !== 'planned') continue;
        if (hasOwnSetUp(operation)) setUps += 1;
        if (until !== undefined) idle += Math.max(0, start - until);
        until = Math.max(until ?? -Infinity, end);
      }
      if (until !== undefined) sessions += 1;
    }
    return { sessions, setUps, idle };
  }

  /** What is done in each session that is used, in order of time; others' work left out. */
  used(): Busy[][] {
    return this.sessions.flatMap(({ busy }) => {
      const own = busy.some((one) => one.operation === takenByOthers)
        ? busy.filter((one) => one.operation !== takenByOthers)
        : busy;
      return own.length > 0 ? [own] : [];
    });
  }

  remove(stretch: Busy): void {
    const list = this.byKey.get(stretch.operation.rinseKey);
    if (list) list.splice(list.indexOf(stretch), 1);
    const session = this.session(this.indexFrom(stretch.start));
    const at = session?.busy.indexOf(stretch) ?? -1;
    if (session && at >= 0) {
      session.busy.splice(at, 1);
      measure(session);
    }
  }
}

/** What somebody's time is taken for that is not planned here. */
export const takenByOthers = { id: '', batchKey: '', rinseKey: '', status: 'skipped' } as PlannedOperation;

/** Whether a stretch is only kept free for a pass that has no place in time yet. */
export const isReserved = ({ operation }: Busy): boolean => operation.laidAt === undefined;

/** Whether a pass is set up for anew, as against going on with the things of another. */
export const hasOwnSetUp = ({ setUpMinutes, workMinutes, start, laidAt }: PlannedOperation): boolean =>
  setUpMinutes > 0 &&
  start !== undefined &&
  laidAt !== undefined &&
  laidAt - start - workMinutes >= setUpMinutes;

/** When a stretch's work is done; its start while that is not known. */
export const laidAtOf = ({ operation, start }: Busy): EpochMinute => operation.laidAt ?? start;

/** The longest gap of a session, anew. */
function measure(session: Session): void {
  let free = session.from;
  let longest = 0;
  for (const stretch of session.busy) {
    longest = Math.max(longest, stretch.start - free);
    free = Math.max(free, stretch.end);
  }
  session.longestGap = Math.max(longest, session.to - free);
}
