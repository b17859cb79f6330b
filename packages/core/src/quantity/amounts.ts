import type { Method } from '../materials/material';
import type { Operation } from '../stack/operations';

/** The share of the material that ends on the piece (docs/domain.md, "Other formulas"). */
const transfer: Partial<Record<Method, number>> = {
  brush: 0.95,
  'foam-brush': 0.9,
  sponge: 0.85,
  stipple: 0.85,
  airbrush: 0.6,
  aerosol: 0.5,
  'dry-brush': 0.5,
  dip: 0.9,
};
const OTHER_TRANSFER = 0.9;

/**
 * What one pass uses up, ml: `area × wet film ÷ transfer`. Area in cm² and film in µm give ml with a factor of 1e-4.
 * @example 600 cm² at 120 µm by brush: 600·120·1e-4/0.95 = 7.58 ml
 */
export function passMl(operation: Pick<Operation, 'material' | 'method' | 'wetUm' | 'areaCm2'>): number {
  if (!operation.material) return 0;
  const wetMl = operation.areaCm2 * operation.wetUm * 1e-4;
  return wetMl / (transfer[operation.method] ?? OTHER_TRANSFER);
}
