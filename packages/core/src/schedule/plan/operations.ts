import { BOND_CELL, facesOf, methodOf, operationId, unitsOf, zoneIdsOf } from '../../model/stepSpots';
import type { Placement } from '../../model/placementIds';
import { placementOf } from '../../model/placements';
import { placesOf } from '../../model/places';
import { stepKindTable, type StepKind } from '../../model/stepKinds';
import type { AirAid, Build, Face, Piece, Step } from '../../model/schema';
import { stepsBefore } from '../../model/stepLinks';
import { filmFactorOf, wetFilmUm } from '../../materials/film';
import { materialsOf } from '../../materials/ownMaterials';
import { glueMl } from '../../quantity/glue';
import { handsOn, type HandsOn } from '../../quantity/handsOn';
import { passArea } from '../../facts/passArea';
import { cutInMm as cutInEdgeMm } from '../../facts/tape';
import { workLengthMm } from '../../facts/workLength';
import { restMinutesOf } from '../../facts/rest';
import { isSanding } from '../../facts/stepOrder';
import type { RestKind } from '../../model/fields';
import type { LookOver } from '../../model/lookOvers';
import type { FilmGrade } from '../../model/filmGrades';
import type { Material } from '../../model/materialSchema';
import { methodTable, type Method } from '../../model/methods';
import { entryOf, nth } from '../../model/sure';

/**
 * One pass by one pair of hands: one coat of one step on one face of one unit, or the whole of a step that lays no
 * film on one unit.
 */
export interface Operation extends HandsOn {
  /** `piece/unit/step/coat/face`; the face is `-` for steps that lay no film. */
  id: string;
  pieceId: string;
  unit: number;
  stepId: string;
  /** Place of the step in the piece's list, from 0. */
  stepIndex: number;
  kind: StepKind;
  coat: number;
  coats: number;
  face: Face | undefined;
  material: Material | undefined;
  method: Method;
  film: FilmGrade;
  filmFactor: number;
  /** Wet film of one coat, µm; 0 for what lays none. */
  wetUm: number;
  colour: string | undefined;
  /** The spots of the unit this pass works on, `face:zone`. */
  cells: string[];
  /** What this pass covers, cm². */
  areaCm2: number;
  /** Where on its spots it goes, and the share of them that it covers, 0 to 1. */
  placement: Placement;
  share: number;
  /** What it takes where it is glue, ml. */
  glueMl: number | undefined;
  placeId: string;
  air: AirAid;
  /** Operations that must be finished first. */
  after: string[];
  /** Minutes after it until anything else is done to its unit: what it was cleaned with leaves. */
  restMinutes: number;
  /** For a look-over, where in the work it stands. */
  looksOver: LookOver | undefined;
  /** Neighbours in time with the same key share set-up and clean-up. */
  batchKey: string;
  /** As `batchKey`, but for the colour: between those the tool is rinsed. */
  rinseKey: string;
  /** Nothing wet may stand in the same room meanwhile. */
  makesDust: boolean;
  /** The rack places that its unit takes while it dries: less than one for what is small. */
  rackShare: number;
  /** The unit hangs or stands, so that no face has to be handled for the other. */
  standing: boolean;
  /** Units, `piece/unit`, that it makes part of its own: they are waited for like its own. */
  takesIn: string[];
  optional: boolean;
  /** It is worked over again every so many minutes until it stands. */
  reworkEveryMinutes: number | undefined;
  /** Begins only when all that lies below is cured. */
  waitsForCure: boolean;
  /** Begins only so long after what it lands on was laid. */
  rests: RestKind | undefined;
  /** The spots on which what it lands on has been sanded since it was laid: cured, that takes it whatever window has closed. */
  sandedCells: readonly string[];
  /** Is put off until what it lands on is dry through, if the recoat window is still open then. */
  mustDryThrough: boolean;
}

/** A piece this large takes a rack place of its own, cm² of its outer face; smaller ones share, down to sixteen on one. */
const WHOLE_PLACE_CM2 = 400;
const MOST_ON_A_PLACE = 16;

/** The share of a rack place that a piece takes by its size, in sixteenths so that sums come out even. */
export const rackShareOf = (areaCm2: number): number =>
  Math.min(1, Math.max(1, Math.ceil((areaCm2 / WHOLE_PLACE_CM2) * MOST_ON_A_PLACE)) / MOST_ON_A_PLACE);

const noCells: readonly string[] = [];

/** The spots of a step where the last thing done before it that touches the film was sanding. */
function sandedBefore(
  piece: Piece,
  stepIndex: number,
  faces: readonly Face[],
  zones: readonly string[],
): readonly string[] {
  if (!piece.steps.slice(0, stepIndex).some(isSanding)) return noCells;
  return faces.flatMap((face) =>
    zones.flatMap((zone) => {
      const last = piece.steps
        .slice(0, stepIndex)
        .findLast(
          (step) =>
            (step.material !== undefined || isSanding(step)) &&
            facesOf(step).includes(face) &&
            (step.zones ?? zoneIdsOf(piece)).includes(zone),
        );
      return last && isSanding(last) ? [`${face}:${zone}`] : [];
    }),
  );
}

/**
 * Expands a build into operations: every step times its coats, faces and units. Faces follow each other in the
 * order the step names them, all coats of one before the next; on what stands or hangs, coat by coat over both. Steps run in
 * list order unless `after` says otherwise;
 * a step that waits for another piece waits for all its units. A step that names units is done on those, and passed by on the others.
 */
export function expandBuild(build: Build): Operation[] {
  const materials = materialsOf(build.materials);
  const places = placesOf(build);
  const placeIds = new Set(places.map((place) => place.id));
  const defaultPlaceId = nth(places, 0).id;
  /** The last operations of each step of each unit, which whatever follows has to wait for. */
  const lastOf = new Map<string, string>();
  const pieces = new Map(build.pieces.map((piece) => [piece.id, piece]));
  const operations: Operation[] = [];

  const laid = ({ material }: Step) => (material === undefined ? undefined : materials.get(material));
  for (const piece of build.pieces) {
    for (let unit = 1; unit <= piece.quantity; unit += 1) {
      piece.steps.forEach((step, stepIndex) => {
        if (!unitsOf(piece, step).includes(unit)) return;
        const material = step.material === undefined ? undefined : materials.get(step.material);
        const method = methodOf(step, material);
        const zones = step.zones ?? zoneIdsOf(piece);
        const grade = step.film ?? 'normal';
        const coats = Array.from({ length: step.coats ?? 1 }, (_, n) => n + 1);
        const standing = piece.standing ?? false;
        const lengthMm = workLengthMm(build.pieces, piece, step);
        const cutInMm = cutInEdgeMm(piece, stepIndex, laid);
        const units = unitsOf(piece, step).length;
        const passes: { coat: number; face: Face | undefined }[] = !material
          ? [{ coat: 1, face: undefined }]
          : standing
            ? coats.flatMap((coat) => facesOf(step).map((face) => ({ coat, face })))
            : facesOf(step).flatMap((face) => coats.map((coat) => ({ coat, face })));
        let previous: string | undefined;
        for (const { coat, face } of passes) {
          const id = operationId({ piece: piece.id, unit, step: step.id, coat, face });
          const touched = face ? [face] : facesOf(step);
          const { areaCm2, share } = passArea(piece, step, touched, material, method);
          const placeId = step.place !== undefined && placeIds.has(step.place) ? step.place : defaultPlaceId;
          operations.push({
            id,
            pieceId: piece.id,
            unit,
            stepId: step.id,
            stepIndex,
            kind: step.kind,
            coat,
            coats: step.coats ?? 1,
            face,
            material,
            method,
            film: grade,
            filmFactor: filmFactorOf(material, grade, step.pourMm),
            wetUm: material ? wetFilmUm(material, grade, step.pourMm) : 0,
            colour: step.colour,
            cells:
              material?.role === 'bond'
                ? [BOND_CELL]
                : touched.flatMap((one) => zones.map((zone) => `${one}:${zone}`)),
            areaCm2,
            placement: placementOf(step, material, method),
            share,
            glueMl: material?.role === 'bond' ? glueMl(piece, step, material, lengthMm) : undefined,
            placeId,
            air: step.air ?? 'still',
            after: previous ? [previous] : [],
            restMinutes: restMinutesOf(step),
            looksOver: step.looksOver,
            batchKey: [material?.id ?? step.looksOver ?? step.kind, step.colour ?? '', method, placeId].join(
              '|',
            ),
            rinseKey: [material?.id ?? step.looksOver ?? step.kind, method, placeId].join('|'),
            makesDust:
              methodTable[method].abrades ||
              stepKindTable[step.kind].abrades === true ||
              step.trims === true ||
              step.texture === 'ground',
            rackShare: rackShareOf(piece.faces.outer.areaCm2),
            standing,
            takesIn: (step.parts ?? []).flatMap((part) =>
              Array.from({ length: pieces.get(part)?.quantity ?? 0 }, (_, n) => `${part}/${n + 1}`),
            ),
            optional: step.optional ?? false,
            reworkEveryMinutes: step.reworkEveryMinutes,
            waitsForCure: step.waitFor === 'cured' && coat === 1,
            rests: step.waitFor === 'night' || step.waitFor === 'day' ? step.waitFor : undefined,
            sandedCells: material && coat === 1 ? sandedBefore(piece, stepIndex, touched, zones) : noCells,
            mustDryThrough: step.waitFor === 'through',
            ...handsOn(step, method, material, { areaCm2, lengthMm, cutInMm, units }),
          });
          previous = id;
        }
        lastOf.set(`${piece.id}/${unit}/${step.id}`, previous!);
      });
    }
  }

  // The links between steps come last, as they may point forward in the list.
  const firstOfStep = new Set<string>();
  /** The last passes on a unit that a step waits for; where what goes before is not done on that unit, what goes before that. */
  const passesBefore = (piece: Piece, stepIndex: number, unit: number): string[] =>
    stepsBefore(build.pieces, piece, stepIndex).flatMap((link) => {
      const other = entryOf(pieces, link.piece);
      const units = other.id === piece.id ? [unit] : unitsOf(other, {});
      const at = other.steps.findIndex(({ id }) => id === link.step);
      return units.flatMap(
        (one) => lastOf.get(`${link.piece}/${one}/${link.step}`) ?? passesBefore(other, at, one),
      );
    });
  for (const operation of operations) {
    const key = `${operation.pieceId}/${operation.unit}/${operation.stepId}`;
    if (firstOfStep.has(key)) continue;
    firstOfStep.add(key);
    const piece = entryOf(pieces, operation.pieceId);
    operation.after.push(...new Set(passesBefore(piece, operation.stepIndex, operation.unit)));
  }
  return operations;
}
