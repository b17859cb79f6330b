import { forecastSheen, sheenClass, sheenWords } from '../../facts/sheen';
import { spotsOf } from '../../facts/spots';
import type { RuleFinding } from '../finding';
import { freshId } from '../freshId';
import { ways } from '../pairs';
import { oncePerStep, stepPointer, type Rule } from '../rule';
import { nth } from '../../model/sure';

/** R39: zones end in different films; says where the sheen that was asked for is not what will come out. */
export const r39SheenMissed: Rule = {
  id: 'R39',
  severity: 'note',
  title: 'The sheen comes out other than wanted',
  look(piece, context) {
    const found = spotsOf(piece, context).flatMap((spot): RuleFinding[] => {
      const { layers, face, zone } = spot;
      const own = piece.zones?.find((one) => one.id === zone);
      const wants = own?.wantsSheen ?? piece.wantsSheen;
      const top = layers.at(-1);
      const forecast = forecastSheen(piece, spot);
      if (!wants || face !== 'outer' || !top || !forecast || forecast.class === wants) return [];
      const clears = [...context.materials.values()].filter(
        (material) =>
          material.role === 'topcoat' &&
          material.carrier === 'water' &&
          material.potLife === undefined &&
          sheenClass(material.sheenGu ?? 0) === wants,
      );
      const zones = own && (piece.zones?.length ?? 0) > 1 ? { zones: [zone] } : {};
      return [
        {
          rule: 'R39',
          severity: 'note',
          piece: piece.id,
          zone,
          face,
          step: top.step.id,
          message: `${own ? `${own.name} comes` : 'It comes'} out ${sheenWords[forecast.class]}${forecast.gu === undefined ? '' : ` (${forecast.gu} gloss units)`} from the ${forecast.setBy}; wanted is ${sheenWords[wants]}.`,
          reason:
            'The film on top sets the sheen, unless a strong gloss below shines through a thin matte clear.',
          ideas: clears.map((clear) =>
            top.material.role === 'topcoat'
              ? ways.set(`${clear.name} in its place`, piece, context, top.at, {
                  material: clear.id,
                  method: nth(clear.methods, 0),
                })
              : {
                  label: `${clear.name} over it`,
                  change: [
                    {
                      op: 'add',
                      path: stepPointer(context.build, piece, top.at + 1),
                      value: {
                        id: freshId('clear', piece),
                        kind: 'topcoat',
                        material: clear.id,
                        method: nth(clear.methods, 0),
                        ...zones,
                      },
                    },
                  ],
                },
          ),
        },
      ];
    });
    return oncePerStep(found);
  },
};
