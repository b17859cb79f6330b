import type { Air } from '../../drying/air';
import type { EpochMinute } from '../../model/wallTime';
import type { Workload } from '../plan/workload';
import type { PlannedOperation } from '../plan/plan';
import { staysOf } from '../state/stays';
import type { UnitState } from '../state/unitState';
import { entryOf } from '../../model/sure';

/** How full the rack of a place is, and its air, over the time a plan covers. */
export interface PlaceBand {
  placeId: string;
  slots: number;
  /** How many units dry there from each moment on. */
  rack: { from: EpochMinute; units: number }[];
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
  return [...workload.airs].map(([placeId, place]) => {
    const stays = operations.flatMap((operation) => {
      const { laidAt, material } = operation;
      const there = entryOf(workload.airs, operation.placeId);
      const isHere = operation.placeId === placeId || there.indoors?.placeId === placeId;
      if (!isHere || laidAt === undefined || !material || material.role === 'bond') return [];
      const key = `${operation.pieceId}/${operation.unit}`;
      const unit = entryOf(units, key);
      let [touchAt, handleAt] = [laidAt, laidAt];
      for (const cell of operation.cells) {
        const then = unit.asOf(cell, laidAt);
        touchAt = Math.max(touchAt, then?.coats.at(-1)?.touchAt ?? laidAt);
        handleAt = Math.max(handleAt, then?.handleAt ?? laidAt);
      }
      return staysOf(there, { laidAt, touchAt, handleAt }).flatMap((stay) =>
        stay.placeId === placeId ? [{ key, from: stay.from, to: stay.to }] : [],
      );
    });
    const moments = [...new Set([from, ...stays.flatMap((stay) => [stay.from, Math.ceil(stay.to)])])]
      .filter((moment) => moment >= from && moment < until)
      .sort((a, b) => a - b);
    const rack: PlaceBand['rack'] = [];
    for (const moment of moments) {
      const there = new Set(
        stays.filter((stay) => stay.from <= moment && stay.to > moment).map((stay) => stay.key),
      );
      if (rack.at(-1)?.units !== there.size) rack.push({ from: moment, units: there.size });
    }
    const air: PlaceBand['air'] = [];
    for (let at = Math.ceil(from / 60) * 60; at < until; at += 60) {
      const { temperatureC, humidityPct } = place.series.airAt(at);
      air.push({ at, temperatureC, humidityPct });
    }
    return { placeId, slots: entryOf(workload.slots, placeId), rack, air };
  });
}
