import type { Rule } from '../rule';
import { r03PaintOnBareFoam } from './r03PaintOnBareFoam';
import { r07OutsideWindow } from './r07OutsideWindow';
import { r08TooEarly } from './r08TooEarly';
import { r28HeatAfterTexture } from './r28HeatAfterTexture';
import { r34BadAir } from './r34BadAir';

/** Every rule, in order of its number. */
export const rules: readonly Rule[] = [
  r03PaintOnBareFoam,
  r07OutsideWindow,
  r08TooEarly,
  r28HeatAfterTexture,
  r34BadAir,
];
