import type { Build } from '../build/schema';
import { toWallTime } from '../time/wallTime';
import { expandBuild } from '../stack/operations';
import type { Plan } from '../schedule/plan';

/**
 * Checks a plan against the constraints it has to keep, in its own simple way and without the planner's code: order,
 * one thing at a time, free windows, recoat windows, the other face handleable. Returns sentences; none means sound.
 */
export function checkPlan(build: Build, plan: Plan): string[] {
  const faults: string[] = [];
  const byId = new Map(plan.operations.map((operation) => [operation.id, operation]));
  const placed = plan.operations.filter((operation) => operation.status === 'planned');
  const dayNames = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'];

  for (const operation of expandBuild(build)) {
    if (!byId.has(operation.id)) faults.push(`${operation.id} is missing`);
  }
  for (const operation of placed) {
    const { start, laidAt, end } = operation;
    if (start === undefined || laidAt === undefined || end === undefined || start > laidAt || laidAt > end) {
      faults.push(`${operation.id} has crossed times`);
      continue;
    }
    if (start < plan.now) faults.push(`${operation.id} begins in the past`);
    for (const id of operation.after) {
      const before = byId.get(id)!;
      if (before.status !== 'skipped' && before.laidAt! > laidAt - operation.workMinutes)
        faults.push(`${operation.id} comes before ${id}`);
    }
    const person = build.people.find((candidate) => candidate.id === operation.personId)!;
    const date = toWallTime(start, build.timeZone).slice(0, 10);
    const weekday = dayNames[new Date(`${date}T12:00Z`).getUTCDay()]!;
    const exception = person.exceptions?.find((candidate) => candidate.date === date);
    const windows = exception
      ? exception.windows
      : person.availability.filter((rule) => (rule.days as string[]).includes(weekday));
    const [from, to] = [
      toWallTime(start, build.timeZone).slice(11),
      toWallTime(end, build.timeZone).slice(11),
    ];
    if (!windows.some((window) => window.from <= from && to <= window.to))
      faults.push(`${operation.id} lies outside ${person.name}'s time: ${date} ${from} to ${to}`);
    const hours = build.places.find((place) => place.id === operation.placeId)?.hours;
    if (hours && (from < hours.from || to > hours.to))
      faults.push(`${operation.id} lies outside the hours of ${operation.placeId}`);
  }
  for (const person of build.people) {
    const own = placed
      .filter((operation) => operation.personId === person.id)
      .sort((a, b) => a.start! - b.start!);
    own.forEach((operation, at) => {
      const before = own[at - 1];
      if (before && before.end! > operation.start!)
        faults.push(`${person.name} does ${before.id} and ${operation.id} at once`);
    });
  }
  for (const [key, unit] of plan.units) {
    for (const [cell, coats] of unit.cells) {
      const stack = unit.dry(cell)!;
      coats.forEach((coat, at) => {
        const operation = byId.get(coat.operationId)!;
        if (operation.status !== 'planned') return;
        const below = stack.coats[at - 1];
        if (
          below &&
          !below.recoat.some(
            (window) => coat.laidAt - operation.workMinutes >= window.from - 1e-6 && coat.laidAt <= window.to,
          )
        ) {
          faults.push(`${coat.operationId} misses the recoat window on ${key} ${cell}`);
        }
        for (const [other, otherCoats] of unit.cells) {
          if (other.startsWith(`${operation.face}:`)) continue;
          const last = otherCoats.filter((candidate) => candidate.laidAt < coat.laidAt).length;
          // Milestones of what lay there then; later cover only delays, so an early handleable stays a sound check.
          const wet = unit
            .dry(other)!
            .coats.slice(0, last)
            .some((dry, n) => otherCoats[n + 1] === undefined && dry.handleAt > coat.laidAt);
          if (wet && operation.material?.role !== 'bond')
            faults.push(`${coat.operationId} turns ${key} while ${other} is soft`);
        }
      });
    }
  }
  return faults;
}
