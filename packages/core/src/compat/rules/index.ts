import type { Rule } from '../rule';
import { o01DecalAfterClear } from './o01DecalAfterClear';
import { o02BareAreasUncovered } from './o02BareAreasUncovered';
import { o03AttachedTooSoon } from './o03AttachedTooSoon';
import { o04TurnedTooSoon } from './o04TurnedTooSoon';
import { r03PaintOnBareFoam } from './r03PaintOnBareFoam';
import { r07OutsideWindow } from './r07OutsideWindow';
import { r08TooEarly } from './r08TooEarly';
import { r11FillerNotDry } from './r11FillerNotDry';
import { r16TapeTooEarly } from './r16TapeTooEarly';
import { r27HeatAfterFilm } from './r27HeatAfterFilm';
import { r28HeatAfterTexture } from './r28HeatAfterTexture';
import { r29SandingRubber } from './r29SandingRubber';
import { r31CoverBeforeClear } from './r31CoverBeforeClear';
import { r34BadAir } from './r34BadAir';
import { r42TrimAfterPaint } from './r42TrimAfterPaint';

/** Every rule, in order of its number: R for materials and drying, O for the order of work. */
export const rules: readonly Rule[] = [
  r03PaintOnBareFoam,
  r07OutsideWindow,
  r08TooEarly,
  r11FillerNotDry,
  r16TapeTooEarly,
  r27HeatAfterFilm,
  r28HeatAfterTexture,
  r29SandingRubber,
  r31CoverBeforeClear,
  r34BadAir,
  r42TrimAfterPaint,
  o01DecalAfterClear,
  o02BareAreasUncovered,
  o03AttachedTooSoon,
  o04TurnedTooSoon,
];
