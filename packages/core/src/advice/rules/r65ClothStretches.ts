import { spotsOf } from '../../facts/spots';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';

/** Stretched again and again, a film keeps whole to this share of its stretch at break. */
const KEEPS_WHOLE = 1 / 2;

/** R65: cloth that is stretched further than half of what the film on it stands cracks it. */
export const r65ClothStretches: Rule = {
  id: 'R65',
  severity: 'risk',
  title: 'Cloth stretched too far for the film on it',
  look(piece, context) {
    const { stretchPct } = piece.substrate;
    if (stretchPct === undefined) return [];
    const flexible = [...context.materials.values()]
      .filter(
        ({ role, carrier, elongationPct }) =>
          role === 'paint' && carrier === 'water' && (elongationPct ?? 0) * KEEPS_WHOLE >= stretchPct,
      )
      .slice(0, 2);
    const found = spotsOf(piece, context).flatMap((spot): RuleFinding[] =>
      spot.layers.flatMap((layer): RuleFinding[] => {
        const { elongationPct, name, role, colour } = layer.material;
        if (elongationPct === undefined || stretchPct <= elongationPct * KEEPS_WHOLE) return [];
        return [
          about(
            this,
            piece,
            layer.step,
            {
              message: `The cloth stretches by ${stretchPct} %, and ${name} breaks at ${elongationPct} %: it cracks when it is put on.`,
              reason: 'Worn again and again, a film keeps whole to half of its stretch at break at most.',
              ideas:
                role === 'paint'
                  ? flexible.map((other) =>
                      ways.set(`${other.name} in its place`, piece, context, layer.at, {
                        material: other.id,
                        ...(other.methods[0] ? { method: other.methods[0] } : {}),
                        colour: layer.step.colour ?? colour,
                      }),
                    )
                  : [],
            },
            spot,
          ),
        ];
      }),
    );
    return oncePerStep(found);
  },
};
