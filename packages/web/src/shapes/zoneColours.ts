import { groundColourOf, type Piece } from '@fixatum/core';
import { computed, type Ref } from 'vue';
import { useBuild } from '../shared/build';

/** The colour that each zone of a piece comes out in: as its coats are seen, or as it is to be, or else what it is made of. */
export function useZoneColours(piece: Ref<Piece | undefined>): (zone: string) => string {
  const store = useBuild();
  const byZone = computed(() => {
    const own = piece.value;
    if (!own) return new Map<string, string>();
    const cells = store.view?.strata[`${own.id}/1`] ?? {};
    const ground = groundColourOf(own.substrate);
    const ids = own.zones?.length ? own.zones.map(({ id }) => id) : ['whole'];
    return new Map(
      ids.map((id, at) => {
        const seen = cells[`outer:${id}`]?.findLast((coat) => coat.share >= 0.5)?.seen;
        const said = own.zones?.find((zone) => zone.id === id)?.colour;
        return [id, seen ?? said ?? (at === 0 ? ground : paler(ground, at))];
      }),
    );
  });
  return (zone) => byZone.value.get(zone) ?? '#5f6163';
}

/** Zones without a colour yet are told apart by how light they are. */
const paler = (hex: string, by: number): string =>
  `#${[1, 3, 5]
    .map((at) => Math.min(235, parseInt(hex.slice(at, at + 2), 16) + by * 38))
    .map((value) => value.toString(16).padStart(2, '0'))
    .join('')}`;
