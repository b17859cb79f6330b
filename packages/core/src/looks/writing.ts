import { binderOf } from '../model/binders';
import { catalogueById } from '../materials/catalogue';
import type { LookOver } from '../model/lookOvers';
import type { Build, Face, Piece, Step } from '../model/schema';
import type { StepKind } from '../model/stepKinds';
import type { Method } from '../model/methods';
import { entryOf } from '../model/sure';
import type { Choices } from './choices';
import type { Look, LookStep } from './look';
import type { Owned } from './owned';
import type { ZoneGroup } from './zoneGroups';

/** Makes a step in the place where its method is used. */
export type MakeStep = (kind: StepKind, method: Method, more?: Partial<Step>) => Step;

/** What the parts of the writer have in common. */
export interface Writing {
  build: Build;
  piece: Piece;
  choices: Choices;
  owned: Owned;
  /** The look that decides what all zones share: that of the largest group. */
  main: Look | undefined;
  /** The zones by what they take; one group without zones where the whole piece takes the same. */
  groups: ZoneGroup[];
  faces: Face[];
  step: MakeStep;
  /** A stop to look the work over, where it is wanted. */
  lookOver: (at: LookOver) => Step[];
  /** Says that something was written otherwise than asked for. */
  tell: (sentence: string) => void;
}

/** The zones of some groups, as a step names them; nothing where that is the whole piece. */
export function zonesOf(
  { groups, piece }: Pick<Writing, 'groups' | 'piece'>,
  some: readonly ZoneGroup[],
): Pick<Step, 'zones'> {
  const ids = some.flatMap(({ zones }) => zones.map(({ id }) => id));
  const isWhole = groups.length < 2 || ids.length === 0 || ids.length === (piece.zones ?? []).length;
  return isWhole ? {} : { zones: ids };
}

/** Texture pressed into the foam goes in with the prep, not over the paint. */
export const isPressed = (one: LookStep) => one.kind === 'texture' && one.options.length === 0;

/** Whether a step lays powder that nothing holds. */
export const isPowder = ({ material }: Pick<Step, 'material'>): boolean => {
  const known = material === undefined ? undefined : entryOf(catalogueById, material);
  return known !== undefined && binderOf(known).loose === true;
};

/** What the minutes of a look are said for, cm². */
const MINUTES_FOR_CM2 = 600;

/** The minutes that a look says for work by hand, for all units of a piece: by their area, but never less than half of what is said. */
export const sizedMinutes = (piece: Piece, minutes: number): number =>
  Math.max(1, Math.round(minutes * Math.max(0.5, sizeOf(piece))));

/** What a look is to say so that it comes to some minutes on the piece it is taken from. */
export const lookMinutes = (piece: Piece, minutes: number): number => minutes / Math.max(0.5, sizeOf(piece));

const sizeOf = ({ faces, quantity }: Piece): number => (faces.outer.areaCm2 * quantity) / MINUTES_FOR_CM2;
