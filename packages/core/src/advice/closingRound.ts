import { passesMeant } from '../model/logPasses';
import type { Build } from '../model/schema';
import { epochMinute } from '../model/wallTime';
import { materialsOf } from '../materials/ownMaterials';
import type { PlannedOperation } from '../schedule/plan/plan';
import { timedMinutes } from './shop/worn';

/** What a material came to in a build: what was taken of it, against what the book reckons, ml. */
export interface MaterialUsed {
  materialId: string;
  name: string;
  ml: number;
  bookMl: number;
}

/** What there is to know and to decide before a build is put by as done. */
export interface ClosingRound {
  /** Pieces with work left: passes done and passes there are. */
  unfinished: { pieceId: string; name: string; done: number; of: number }[];
  /** Passes that are logged. */
  passes: number;
  /** Hands-on minutes of the logged passes: as they are reckoned, and as they were timed where they were. */
  reckonedMinutes: number;
  realMinutes: number;
  /** How many of the logged passes were timed, and not by a press that was late or forgotten. */
  timed: number;
  /** Evenings on which something was logged. */
  days: number;
  materials: MaterialUsed[];
}

/**
 * Looks back over a build: what is unfinished, how long it took against what was reckoned, and what it took of each material.
 * @param operations of its plan, those done among them
 */
export function closingRound(build: Build, operations: readonly PlannedOperation[]): ClosingRound {
  const log = build.log ?? [];
  const materials = materialsOf(build.materials);
  const nameOf = new Map(build.pieces.map(({ id, name }) => [id, name]));
  /** How long passes took that were begun and logged by a press. */
  const minutesOf = new Map(
    passesMeant(build.pieces, log).flatMap(({ entry, id }) =>
      entry.startedAt === undefined || entry.outcome === 'failed'
        ? []
        : [
            [
              id,
              epochMinute(entry.doneAt, build.timeZone) - epochMinute(entry.startedAt, build.timeZone),
            ] as const,
          ],
    ),
  );
  const byPiece = new Map<string, { done: number; of: number }>();
  let reckonedMinutes = 0;
  let realMinutes = 0;
  let timed = 0;
  for (const operation of operations) {
    if (operation.status === 'skipped') continue;
    const { id, pieceId, status, workMinutes } = operation;
    const piece = byPiece.get(pieceId) ?? { done: 0, of: 0 };
    piece.of += 1;
    if (status === 'done') {
      piece.done += 1;
      reckonedMinutes += workMinutes;
      const own = timedMinutes(minutesOf.get(id), workMinutes);
      if (own !== undefined) timed += 1;
      realMinutes += own ?? workMinutes;
    }
    byPiece.set(pieceId, piece);
  }
  const used = new Map<string, MaterialUsed>();
  for (const entry of log) {
    const step = build.pieces.find(({ id }) => id === entry.piece)?.steps.find(({ id }) => id === entry.step);
    const materialId = entry.material ?? step?.material;
    if (materialId === undefined) continue;
    const one = used.get(materialId) ?? {
      materialId,
      name: materials.get(materialId)?.name ?? materialId,
      ml: 0,
      bookMl: 0,
    };
    for (const { ml, bookMl = ml } of entry.used ?? []) {
      one.ml += ml;
      one.bookMl += bookMl;
    }
    used.set(materialId, one);
  }
  return {
    unfinished: [...byPiece].flatMap(([pieceId, { done, of }]) =>
      done < of ? [{ pieceId, name: nameOf.get(pieceId) ?? pieceId, done, of }] : [],
    ),
    passes: log.filter(({ outcome }) => outcome !== 'failed').length,
    reckonedMinutes,
    realMinutes,
    timed,
    days: new Set(log.map(({ doneAt }) => doneAt.slice(0, 10))).size,
    materials: [...used.values()].filter(({ ml }) => ml > 0).sort((a, b) => b.ml - a.ml),
  };
}
