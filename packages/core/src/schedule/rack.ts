import type { EpochMinute } from '../time/wallTime';

/** A unit standing on the rack of a place. */
interface Stay {
  unit: string;
  from: EpochMinute;
  to: EpochMinute;
}

/**
 * The rack of one place: how many units dry there at a time. A unit takes a place from the moment a coat is laid until it
 * can be handled. Invariant: never more different units at one moment than there are slots, if asked before each stay.
 */
export class Rack {
  private readonly stays: Stay[] = [];

  constructor(readonly slots: number) {}

  /** Notes that a unit stands here for a while; whoever plans has asked `firstFree` before. */
  take(unit: string, from: EpochMinute, to: EpochMinute): void {
    if (to > from) this.stays.push({ unit, from, to });
  }

  /** Whether all slots could be taken by others at some time from a moment on; cheap, and never wrong when it says no. */
  mayBeFull(unit: string, from: EpochMinute): boolean {
    if (this.stays.length < this.slots) return false;
    const units = new Set<string>();
    for (const stay of this.stays) if (stay.to > from && stay.unit !== unit) units.add(stay.unit);
    return units.size >= this.slots;
  }

  /**
   * The first moment at or after `from` at which a unit can come and stay for `minutes`. A unit that stands here already
   * keeps its place.
   */
  firstFree(unit: string, from: EpochMinute, minutes: number): EpochMinute {
    let start = from;
    for (;;) {
      const full = this.firstFull(unit, start, start + Math.max(1, minutes));
      if (full === undefined) return start;
      start = full;
    }
  }

  /** If all slots are taken by others at some moment of a span: when the first of those leaves. */
  private firstFull(unit: string, from: EpochMinute, to: EpochMinute): EpochMinute | undefined {
    const others = this.stays.filter((stay) => stay.unit !== unit && stay.from < to && stay.to > from);
    if (others.length < this.slots) return undefined;
    // The rack can only get fuller at the moment somebody comes.
    const moments = [from, ...others.map((stay) => stay.from).filter((moment) => moment > from)].sort(
      (a, b) => a - b,
    );
    for (const moment of moments) {
      const there = others.filter((stay) => stay.from <= moment && stay.to > moment);
      if (new Set(there.map((stay) => stay.unit)).size >= this.slots)
        return Math.min(...there.map((stay) => stay.to));
    }
    return undefined;
  }
}
