import type { AirAid } from '../model/schema';
import { type RecoatWindow } from '../materials/material';
import type { EpochMinute } from '../model/wallTime';
import type { PlaceAir } from './placeAir';
import type { Material } from '../model/materialSchema';

/** One coat as it was laid. `filmFactor` is its wet film over the material's normal one. */
export interface LaidCoat {
  material: Material;
  filmFactor: number;
  /** The share of the spot that it covers, 0 to 1; all of it unless said otherwise. */
  share?: number;
  laidAt: EpochMinute;
  /** Hand-held warm air speeds touch and recoat of this coat only. */
  air: AirAid;
  /** How much longer than the label says this very coat takes, as touch tests have shown; 1 unless said otherwise. */
  timeFactor?: number;
}

/** Where a unit stands from a moment on, and whether a fan blows on it there. */
export interface Stand {
  from: EpochMinute;
  placeAir: PlaceAir;
  fan: boolean;
  /** It was carried here by itself, as the coat laid before was touch-dry. */
  isCarried?: boolean;
}

/** When one coat reaches each milestone, in epoch minutes; Infinity for never. */
export interface CoatMilestones {
  touchAt: EpochMinute;
  /** Windows in which the next coat may be laid. Empty: nothing goes over it. */
  recoat: RecoatWindow[];
  tapeAt: EpochMinute;
  /** Undefined for films that are never sanded. */
  sandAt: EpochMinute | undefined;
  handleAt: EpochMinute;
  packAt: EpochMinute;
  wearAt: EpochMinute;
}

/**
 * The milestones of every coat, bottom first, and of the stack: the latest of its coats; but packable is a matter of the
 * surface (`surfaceFrom`), with all below it tape-safe.
 */
export interface DryStack {
  coats: CoatMilestones[];
  handleAt: EpochMinute;
  tapeAt: EpochMinute;
  packAt: EpochMinute;
  wearAt: EpochMinute;
}
