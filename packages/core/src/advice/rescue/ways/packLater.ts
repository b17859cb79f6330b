import { type Build, type Piece } from '../../../model/schema';
import { sayMoment } from '../../../model/sayMoment';
import { epochMinute, toWallTime } from '../../../model/wallTime';
import type { Way } from '../rescueCost';

/** Packing later, up to two hours before it is worn, or carrying a piece unwrapped. */
export function packWays(build: Build, troubled: readonly Piece[]): Way[] {
  const events = new Set(troubled.map((piece) => piece.event));
  return build.events.flatMap((event, at): Way[] => {
    if (!events.has(event.id) || event.packAt === undefined) return [];
    const wear = epochMinute(event.wearAt, build.timeZone);
    const later = wear - 120;
    if (later <= epochMinute(event.packAt, build.timeZone)) return [];
    return [
      {
        label: `Pack for ${event.name} only ${sayMoment(later, build.timeZone)}`,
        change: [{ op: 'add', path: `/events/${at}/packAt`, value: toWallTime(later, build.timeZone) }],
        cost: { givesUp: ['a calm evening before'] },
      },
      {
        label: `Carry everything for ${event.name} unwrapped`,
        change: [{ op: 'remove', path: `/events/${at}/packAt` }],
        cost: { givesUp: ['packing it'] },
      },
    ];
  });
}
