import type { Build } from '../model/schema';
import { dewPointC } from '../drying/air';
import { climateSeries } from '../drying/climateSeries';
import { epochMinute, toWallTime } from '../model/wallTime';
import { expandBuild } from '../schedule/plan/operations';
import type { Plan } from '../schedule/answers/plan';

/**
 * Checks a plan against the constraints it has to keep, in its own simple way and without the planner's code: order,
 * one thing at a time, free windows, hours, quiet, rack, air, recoat windows, the other face handleable, tape-safe before
 * tape, sandable before sanding, cure and drying through where they are waited for, pins. Returns sentences; none means sound.
 */
export function checkPlan(build: Build, plan: Plan): string[] {
  const faults: string[] = [];
  const byId = new Map(plan.operations.map((operation) => [operation.id, operation]));
  const placed = plan.operations.filter((operation) => operation.status === 'planned');
  const dayNames = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'];

  for (const operation of expandBuild(build)) {
    if (!byId.has(operation.id)) faults.push(`${operation.id} is missing`);
  }
  for (const operation of placed)
    for (const cell of operation.material && operation.material.role !== 'bond' ? operation.cells : [])
      if (
        operation.laidAt !== undefined &&
        !plan.units
          .get(`${operation.pieceId}/${operation.unit}`)!
          .cells.get(cell)
          ?.some(({ operationId }) => operationId === operation.id)
      )
        faults.push(`${operation.id} is laid, and is not on its unit`);
  for (const operation of placed) {
    const { start, laidAt, end } = operation;
    if (start === undefined || laidAt === undefined || end === undefined || start > laidAt || laidAt > end) {
      faults.push(`${operation.id} has crossed times`);
      continue;
    }
    if (start < plan.now) faults.push(`${operation.id} begins in the past`);
    for (const id of operation.after) {
      const before = byId.get(id)!;
      if (before.status === 'skipped') continue;
      if (before.laidAt === undefined) {
        faults.push(`${operation.id} has a place, and ${id}, which it waits for, has none`);
        continue;
      }
      if (before.laidAt > laidAt - operation.workMinutes) faults.push(`${operation.id} comes before ${id}`);
      const step = build.pieces
        .find((piece) => piece.id === before.pieceId)!
        .steps.find((one) => one.id === before.stepId)!;
      const rest = step.cleans
        ? { wiped: 15, washed: 60, degreased: 15, unglued: 15 }[step.cleans]
        : step.kind === 'sand' && step.thinWith === 'water'
          ? 30
          : 0;
      if (before.laidAt + rest > laidAt - operation.workMinutes)
        faults.push(`${operation.id} comes less than ${rest} min after ${id}`);
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
    // Tonight may run over by what the person allows, if the work begins in time.
    const latest = (until: string) =>
      person.overMinutes === undefined
        ? until
        : toWallTime(
            epochMinute(`${date}T${until}`, build.timeZone) + person.overMinutes,
            build.timeZone,
          ).slice(11);
    const isTonight = toWallTime(plan.now, build.timeZone).slice(0, 10) === date;
    if (
      !windows.some(
        (window) =>
          window.from <= from && from < window.to && to <= (isTonight ? latest(window.to) : window.to),
      )
    )
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
    for (const [cell, coats, stack] of unit.stacks()) {
      coats.forEach((coat, at) => {
        const operation = byId.get(coat.operationId)!;
        if (operation.laidAt !== coat.laidAt)
          faults.push(`${coat.operationId} lies on ${key} ${cell} from another moment than it was laid`);
        if (operation.status !== 'planned') return;
        const below = stack.coats[at - 1];
        if (
          below &&
          !below.recoat.some(
            (window) => coat.laidAt - operation.workMinutes >= window.from - 1e-6 && coat.laidAt <= window.to,
          ) &&
          // Sanded once it has cured, it takes the next coat by its scratches.
          !(
            operation.sandedCells.includes(cell) &&
            Math.max(below.packAt, below.wearAt) <= coat.laidAt - operation.workMinutes + 1e-6
          )
        ) {
          faults.push(`${coat.operationId} misses the recoat window on ${key} ${cell}`);
        }
        for (const [other, otherCoats] of unit.cells) {
          if (other.startsWith(`${operation.face}:`) || operation.standing) continue;
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
  return [
    ...faults,
    ...toolFaults(build, plan.operations),
    ...setUpFaults(plan),
    ...rackFaults(build, plan),
    ...dustFaults(build, plan),
    ...surfaceFaults(build, plan),
  ];
}

/** No more people hold an airbrush, or a heat gun, at once than there are; from setting up until it is clean. */
export function toolFaults(build: Build, operations: Plan['operations']): string[] {
  const faults: string[] = [];
  const held = { airbrush: 'airbrush', 'hot-air': 'heat-gun' } as const;
  for (const [method, tool] of Object.entries(held) as ['airbrush', 'airbrush'][]) {
    const uses = operations.filter(
      (one) =>
        one.method === method && one.status === 'planned' && one.start !== undefined && one.end !== undefined,
    );
    for (const one of uses) {
      const hands = new Set(
        uses
          .filter(({ start, end }) => start! <= one.start! && end! > one.start!)
          .map(({ personId }) => personId),
      );
      if (hands.size > (build.tools?.[tool] ?? 1))
        faults.push(`${one.id} begins with the ${tool} in ${hands.size} pairs of hands`);
    }
  }
  return faults;
}

/**
 * A pass without a set-up of its own goes on with the same things, in the same hands, soon after another: nobody does anything
 * else between, it begins before cleaning up and setting up anew would be done (3 min in any case), and what was mixed for
 * the first still flows.
 */
function setUpFaults(plan: Plan): string[] {
  const faults: string[] = [];
  const worked = plan.operations
    .filter(({ status, laidAt }) => status !== 'skipped' && laidAt !== undefined)
    .map((operation) => ({ operation, begins: operation.laidAt! - operation.workMinutes }))
    .sort((a, b) => a.begins - b.begins);
  const mixedAt = new Map<string, number>();
  for (const { operation, begins } of worked) {
    const {
      id,
      status,
      personId,
      batchKey,
      rinseKey,
      setUpMinutes,
      cleanUpMinutes,
      start,
      laidAt,
      material,
    } = operation;
    mixedAt.set(id, begins);
    if (status !== 'planned' || setUpMinutes === 0 || begins - start! >= setUpMinutes) continue;
    const wait = Math.max(3, setUpMinutes + cleanUpMinutes);
    // Whoever logged a pass is not written down, so any of those may be gone on from.
    const mine = (one: (typeof worked)[number]) =>
      one.operation.status === 'done' || one.operation.personId === personId;
    const before = worked.filter(
      (one) =>
        mine(one) &&
        one.operation.rinseKey === rinseKey &&
        one.operation.laidAt! <= start! &&
        one.operation.laidAt! >= start! - wait,
    );
    const last = before.at(-1);
    if (!last) {
      faults.push(`${id} shares a set-up with nothing`);
      continue;
    }
    const between = worked.find(
      (one) =>
        one.operation.personId === personId &&
        one.operation.status === 'planned' &&
        one.operation.start! < begins &&
        one.operation.end! > last.operation.laidAt! &&
        one.operation !== last.operation &&
        one.operation !== operation,
    );
    if (between)
      faults.push(
        `${between.operation.id} is done between ${last.operation.id} and ${id}, which share a set-up`,
      );
    // Another colour needs two minutes to rinse, and is mixed anew.
    const isOther = last.operation.batchKey !== batchKey;
    if (begins - start! !== (isOther ? Math.min(2, setUpMinutes) : 0))
      faults.push(`${id} goes on from ${last.operation.id} with the wrong rinse`);
    if (!isOther) mixedAt.set(id, mixedAt.get(last.operation.id)!);
    if (laidAt! - mixedAt.get(id)! > (material?.potLife ?? Infinity))
      faults.push(`${id} is laid after what was mixed for its batch has set`);
  }
  return faults;
}

/** No dust where anything is wetter than touch-dry; nothing begun before its material is there. */
function dustFaults(build: Build, plan: Plan): string[] {
  const worked = plan.operations.flatMap((operation) => {
    const { laidAt, status, workMinutes } = operation;
    return status === 'skipped' || laidAt === undefined
      ? []
      : [{ operation, begins: laidAt - workMinutes, laidAt }];
  });
  const stepOf = (pieceId: string, stepId: string) =>
    build.pieces.find((one) => one.id === pieceId)!.steps.find((one) => one.id === stepId)!;
  return worked.flatMap((dusty) => {
    const { operation, begins, laidAt } = dusty;
    const step = stepOf(operation.pieceId, operation.stepId);
    const faults: string[] = [];
    // Paint has to be there in its colour; a tin that says none is taken for any.
    const tins = (build.stock ?? []).filter(
      ({ material, colour }) =>
        material === operation.material?.id &&
        (operation.material.role !== 'paint' ||
          colour === undefined ||
          operation.colour === undefined ||
          colour === operation.colour),
    );
    const isHere =
      tins.every(({ arrivesOn }) => arrivesOn === undefined) ||
      tins.some(
        ({ arrivesOn, remainingMl }) =>
          (arrivesOn === undefined && remainingMl > 0) ||
          (arrivesOn !== undefined && epochMinute(`${arrivesOn}T00:00`, build.timeZone) <= begins),
      );
    if (operation.status === 'planned' && !isHere)
      faults.push(`${operation.id} begins before its material is there`);
    if (step.kind !== 'sand' && operation.method !== 'sand' && operation.method !== 'tool' && !step.trims)
      return faults;
    if (!operation.makesDust) return faults;
    for (const coat of worked) {
      if (!coat.operation.material || coat.operation.placeId !== operation.placeId) continue;
      if (coat.operation.status !== 'planned' && operation.status !== 'planned') continue;
      const unit = plan.units.get(`${coat.operation.pieceId}/${coat.operation.unit}`)!;
      const touchAt = Math.max(
        ...coat.operation.cells.map(
          (cell) => unit.asOf(cell, coat.laidAt)?.coats.at(-1)?.touchAt ?? -Infinity,
        ),
      );
      if (coat.begins < laidAt && touchAt > begins + 1e-6)
        faults.push(`${operation.id} makes dust while ${coat.operation.id} is wet`);
    }
    return faults;
  });
}

/** At no moment more units drying in a place than it has rack places; small ones share. */
function rackFaults(build: Build, plan: Plan): string[] {
  return build.places.flatMap((place) => {
    const stays = plan.operations.flatMap((operation) => {
      const { laidAt, material, placeId, status } = operation;
      if (placeId !== place.id || laidAt === undefined || !material || material.role === 'bond') return [];
      if (status !== 'planned') return [];
      const key = `${operation.pieceId}/${operation.unit}`;
      const unit = plan.units.get(key)!;
      const until = Math.max(...operation.cells.map((cell) => unit.asOf(cell, laidAt)?.handleAt ?? laidAt));
      const share = Math.min(
        1,
        Math.max(
          1,
          Math.ceil(
            (build.pieces.find((one) => one.id === operation.pieceId)!.faces.outer.areaCm2 / 400) * 16,
          ),
        ) / 16,
      );
      return [{ key, from: laidAt, until, share }];
    });
    return stays.flatMap(({ from }) => {
      const there = new Map(
        stays.filter((stay) => stay.from <= from && stay.until > from).map((stay) => [stay.key, stay.share]),
      );
      const taken = [...there.values()].reduce((sum, share) => sum + share, 0);
      return taken > place.slots
        ? [
            `${there.size} units dry in ${place.name} at ${toWallTime(from, build.timeZone)}, where ${place.slots} fit`,
          ]
        : [];
    });
  });
}

/** What lies on a unit has to allow what is done to it; and the air what is laid. */
function surfaceFaults(build: Build, plan: Plan): string[] {
  const faults: string[] = [];
  for (const operation of plan.operations) {
    const { start, laidAt, material, cells, workMinutes, setUpMinutes } = operation;
    if (operation.status !== 'planned' || start === undefined || laidAt === undefined) continue;
    const begins = laidAt - workMinutes;
    const unit = plan.units.get(`${operation.pieceId}/${operation.unit}`)!;
    const below = (own: boolean) =>
      [...unit.cells.keys()]
        .filter((cell) => !own || cells.includes(cell))
        .flatMap((cell) => {
          // A coat of this very pass is not below itself.
          const stack = unit.asOf(cell, Math.min(begins, laidAt - 1));
          return stack ? [stack] : [];
        });
    const tooSoon = (at: number, what: string) => {
      if (at > begins + 1e-6) faults.push(`${operation.id} begins before what lies there is ${what}`);
    };
    if (operation.waitsForCure)
      for (const stack of below(operation.material?.role !== 'bond'))
        tooSoon(Math.max(stack.packAt, stack.wearAt), 'cured');
    if (operation.mustDryThrough)
      for (const cell of cells) {
        const stack = unit.asOf(cell, Math.min(begins, laidAt - 1));
        const top = stack?.coats.at(-1);
        // A window that closes for good is not missed for it.
        if (!stack || !top || top.recoat.every((window) => window.to !== Infinity)) continue;
        const same = unit.cells.get(cell)![stack.coats.length - 1]!.material.id === material?.id;
        if (!same) tooSoon(Math.max(stack.packAt, stack.wearAt), 'dry through');
        else if (material.redissolves) tooSoon(top.tapeAt, 'dry through');
      }
    if (operation.kind === 'mask') for (const stack of below(true)) tooSoon(stack.tapeAt, 'tape-safe');
    if (operation.kind === 'sand')
      for (const stack of below(true))
        tooSoon(stack.coats.at(-1)!.sandAt ?? stack.coats.at(-1)!.handleAt, 'sandable');
    const looksAtFresh = ['sealed', 'felt', 'primed', 'coloured', 'pulled'].includes(
      operation.looksOver ?? '',
    );
    if (looksAtFresh)
      for (const stack of below(false)) for (const coat of stack.coats) tooSoon(coat.touchAt, 'touch-dry');
    if (operation.looksOver === 'felt')
      for (const [cell, coats] of unit.cells) {
        const last = coats.filter((coat) => coat.laidAt <= begins).at(-1);
        const from = unit.asOf(cell, begins)?.coats.at(-1)?.recoat[0]?.from;
        if (last && from !== undefined)
          tooSoon(last.laidAt + 2 * (from - last.laidAt), 'recoatable twice over');
      }
    if (operation.rests === 'day')
      for (const stack of below(false)) for (const coat of stack.coats) tooSoon(coat.handleAt, 'handleable');
    if (operation.rests)
      for (const cell of cells) {
        const last = unit.cells
          .get(cell)
          ?.filter((coat) => coat.laidAt < laidAt)
          .at(-1);
        if (last)
          tooSoon(last.laidAt + (operation.rests === 'day' ? 1440 : 600), `left for a ${operation.rests}`);
      }
    if (operation.looksOver === 'packing')
      for (const stack of below(false)) tooSoon(stack.packAt, 'packable');
    else if (
      !looksAtFresh &&
      (operation.kind === 'attach' || operation.kind === 'join' || operation.kind === 'inspect')
    )
      for (const stack of below(false)) tooSoon(stack.handleAt, 'handleable');
    const loud = operation.method === 'airbrush' || operation.method === 'sand';
    if (build.quiet && loud) {
      const { from, to } = build.quiet;
      for (let minute = start; minute < operation.end!; minute += 1) {
        const clock = toWallTime(minute, build.timeZone).slice(11);
        const quiet = from < to ? clock >= from && clock < to : clock >= from || clock < to;
        if (quiet) {
          faults.push(`${operation.id} makes noise at ${clock}`);
          break;
        }
      }
    }
    const pin = build.pins?.find((one) => one.operation === operation.id);
    if (
      pin &&
      toWallTime(start, build.timeZone) < pin.at &&
      toWallTime(start + setUpMinutes, build.timeZone) < pin.at
    )
      faults.push(`${operation.id} begins before ${pin.at}, where it is pinned`);
    const place = build.places.find((one) => one.id === operation.placeId);
    if (material && place) {
      const series = climateSeries(place.climate, build.timeZone);
      // The series goes in steps of five minutes, each with the air of its middle; the planner begins where the curve itself crosses the limit.
      const stepC = place.climate.kind === 'daily' ? (place.climate.swingC * 2 * Math.PI * 6) / 1440 : 0;
      const touchAt = unit.asOf(cells[0]!, laidAt)?.coats.at(-1)?.touchAt ?? laidAt;
      for (let minute = begins; minute < Math.min(touchAt, begins + 3 * 1440); minute += 5) {
        const air = series.airAt(minute);
        const dew = material.carrier !== 'none' && air.temperatureC - dewPointC(air) < 3 - 1e-9;
        if (
          air.temperatureC < material.minC - stepC ||
          air.temperatureC > material.maxC ||
          air.humidityPct > material.maxRhPct ||
          dew
        ) {
          faults.push(`${operation.id} is laid in unfit air at ${toWallTime(minute, build.timeZone)}`);
          break;
        }
      }
    }
  }
  return faults;
}
