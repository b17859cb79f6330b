import { sayMoment } from '../../model/sayMoment';
import { epochMinute } from '../../model/wallTime';
import { about } from '../about';
import type { Rule } from '../rule';
import { slowestCoat, untilWords } from '../slowestCoat';

/** R41: stacked or bagged before it is packable, a piece sticks to its neighbour and keeps the print. */
export const r41PackedTooSoon: Rule = {
  id: 'R41',
  severity: 'stop',
  title: 'Stacked or bagged before it is packable',
  look(piece, { build, plan }) {
    const event = build.events.find((one) => one.id === piece.event);
    const packed = piece.packedAt ?? event?.packAt;
    if (packed === undefined) return [];
    const packedAt = epochMinute(packed, build.timeZone);
    // Below the surface, tape-safe is enough to keep from sticking.
    const coat = slowestCoat(piece, plan, packedAt, ({ packAt, tapeAt }, isSurface) =>
      isSurface ? packAt : tapeAt,
    );
    if (!coat || packedAt >= Math.floor(coat.at)) return [];
    const until = untilWords(coat, packedAt, plan.timeZone);
    return [
      about(
        this,
        piece,
        { id: coat.stepId },
        {
          below: coat.materialId,
          message:
            piece.packedAt === undefined
              ? `At packing time, ${sayMoment(packedAt, plan.timeZone)}, the ${coat.name} still sticks, ${until}: carry it unwrapped, or pack it later.`
              : `It was packed while the ${coat.name} still sticks, ${until}: take it out and let air to it.`,
          reason:
            'A film that is dry to the hand is still soft inside. Pressed against another, or shut in plastic, the two faces melt into each other.',
        },
      ),
    ];
  },
};
