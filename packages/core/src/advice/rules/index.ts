import type { Rule } from '../rule';
import { o01DecalAfterClear } from './o01DecalAfterClear';
import { o02BareAreasUncovered } from './o02BareAreasUncovered';
import { o03AttachedTooSoon } from './o03AttachedTooSoon';
import { o04TurnedTooSoon } from './o04TurnedTooSoon';
import { o05UndercoatShows } from './o05UndercoatShows';
import { r01SolventOnPolystyrene } from './r01SolventOnPolystyrene';
import { r02SolventOnBareFoam } from './r02SolventOnBareFoam';
import { r03PaintOnBareFoam } from './r03PaintOnBareFoam';
import { r04AlkydOnRubber } from './r04AlkydOnRubber';
import { r05LacquerOnRubber } from './r05LacquerOnRubber';
import { r06LacquerOnSoftAlkyd } from './r06LacquerOnSoftAlkyd';
import { r07OutsideWindow } from './r07OutsideWindow';
import { r08TooEarly } from './r08TooEarly';
import { r09WaterOnOily } from './r09WaterOnOily';
import { r10OnSilicone } from './r10OnSilicone';
import { r11FillerNotDry } from './r11FillerNotDry';
import { r12PlainPvaUnderWash } from './r12PlainPvaUnderWash';
import { r13LatexPerishes } from './r13LatexPerishes';
import { r14RigidOverFlexible } from './r14RigidOverFlexible';
import { r15BendCracks } from './r15BendCracks';
import { r16TapeTooEarly } from './r16TapeTooEarly';
import { r17TapeOnPeelable } from './r17TapeOnPeelable';
import { r18MatteOverGloss } from './r18MatteOverGloss';
import { r19ClearOverChrome } from './r19ClearOverChrome';
import { r20LoosePowder } from './r20LoosePowder';
import { r21SolventOverMarker } from './r21SolventOverMarker';
import { r22SpiritOnSoftAlkyd } from './r22SpiritOnSoftAlkyd';
import { r23SpiritOnBareFoam } from './r23SpiritOnBareFoam';
import { r24ChipColour } from './r24ChipColour';
import { r25EpoxyOnWrong } from './r25EpoxyOnWrong';
import { r26DeepPour } from './r26DeepPour';
import { r27HeatAfterFilm } from './r27HeatAfterFilm';
import { r28HeatAfterTexture } from './r28HeatAfterTexture';
import { r29SandingRubber } from './r29SandingRubber';
import { r30GlueOnPaint } from './r30GlueOnPaint';
import { r31CoverBeforeClear } from './r31CoverBeforeClear';
import { r32HeatingPvc } from './r32HeatingPvc';
import { r33HeatingPaintedPlastic } from './r33HeatingPaintedPlastic';
import { r34BadAir } from './r34BadAir';
import { r35SprayIndoors } from './r35SprayIndoors';
import { r36MixTooLarge } from './r36MixTooLarge';
import { r37TooMuchTint } from './r37TooMuchTint';
import { r38DetailFillsIn } from './r38DetailFillsIn';
import { r39SheenMissed } from './r39SheenMissed';
import { r40Isocyanate } from './r40Isocyanate';
import { r41PackedTooSoon } from './r41PackedTooSoon';
import { r42TrimAfterPaint } from './r42TrimAfterPaint';

/** Every rule, in order of its number: R for materials and drying, O for the order of work. */
export const rules: readonly Rule[] = [
  r01SolventOnPolystyrene,
  r02SolventOnBareFoam,
  r03PaintOnBareFoam,
  r04AlkydOnRubber,
  r05LacquerOnRubber,
  r06LacquerOnSoftAlkyd,
  r07OutsideWindow,
  r08TooEarly,
  r09WaterOnOily,
  r10OnSilicone,
  r11FillerNotDry,
  r12PlainPvaUnderWash,
  r13LatexPerishes,
  r14RigidOverFlexible,
  r15BendCracks,
  r16TapeTooEarly,
  r17TapeOnPeelable,
  r18MatteOverGloss,
  r19ClearOverChrome,
  r20LoosePowder,
  r21SolventOverMarker,
  r22SpiritOnSoftAlkyd,
  r23SpiritOnBareFoam,
  r24ChipColour,
  r25EpoxyOnWrong,
  r26DeepPour,
  r27HeatAfterFilm,
  r28HeatAfterTexture,
  r29SandingRubber,
  r30GlueOnPaint,
  r31CoverBeforeClear,
  r32HeatingPvc,
  r33HeatingPaintedPlastic,
  r34BadAir,
  r35SprayIndoors,
  r36MixTooLarge,
  r37TooMuchTint,
  r38DetailFillsIn,
  r39SheenMissed,
  r40Isocyanate,
  r41PackedTooSoon,
  r42TrimAfterPaint,
  o01DecalAfterClear,
  o02BareAreasUncovered,
  o03AttachedTooSoon,
  o04TurnedTooSoon,
  o05UndercoatShows,
];
