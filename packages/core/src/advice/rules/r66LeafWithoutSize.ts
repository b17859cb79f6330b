import { exposedOf } from '../../facts/closure';
import { spotsOf } from '../../facts/spots';
import { has } from '../../model/traits';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';

/** R66: leaf holds by a size that is sticky, and by nothing else. Its window is that of the size (R07, R08). */
export const r66LeafWithoutSize: Rule = {
  id: 'R66',
  severity: 'risk',
  title: 'Leaf without size',
  look(piece, context) {
    const found = spotsOf(piece, context).flatMap((spot): RuleFinding[] =>
      spot.layers.flatMap((layer, n): RuleFinding[] => {
        if (!has(layer.material, 'leaf')) return [];
        const [under] = exposedOf(spot.layers.slice(0, n)).layers;
        if (has(under?.material, 'size')) return [];
        return [
          about(
            this,
            piece,
            layer.step,
            {
              ...(under ? { below: under.material.id } : {}),
              message: `${layer.material.name} holds only on size that is still sticky.`,
              reason: 'Leaf is thinner than a breath and has no glue of its own: on dry paint it flies off.',
              ideas: [
                ways.barrier('Size under it', piece, context, layer, {
                  kind: 'prime',
                  material: 'leaf-size',
                  film: 'normal',
                }),
              ],
            },
            spot,
          ),
        ];
      }),
    );
    return oncePerStep(found);
  },
};
