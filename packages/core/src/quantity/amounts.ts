import type { Material } from '../model/materialSchema';
import { methodTable, type Method } from '../model/methods';

/** What a pass lays: of what, how, how thick, and on how much. */
export interface PassSize {
  material: Material | undefined;
  method: Method;
  wetUm: number;
  areaCm2: number;
  /** For glue, which goes where it holds and not over the face: all of it. */
  glueMl?: number | undefined;
}

/**
 * What one pass uses up, ml: `area × wet film ÷ transfer`. Area in cm² and film in µm give ml with a factor of 1e-4.
 * @example 600 cm² at 120 µm by brush: 600·120·1e-4/0.95 = 7.58 ml
 */
export function passMl(operation: PassSize): number {
  if (!operation.material) return 0;
  if (operation.glueMl !== undefined) return operation.glueMl;
  const wetMl = operation.areaCm2 * operation.wetUm * 1e-4;
  return wetMl / methodTable[operation.method].transfer;
}
