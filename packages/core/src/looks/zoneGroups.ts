import type { Piece, Zone } from '../model/schema';
import type { Choices } from './choices';
import type { Look } from './look';

/** Zones of a piece that come out the same, and are painted and taped as one. */
export interface ZoneGroup {
  zones: Zone[];
  /** What they take; undefined where nothing was chosen for them. */
  look: Look | undefined;
  colour: string | undefined;
}

/**
 * The zones of a piece by what they take, in the order of the piece. A piece whose zones all come out the same, or that has none, is
 * one group: its steps name no zones.
 */
export function zoneGroups(piece: Piece, looks: Choices['looks']): ZoneGroup[] {
  const whole = looks.find(({ zone }) => zone === undefined);
  const groups = new Map<string, ZoneGroup>();
  for (const zone of piece.zones ?? []) {
    const pick = looks.find((one) => one.zone === zone.id) ?? whole;
    const colour = pick?.colour ?? zone.colour;
    const key = pick ? `${pick.look.id} ${colour ?? ''}` : '';
    const group = groups.get(key) ?? { zones: [], look: pick?.look, colour };
    group.zones.push(zone);
    groups.set(key, group);
  }
  if (groups.size > 0) return [...groups.values()];
  const [first] = looks;
  return [{ zones: [], look: whole?.look ?? first?.look, colour: whole?.colour ?? first?.colour }];
}

/** Things put together by what they have in common, in the order they come. */
export function byCommon<T, K>(list: readonly T[], keyOf: (one: T) => K): Map<K, T[]> {
  const found = new Map<K, T[]>();
  for (const one of list) {
    const key = keyOf(one);
    found.set(key, [...(found.get(key) ?? []), one]);
  }
  return found;
}
