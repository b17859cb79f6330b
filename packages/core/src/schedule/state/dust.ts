import type { EpochMinute } from '../../model/wallTime';
import type { Span } from './rack';

/**
 * What stands wet in one room and when dust is made there, which must not be at the same time: a coat takes dust until it is
 * touch-dry. Invariant: no dust overlaps a wet span, if asked before each.
 */
export class Dust {
  /** From when a coat of a unit is laid until it is touch-dry. */
  private readonly wet = new Map<string, Span[]>();
  /** When a pass of a unit makes dust. */
  private readonly dusty = new Map<string, Span[]>();

  standsWet(unit: string, span: Span): void {
    push(this.wet, unit, span);
  }

  makesDust(unit: string, span: Span): void {
    push(this.dusty, unit, span);
  }

  /** The first moment at or after `from` from which nothing stands wet for so many minutes. */
  clearOfWet(from: EpochMinute, minutes: number): EpochMinute {
    return clearOf(this.wet, from, minutes);
  }

  /** Whether dust is made at any time after a moment; cheap. */
  hasDustAfter(moment: EpochMinute): boolean {
    for (const spans of this.dusty.values()) for (const { to } of spans) if (to > moment) return true;
    return false;
  }

  /** The first moment at or after `from` from which no dust is made for so many minutes. */
  clearOfDust(from: EpochMinute, minutes: number): EpochMinute {
    return clearOf(this.dusty, from, minutes);
  }

  /** What a unit has to do with it, to be put back later. */
  of(unit: string): { wet: readonly Span[]; dusty: readonly Span[] } {
    return { wet: [...(this.wet.get(unit) ?? [])], dusty: [...(this.dusty.get(unit) ?? [])] };
  }

  /** As if a unit had only this to do with it. */
  putBack(unit: string, { wet, dusty }: { wet: readonly Span[]; dusty: readonly Span[] }): void {
    this.wet.set(unit, [...wet]);
    this.dusty.set(unit, [...dusty]);
  }
}

function push(spans: Map<string, Span[]>, unit: string, span: Span): void {
  const own = spans.get(unit);
  if (own) own.push(span);
  else spans.set(unit, [span]);
}

/** The first moment from which a stretch meets none of some spans. */
function clearOf(
  spans: ReadonlyMap<string, readonly Span[]>,
  from: EpochMinute,
  minutes: number,
): EpochMinute {
  let start = from;
  for (let moved = true; moved;) {
    moved = false;
    for (const own of spans.values())
      for (const { from: begins, to } of own)
        if (begins < start + Math.max(1, minutes) && to > start) {
          start = Math.ceil(to);
          moved = true;
        }
  }
  return start;
}
