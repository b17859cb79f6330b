import type { Swatch } from '../model/schema';
import { parseRecoat } from '../materials/material';
import { substrateNames } from '../model/substrates';
import { sayWait } from '../model/wallTime';
import { recoatFactor, throughFactor } from '../drying/filmTimes';
import { filmFactor, filmWords } from '../model/filmGrades';
import type { Material } from '../model/materialSchema';
import { sayMm } from '../model/sayMeasure';

/**
 * How to make and judge a swatch, a line a step: each coat with the wait before it at label air (21 °C, 50 %), then
 * bending, tape and a look. Waits grow with the film as the drying model has it (docs/domain.md, "The drying model").
 * @example swatchSteps(swatch, materials)[0] // 'Take an offcut of EVA foam.'
 */
export function swatchSteps(
  swatch: Pick<Swatch, 'coats' | 'substrate' | 'bendRadiusMm'>,
  materials: ReadonlyMap<string, Material>,
): string[] {
  const lines = [`Take an offcut of ${substrateNames[swatch.substrate]}.`];
  let below: { material: Material; factor: number } | undefined;
  for (const coat of swatch.coats) {
    const material = materials.get(coat.material);
    if (!material) continue;
    const film = coat.film ?? 'normal';
    const parts: string[] = [];
    if (below) {
      const minutes = coat.onCured
        ? Math.max(below.material.pack ?? 0, below.material.wear ?? 0) *
          throughFactor(below.material, below.factor)
        : (parseRecoat(below.material.recoat)[0]?.from ?? 0) * recoatFactor(below.material, below.factor);
      parts.push(`Wait ${sayWait(minutes)}`);
      if (coat.onScuffed) parts.push('scuff it with a fine pad');
    }
    const lay = `${filmWords[film]} of ${material.name}`;
    lines.push(parts.length > 0 ? `${parts.join(', ')}, then a ${lay}.` : `A ${lay}.`);
    below = { material, factor: filmFactor[film] };
  }
  if (below) {
    const wait =
      Math.max(below.material.tape ?? 0, below.material.handle ?? 0) *
      throughFactor(below.material, below.factor);
    lines.push(`Leave it ${sayWait(wait)}.`);
  }
  if (swatch.bendRadiusMm !== undefined)
    lines.push(
      `Bend it ten times round a radius of ${sayMm(swatch.bendRadiusMm)}, such as a cup of ${sayMm(Math.round(2 * swatch.bendRadiusMm))} across: no cracks, no white lines.`,
    );
  lines.push('Press low-tack tape on, rub it down, pull it back on itself: nothing comes off.');
  lines.push('Look at it in slanting light: no wrinkles, no beads, no tackiness under a thumb.');
  return lines;
}
