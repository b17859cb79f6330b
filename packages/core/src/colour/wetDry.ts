import { formatHex, lab65 } from 'culori';
import type { Material } from '../model/materialSchema';
import { hideOf } from './pigmentsOf';
import { paintFigures, type Paint } from './paint';

/** Water-borne paint dries darker by so much L*: an opaque white least, a dark transparent one most (docs/domain.md, "Wet and dry"). */
const LEAST_L = 1;
const MOST_L = 6;
/** As multiples of a material's hide figure: what hides like white, and what is as clear as paint gets. */
const [OPAQUE, CLEAR] = [0.9, 3];

/**
 * What a colour looks like while it is still wet, `#rrggbb`. Only what is thinned with water changes: binders are milky until they dry.
 * @param colour dry, as it is wanted
 */
export function wetColour(material: Paint & Pick<Material, 'carrier'>, colour: string): string {
  if (material.carrier !== 'water') return colour;
  const { pigments } = paintFigures(material, colour);
  const hide = pigments.length === 0 ? 1 : hideOf(pigments);
  const clearness = Math.min(1, Math.max(0, (hide - OPAQUE) / (CLEAR - OPAQUE)));
  const dry = lab65(colour)!;
  const darkness = 1 - dry.l / 100;
  const lighter = LEAST_L + ((MOST_L - LEAST_L) * (darkness + clearness)) / 2;
  return formatHex({ ...dry, l: Math.min(100, dry.l + lighter) });
}
