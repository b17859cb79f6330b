import type { PatchStep } from './patch';
import type { Build, PaletteColour, Step } from './schema';
import { begunSteps } from './hasBegun';
import { idFromName } from './pieceEdits';

/** A step that is laid in a colour of the palette, by its places in the build. */
export interface PaletteUse {
  pieceAt: number;
  stepAt: number;
  piece: string;
  step: Step;
  /** Some of it is laid, or being laid: its colour is what it is. */
  isBegun: boolean;
}

const sameHex = (one: string | undefined, other: string) => one?.toLowerCase() === other.toLowerCase();

function usesWhere(build: Build, isUse: (step: Step) => boolean): PaletteUse[] {
  const begun = begunSteps(build);
  return build.pieces.flatMap((piece, pieceAt) =>
    piece.steps.flatMap((step, stepAt) =>
      isUse(step)
        ? [{ pieceAt, stepAt, piece: piece.id, step, isBegun: begun.has(`${piece.id} ${step.id}`) }]
        : [],
    ),
  );
}

/** The steps that follow a colour of the palette. */
export const paletteUses = (build: Build, id: string): PaletteUse[] =>
  usesWhere(build, (step) => step.palette === id);

/** Steps in just this colour that follow none. */
export const looseUses = (build: Build, colour: string): PaletteUse[] =>
  usesWhere(build, (step) => step.palette === undefined && sameHex(step.colour, colour));

/** A new step as it is, or following the colour of the palette that it is in. */
export function inPalette(step: Step, palette: Build['palette'] = []): Step {
  const own = palette.find(({ colour }) => sameHex(step.colour, colour));
  return own && step.palette === undefined ? { ...step, palette: own.id } : step;
}

const stepPath = ({ pieceAt, stepAt }: PaletteUse) => `/pieces/${pieceAt}/steps/${stepAt}`;

/** Lets steps follow a colour: they take it over. */
export const follow = (uses: readonly PaletteUse[], { id, colour }: PaletteColour): PatchStep[] =>
  uses.flatMap((use): PatchStep[] => [
    { op: 'add', path: `${stepPath(use)}/palette`, value: id },
    { op: 'add', path: `${stepPath(use)}/colour`, value: colour },
  ]);

/** Takes the name of their colour off steps; the colour stays. */
const letGo = (uses: readonly PaletteUse[]): PatchStep[] =>
  uses.map((use) => ({ op: 'remove', path: `${stepPath(use)}/palette` }));

/**
 * Changes a colour of the palette, and with it all steps that follow it. What is begun keeps the colour it was laid in and follows no more.
 * Invariant: after it every step that names a colour of the palette is in that colour.
 */
export function changePalette(build: Build, next: PaletteColour): PatchStep[] {
  const palette = build.palette ?? [];
  const at = palette.findIndex(({ id }) => id === next.id);
  const before = palette[at];
  if (!before) return [];
  const uses = sameHex(before.colour, next.colour) ? [] : paletteUses(build, next.id);
  return [
    { op: 'replace', path: `/palette/${at}`, value: next },
    ...follow(
      uses.filter(({ isBegun }) => !isBegun),
      next,
    ),
    ...letGo(uses.filter(({ isBegun }) => isBegun)),
  ];
}

/** A colour that has no id yet. */
export type NewColour = Pick<PaletteColour, 'name' | 'role' | 'colour' | 'material' | 'note'>;

/** Puts colours in the palette, with ids of their own, and lets steps follow them that are in just these colours. */
export function addToPalette(build: Build, colours: readonly NewColour[]): PatchStep[] {
  const taken = (build.palette ?? []).map(({ id }) => id);
  const fresh = colours.map((one): PaletteColour => {
    const id = idFromName(one.name, taken);
    taken.push(id);
    return { ...one, id };
  });
  return [
    ...(build.palette ? [] : [{ op: 'add', path: '/palette', value: [] } satisfies PatchStep]),
    ...fresh.flatMap((one): PatchStep[] => [
      { op: 'add', path: '/palette/-', value: one },
      ...follow(
        looseUses(build, one.colour).filter(({ isBegun }) => !isBegun),
        one,
      ),
    ]),
  ];
}

/** Takes a colour out of the palette; its steps keep it. */
export function removeFromPalette(build: Build, id: string): PatchStep[] {
  const at = (build.palette ?? []).findIndex((one) => one.id === id);
  return at < 0 ? [] : [...letGo(paletteUses(build, id)), { op: 'remove', path: `/palette/${at}` }];
}
