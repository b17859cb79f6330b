import { coatsWorth } from '../../facts/closure';
import { spotsOf, orderedSteps, type Layer } from '../../facts/spots';
import type { Face } from '../../model/schema';
import { layerThat } from '../../model/substrates';
import { about } from '../about';
import { ways } from '../pairs';
import type { RuleFinding } from '../finding';
import { oncePerStep, type Rule } from '../rule';

const COATS_NEEDED = 2;
/** Three light coats pass for two full ones. */
const WORTH_NEEDED = 1.8;

const message = (name: string) =>
  `${name} eats polystyrene foam that is not closed by two full water-borne coats.`;
const reason = 'Aromatics, ketones and acetates dissolve polystyrene on contact, also through a pinhole.';

/** Whether enough lies closed on it that no solvent has laid. */
const isClosed = (below: readonly Layer[]): boolean =>
  below.filter(({ material }) => material.solvent === 0).reduce((sum, layer) => sum + coatsWorth(layer), 0) >=
  WORTH_NEEDED;

/** R01: solvents eat bare polystyrene foam, in dust coats and in cement as well. */
export const r01SolventOnPolystyrene: Rule = {
  id: 'R01',
  severity: 'stop',
  title: 'Solvent on bare polystyrene foam',
  look(piece, context) {
    if (!layerThat(piece.substrate, 'dissolves')) return [];
    const both: Face[] = piece.faces.inner ? ['outer', 'inner'] : ['outer'];
    const sealer = (at: number, faces = both) =>
      ways.insert('Two coats of flexible PVA primer first', piece, context, at, {
        kind: 'seal',
        material: 'pva-flex-primer',
        method: 'brush',
        coats: COATS_NEEDED,
        film: 'normal',
        faces,
      });
    const films = spotsOf(piece, context).flatMap((spot): RuleFinding[] => {
      const at = spot.layers.findIndex(
        ({ material }, n) => material.solvent >= 2 && !isClosed(spot.layers.slice(0, n)),
      );
      const layer = spot.layers[at];
      if (!layer) return [];
      const said = { message: message(layer.material.name), reason, ideas: [sealer(layer.at, [spot.face])] };
      return [about(this, piece, layer.step, said, spot)];
    });
    const isSealed = (at: number) =>
      spotsOf(piece, context).every(({ layers }) => isClosed(layers.filter((layer) => layer.at < at)));
    const glue = orderedSteps(piece, context).flatMap(({ step, at, material }): RuleFinding[] =>
      material?.role === 'bond' && material.solvent >= 2 && !isSealed(at)
        ? [
            about(this, piece, step, {
              message: message(material.name),
              reason,
              ideas: [
                ways.set('Hot-melt glue at low heat instead', piece, context, at, {
                  material: 'hot-glue-low',
                  method: 'tool',
                }),
                sealer(at),
              ],
            }),
          ]
        : [],
    );
    return oncePerStep([...films, ...glue]);
  },
};
