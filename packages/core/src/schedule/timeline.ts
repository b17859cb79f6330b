import type { EpochMinute } from '../time/wallTime';
import type { Calendar } from './calendar';
import type { PlannedOperation } from './plan';

/** A stretch of somebody's time that is taken by one operation. */
export interface Busy {
  start: EpochMinute;
  /** Cleaned up; moves when the next pass shares the clean-up. */
  end: EpochMinute;
  operation: PlannedOperation;
}

/** What one person does, in order of time. Invariant: stretches never overlap. */
export class Timeline {
  readonly busy: Busy[] = [];

  constructor(
    readonly id: string,
    readonly calendar: Calendar,
  ) {}

  /** The first stretch that ends after a moment, by its index. */
  indexAfter(minute: EpochMinute): number {
    let low = 0;
    let high = this.busy.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (this.busy[middle]!.end > minute) high = middle;
      else low = middle + 1;
    }
    return low;
  }

  /** The first moment at or after `from` that leaves so many minutes free, inside one free window. */
  firstFree(from: EpochMinute, minutes: number): EpochMinute {
    let start = from;
    for (;;) {
      start = this.calendar.firstFit(start, minutes);
      if (start === Infinity) return Infinity;
      const next = this.busy[this.indexAfter(start)];
      if (!next || next.start >= start + minutes) return start;
      start = next.end;
    }
  }

  add(stretch: Busy): void {
    const at = this.indexAfter(stretch.start);
    this.busy.splice(at, 0, stretch);
  }

  remove(stretch: Busy): void {
    const at = this.busy.indexOf(stretch);
    if (at >= 0) this.busy.splice(at, 1);
  }
}
