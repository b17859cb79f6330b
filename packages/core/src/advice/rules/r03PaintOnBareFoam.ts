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

/** R03: paint straight on bare foam sinks in, shows every pore, and cracks. What was never sealed after all counts as bare. */
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
      if (!layer || closing.has(layer.material.role)) return [];
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
