import { lab65 } from 'culori';
import { coveringsOf } from '../../colour/covering';
import { coatsOf, faceLayer, STRONG_GLOSS_GU } from '../../facts/sheen';
import { spotsOf, type Layer, type Spot } from '../../facts/spots';
import { waterborneLike } from '../../materials/alike';
import type { Piece } from '../../model/schema';
import { has } from '../../model/traits';
import { about } from '../about';
import { primersOf } from '../coverAdvice';
import type { Idea, RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule, type RuleContext } from '../rule';

/** A ground under this lightness (L*) swallows the light that comes back through a glowing or fluorescent film. */
const WHITE_L = 85;
/** Fewer normal coats of glow powder glow too faintly to be seen in a hall. */
const GLOW_COATS = 4;
/** Undercoats are laid in so many coats. */
const COATS_BELOW = 2;
const BLACK = '#1c1b1b';

/**
 * O13: what lives by the light of its ground needs the right one: glow and fluorescent paint a white one, a mirror a hard gloss
 * (docs/domain.md, "Undercoats").
 */
export const o13GroundForEffect: Rule = {
  id: 'O13',
  severity: 'risk',
  title: 'Wrong ground for an effect',
  look(piece, context) {
    const found = spotsOf(piece, context).flatMap((spot): RuleFinding[] => [
      ...onDark(spot, piece, context),
      ...tooFaint(spot, piece, context),
      ...onMatte(spot, piece, context),
    ]);
    return oncePerStep(found);
  },
};

const say = (
  spot: Spot,
  piece: Piece,
  { step }: Layer,
  under: Layer | undefined,
  more: Pick<RuleFinding, 'message' | 'reason' | 'ideas'>,
) =>
  about(o13GroundForEffect, piece, step, { ...(under ? { below: under.material.id } : {}), ...more }, spot);

function onDark(spot: Spot, piece: Piece, context: RuleContext): RuleFinding[] {
  const white = primersOf(context.materials).get('white');
  return coveringsOf(spot.layers, piece.substrate.colour).flatMap(({ layer, below, from }) => {
    const { material } = layer;
    if (!has(material, 'over-white') || (lab65(from)?.l ?? 0) >= WHITE_L) return [];
    return [
      say(spot, piece, layer, below, {
        message: `${material.name} comes alive only over white: over ${below?.material.name ?? 'what is below'} it stays dull.`,
        reason: 'Its film lets light through to the ground and back. A dark ground swallows that light.',
        ideas: white
          ? [
              ways.barrier(`${white.name} below it`, piece, context, layer, {
                kind: 'prime',
                material: white.id,
                coats: COATS_BELOW,
              }),
            ]
          : [],
      }),
    ];
  });
}

/** The gloss of the same kind, in black, in place of the matte film that lies below. */
function glossInstead(face: Layer | undefined, piece: Piece, context: RuleContext): Idea[] {
  if (!face) return [];
  const { binder, carrier, name } = face.material;
  return [...context.materials.values()]
    .filter(
      (other) =>
        other.role === 'paint' &&
        other.binder === binder &&
        other.carrier === carrier &&
        (other.sheenGu ?? 0) > STRONG_GLOSS_GU &&
        !has(other, 'mirror') &&
        !has(other, 'metallic'),
    )
    .map((other) =>
      ways.set(`${other.name} in black in place of ${name}`, piece, context, face.at, {
        material: other.id,
        colour: BLACK,
        ...(other.methods[0] ? { method: other.methods[0] } : {}),
      }),
    );
}

function tooFaint(spot: Spot, piece: Piece, context: RuleContext): RuleFinding[] {
  const top = spot.layers.findLast(({ material }) => has(material, 'glows'));
  if (!top || coatsOf(spot.layers, top.material) >= GLOW_COATS) return [];
  return [
    say(spot, piece, top, undefined, {
      message: `So little ${top.material.name} glows faintly: ${GLOW_COATS} normal coats or more.`,
      reason: 'The powder itself gives the light: twice the film glows about twice as bright.',
      ideas: [
        ways.set(`${GLOW_COATS} normal coats`, piece, context, top.at, { coats: GLOW_COATS, film: 'normal' }),
      ],
    }),
  ];
}

function onMatte(spot: Spot, piece: Piece, context: RuleContext): RuleFinding[] {
  return spot.layers.flatMap((layer, n) => {
    const { material } = layer;
    if (!has(material, 'mirror')) return [];
    const face = faceLayer(spot.layers.slice(0, n).filter((below) => below.material.id !== material.id));
    if ((face?.material.sheenGu ?? 0) > STRONG_GLOSS_GU) return [];
    const gloss = waterborneLike(
      { ...material, sheenGu: 100, traits: [] },
      context.materials.values(),
      'paint',
    ).find(({ sheenGu }) => (sheenGu ?? 0) > STRONG_GLOSS_GU);
    return [
      say(spot, piece, layer, face, {
        message: `${material.name} is a mirror only over a hard gloss: over ${face?.material.name ?? 'what is below'} it comes out as dull silver.`,
        reason:
          'Its film is thinner than the grain of a matte coat, and follows it. A cured gloss, best a black one, gives the mirror.',
        ideas: [
          ...glossInstead(face, piece, context),
          ...(gloss
            ? [
                {
                  label: `${gloss.name} in black below it, and let it cure`,
                  change: [
                    ...ways.set('', piece, context, layer.at, { waitFor: 'cured' }).change,
                    ...ways.barrier('', piece, context, layer, {
                      kind: 'base',
                      material: gloss.id,
                      colour: BLACK,
                      coats: COATS_BELOW,
                    }).change,
                  ],
                },
              ]
            : []),
        ],
      }),
    ];
  });
}
