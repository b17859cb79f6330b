import {
  finishZones,
  groundColourOf,
  materialsOf,
  paintFinish,
  recipesFor,
  reliefOf,
  reliefOfDrawing,
  stillOf,
  type Build,
  type FinishMaps,
  type Ingredient,
  type Light,
  type MixRecipe,
  type Piece,
  type ReliefKind,
} from '@fixatum/core';
import { transfer } from 'comlink';

/** Ways to mix a colour from some tins. */
export const recipes = (wanted: string, tins: Ingredient[], mostTins: number): MixRecipe[] =>
  recipesFor(wanted, tins, { mostTins });

/** What a picture of a piece is made from. */
export interface PictureRequest {
  build: Pick<Build, 'materials'> & { log?: Build['log'] };
  piece: Piece;
  relief: ReliefKind;
  size: number;
  light: Light;
  /** Only the steps before this place in the list; all without it. */
  before?: number | undefined;
}

function painted(request: PictureRequest): FinishMaps {
  const { build, piece, relief, size, light, before } = request;
  return paintFinish({
    relief:
      relief !== 'drawing'
        ? reliefOf(relief, size)
        : piece.drawing
          ? reliefOfDrawing(
              piece.drawing,
              (piece.zones ?? []).map(({ id }) => id),
              size,
            )
          : reliefOf('plate', size),
    ground: groundColourOf(piece.substrate),
    zones: finishZones(piece, { build, materials: materialsOf(build.materials) }),
    light,
    ...(before === undefined ? {} : { before }),
  });
}

/** The maps of a finish for a 3D picture. */
export function finish(request: PictureRequest): FinishMaps {
  const maps = painted(request);
  return transfer(maps, [
    maps.colour.buffer,
    maps.gloss.buffer,
    maps.metal.buffer,
    maps.height.buffer,
  ] as ArrayBuffer[]);
}

/** A small picture of a finish, red, green, blue, alpha. */
export function finishStill(request: PictureRequest): Uint8ClampedArray {
  const still = stillOf(painted(request), { kind: request.relief });
  return transfer(still, [still.buffer as ArrayBuffer]);
}
