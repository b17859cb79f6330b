import type { TouchLesson } from '../state/unitState';
import type { EpochMinute } from '../../model/wallTime';
import { nth } from '../../model/sure';

/** One touch test against what was reckoned. */
export interface MeasuredTime {
  materialId: string;
  materialName: string;
  at: EpochMinute;
  /** Touch-dry by the label in the air there was, minutes after laying. */
  predictedMinutes: number;
  /** As the finger said. */
  actualMinutes: number;
  /** Actual over predicted. */
  factor: number;
}

/** What the own tests of one material come to. */
export interface MeasuredMaterial {
  materialId: string;
  materialName: string;
  times: MeasuredTime[];
  /** The median factor. */
  factor: number;
  /** The label minutes to touch-dry that the tests speak for. */
  touchMinutes: number;
  /** Whether there are enough of them to trust them more than the label. */
  confirmed: boolean;
}

/** So many tests of one material narrow its spread (docs/domain.md, "The drying model"). */
export const CONFIRMED_AFTER_TESTS = 3;

/** Gathers touch tests by material. Tests on several spots of one coat count once. */
export function measuredTimes(lessons: readonly (TouchLesson & { at: EpochMinute })[]): MeasuredMaterial[] {
  const byMaterial = new Map<string, MeasuredMaterial & { label: number }>();
  const seen = new Set<string>();
  for (const { coat, factor, at } of lessons) {
    const key = `${coat.operationId} ${at}`;
    if (seen.has(key)) continue;
    seen.add(key);
    const { id: materialId, name: materialName } = coat.material;
    const actualMinutes = at - coat.laidAt;
    const known = byMaterial.get(materialId) ?? {
      materialId,
      materialName,
      times: [],
      factor: 1,
      touchMinutes: 0,
      confirmed: false,
      label: coat.material.touch ?? 0,
    };
    byMaterial.set(materialId, known);
    known.times.push({
      materialId,
      materialName,
      at,
      predictedMinutes: factor > 0 ? actualMinutes / factor : actualMinutes,
      actualMinutes,
      factor,
    });
  }
  return [...byMaterial.values()].map(({ label, ...material }) => {
    const factors = material.times.map((time) => time.factor).sort((a, b) => a - b);
    const middle = factors.length >> 1;
    const factor =
      factors.length % 2 === 1 ? nth(factors, middle) : (nth(factors, middle - 1) + nth(factors, middle)) / 2;
    return {
      ...material,
      factor,
      touchMinutes: Math.round(label * factor),
      confirmed: material.times.length >= CONFIRMED_AFTER_TESTS,
    };
  });
}

/** The materials whose times the own tests have confirmed, by id. */
export const confirmedBy = (lessons: readonly (TouchLesson & { at: EpochMinute })[]): ReadonlySet<string> =>
  new Set(measuredTimes(lessons).flatMap(({ materialId, confirmed }) => (confirmed ? [materialId] : [])));
