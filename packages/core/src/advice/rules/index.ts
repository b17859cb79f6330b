import type { Rule } from '../rule';
import { o01DecalAfterClear } from './o01DecalAfterClear';
import { o02BareAreasUncovered } from './o02BareAreasUncovered';
import { o03AttachedTooSoon } from './o03AttachedTooSoon';
import { o04TurnedTooSoon } from './o04TurnedTooSoon';
import { o05UndercoatShows } from './o05UndercoatShows';
import { o06StrapsBeforeFilm } from './o06StrapsBeforeFilm';
import { o07NoTapeBetween } from './o07NoTapeBetween';
import { o08TapeNeverPulled } from './o08TapeNeverPulled';
import { o09WorkedTooLate } from './o09WorkedTooLate';
import { o10NoColour } from './o10NoColour';
import { o11ZoneWithoutColour } from './o11ZoneWithoutColour';
import { o14TapeOnTooLong } from './o14TapeOnTooLong';
import { o13GroundForEffect } from './o13GroundForEffect';
import { o12TooLittleSealer } from './o12TooLittleSealer';
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
import { r43WetSolventOnSoftWater } from './r43WetSolventOnSoftWater';
import { r44WashUnderClear } from './r44WashUnderClear';
import { r45FumesIndoors } from './r45FumesIndoors';
import { r46DragOverPowder } from './r46DragOverPowder';
import { r47SmoothNotKeyed } from './r47SmoothNotKeyed';
import { r48MatteTooThick } from './r48MatteTooThick';
import { r49HardUnscuffed } from './r49HardUnscuffed';
import { r50HeatSpoils } from './r50HeatSpoils';
import { r51HotCar } from './r51HotCar';
import { r52WornTooSoon } from './r52WornTooSoon';
import { r53StuckOnTooSoon } from './r53StuckOnTooSoon';
import { r54SandedTooSoon } from './r54SandedTooSoon';
import { r55FrostOnFreshFilm } from './r55FrostOnFreshFilm';
import { r56FrozenTin } from './r56FrozenTin';
import { r57CanTooCold } from './r57CanTooCold';
import { r58TooMuchWater } from './r58TooMuchWater';
import { r59ThinFoamWarps } from './r59ThinFoamWarps';
import { r60SkinOrRelease } from './r60SkinOrRelease';
import { r61AgainstVinyl } from './r61AgainstVinyl';
import { r62SiliconeNear } from './r62SiliconeNear';
import { r63SunOnFilm } from './r63SunOnFilm';
import { r64PaintOnCloth } from './r64PaintOnCloth';
import { r65ClothStretches } from './r65ClothStretches';
import { r66LeafWithoutSize } from './r66LeafWithoutSize';
import { r67HeatFromLamps } from './r67HeatFromLamps';
import { r68HeatAfterGlue } from './r68HeatAfterGlue';
import { r69FilmOnFreshGlue } from './r69FilmOnFreshGlue';
import { r70TapeOnLoose } from './r70TapeOnLoose';
import { r71BarePlastic } from './r71BarePlastic';
import { r72NoClear } from './r72NoClear';
import { r73PvcDust } from './r73PvcDust';
import { r74OnSkin } from './r74OnSkin';
import { r75SealerDropped } from './r75SealerDropped';
import { r76OldTin } from './r76OldTin';
import { r77WrongThinner } from './r77WrongThinner';
import { r78WrongTool } from './r78WrongTool';
import { r79HeatNearSolvent } from './r79HeatNearSolvent';
import { r80ResistLeft } from './r80ResistLeft';

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
  r43WetSolventOnSoftWater,
  r44WashUnderClear,
  r45FumesIndoors,
  r46DragOverPowder,
  r47SmoothNotKeyed,
  r48MatteTooThick,
  r49HardUnscuffed,
  r50HeatSpoils,
  r51HotCar,
  r52WornTooSoon,
  r53StuckOnTooSoon,
  r54SandedTooSoon,
  r55FrostOnFreshFilm,
  r56FrozenTin,
  r57CanTooCold,
  r58TooMuchWater,
  r59ThinFoamWarps,
  r60SkinOrRelease,
  r61AgainstVinyl,
  r62SiliconeNear,
  r63SunOnFilm,
  r64PaintOnCloth,
  r65ClothStretches,
  r66LeafWithoutSize,
  r67HeatFromLamps,
  r68HeatAfterGlue,
  r69FilmOnFreshGlue,
  r70TapeOnLoose,
  r71BarePlastic,
  r72NoClear,
  r73PvcDust,
  r74OnSkin,
  r75SealerDropped,
  r76OldTin,
  r77WrongThinner,
  r78WrongTool,
  r79HeatNearSolvent,
  r80ResistLeft,
  o01DecalAfterClear,
  o02BareAreasUncovered,
  o03AttachedTooSoon,
  o04TurnedTooSoon,
  o05UndercoatShows,
  o06StrapsBeforeFilm,
  o07NoTapeBetween,
  o08TapeNeverPulled,
  o09WorkedTooLate,
  o10NoColour,
  o11ZoneWithoutColour,
  o12TooLittleSealer,
  o13GroundForEffect,
  o14TapeOnTooLong,
];
