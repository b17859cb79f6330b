import { isPorousFoam } from '../../model/substrates';
import { stepPointer, type Rule } from '../rule';
import { freshId } from '../freshId';
import { facesOf, cellsOf } from '../../model/stepSpots';
import { orderedSteps } from '../../facts/spots';

const closing = new Set(['seal', 'prime']);
const drinking = new Set(['paint', 'texture', 'weather', 'detail', 'topcoat']);

/** R03: paint straight on bare foam sinks in, shows every pore, and cracks. */
export const r03PaintOnBareFoam: Rule = {
  id: 'R03',
  severity: 'risk',
  title: 'Paint straight on bare foam',
  look(piece, { build, materials }) {
    if (!isPorousFoam(piece.substrate.kind)) return [];
    const closed = new Set<string>();
    for (const { at, step, material } of orderedSteps(piece, { build, materials })) {
      if (!material) continue;
      const cells = cellsOf(piece, step);
      if (closing.has(material.role)) {
        cells.forEach((cell) => closed.add(cell));
      } else if (drinking.has(material.role)) {
        const bare = cells.filter((cell) => !closed.has(cell));
        if (bare.length === 0) continue;
        const seal = {
          id: freshId('seal', piece),
          kind: 'seal',
          material: 'pva-flex-primer',
          method: 'brush',
          coats: 3,
          faces: facesOf(step),
        };
        return [
          {
            rule: 'R03',
            severity: 'risk',
            piece: piece.id,
            step: step.id,
            message: `${material.name} would go straight on bare foam: it sinks in and the pores show.`,
            reason:
              'Open foam cells drink the binder out of the first coats and leave a weak, uneven film that cracks when the foam bends.',
            ideas: [
              {
                label: 'Seal first: three coats of flexible PVA foam primer',
                change: [{ op: 'add', path: stepPointer(build, piece, at), value: seal }],
              },
            ],
          },
        ];
      }
    }
    return [];
  },
};
