import type { Material } from '../materials/material';

/**
 * What share of its speed a coat keeps for its later milestones while a different film lies on it
 * (docs/domain.md, "The drying model"). Powders and resists let everything through.
 */
export function coverFactor(over: Pick<Material, 'binder'>): number {
  switch (over.binder) {
    case 'powder':
    case 'resist':
    case 'dye':
      return 1;
    case 'synthetic rubber':
    case 'natural rubber':
    case 'chloroprene':
    case 'rubber':
    case 'acrylic lacquer':
    case 'chlorinated polyolefin':
      return 0.5;
    case 'alkyd':
    case 'oil':
      return 0.4;
    case 'wax':
      return 0.3;
    case 'epoxy':
    case 'urethane':
    case 'silicone':
    case 'cyanoacrylate':
      return 0.1;
    default:
      return 0.7;
  }
}
