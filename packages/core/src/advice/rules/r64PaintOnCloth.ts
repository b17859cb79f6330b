import { spotsOf, orderedSteps } from '../../facts/spots';
import { isHeat } from '../../facts/stepOrder';
import { substrateTable } from '../../model/substrates';
import { thinnerTable } from '../../model/thinners';
import { has } from '../../model/traits';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';
import { sayC } from '../../model/sayMeasure';

/** R64: plain acrylic goes stiff and cracks in cloth that stretches; and what sets it by heat comes before it is mounted. */
export const r64PaintOnCloth: Rule = {
  id: 'R64',
  severity: 'risk',
  title: 'Acrylic on stretch cloth without textile medium',
  look(piece, context) {
    if (!substrateTable[piece.substrate.kind].isCloth) return [];
    const stiff = spotsOf(piece, context).flatMap((spot): RuleFinding[] =>
      spot.layers.flatMap((layer, n): RuleFinding[] => {
        const { step, material } = layer;
        const isSoft =
          (step.thinWith !== undefined && thinnerTable[step.thinWith].forCloth === true) ||
          has(material, 'for-cloth') ||
          spot.layers.slice(0, n).some((below) => has(below.material, 'for-cloth'));
        if (material.binder !== 'acrylic' || material.role !== 'paint' || isSoft) return [];
        return [
          about(
            this,
            piece,
            step,
            {
              message: `${material.name} goes stiff and cracks in cloth: stir textile medium in, one part to two of paint.`,
              reason:
                'The paint glues the threads together. The medium keeps it soft and lets it take the stretch and a wash.',
              ideas: [
                ways.set('Textile medium stirred in', piece, context, layer.at, {
                  thinWith: 'textile-medium',
                  thinPct: 50,
                }),
              ],
            },
            spot,
          ),
        ];
      }),
    );
    const steps = orderedSteps(piece, context);
    const mounted = steps.find(({ step }) => step.kind === 'join' || step.kind === 'attach');
    const late = steps.flatMap(({ step, at }): RuleFinding[] =>
      isHeat(step) && mounted && mounted.at < at
        ? [
            about(this, piece, step, {
              message:
                'Set the paint by heat before the cloth is mounted: what it sits on takes harm from the iron.',
              reason: `Textile paint is set at about ${sayC(150)}, which neither foam nor glue stands.`,
              ideas: [ways.move('Set it by heat first', piece, context, at, mounted.at)],
            }),
          ]
        : [],
    );
    return [...oncePerStep(stiff), ...late];
  },
};
