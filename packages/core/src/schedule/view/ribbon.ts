import { drynessAt, lessDry, type Dryness } from '../../drying/dryness';
import type { EpochMinute } from '../../model/wallTime';
import type { Plan } from '../answers/plan';
import { nth } from '../../model/sure';

/** What a piece is, between two moments: bare, as dry as its least dry top coat, or ready. */
export type RibbonState = 'bare' | Dryness | 'ready';

/** One stretch of a drying ribbon. */
export interface RibbonSpan {
  from: EpochMinute;
  to: EpochMinute;
  state: RibbonState;
  /** The colour on top, `#rrggbb`; undefined while bare. */
  colour: string | undefined;
}

/**
 * The drying ribbon of a piece: one unbroken band from `from` to `until`, cut where its state changes. All units and
 * spots count; the least dry one speaks. `ready` begins when no work is left and everything is packable and wearable.
 */
export function ribbonOf(plan: Plan, pieceId: string, from: EpochMinute, until: EpochMinute): RibbonSpan[] {
  const piece = plan.pieces.find((candidate) => candidate.pieceId === pieceId);
  const readyAt =
    piece?.packableAt === undefined || piece.wearableAt === undefined
      ? Infinity
      : Math.max(piece.packableAt, piece.wearableAt);
  const units = [...plan.units]
    .filter(([key]) => key.slice(0, key.lastIndexOf('/')) === pieceId)
    .map(([, unit]) => unit);
  const removals = new Set<number>([from, until]);
  const cut = (minute: number | undefined) => {
    if (minute !== undefined && minute > from && minute < until) removals.add(Math.ceil(minute));
  };
  cut(readyAt);
  const tops = units.flatMap((unit) =>
    [...unit.stacks()].map(([cell, coats, stack]) =>
      coats.map((coat, at) => {
        const until = coats[at + 1]?.laidAt ?? Infinity;
        // Until the next coat comes, a coat dries as if none ever did.
        const alone = until === Infinity ? undefined : unit.asOf(cell, Math.max(coat.laidAt, until - 1));
        return { coat, milestones: alone?.coats[at] ?? nth(stack.coats, at), until };
      }),
    ),
  );
  for (const top of tops.flat()) {
    cut(top.coat.laidAt);
    cut(top.milestones.touchAt);
    cut(top.milestones.recoat[0]?.from);
    cut(top.milestones.handleAt);
    cut(top.milestones.packAt);
    cut(top.milestones.wearAt);
  }
  const moments = [...removals].sort((a, b) => a - b);
  const spans: RibbonSpan[] = [];
  for (let at = 0; at + 1 < moments.length; at += 1) {
    const minute = nth(moments, at);
    let state: RibbonState = 'bare';
    let colour: string | undefined;
    let newest = -Infinity;
    for (const layers of tops) {
      const top = layers.find((layer) => minute >= layer.coat.laidAt && minute < layer.until);
      if (!top) continue;
      const dryness = drynessAt(top.milestones, minute);
      state = state === 'bare' ? dryness : lessDry(state, dryness);
      const seen = visible(layers, minute);
      if (seen.laidAt >= newest) [newest, colour] = [seen.laidAt, seen.colour];
    }
    if (minute >= readyAt) state = 'ready';
    const last = spans[spans.length - 1];
    if (last && last.state === state && last.colour === colour) last.to = nth(moments, at + 1);
    else spans.push({ from: minute, to: nth(moments, at + 1), state, colour });
  }
  return spans;
}

interface Layer {
  coat: { material: { hideUm?: number | undefined }; laidAt: EpochMinute; colour: string };
}

/** The coat whose colour is seen at a moment: the topmost that hides, as clear films and washes let it show through. */
function visible(layers: readonly Layer[], minute: EpochMinute): Layer['coat'] {
  const laid = layers.filter((layer) => layer.coat.laidAt <= minute).map((layer) => layer.coat);
  return [...laid].reverse().find((coat) => coat.material.hideUm !== undefined) ?? nth(laid, laid.length - 1);
}
