import type { Material } from '../model/materialSchema';
import type { LogEntry, Piece, Step } from '../model/schema';
import { methodOf } from '../model/stepSpots';
import { stepsBefore } from '../model/stepLinks';
import { entryOf } from '../model/sure';

/**
 * A step as one pass of it was really done: with the tin, film and place that the log names where they are others than planned.
 * The very same step where nothing differs.
 */
export function stepAsLogged(
  step: Step,
  entry: Pick<LogEntry, 'material' | 'film' | 'place'>,
  materials: ReadonlyMap<string, Material>,
): Step {
  const { material = step.material, film = step.film, place = step.place } = entry;
  if (material === step.material && film === step.film && place === step.place) return step;
  const tin = material === undefined ? undefined : materials.get(material);
  // Another tin may not go on as the planned one was to: a spray can is no brush.
  const planned = methodOf(step, step.material === undefined ? undefined : materials.get(step.material));
  const method = tin && !tin.methods.includes(planned) ? tin.methods[0] : step.method;
  return {
    ...step,
    ...(material === undefined ? {} : { material }),
    ...(film === undefined ? {} : { film }),
    ...(place === undefined ? {} : { place }),
    ...(method === undefined ? {} : { method }),
  };
}

/**
 * Steps of a piece that come before one that was done on a unit: what of them was never logged is not done any more, as
 * the work went on without it.
 * @param done ids of the steps of which something was done on the unit
 */
export function passedOver(piece: Piece, done: ReadonlySet<string>): Set<string> {
  const index = new Map(piece.steps.map((step, at) => [step.id, at]));
  const over = new Set<string>();
  const visit = (id: string): void => {
    for (const link of stepsBefore([piece], piece, entryOf(index, id))) {
      if (over.has(link.step)) continue;
      over.add(link.step);
      visit(link.step);
    }
  };
  for (const id of done) if (index.has(id)) visit(id);
  return over;
}
