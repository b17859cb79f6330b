import { dewPointC, type Air } from '../../drying/air';
import { sayTimeOfDay } from '../../model/sayMoment';
import type { EpochMinute } from '../../model/wallTime';
import { airFaultWords, unfitSpans, type UnfitSpan } from '../../drying/goodAir';
import type { PlannedOperation } from '../plan/plan';
import type { Workload } from '../plan/workload';
import type { Material } from '../../model/materialSchema';

/** How far ahead the bench is warned of bad air. */
const AHEAD_MINUTES = 24 * 60;

/** The air of one place now and in the coming day, for what is to be laid there. */
export interface PlaceOutlook {
  placeId: string;
  air: Air & { dewPointC: number };
  /** Whether the air now was measured, as against assumed. */
  measured: boolean;
  /** When it is unfit for something that is planned there, soonest first. */
  unfit: (UnfitSpan & { materialName: string })[];
  /** The soonest of them in a sentence, such as "Back porch: too damp for Rubber dip spray after 21:00." */
  warning: string | undefined;
}

/** The outlook of every place of a build at a moment. */
export function placeOutlooks(
  workload: Workload,
  operations: readonly PlannedOperation[],
  now: EpochMinute,
): PlaceOutlook[] {
  return [...workload.airs].map(([placeId, place]) => {
    const materials = new Map<string, Material>();
    for (const { placeId: at, material, status } of operations)
      if (at === placeId && material && status !== 'done' && status !== 'skipped')
        materials.set(material.id, material);
    const unfit = [...materials.values()]
      .flatMap((material) =>
        unfitSpans(material, place, now, now + AHEAD_MINUTES)
          .slice(0, 1)
          .map((span) => ({ ...span, materialName: material.name })),
      )
      .sort((a, b) => a.from - b.from || b.to - a.to);
    const air = place.series.airAt(now);
    const name = workload.build.places.find((one) => one.id === placeId)?.name ?? 'The room';
    return {
      placeId,
      air: { temperatureC: air.temperatureC, humidityPct: air.humidityPct, dewPointC: dewPointC(air) },
      measured: place.measuredAt(now),
      unfit,
      warning: unfit[0] && warningOf(name, unfit[0], now, workload.build.timeZone),
    };
  });
}

function warningOf(
  place: string,
  { from, to, fault, materialName }: PlaceOutlook['unfit'][number],
  now: EpochMinute,
  timeZone: string,
): string {
  const clock = (minute: EpochMinute) => sayTimeOfDay(minute, timeZone);
  const lasting = to >= now + AHEAD_MINUTES;
  const when =
    from <= now ? (lasting ? 'now and for the coming day' : `until ${clock(to)}`) : `after ${clock(from)}`;
  return `${place}: ${airFaultWords[fault]} for ${materialName} ${when}.`;
}
