import { zoneIdsOf } from '../model/stepSpots';
import { isPorousFoam } from '../model/substrates';
import type { Piece, Step } from '../model/schema';

type Substrate = Piece['substrate'];

/** What a zone is made of: as it says, or else as its piece is. */
export function substrateOf(piece: Pick<Piece, 'substrate' | 'zones'>, zoneId: string): Substrate {
  const own = piece.zones?.find(({ id }) => id === zoneId)?.substrate;
  return own ? { ...piece.substrate, over: undefined, ...own } : piece.substrate;
}

/**
 * A piece as one of the things it is made of: only the zones of that, and of the steps those that touch them. The others keep their place in
 * the list, so that what is said of a step points at it, but do nothing.
 */
function asGround(piece: Piece, substrate: Substrate, zoneIds: readonly string[]): Piece {
  const isHere = (step: Step) =>
    step.zones === undefined || step.zones.some((zone) => zoneIds.includes(zone));
  return {
    ...piece,
    substrate,
    zones: piece.zones?.filter(({ id }) => zoneIds.includes(id)),
    steps: piece.steps.map((step): Step => {
      if (!isHere(step))
        return { id: step.id, kind: 'inspect', ...(step.after ? { after: step.after } : {}) };
      return step.zones ? { ...step, zones: step.zones.filter((zone) => zoneIds.includes(zone)) } : step;
    }),
  };
}

/**
 * A piece for each thing it is made of, to be judged and begun by itself: a plate of foam on cloth, a pipe under a foam head. The piece itself
 * where all of it is of one.
 */
export function groundsOf(piece: Piece): Piece[] {
  if (!piece.zones?.some(({ substrate }) => substrate)) return [piece];
  const groups = new Map<string, { substrate: Substrate; zones: string[] }>();
  for (const id of zoneIdsOf(piece)) {
    const substrate = substrateOf(piece, id);
    const key = JSON.stringify([substrate.kind, substrate.thicknessMm, substrate.heatSealed ?? false]);
    const known = groups.get(key) ?? { substrate, zones: [] };
    known.zones.push(id);
    groups.set(key, known);
  }
  return groups.size < 2
    ? [...groups.values()].map(({ substrate }) => ({ ...piece, substrate }))
    : [...groups.values()].map(({ substrate, zones }) => asGround(piece, substrate, zones));
}

/** Heat from outside goes through so much foam, mm, and no further. */
export const HEAT_REACHES_MM = 4;

/** Whether heat on a piece reaches what lies below its outermost layer. */
export const isHeatedThrough = ({ kind, thicknessMm }: Substrate): boolean =>
  !isPorousFoam(kind) || thicknessMm <= HEAT_REACHES_MM;
