import { sayWait } from '../../model/wallTime';
import type { MarginOffers } from './marginOffers';

const setUps = (count: number) => `${count} ${count === 1 ? 'session or set-up' : 'sessions and set-ups'}`;

/**
 * What margin costs, a sentence each way.
 * @example "8 more sessions and set-ups would buy 4 days more."
 */
export function marginWords({ sessions, spareMinutes, leaner, roomier }: MarginOffers): string[] {
  const lines: string[] = [];
  if (leaner) {
    const less = spareMinutes - leaner.spareMinutes;
    const costs = [
      ...(less >= 60 ? [`leave ${sayWait(less)} less to spare`] : []),
      ...(leaner.isFrail ? ['make something late when one session falls through'] : []),
    ];
    lines.push(`${setUps(sessions - leaner.sessions)} fewer would ${costs.join(', and ')}.`);
  }
  if (roomier)
    lines.push(
      `${setUps(roomier.sessions - sessions)} more would give ${sayWait(roomier.spareMinutes - spareMinutes)} more to spare.`,
    );
  return lines;
}
