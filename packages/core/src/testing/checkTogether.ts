import type { Build } from '../model/schema';
import { toWallTime } from '../model/wallTime';
import { toolFaults } from './checkPlan';
import type { Plan } from '../schedule/answers/plan';

/**
 * Checks the plans of builds that share a workshop against each other, in its own simple way: nobody does two things at once, and no coat is
 * laid where more units of all of them stand than there are rack places. What was begun or done stands as it is. Returns sentences.
 */
export function checkTogether(all: readonly { id: string; build: Build; plan: Plan }[]): string[] {
  const passes = all.flatMap(({ id, build, plan }) =>
    plan.operations
      .filter(({ status, laidAt }) => status !== 'skipped' && laidAt !== undefined)
      .map((operation) => ({ id, build, plan, operation })),
  );
  const faults: string[] = [];
  const busy = passes.filter(
    ({ operation }) => operation.status === 'planned' || operation.status === 'underway',
  );
  for (const [at, one] of busy.entries())
    for (const other of busy.slice(at + 1)) {
      const [a, b] = [one.operation, other.operation];
      if (one.id === other.id || a.personId !== b.personId) continue;
      if (a.status !== 'planned' && b.status !== 'planned') continue;
      if (a.start! < b.end! && b.start! < a.end!)
        faults.push(`${a.personId} does ${one.id} ${a.id} and ${other.id} ${b.id} at once`);
    }
  const [any] = all;
  if (any)
    faults.push(
      ...toolFaults(
        any.build,
        passes.map(({ operation }) => operation),
      ),
    );
  const coats = passes.filter(({ operation }) => operation.material && operation.material.role !== 'bond');
  const stays = coats.map(({ id, build, plan, operation }) => {
    const unit = plan.units.get(`${operation.pieceId}/${operation.unit}`)!;
    const { areaCm2 } = build.pieces.find((piece) => piece.id === operation.pieceId)!.faces.outer;
    const last = Math.max(
      ...operation.cells.map((cell) => unit.asOf(cell, operation.laidAt!)?.handleAt ?? 0),
    );
    return {
      key: `${id} ${operation.pieceId}/${operation.unit}`,
      id,
      operation,
      until: Math.max(operation.laidAt!, last),
      // Small pieces share a place of about 400 cm², in sixteenths.
      share: Math.min(1, Math.max(1, Math.ceil((areaCm2 / 400) * 16)) / 16),
    };
  });
  for (const { operation, id } of stays) {
    if (operation.status !== 'planned') continue;
    const [first] = all;
    const place = first!.build.places.find((one) => one.id === operation.placeId)!;
    const there = new Map(
      stays
        .filter(
          (stay) =>
            stay.operation.placeId === place.id &&
            stay.operation.laidAt! <= operation.laidAt! &&
            stay.until > operation.laidAt!,
        )
        .map((stay) => [stay.key, stay.share]),
    );
    const taken = [...there.values()].reduce((sum, share) => sum + share, 0);
    if (taken > place.slots)
      faults.push(
        `${id} ${operation.id}: ${taken} of ${place.slots} in ${place.name}, ${toWallTime(operation.laidAt!, 'UTC')}`,
      );
  }
  return faults;
}
