import { isRigid, stretchesFar } from '../../facts/bends';
import { coveringsOf } from '../../colour/covering';
import { HIDDEN_DELTA_E } from '../../colour/distance';
import { coatsToHide, coverGrades } from '../../colour/hiding';
import { paintFigures } from '../../colour/paint';
import { hideOf } from '../../colour/pigmentsOf';
import { usualUndercoat } from '../../colour/undercoat';
import { mixedColour } from '../../colour/seenColour';
import { spotsOf, type Layer } from '../../facts/spots';
import { sayUm } from '../../model/sayMeasure';
import { substrateNames } from '../../model/substrates';
import { has } from '../../model/traits';
import { about } from '../about';
import { primersOf } from '../coverAdvice';
import type { Idea, RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';
import { inText } from '../../model/inText';

const MOST_COATS = 20;
/** What would take more is another ground's or another pigment's business, and no number to name. */
const MOST_SENSIBLE = 4;
/** What takes this many times the film of an average pigment is a weak one. */
const WEAK_HIDE = 1.5;
/** An undercoat is laid in so many coats. */
const COATS_BELOW = 2;
/** How far off a colour is, by the least difference that is seen. */
const timesSeen = (off: number): string =>
  off <= HIDDEN_DELTA_E ? 'within' : `${(off / HIDDEN_DELTA_E).toFixed(1)} times`;

/** O05: a colour that is laid too thin for what is below it: the undercoat shows, or it comes out patchy. */
export const o05UndercoatShows: Rule = {
  id: 'O05',
  severity: 'risk',
  title: 'The undercoat shows through',
  look(piece, context) {
    const { substrate } = piece;
    const primers = primersOf(context.materials);
    const found = spotsOf(piece, context).flatMap((spot): RuleFinding[] => {
      if (spot.face !== 'outer') return [];
      return coveringsOf(spot.layers, substrate.colour).flatMap((covering): RuleFinding[] => {
        const { layer, from, filmUm, laying, off, offInStreaks, goesOn, isHidden } = covering;
        const { material, step, coats } = layer;
        const colour = mixedColour(layer);
        if (
          material.role !== 'paint' ||
          // Details are strokes, not cover, and weathering lets through on purpose.
          step.kind === 'detail' ||
          step.kind === 'weather' ||
          // What a paint was mixed to is not known unless the step says so.
          step.colour === undefined ||
          layer.method === 'dry-brush' ||
          // A mirror is laid so thin that the gloss below makes it.
          has(material, 'mirror') ||
          // What needs a white ground is told that (O13), not to be laid until no ground is seen.
          has(material, 'over-white') ||
          goesOn ||
          isHidden ||
          // Dusted for grip, with paint over it.
          (layer.film === 'dust' &&
            spot.layers.some(({ at, material: { role } }) => at > layer.at && role === 'paint')) ||
          coverGrades(material).enough(covering)
        )
          return [];
        const under = covering.below?.material;
        // A rigid film on a soft one cracks the sooner the thicker it is.
        const cracksThick =
          isRigid(material) && spot.layers.some((one) => one.at < layer.at && stretchesFar(one.material));
        const name = under?.name ?? `bare ${inText(substrateNames[substrate.kind])}`;
        const isWanted = step.wanted?.includes('undercoat-shows') || step.wanted?.includes('patchy');
        const { hideUm, pigments } = paintFigures(material, colour);
        const isWeak = pigments.length > 0 && hideOf(pigments) >= WEAK_HIDE;
        const { wanted, slight } = coverGrades(material);
        const needed = coatsToHide(from, colour, material, laying, MOST_COATS, wanted);
        const cure =
          needed === undefined || needed > MOST_SENSIBLE
            ? '; a fuller or another undercoat would, sooner than more coats'
            : `; ${needed} would hide it`;
        return [
          about(
            this,
            piece,
            step,
            {
              // Dust coats leave the ground in sight, and those who dust know it.
              severity: isWanted || slight(covering) || layer.film === 'dust' ? 'note' : 'risk',
              ...(under === undefined ? {} : { below: under.id }),
              message: isWanted
                ? `${name} shows through ${material.name}, as wanted.`
                : `${coats} ${coats === 1 ? 'coat' : 'coats'} of ${material.name} ${coats === 1 ? 'lets' : 'let'} the ${name} below show${cure}.`,
              reason: `${sayUm(filmUm)} of film here; in this colour it hides at about ${sayUm(hideUm ?? 0)}. The colour comes out ${timesSeen(off)} what the eye can tell apart from what was mixed, in its thinnest streaks ${timesSeen(offInStreaks)}.${isWeak ? ' Its pigments are clear ones: an opaque one needs fewer coats.' : ''}`,
              ideas: isWanted ? [] : sooner(needed ?? Infinity),
            },
            spot,
          ),
        ];

        /** More coats, and undercoats over which fewer cover: what takes the fewest coats in all first. */
        function sooner(more: number): Idea[] {
          const grounds = betterGrounds(more);
          const add =
            more <= coats || more > MOST_COATS || cracksThick
              ? []
              : [{ least: more, idea: ways.set(`${more} coats`, piece, context, layer.at, { coats: more }) }];
          const sensible = add.filter(({ least }) => least <= MOST_SENSIBLE || grounds.length === 0);
          return [...sensible, ...grounds].sort((a, b) => a.least - b.least).map(({ idea }) => idea);
        }

        function fuller(ground: Layer, least: number, isUsual: boolean): { least: number; idea: Idea } {
          const full = ground.coats + 1;
          const more = Math.max(coats, least);
          return {
            least: least + 1 - (isUsual ? 1 : 0),
            idea: {
              label: `${full} coats of ${ground.material.name} below it${more > coats ? `, and ${more} coats` : ''}`,
              change: [
                ...(more > coats ? ways.set('', piece, context, layer.at, { coats: more }).change : []),
                ...ways.set('', piece, context, ground.at, { coats: full }).change,
              ],
            },
          };
        }

        function betterGrounds(over: number): { least: number; idea: Idea }[] {
          const usual = usualUndercoat(colour, has(material, 'metallic'));
          return [...primers]
            .map(([id, primer]) => ({
              isUsual: id === usual,
              primer,
              least: coatsToHide(primer.colour, colour, material, laying, MOST_SENSIBLE, wanted) ?? Infinity,
            }))
            .filter(({ least }) => least < over)
            .sort((a, b) => Number(b.isUsual) - Number(a.isUsual) || a.least - b.least)
            .map(({ primer, least, isUsual }) => {
              const ground = covering.below;
              // What lies there already is only laid fuller.
              if (ground?.material.id === primer.id) return fuller(ground, least, isUsual);
              const below = ways.barrier('', piece, context, layer, {
                kind: 'prime',
                material: primer.id,
                film: 'normal',
                coats: COATS_BELOW,
              });
              const more = Math.max(coats, least);
              const idea = {
                label: `${primer.name} below it${more > coats ? `, and ${more} coats` : ''}`,
                // The coats are set first, as the primer moves the step.
                change: [
                  ...(more > coats ? ways.set('', piece, context, layer.at, { coats: more }).change : []),
                  ...below.change,
                ],
              };
              // What is usual does more than hide.
              return { least: least + COATS_BELOW - (isUsual ? 1 : 0), idea };
            });
        }
      });
    });
    return oncePerStep(found);
  },
};
