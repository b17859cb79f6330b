import type { Air } from '../../drying/air';
import type { EpochMinute } from '../../model/wallTime';
import type { Workload } from '../plan/workload';
import type { PlannedOperation } from '../plan/plan';
import { dryingOf } from '../state/rackStays';
import type { UnitState } from '../state/unitState';
import { entryOf } from '../../model/sure';

/** How full the rack of a place is, and its air, over the time a plan covers. */
export interface PlaceBand {
  placeId: string;
  slots: number;
  /** How many of its slots are taken from each moment on: small units share one. */
  rack: { from: EpochMinute; taken: number }[];
  /** The air at each hour. */
  air: ({ at: EpochMinute } & Air)[];
}

/** The bands of every place between two moments. */
export function placeBands(
  workload: Workload,
  operations: readonly PlannedOperation[],
  units: ReadonlyMap<string, UnitState>,
  from: EpochMinute,
  until: EpochMinute,
): PlaceBand[] {
  const all = operations.flatMap((operation) => {
    const drying = dryingOf(operation, workload.airs, units);
    return (drying?.stays ?? []).map((stay) => ({
      ...stay,
      unit: drying?.unit,
      share: operation.rackShare,
    }));
  });
  return [...workload.airs].map(([placeId, place]) => {
    const stays = all.filter((stay) => stay.placeId === placeId);
    const moments = [...new Set([from, ...stays.flatMap((stay) => [stay.from, Math.ceil(stay.to)])])]
      .filter((moment) => moment >= from && moment < until)
      .sort((a, b) => a - b);
    const rack: PlaceBand['rack'] = [];
    for (const moment of moments) {
      // A unit counts once, by its share: small ones stand several to a place.
      const there = new Map(
        stays
          .filter((stay) => stay.from <= moment && stay.to > moment)
          .map(({ unit, share }) => [unit, share]),
      );
      const taken = [...there.values()].reduce((sum, share) => sum + share, 0);
      if (rack.at(-1)?.taken !== taken) rack.push({ from: moment, taken });
    }
    const air: PlaceBand['air'] = [];
    for (let at = Math.ceil(from / 60) * 60; at < until; at += 60) {
      const { temperatureC, humidityPct } = place.series.airAt(at);
      air.push({ at, temperatureC, humidityPct });
    }
    return { placeId, slots: entryOf(workload.slots, placeId), rack, air };
  });
}
