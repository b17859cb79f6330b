import { coatsToHide, colourDistance, colourOver, HIDDEN_DELTA_E, PLAIN_DELTA_E } from '../../colour/hiding';
import { mixedColour } from '../../colour/seenColour';
import { layerUm, spotsOf, type Layer } from '../../facts/spots';
import { substrateNames } from '../../model/substrates';
import { has } from '../../model/traits';
import { about } from '../about';
import type { Idea, RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';

const MOST_COATS = 20;
/** What would take more is another ground's or another pigment's business, and no number to name. */
const MOST_SENSIBLE = 6;
/** What goes on in fewer places than this is meant to leave the ground in sight. */
const MOST_OF_IT = 0.95;

/** What a film has to hide. */
interface Ground {
  colour: string;
  name: string;
  materialId?: string;
}

/** Whether a layer changes the colour of the whole: washes, stains and tints show what is below on purpose. */
const covers = ({ material, share }: Layer): boolean =>
  material.hideUm !== undefined &&
  material.role !== 'weather' &&
  material.role !== 'detail' &&
  share >= MOST_OF_IT;

const areAlike = (one: Layer | undefined, other: Layer): boolean =>
  one?.material.id === other.material.id && mixedColour(one) === mixedColour(other);

/** O05: a colour that is laid too thin for what is below it: the undercoat shows, or it comes out patchy. */
export const o05UndercoatShows: Rule = {
  id: 'O05',
  severity: 'risk',
  title: 'The undercoat shows through',
  look(piece, context) {
    const { substrate } = piece;
    const undercoats = [...context.materials.values()].filter(
      ({ role, carrier, hideUm, traits }) =>
        role === 'prime' && carrier === 'water' && hideUm !== undefined && traits.length === 0,
    );
    const found = spotsOf(piece, context).flatMap((spot): RuleFinding[] => {
      if (spot.face !== 'outer') return [];
      const layers = spot.layers.filter(covers);
      let ground: Ground | undefined =
        substrate.colour === undefined
          ? undefined
          : { colour: substrate.colour, name: `bare ${substrateNames[substrate.kind].toLowerCase()}` };
      let run: { from: string; um: number } | undefined;
      return layers.flatMap((layer, n): RuleFinding[] => {
        const { material, step, coats } = layer;
        const colour = mixedColour(layer);
        const under = ground;
        if (!under) {
          ground = { colour, name: material.name, materialId: material.id };
          return [];
        }
        run =
          areAlike(layers[n - 1], layer) && run
            ? { ...run, um: run.um + layerUm(layer) }
            : { from: under.colour, um: layerUm(layer) };
        const seen = colourOver(run.from, colour, material, run.um);
        ground = { colour: seen, name: material.name, materialId: material.id };
        const off = colourDistance(seen, colour);
        const next = layers[n + 1];
        if (
          material.role !== 'paint' ||
          // Details are strokes, not cover.
          step.kind === 'detail' ||
          // What a paint was mixed to is not known unless the step says so.
          step.colour === undefined ||
          layer.method === 'dry-brush' ||
          // A mirror is laid so thin that the gloss below makes it.
          has(material, 'mirror') ||
          (next !== undefined && areAlike(next, layer)) ||
          off < HIDDEN_DELTA_E
        )
          return [];
        const isWanted = step.wanted?.includes('undercoat-shows') || step.wanted?.includes('patchy');
        const { from, um } = run;
        const coatUm = layerUm(layer) / coats;
        const needed = coatsToHide(from, colour, material, coatUm, MOST_COATS);
        const cure =
          needed === undefined || needed > MOST_SENSIBLE
            ? '; another undercoat would, sooner than more coats'
            : `; ${needed} would hide it`;
        return [
          about(
            this,
            piece,
            step,
            {
              // Dust coats leave the ground in sight, and those who dust know it.
              severity: isWanted || off < PLAIN_DELTA_E || layer.film === 'dust' ? 'note' : 'risk',
              ...(under.materialId === undefined ? {} : { below: under.materialId }),
              message: isWanted
                ? `${under.name} shows through ${material.name}, as wanted.`
                : `${coats} ${coats === 1 ? 'coat' : 'coats'} of ${material.name} ${coats === 1 ? 'lets' : 'let'} the ${under.name} below show${cure}.`,
              reason: `${um.toFixed(0)} µm of film here; it hides at about ${material.hideUm} µm. The colour comes out ${off.toFixed(1)} ΔE00 from what was mixed, and up to ${HIDDEN_DELTA_E} can’t be seen.`,
              ideas: isWanted ? [] : [...moreCoats(needed), ...betterGround()],
            },
            spot,
          ),
        ];

        function moreCoats(most: number | undefined): Idea[] {
          return most === undefined || most <= coats || most > MOST_SENSIBLE
            ? []
            : [ways.set(`${most} coats`, piece, context, layer.at, { coats: most })];
        }

        /** Grounds over which fewer coats cover, those that need fewest first, with the coats they need. */
        function betterGround(): Idea[] {
          const over = needed ?? Infinity;
          return undercoats
            .map((primer) => ({
              primer,
              least: coatsToHide(primer.colour, colour, material, coatUm, MOST_SENSIBLE) ?? Infinity,
            }))
            .filter(({ least }) => least < over)
            .sort((a, b) => a.least - b.least)
            .map(({ primer, least }) => {
              const below = ways.barrier('', piece, context, layer, {
                kind: 'prime',
                material: primer.id,
                film: 'normal',
                coats: 2,
              });
              const more = Math.max(coats, least);
              return {
                label: `${primer.name} below it${more > coats ? `, and ${more} coats` : ''}`,
                // The coats are set first, as the primer moves the step.
                change: [
                  ...(more > coats ? ways.set('', piece, context, layer.at, { coats: more }).change : []),
                  ...below.change,
                ],
              };
            });
        }
      });
    });
    return oncePerStep(found);
  },
};
