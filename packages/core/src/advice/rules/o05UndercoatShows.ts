import { coatsToHide, colourDistance, colourOver, HIDDEN_DELTA_E } from '../../colour/hiding';
import { layerUm, spotsOf, type Layer } from '../../facts/spots';
import type { Idea, RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';

const MOST_COATS = 20;
/** Up to this difference, ΔE00, a colour is only a shade off; beyond it the ground plainly shows. */
const PLAIN_DELTA_E = 5;
const undercoats = ['white', 'grey', 'black', 'oxide'].map((name) => `acrylic-pu-primer-${name}`);

const colourOf = ({ step, material }: Layer): string => step.colour ?? material.colour;

/** O05: a colour that is laid too thin for what is below it: the undercoat shows, or it comes out patchy. */
export const o05UndercoatShows: Rule = {
  id: 'O05',
  severity: 'risk',
  title: 'The undercoat shows through',
  look(piece, context) {
    const found = spotsOf(piece, context)
      .filter(({ face }) => face === 'outer')
      .flatMap(({ layers, face }): RuleFinding[] => {
        let ground: { colour: string; layer: Layer } | undefined;
        let run: { from: string; um: number } | undefined;
        return layers.flatMap((layer, n): RuleFinding[] => {
          const { material, step } = layer;
          // Weathering is meant to leave the ground in sight.
          if (material.hideUm === undefined || material.role === 'weather' || material.role === 'detail')
            return [];
          const colour = colourOf(layer);
          const before = layers[n - 1];
          const goesOn = before?.material.id === material.id && colourOf(before) === colour;
          const under = ground;
          if (!under) {
            ground = { colour, layer };
            return [];
          }
          run =
            goesOn && run
              ? { ...run, um: run.um + layerUm(layer) }
              : { from: under.colour, um: layerUm(layer) };
          const seen = colourOver(run.from, colour, material, run.um);
          ground = { colour: seen, layer };
          const next = layers[n + 1];
          const goesOnAbove = next?.material.id === material.id && colourOf(next) === colour;
          const off = colourDistance(seen, colour);
          if (
            material.role !== 'paint' ||
            // Details are strokes, not cover.
            step.kind === 'detail' ||
            // What a paint was mixed to is not known unless the step says so.
            step.colour === undefined ||
            layer.step.method === 'dry-brush' ||
            goesOnAbove ||
            off < HIDDEN_DELTA_E
          )
            return [];
          const wanted = step.wanted?.includes('undercoat-shows') || step.wanted?.includes('patchy');
          const { coats } = layer;
          const coatUm = layerUm(layer) / coats;
          const needed = coatsToHide(run.from, colour, material, coatUm, MOST_COATS);
          return [
            {
              rule: 'O05',
              severity: wanted || off < PLAIN_DELTA_E ? 'note' : 'risk',
              piece: piece.id,
              face,
              step: step.id,
              below: under.layer.material.id,
              message: wanted
                ? `${under.layer.material.name} shows through ${material.name}, as wanted.`
                : `${coats} ${coats === 1 ? 'coat' : 'coats'} of ${material.name} ${coats === 1 ? 'lets' : 'let'} the ${under.layer.material.name} below show${needed === undefined ? `; even ${MOST_COATS} would not hide it` : `; ${needed} would hide it`}.`,
              reason: `${run.um.toFixed(0)} µm of film here; it hides at about ${material.hideUm} µm. The colour comes out ${off.toFixed(1)} ΔE00 from what was mixed, and up to ${HIDDEN_DELTA_E} can’t be seen.`,
              ideas: wanted ? [] : [...moreCoats(needed, coats), ...betterGround(colour)],
            },
          ];

          function moreCoats(most: number | undefined, now: number): Idea[] {
            return most === undefined || most <= now
              ? []
              : [ways.set(`${most} coats`, piece, context, layer.at, { coats: most })];
          }

          function betterGround(mixed: string): Idea[] {
            return undercoats
              .flatMap((id) => context.materials.get(id) ?? [])
              .map((primer) => ({
                primer,
                coats: coatsToHide(primer.colour, mixed, material, coatUm, MOST_COATS) ?? Infinity,
              }))
              .filter((one) => one.coats <= coats)
              .map(({ primer }) =>
                ways.barrier(`${primer.name} below it`, piece, context, layer, {
                  kind: 'prime',
                  material: primer.id,
                  film: 'normal',
                  coats: 2,
                }),
              );
          }
        });
      });
    return oncePerStep(found);
  },
};
