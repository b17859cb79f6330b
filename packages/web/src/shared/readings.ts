import type { PlaceReadings, ReadingsAnswer } from './api';

const MOST_THROWN_OUT = 50;

/**
 * Readings at hand with newer ones laid behind them. The newest quarter of an hour at hand may have gone on since, so all from the
 * start of the answer on is taken from the answer.
 */
export function mergeReadings(
  known: readonly PlaceReadings[],
  { from, places }: ReadingsAnswer,
): PlaceReadings[] {
  const news = new Map(places.map((one) => [one.place, one]));
  const grown = known.map((old): PlaceReadings => {
    const more = news.get(old.place);
    news.delete(old.place);
    if (!more) return old;
    const last = more.last ?? old.last;
    const thrownOut = new Map([...old.thrownOut, ...more.thrownOut].map((one) => [one.at, one]));
    return {
      place: old.place,
      readings: [...old.readings.filter(({ at }) => at < from), ...more.readings],
      ...(last ? { last } : {}),
      gaps: [...old.gaps.filter((gap) => gap.to <= from), ...more.gaps],
      thrownOut: [...thrownOut.values()].slice(-MOST_THROWN_OUT),
    };
  });
  return [...grown, ...news.values()];
}
