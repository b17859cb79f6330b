import type { Material } from '../model/materialSchema';

/** Foam clay is sold by weight: 300 g of it, at 0.35 g/ml. */
const CLAY_PACK_ML = 857;

/**
 * The containers a material is usually sold in, ml, by what it is (docs/domain.md, "Amounts"). Prices are never made up: they are the
 * user's own.
 */
export function usualContainersMl(material: Material): number[] {
  const { role, binder, methods, potLife, carrier } = material;
  const [usual] = methods;
  if (usual === 'aerosol') return [400];
  if (binder === 'powder') return [20];
  if (binder === 'wax') return [30];
  if (role === 'bond') return [250, 950];
  if (binder === 'epoxy') return [200, 400, 950];
  if (potLife !== undefined) return [200, 400, 950];
  if (role === 'fill')
    return binder === 'EVA'
      ? [CLAY_PACK_ML]
      : usual === 'tool' && material.sand === undefined
        ? [300]
        : [250];
  if (role === 'seal' && binder === 'PVA') return [250, 500, 1000, 5000];
  if (role === 'seal' || role === 'prime' || role === 'topcoat') return [120, 240, 500, 950];
  if (usual === 'airbrush') return [30, 60, 120];
  if (role === 'weather' || role === 'detail') return carrier === 'solvent' ? [30, 60] : [60, 120];
  return [60, 120, 240];
}

const densities: readonly (readonly [test: (material: Material) => boolean, gPerMl: number])[] = [
  [({ methods }) => methods[0] === 'aerosol', 0.75],
  [({ role, binder }) => role === 'fill' && binder === 'EVA', 0.35],
  [({ role, methods, sand }) => role === 'fill' && methods[0] === 'tool' && sand === undefined, 1.4],
  [({ role }) => role === 'fill', 0.8],
  [({ role, carrier }) => role === 'bond' && carrier === 'solvent', 0.86],
  [({ binder }) => binder === 'epoxy', 1.1],
  [({ binder }) => binder === 'wax', 0.9],
  [({ binder }) => binder === 'oil', 1],
  [({ binder }) => binder === 'chloroprene' || binder === 'natural rubber', 1],
  [({ binder }) => binder === 'alkyd', 0.95],
  [({ carrier }) => carrier === 'solvent', 0.85],
  [({ role }) => role === 'prime', 1.25],
];
const WATER_BORNE_G_PER_ML = 1.1;

/** The usual density of a material, g/ml; the label wins. */
export const usualDensityGPerMl = (material: Material): number =>
  densities.find(([test]) => test(material))?.[1] ?? WATER_BORNE_G_PER_ML;
