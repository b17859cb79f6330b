import type { Piece } from '../model/schema';
import { spotsOf } from '../facts/spots';
import type { Idea, LookChange } from './finding';
import type { Material } from '../model/materialSchema';
import { nth } from '../model/sure';

/** How much a change shows: texture left out is gone, and other work left out is missed a little. */
export function lookOf(
  idea: Idea,
  before: Piece,
  after: Piece,
  materials: ReadonlyMap<string, Material>,
): LookChange {
  const pressed = (piece: Piece) => piece.steps.filter((step) => step.kind === 'texture').length;
  if (pressed(after) < pressed(before)) return 'other';
  const change = lookChange(before, after, materials);
  return change === 'same' && idea.change.some((step) => step.op === 'remove') ? 'slight' : change;
}

/** What shows on the outer face: the films that are not under others of their kind, with colour, film and count. */
function lookChange(before: Piece, after: Piece, materials: ReadonlyMap<string, Material>): LookChange {
  const visible = new Set(['paint', 'texture', 'weather', 'detail', 'topcoat']);
  const seen = (piece: Piece) =>
    spotsOf(piece, { build: {}, materials })
      .filter((spot) => spot.face === 'outer')
      .map((spot) => spot.layers.filter((layer) => visible.has(layer.material.role)));
  const now = seen(before);
  const then = seen(after);
  let change: LookChange = 'same';
  for (const [n, layers] of now.entries()) {
    const others = nth(then, n);
    // A clear laid under others does not show.
    const bare = (list: typeof layers) =>
      list.filter((layer, at) => layer.material.role !== 'topcoat' || at === list.length - 1);
    const one = bare(layers);
    const other = bare(others);
    if (one.length !== other.length) return 'other';
    for (const [at, layer] of one.entries()) {
      const match = nth(other, at);
      const colour = (of: typeof layer) => of.step.colour ?? of.material.colour;
      if (layer.material.role !== match.material.role || colour(layer) !== colour(match)) {
        if (layer.material.role !== 'topcoat' || match.material.role !== 'topcoat') return 'other';
      }
      if (layer.material.id !== match.material.id) {
        if (Math.abs((layer.material.sheenGu ?? 0) - (match.material.sheenGu ?? 0)) > 10) return 'other';
        change = 'slight';
      } else if (layer.film !== match.film || (layer.step.coats ?? 1) !== (match.step.coats ?? 1)) {
        change = 'slight';
      }
    }
  }
  return change;
}
