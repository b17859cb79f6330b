import type { Build } from '../model/schema';
import { sayMoment } from '../model/sayMoment';
import { type EpochMinute } from '../model/wallTime';

/** "Begin by Tue 23 Feb, 20:40 or lose Lantern Quay Fair (Ring crown)". */
export function deadlineWords(build: Build, { at, pieceId }: { at: EpochMinute; pieceId: string }): string {
  const piece = build.pieces.find((one) => one.id === pieceId);
  const event = build.events.find((one) => one.id === piece?.event);
  return `Begin by ${sayMoment(at, build.timeZone)} or lose ${event?.name ?? 'the date'} (${piece?.name ?? pieceId})`;
}
