import { methodTable } from '../../model/methods';
import { toolCount, type Tool } from '../../model/tools';
import type { EpochMinute } from '../../model/wallTime';
import type { Window } from '../plan/calendar';
import type { DraftState } from './draftState';
import type { Busy, Timeline } from './timeline';

/** The tool that a stretch of somebody's time has in hand, if it counts. */
const toolOf = ({ tool, operation }: Busy): Tool | undefined =>
  tool ?? (operation.id === '' ? undefined : methodTable[operation.method].tool);

/**
 * The first moment from which one of a tool is left for so many minutes.
 * @param uses when others have one in hand; each has one at a time
 * @param count how many there are
 */
export function firstLeft(
  uses: readonly Window[],
  count: number,
  from: EpochMinute,
  minutes: number,
): EpochMinute {
  let start = from;
  for (;;) {
    const near = uses.filter((use) => use.from < start + minutes && use.to > start);
    const heldAt = (at: EpochMinute) => near.filter((use) => use.from <= at && use.to > at).length;
    const isShort = near.some((use) => heldAt(Math.max(start, use.from)) >= count);
    if (!isShort) return start;
    start = Math.min(...near.map(({ to }) => to));
  }
}

/**
 * The first moment from which the tool of a method is free for so many minutes: an airbrush is in one pair of hands at a time, from setting up
 * until it is clean.
 * @param own whose hands ask, which never hold two things; what they do is not in the way
 */
export function toolFreeFrom(
  { hands, workload }: Pick<DraftState, 'hands' | 'workload'>,
  { method }: Pick<Busy['operation'], 'method'>,
  own: Timeline | undefined,
  from: EpochMinute,
  minutes: number,
): EpochMinute {
  const { tool } = methodTable[method];
  if (!tool || from === Infinity) return from;
  const count = toolCount(workload.build.tools, tool);
  // As many as there are hands are never short.
  if (hands.length <= count) return from;
  const usesIn = (since: EpochMinute): Window[] =>
    hands.flatMap((line) =>
      line === own
        ? []
        : [...line.within(since, since + minutes)].flatMap((stretch) =>
            toolOf(stretch) === tool ? [{ from: stretch.start, to: stretch.end }] : [],
          ),
    );
  for (let start = from; ;) {
    const left = firstLeft(usesIn(start), count, start, minutes);
    if (left === start) return start;
    start = left;
  }
}
