import { layerUm, type Layer } from '../facts/spots';
import { colourOver, coverGrades, offOver, type Laying, type Off } from './hiding';
import { mixedColour } from './seenColour';

/** What goes on in fewer places than this is meant to leave the ground in sight. */
const MOST_OF_IT = 0.95;

/** Whether a layer changes the colour of the whole: washes, stains and tints show what is below on purpose. */
const covers = ({ material, share }: Layer): boolean =>
  material.hideUm !== undefined &&
  material.role !== 'weather' &&
  material.role !== 'detail' &&
  share >= MOST_OF_IT;

const areAlike = (one: Layer | undefined, other: Layer): boolean =>
  one?.material.id === other.material.id && mixedColour(one) === mixedColour(other);

/** How one layer covers what is below it. */
export interface Covering extends Off {
  layer: Layer;
  /** The layer it lies on; undefined on the bare piece. */
  below: Layer | undefined;
  /** The colour it has to hide, which is that below all layers of the same paint. */
  from: string;
  /** Film of this paint over that, µm: its own coats and those of the same paint right below. */
  filmUm: number;
  laying: Laying;
  /** What it comes out as. */
  seen: string;
  /** More of the same paint goes over it. */
  goesOn: boolean;
  /** Another colour goes over it and hides whatever it lets show. */
  isHidden: boolean;
}

/**
 * How each layer of a spot that changes its colour covers what is below, from the bottom up. What lies on a ground of unknown colour is
 * left out.
 * @param ground the colour of what the piece is made of, if that is known
 */
export function coveringsOf(spot: readonly Layer[], ground?: string): Covering[] {
  const layers = spot.filter(covers);
  let below: string | undefined = ground;
  let run: { from: string; filmUm: number } | undefined;
  const coverings = layers.flatMap((layer, n): Omit<Covering, 'isHidden'>[] => {
    const colour = mixedColour(layer);
    const under = below;
    if (under === undefined) {
      below = colour;
      return [];
    }
    const { material, coats, method } = layer;
    const last = layers[n - 1];
    const own = layerUm(layer);
    run =
      areAlike(last, layer) && run
        ? { from: run.from, filmUm: run.filmUm + own }
        : { from: under, filmUm: own };
    const laying = { coatUm: own / coats, method };
    const seen = colourOver(run.from, colour, material, run.filmUm);
    below = seen;
    const next = layers[n + 1];
    const coatsInAll = laying.coatUm > 0 ? run.filmUm / laying.coatUm : coats;
    return [
      {
        layer,
        below: last,
        ...run,
        laying,
        seen,
        ...offOver(run.from, colour, material, laying, coatsInAll),
        goesOn: next !== undefined && areAlike(next, layer),
      },
    ];
  });
  return coverings.map((one, n) => ({
    ...one,
    isHidden: coverings
      .slice(n + 1)
      .some((later) => !areAlike(later.layer, one.layer) && coverGrades(later.layer.material).enough(later)),
  }));
}
