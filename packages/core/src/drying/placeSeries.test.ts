import type { Climate, Place } from '../model/schema';
import { epochMinute } from '../model/wallTime';
import { cutSeries } from './climateSeries';
import { placeSeries, withAirKept } from './placeSeries';
import { takenIn } from './takenIn';

const at = (wall: string) => epochMinute(wall, 'UTC');
const steady = (temperatureC: number): Extract<Climate, { kind: 'constant' }> => ({
  kind: 'constant',
  temperatureC,
  humidityPct: 50,
});
const room: Place = { id: 'room', name: 'Room', ventilation: 'window', slots: 4, climate: steady(20) };

describe('the air of a place that is changed', () => {
  const [changed] = withAirKept([room], [{ ...room, climate: steady(15) }], '2027-03-05T18:00');
  const series = placeSeries(changed!, 'UTC');

  it('is another from then on, and stays what it was before', () => {
    expect(
      ['2027-03-02T12:00', '2027-03-05T17:59', '2027-03-05T18:00', '2027-04-01T00:00'].map(
        (wall) => series.airAt(at(wall)).temperatureC,
      ),
    ).toEqual([20, 20, 15, 15]);
    expect(series.nextChangeAfter(at('2027-03-02T12:00'))).toBe(at('2027-03-05T18:00'));
    expect(series.nextChangeAfter(at('2027-03-05T18:00'))).toBe(Infinity);
  });

  it('changed again, each stretch keeps its own', () => {
    const [again] = withAirKept([changed!], [{ ...changed!, climate: steady(25) }], '2027-03-06T10:00');
    const air = placeSeries(again!, 'UTC');
    expect(
      ['2027-03-05T12:00', '2027-03-06T09:00', '2027-03-06T10:00'].map(
        (wall) => air.airAt(at(wall)).temperatureC,
      ),
    ).toEqual([20, 15, 25]);
  });

  it('keeps nothing where nothing of the air was changed, or the place is new', () => {
    expect(withAirKept([room], [{ ...room, name: 'Studio' }], '2027-03-05T18:00')[0]!.airWas).toBeUndefined();
    expect(withAirKept([], [room], '2027-03-05T18:00')[0]!.airWas).toBeUndefined();
  });

  it('leaves hours that are taken in to themselves, also over earlier ones', () => {
    const hours = (start: string) => ({
      kind: 'hourly' as const,
      start,
      temperatureC: [5],
      humidityPct: [80],
    });
    const first = takenIn(room.climate, hours('2027-03-08T00:00'), steady(1), 'UTC');
    const [one] = withAirKept([room], [{ ...room, climate: first }], '2027-03-05T18:00');
    expect(one!.airWas).toBeUndefined();
    const second = takenIn(first, hours('2027-03-09T00:00'), steady(1), 'UTC');
    expect(
      withAirKept([one!], [{ ...one!, climate: second }], '2027-03-06T18:00')[0]!.airWas,
    ).toBeUndefined();
  });

  it('is cut where either passes a temperature', () => {
    const swinging: Climate = { kind: 'daily', meanC: 10, swingC: 5, humidityPct: 60 };
    const [place] = withAirKept([room], [{ ...room, climate: swinging }], '2027-03-05T00:00');
    // Warmest at 15:00, so it passes its mean at 09:00.
    expect(cutSeries(placeSeries(place!, 'UTC'), 10).nextChangeAfter(at('2027-03-05T08:50'))).toBe(
      at('2027-03-05T09:00'),
    );
  });
});
