import type { Material } from '../../../model/materialSchema';
import type { Build, Piece, Step } from '../../../model/schema';
import { workWord } from '../../../words/workWord';
import { materialsOf } from '../../../materials/ownMaterials';
import type { Plan } from '../../../schedule/answers/plan';

/** What every way of catching up is told of the build and its plan. */
export interface RescueContext {
  build: Build;
  plan: Plan;
  materials: ReadonlyMap<string, Material>;
  /** What has to be bought to use a material, by name: nothing for what is used or stands on the shelf. */
  toBuy(id: string): string[];
}

export function contextOf(build: Build, plan: Plan): RescueContext {
  const materials = materialsOf(build.materials);
  const shelf = new Set((build.stock ?? []).filter((tin) => tin.remainingMl > 0).map((tin) => tin.material));
  const used = new Set(build.pieces.flatMap((piece) => piece.steps.flatMap((step) => step.material ?? [])));
  return {
    build,
    plan,
    materials,
    toBuy: (id) => (used.has(id) || shelf.has(id) ? [] : [materials.get(id)?.name ?? id]),
  };
}

/** A step of a piece in trouble that is still to be done. */
export interface OpenStep {
  piece: Piece;
  step: Step;
  material: Material | undefined;
  /** What it is called: its material, or else its kind. */
  name: string;
  /** Its JSON Pointer. */
  path: string;
  stepIndex: number;
  /** Nothing of it was begun or done. */
  isFresh: boolean;
  /** Nothing of it stands in the log, what failed included. */
  isUnlogged: boolean;
}

/** The steps of a piece of which something is still to be done, in order. */
export function openStepsOf({ build, plan, materials }: RescueContext, piece: Piece): OpenStep[] {
  const pieceIndex = build.pieces.indexOf(piece);
  const own = plan.operations.filter((one) => one.pieceId === piece.id);
  return piece.steps.flatMap((step, stepIndex): OpenStep[] => {
    const passes = own.filter((one) => one.stepId === step.id);
    if (!passes.some(({ status }) => status === 'planned' || status === 'unplaced')) return [];
    const material = step.material === undefined ? undefined : materials.get(step.material);
    return [
      {
        piece,
        step,
        material,
        name: material?.name ?? workWord(step),
        path: `/pieces/${pieceIndex}/steps/${stepIndex}`,
        stepIndex,
        isFresh: !passes.some(({ status }) => status === 'done' || status === 'underway'),
        isUnlogged: !(build.log ?? []).some((entry) => entry.piece === piece.id && entry.step === step.id),
      },
    ];
  });
}
