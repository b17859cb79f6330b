import { isRigid } from '../../facts/bends';
import { filmBuildUm, spotsOf, type Layer } from '../../facts/spots';
import { isPorousFoam } from '../../model/substrates';
import { has } from '../../model/traits';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { isWet, ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';
import { sayMm } from '../../model/sayMeasure';

const THIN_MM = 3;
/** Less pull than this many µm of it bends nothing; of light coats, each dry before the next, it takes as much again. */
const PULLS_UM = 60;
const PULLS_LIGHT_UM = 120;

const pulls = ({ material }: Layer): boolean => has(material, 'shrinks') || isRigid(material);

/** R59: what shrinks or goes rigid on one face of thin foam bends it like a leaf. */
export const r59ThinFoamWarps: Rule = {
  id: 'R59',
  severity: 'risk',
  title: 'Shrinking or rigid coat on one face of thin foam',
  look(piece, context) {
    const { kind, thicknessMm } = piece.substrate;
    if (!isPorousFoam(kind) || thicknessMm > THIN_MM) return [];
    const spots = spotsOf(piece, context);
    const pullOf = (layers: readonly Layer[]) => filmBuildUm(layers.filter(pulls));
    const found = spots.flatMap((spot): RuleFinding[] => {
      const um = pullOf(spot.layers);
      const other = spots.find(
        ({ zone, face, units }) => zone === spot.zone && face !== spot.face && units[0] === spot.units[0],
      );
      const top = spot.layers.findLast(pulls);
      const wetUm = pullOf(spot.layers.filter(isWet));
      if (!top || (wetUm < PULLS_UM && um < PULLS_LIGHT_UM) || (other && pullOf(other.layers) >= um / 2))
        return [];
      return [
        about(
          this,
          piece,
          top.step,
          {
            message: `${top.material.name} on one face bends foam of ${sayMm(thicknessMm)} as it dries: coat both faces, thinly.`,
            reason:
              'It pulls together while it dries, and thin foam follows. The same on the other face pulls it straight again.',
            ideas: [
              ...(piece.faces.inner
                ? [ways.set('Both faces', piece, context, top.at, { faces: ['inner', 'outer'] })]
                : []),
              ways.set('In light coats', piece, context, top.at, { film: 'light' }),
            ],
          },
          spot,
        ),
      ];
    });
    return oncePerStep(found);
  },
};
