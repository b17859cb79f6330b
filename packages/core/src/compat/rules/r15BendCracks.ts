import { filmFactor } from '../../drying/film';
import type { Finding } from '../finding';
import { spotsOf } from '../pairs';
import { oncePerStep, type Rule } from '../rule';

/**
 * Strain of a film at a bend, %: `(h/2 + film)/R` for foam of thickness h bent to radius R at mid-plane
 * (docs/domain.md, "Other formulas").
 */
export const bendStrainPct = (thicknessMm: number, filmUm: number, bendRadiusMm: number): number =>
  (100 * (thicknessMm / 2 + filmUm / 1000)) / bendRadiusMm;

/** R15: a film stretched beyond half of what it stands cracks; beyond a quarter it may. */
export const r15BendCracks: Rule = {
  id: 'R15',
  severity: 'stop',
  title: 'Film cracks where the piece bends',
  look(piece, { materials }) {
    const found = spotsOf(piece, materials).flatMap(({ layers, face }): Finding[] => {
      let filmUm = 0;
      return layers.flatMap((layer): Finding[] => {
        filmUm +=
          layer.material.wftUm * filmFactor[layer.film] * layer.material.solids * (layer.step.coats ?? 1);
        const { elongationPct } = layer.material;
        if (elongationPct === undefined || layer.material.role === 'fill') return [];
        const worst = (piece.flex ?? [])
          .map((spot) => ({
            spot,
            strain: bendStrainPct(piece.substrate.thicknessMm, filmUm, spot.bendRadiusMm),
          }))
          .sort((a, b) => b.strain - a.strain)[0];
        if (!worst || worst.strain <= elongationPct / 4) return [];
        const wanted = layers.some((one) => one.step.wanted?.includes('cracking'));
        const sure = worst.strain > elongationPct / 2;
        const strain = worst.strain.toFixed(1);
        return [
          {
            rule: 'R15',
            severity: wanted ? 'note' : sure ? 'stop' : 'risk',
            piece: piece.id,
            face,
            step: layer.step.id,
            below: worst.spot.name,
            message: wanted
              ? `${layer.material.name} will craze at ${worst.spot.name}, as wanted: ${strain} % stretch against ${elongationPct} %.`
              : `${layer.material.name} ${sure ? 'cracks' : 'may crack'} at ${worst.spot.name}: it stretches ${strain} % there and stands ${elongationPct} % once.`,
            reason:
              'The outside of a bend is longer than its middle. Worn again and again, a film keeps whole to about a quarter of its stretch at break; beyond half it goes soon. Thinner foam, a wider bend or a flexible film helps.',
            waysOut: [],
          },
        ];
      });
    });
    return oncePerStep(found);
  },
};
