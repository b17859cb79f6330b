import type { Layer } from '../facts/spots';
import { waterborneLike } from '../materials/alike';
import type { Piece } from '../model/schema';
import type { Idea } from './finding';
import { ways } from './pairs';
import type { RuleContext } from './rule';

/** A film that stretches this far follows most bends of a costume, %. */
const BENDS_PCT = 60;
const MOST_OFFERED = 3;

/** Water-borne films that bend, for one that does not. */
export function flexibleInstead(layer: Layer, piece: Piece, context: RuleContext): Idea[] {
  const { material, step, at } = layer;
  // Epoxy is a sealer by the catalogue; laid last it is there for its gloss.
  const role = step.kind === 'topcoat' ? 'topcoat' : material.role;
  return waterborneLike(material, context.materials.values(), role)
    .filter((other) => (other.elongationPct ?? 0) >= BENDS_PCT)
    .slice(0, MOST_OFFERED)
    .map((other) =>
      ways.set(`${other.name} in place of ${material.name}`, piece, context, at, {
        material: other.id,
        ...(other.methods[0] ? { method: other.methods[0] } : {}),
        film: 'normal',
        coats: Math.max(2, step.coats ?? 1),
      }),
    );
}
