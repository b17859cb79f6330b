import { CLOSED, coatsWorth } from '../../facts/closure';
import { spotsOf } from '../../facts/spots';
import { isPorousFoam } from '../../model/substrates';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';

const closing = new Set(['seal', 'prime']);
const drinking = new Set(['paint', 'texture', 'weather', 'detail', 'topcoat']);
/** A closing coat in fewer places than this leaves the rest bare. */
const MOST_OF_IT = 0.95;

/** R03: paint straight on bare foam sinks in, shows every pore, and cracks. What was never sealed after all counts as bare; a dust of sealer is no seal. */
export const r03PaintOnBareFoam: Rule = {
  id: 'R03',
  severity: 'risk',
  title: 'Paint straight on bare foam',
  look(piece, context) {
    if (!isPorousFoam(piece.substrate.kind)) return [];
    const found = spotsOf(piece, context).flatMap((spot): RuleFinding[] => {
      const { layers } = spot;
      const first = layers.findIndex(
        ({ material, share }) =>
          drinking.has(material.role) || (closing.has(material.role) && share >= MOST_OF_IT),
      );
      const layer = layers[first];
      if (!layer) return [];
      if (closing.has(layer.material.role)) {
        const painted = layers.findIndex(({ material }) => drinking.has(material.role));
        const worth = layers.slice(0, Math.max(0, painted)).reduce((sum, one) => sum + coatsWorth(one), 0);
        if (painted < 0 || worth >= CLOSED) return [];
        return [
          about(
            this,
            piece,
            layer.step,
            {
              severity: 'stop',
              message: `${layer.material.name} is too thin here to close the foam: what comes over it sinks in and cracks.`,
              reason:
                'Less than half a coat leaves the pores open, and paint over it is paint on bare foam with a skin that hides it.',
              ideas: [ways.set('Three whole coats', piece, context, layer.at, { film: 'normal', coats: 3 })],
            },
            spot,
          ),
        ];
      }
      return [
        about(
          this,
          piece,
          layer.step,
          {
            message: `${layer.material.name} would go straight on bare foam: it sinks in and the pores show.`,
            reason:
              'Open foam cells drink the binder out of the first coats and leave a weak, uneven film that cracks when the foam bends.',
            ideas: [
              ways.insert('Seal first: three coats of flexible PVA foam primer', piece, context, layer.at, {
                kind: 'seal',
                material: 'pva-flex-primer',
                method: 'brush',
                coats: 3,
                faces: layer.step.faces ?? ['outer'],
                ...(layer.step.zones ? { zones: layer.step.zones } : {}),
              }),
            ],
          },
          spot,
        ),
      ];
    });
    return oncePerStep(found).slice(0, 1);
  },
};
