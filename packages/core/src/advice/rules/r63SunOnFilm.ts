import { exposedOf } from '../../facts/closure';
import { spotsOf } from '../../facts/spots';
import { has } from '../../model/traits';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';

/** R63: sun yellows clear epoxy and bleaches dyes and fluorescents, also through a plain clear. */
export const r63SunOnFilm: Rule = {
  id: 'R63',
  severity: 'risk',
  title: 'Sun on clear epoxy, fluorescent or dye',
  look(piece, context) {
    const event = context.build.events.find((one) => one.id === piece.event);
    if (!event?.inSun) return [];
    const found = spotsOf(piece, context).flatMap((spot): RuleFinding[] => {
      const { layers } = spot;
      const at = layers.findLastIndex(
        ({ material }, n) =>
          has(material, 'fades') &&
          // Paint that covers it keeps the sun out; a clear does not.
          exposedOf(layers.slice(n + 1).filter((over) => over.material.role !== 'topcoat')).bare &&
          !layers.slice(n + 1).some((over) => has(over.material, 'uv-filter')),
      );
      const layer = layers[at];
      const top = layers.at(-1);
      if (spot.face !== 'outer' || !layer || !top) return [];
      return [
        about(
          this,
          piece,
          layer.step,
          {
            message: `Sun yellows or bleaches ${layer.material.name}: a varnish with a UV filter over it slows that down.`,
            reason: 'Ultraviolet breaks dyes and resins within hours to weeks.',
            ideas: [
              ways.insert('Varnish with UV filter over it', piece, context, top.at + 1, {
                kind: 'topcoat',
                material: 'uv-varnish',
                method: 'brush',
                coats: 1,
                film: 'normal',
                ...(layer.step.zones ? { zones: layer.step.zones } : {}),
              }),
            ],
          },
          spot,
        ),
      ];
    });
    return oncePerStep(found);
  },
};
