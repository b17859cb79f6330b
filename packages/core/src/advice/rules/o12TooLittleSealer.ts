import { coatsWorth } from '../../facts/closure';
import { spotsOf } from '../../facts/spots';
import { dryFilmUm } from '../../materials/film';
import type { Material } from '../../model/materialSchema';
import { isPorousFoam } from '../../model/substrates';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';

/** A sealer that leaves so much of one normal coat, µm, fills pores with one heavy or two normal ones. */
const THICK_UM = 70;
const THICK_WORTH = 1.6;
/** One that bites into the foam closes it with this much, however many coats that are. */
const BITING_WORTH = 1.7;
/** Of all others it takes so many coats, as each sinks in, or as much in fewer. */
const THIN_COATS = 3;
const THIN_WORTH = 2.7;
/** What has nothing to lose closes with one. */
const SOLID_WORTH = 0.9;

/**
 * Whether a sealer has closed the pores of foam.
 * @param worth how many normal coats of it lie there
 * @param coats how many coats that are, none of them a dust coat
 */
export function closesPores(material: Material, worth: number, coats: number): boolean {
  if (material.carrier === 'none') return worth >= SOLID_WORTH;
  if (dryFilmUm(material.wftUm, material) >= THICK_UM) return worth >= THICK_WORTH;
  if (material.carrier === 'solvent' && worth >= BITING_WORTH) return true;
  return coats >= THIN_COATS || worth >= THIN_WORTH;
}

/** O12: fewer coats of sealer than foam drinks leave its pores open, and paint sinks in. */
export const o12TooLittleSealer: Rule = {
  id: 'O12',
  severity: 'note',
  title: 'Fewer coats of sealer than foam drinks',
  look(piece, context) {
    if (!isPorousFoam(piece.substrate.kind)) return [];
    const found = spotsOf(piece, context).flatMap((spot): RuleFinding[] => {
      if (spot.cell.startsWith('inner:')) return [];
      const first = spot.layers.findIndex(({ material }) => material.role === 'seal');
      const layer = spot.layers[first];
      if (!layer || spot.layers.slice(0, first).some((below) => coatsWorth(below) > 0)) return [];
      const rest = spot.layers.slice(first);
      const end = rest.findIndex(({ material }) => material.role !== 'seal' && material.role !== 'prime');
      const closing = end < 0 ? rest : rest.slice(0, end);
      const worth = closing.reduce((sum, one) => sum + coatsWorth(one), 0);
      const laid = closing.reduce((sum, { step }) => sum + (step.film === 'dust' ? 0 : (step.coats ?? 1)), 0);
      if (worth === 0 || closesPores(layer.material, worth, laid)) return [];
      const coats = layer.step.coats ?? 1;
      const each = coatsWorth(layer) / coats;
      let more = 1;
      while (more < THIN_COATS && !closesPores(layer.material, worth + more * each, laid + more)) more += 1;
      return [
        about(
          this,
          piece,
          layer.step,
          {
            message: `${layer.material.name}: that is little on foam, so pores may show and paint may sink in. ${coats + more} coats are usual.`,
            reason:
              'The first coat soaks into the cut cells; those that follow close them and make an even face.',
            ideas: [
              ways.set(`${coats + more} coats of it`, piece, context, layer.at, { coats: coats + more }),
            ],
          },
          spot,
        ),
      ];
    });
    return oncePerStep(found);
  },
};
