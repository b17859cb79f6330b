import type { EpochMinute } from '../../model/wallTime';

/** A stretch of time for which a unit stands on the rack. */
export interface Span {
  from: EpochMinute;
  to: EpochMinute;
}

/**
 * The rack of one place: how much dries there at a time. A unit takes its share of a place from the moment a coat is laid until
 * it can be handled. Invariant: never more at one moment than there are slots, if asked before each stay.
 *
 * Kept as a step function: from `times[n]` until `times[n + 1]` `counts[n]` places are taken.
 */
export class Rack {
  private readonly times: number[] = [-Infinity];
  private readonly counts: number[] = [0];
  /** When each unit stands here; its spans do not overlap, so that none is counted twice. */
  private readonly own = new Map<string, Span[]>();
  /** The share of a place each unit takes, in sixteenths so that sums come out even. */
  private readonly shares = new Map<string, number>();

  constructor(readonly slots: number) {}

  /** The last step that begins at or before a moment. */
  private indexAt(minute: EpochMinute): number {
    let low = 0;
    let high = this.times.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (this.times[middle]! <= minute) low = middle;
      else high = middle - 1;
    }
    return low;
  }

  /** Removals the step function at a moment and gives the step that begins there. */
  private cut(minute: EpochMinute): number {
    const at = this.indexAt(minute);
    if (this.times[at] === minute) return at;
    this.times.splice(at + 1, 0, minute);
    this.counts.splice(at + 1, 0, this.counts[at]!);
    return at + 1;
  }

  /** Notes that a unit stands here for a while; whoever plans has asked `firstFree` before. */
  take(unit: string, from: EpochMinute, to: EpochMinute, share = 1): void {
    this.shares.set(unit, share);
    let spans = this.own.get(unit);
    if (!spans) {
      spans = [];
      this.own.set(unit, spans);
    }
    // Where it stands already it takes no second place.
    let start = from;
    for (const span of [...spans].sort((a, b) => a.from - b.from)) {
      if (span.to <= start || span.from >= to) continue;
      if (span.from > start) this.count(spans, start, span.from, share);
      start = Math.max(start, span.to);
    }
    if (to > start) this.count(spans, start, to, share);
  }

  private count(spans: Span[], from: EpochMinute, to: EpochMinute, share: number): void {
    spans.push({ from, to });
    this.add(from, to, share);
  }

  private add(from: EpochMinute, to: EpochMinute, units: number): void {
    const first = this.cut(from);
    const end = to === Infinity ? this.times.length : this.cut(to);
    for (let at = first; at < end; at += 1) this.counts[at]! += units;
    if (units > 0) return;
    // Steps that are as high as the one before are none; else they would pile up with every unit put back.
    for (let at = Math.min(end, this.times.length - 1); at >= Math.max(1, first); at -= 1) {
      if (this.counts[at] !== this.counts[at - 1]) continue;
      this.times.splice(at, 1);
      this.counts.splice(at, 1);
    }
  }

  /** When a unit stands here. */
  staysOf(unit: string): readonly Span[] {
    return this.own.get(unit) ?? [];
  }

  /** How many places are taken from each moment on. */
  steps(): (readonly [from: EpochMinute, units: number])[] {
    return this.times
      .map((from, at) => [from, this.counts[at]!] as const)
      .filter(([, count], at) => count !== this.counts[at - 1]);
  }

  /** Takes a unit off the rack: as if it had only these stays. */
  putBack(unit: string, stays: readonly Span[]): void {
    const share = this.shares.get(unit) ?? 1;
    for (const { from, to } of this.staysOf(unit)) this.add(from, to, -share);
    this.own.delete(unit);
    for (const stay of stays) this.take(unit, stay.from, stay.to, share);
  }

  /** Whether there might be no room for a share at some time from a moment on; cheap, and never wrong when it says no. */
  mayBeFull(from: EpochMinute, share = 1): boolean {
    for (let at = this.indexAt(from); at < this.counts.length; at += 1)
      if (this.counts[at]! + share > this.slots) return true;
    return false;
  }

  /**
   * The first moment at or after `from` at which a unit can come and stay for `minutes`. A unit that stands here already
   * keeps its place.
   */
  firstFree(unit: string, from: EpochMinute, minutes: number, share = 1): EpochMinute {
    const spans = this.own.get(unit) ?? [];
    const standsAt = (minute: EpochMinute) => spans.some((span) => span.from <= minute && span.to > minute);
    let start = from;
    for (let at = this.indexAt(from); at < this.counts.length; at += 1) {
      const begins = Math.max(start, this.times[at]!);
      if (begins >= start + Math.max(1, minutes)) return start;
      // It is full here: the stay can begin with the next step at the soonest.
      if (this.counts[at]! + share > this.slots && !standsAt(begins)) {
        if (at + 1 >= this.times.length) return Infinity;
        start = this.times[at + 1]!;
      }
    }
    return start;
  }
}
