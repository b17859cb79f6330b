import { nth, type PlaceBand } from '@fixatum/core';

type Band = Pick<PlaceBand, 'rack' | 'slots'>;

/** The stretches in which a rack is full, minutes, until the end of the chart at the latest. */
export function fullRuns({ rack, slots }: Band, until: number): { from: number; to: number }[] {
  const runs: { from: number; to: number }[] = [];
  for (const [at, { from, taken }] of rack.entries()) {
    if (taken < slots) continue;
    const to = rack[at + 1]?.from ?? until;
    const last = runs.at(-1);
    if (last?.to === from) last.to = to;
    else runs.push({ from, to });
  }
  return runs;
}

/**
 * How full a rack is as the outline of an area, for an SVG path: along from 0 to `wide` between two moments, up from `high` at none to 0 where all
 * places are taken.
 */
export function takenPath(
  { rack, slots }: Band,
  { from, until, wide, high }: { from: number; until: number; wide: number; high: number },
): string {
  if (rack.length === 0) return '';
  const x = (minute: number) =>
    ((wide * (Math.min(until, Math.max(from, minute)) - from)) / (until - from)).toFixed(1);
  const y = (taken: number) => (high * (1 - Math.min(1, taken / Math.max(1, slots)))).toFixed(1);
  const steps = rack.map((step) => `H${x(step.from)}V${y(step.taken)}`).join('');
  return `M${x(nth(rack, 0).from)} ${high}${steps}H${x(until)}V${high}Z`;
}

/** How many places are taken at a moment; one that is begun counts whole. */
export const takenAt = ({ rack }: Pick<Band, 'rack'>, minute: number): number =>
  Math.ceil(rack.findLast(({ from }) => from <= minute)?.taken ?? 0);
