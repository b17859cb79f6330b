import { lab65 } from 'culori';
import { colourDistance } from '../../colour/distance';
import { sameTint } from '../../colour/tint';
import { patchedForTrying } from '../../materials/applyPatch';
import { materialsOf } from '../../materials/ownMaterials';
import { begunSteps } from '../../model/hasBegun';
import type { Material } from '../../model/materialSchema';
import type { PatchStep } from '../../model/patch';
import type { Build } from '../../model/schema';
import type { Plan } from '../../schedule/answers/plan';
import { lookDifference } from '../looksLike';
import { stepPointer } from '../rule';
import { aloneWith, changeAlone, judgedAlone, newOf } from '../tryIdea';
import type { ShopLine, ShoppingList } from './shopBuild';

/** Of what is bought so little is used, as a share, that it is worth asking whether something else would do. */
const LITTLE_SHARE = 0.1;
/** What is further apart than this is another colour, ΔE00; of washes, dry-brushing and powders, another weathering. */
const NEAR_DELTA_E = 5;
const NEAR_WEATHERING_DELTA_E = 15;
/** How many others are tried at most, the nearest first. */
const MOST_TRIED = 4;

const boughtMl = ({ buy }: Pick<ShopLine, 'buy'>): number =>
  buy.containers.reduce((sum, { containerMl, count }) => sum + containerMl * count, 0);

/** Whether hardly anything of what is to be bought would be used. */
export const isLittleUsed = (line: ShopLine): boolean =>
  line.buy.containers.length > 0 && line.enoughMl <= LITTLE_SHARE * boughtMl(line);

/** What would do in place of a tin of which little is used. */
export interface Instead {
  materialId: string;
  name: string;
  colour: string | undefined;
  /** Has the steps that wanted the other use this one. */
  change: PatchStep[];
  /** How it shows, in a few words each; nothing where nobody sees it. */
  shows: string[];
}

/** What a material is but for its colour: two that agree in it are laid, dry and hold alike. */
function withoutColour({ id: _id, name: _name, colour: _colour, note: _note, ...rest }: Material): string {
  const { hideUm: _hideUm, pigments: _pigments, ...alike } = rest;
  return JSON.stringify(alike);
}

/**
 * What is bought anyway, or stands on the shelf, and would do in place of a tin of which little is used: the same material in a colour near
 * it, or one that is alike but for its colour; tried, so that nothing new speaks against it and the piece looks the same, or so nearly that
 * only who knows sees it. Steps that are begun, or follow a colour of the palette, stay as they are.
 * @param plan of the build, for its moment and what is taken
 * @param line one of the list, of this build alone
 */
export function insteadOf(
  build: Build,
  plan: Plan,
  line: ShopLine,
  { lines }: Pick<ShoppingList, 'lines'>,
): Instead | undefined {
  const materials = materialsOf(build.materials);
  const own = materials.get(line.materialId);
  if (!own || !isLittleUsed(line)) return undefined;
  const begun = begunSteps(build);
  const spots = line.steps.map(({ pieceId, stepId }) => {
    const at = build.pieces.findIndex(({ id }) => id === pieceId);
    const piece = build.pieces[at];
    const index = piece?.steps.findIndex(({ id }) => id === stepId) ?? -1;
    const step = piece?.steps[index];
    return piece && step && !begun.has(`${pieceId} ${stepId}`) && step.palette === undefined
      ? { piece, index }
      : undefined;
  });
  if (spots.some((spot) => spot === undefined)) return undefined;
  const apart = (other: ShopLine) =>
    line.colour && other.colour ? colourDistance(line.colour, other.colour) : 0;
  const others = lines
    .filter((other) => {
      const material = materials.get(other.materialId);
      if (other === line || !material || isLittleUsed(other)) return false;
      const spare = other.shelfMl + other.onOrderMl + boughtMl(other) - other.enoughMl;
      if (apart(other) > (own.role === 'weather' ? NEAR_WEATHERING_DELTA_E : NEAR_DELTA_E)) return false;
      const isAlike = material === own || withoutColour(material) === withoutColour(own);
      return (
        isAlike && spare >= line.enoughMl && (line.colour === undefined) === (other.colour === undefined)
      );
    })
    .sort((a, b) => apart(a) - apart(b) || b.enoughMl - a.enoughMl)
    .slice(0, MOST_TRIED);
  for (const other of others) {
    const change = spots.flatMap((spot): PatchStep[] => {
      if (!spot) return [];
      const path = stepPointer(build, spot.piece, spot.index);
      return [
        ...(other.materialId === line.materialId
          ? []
          : [{ op: 'replace' as const, path: `${path}/material`, value: other.materialId }]),
        ...(other.colour === undefined
          ? []
          : [{ op: 'replace' as const, path: `${path}/colour`, value: other.colour }]),
      ];
    });
    const shows = tried(
      build,
      plan,
      change,
      [...new Set(line.steps.map(({ pieceId }) => pieceId))],
      materials,
    );
    // The colour of what is laid for an effect is not compared by how the whole looks.
    if (shows?.length === 0 && !sameTint(line.colour, other.colour))
      shows.push(shadeWords(line.colour, other.colour));
    if (shows)
      return {
        materialId: other.materialId,
        name: other.name,
        colour: other.colour,
        change,
        shows: shows.filter(Boolean),
      };
  }
  return undefined;
}

/** The same in another shade, in words. */
function shadeWords(was: string | undefined, is: string | undefined): string {
  if (was === undefined || is === undefined) return '';
  return lab65(is)!.l < lab65(was)!.l ? 'a shade darker' : 'a shade lighter';
}

/** How a change shows on some pieces; undefined where the rules speak against it or it is another look. */
function tried(
  build: Build,
  plan: Plan,
  change: readonly PatchStep[],
  pieceIds: readonly string[],
  materials: ReadonlyMap<string, Material>,
): string[] | undefined {
  const shows = new Set<string>();
  for (const pieceId of pieceIds) {
    const piece = build.pieces.find(({ id }) => id === pieceId);
    if (!piece) return undefined;
    const alone = aloneWith(build, piece);
    const isHere = ({ path }: PatchStep) =>
      alone.pieces.some((one) =>
        path.startsWith(`/pieces/${build.pieces.findIndex(({ id }) => id === one.id)}/`),
      );
    const changed = patchedForTrying(alone, changeAlone(build, alone, change.filter(isHere)));
    const after = changed?.pieces.find(({ id }) => id === pieceId);
    if (!changed || !after) return undefined;
    const look = lookDifference(piece, after, materials);
    if (look.look === 'other') return undefined;
    for (const one of look.shows) shows.add(one);
    const [before, then] = [judgedAlone(alone, plan), judgedAlone(changed, plan)];
    if (newOf(before, then, 'stop').length + newOf(before, then, 'risk').length > 0) return undefined;
  }
  return [...shows];
}
