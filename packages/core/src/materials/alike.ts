import { hazardsOf } from '../model/hazards';
import type { Material } from '../model/materialSchema';
import { has } from '../model/traits';

/** What lets less than this through in a film, µm, covers by itself. */
const COVERS_WITHIN_UM = 100;

/**
 * Water-borne films that can stand for one of some purpose: metal for metal, covering by themselves, of no danger that was not there, those nearest in
 * sheen first.
 * @param role what it is for, where that is not what it is sold for
 */
export function waterborneLike(
  own: Material,
  all: Iterable<Material>,
  role: Material['role'] = own.role,
): Material[] {
  const off = (gu: number | undefined) => Math.abs((gu ?? 20) - (own.sheenGu ?? 20));
  return [...all]
    .filter(
      (other) =>
        other.role === role &&
        other.carrier === 'water' &&
        (other.hideUm ?? 0) <= COVERS_WITHIN_UM &&
        has(other, 'metallic') === has(own, 'metallic') &&
        !has(other, 'resoftens') &&
        !hazardsOf(other).has('latex allergy'),
    )
    .sort((a, b) => off(a.sheenGu) - off(b.sheenGu));
}
