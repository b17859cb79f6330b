import { atZone, epochMinute, toWallTime } from '../../model/wallTime';
import type { Place } from '../../model/schema';
import { placeCalendar } from './calendar';
import { daylightOn } from './daylight';

const day = (date: string, zone: string) => atZone(epochMinute(`${date}T00:00`, zone), zone).startOf('day');
const hours = (date: string, latitudeDeg: number, zone = 'UTC') =>
  daylightOn(day(date, zone), latitudeDeg).reduce((sum, { from, to }) => sum + (to - from) / 60, 0);

describe('daylight', () => {
  // The length of a day from cos(h) = (sin(−0.833°) − sin φ sin δ) / (cos φ cos δ), δ = ∓23.44° at the solstices, 0 at the equinox.
  it.each([
    ['2027-12-21', 49, 8.18],
    ['2027-06-21', 49, 16.2],
    ['2027-03-20', 49, 12.15],
    ['2027-12-21', 20, 10.93],
    ['2027-12-21', 57, 6.7],
    ['2027-12-21', -49, 16.2],
  ])('on %s at %d° it lasts %d h', (date, latitudeDeg, expected) => {
    expect(Math.abs(hours(date, latitudeDeg) - expected)).toBeLessThan(0.12);
  });

  it('is all day or none where the sun stays up or down', () => {
    expect(hours('2027-06-21', 75)).toBe(24);
    expect(hours('2027-12-21', 75)).toBe(0);
  });

  it('goes by the clock of the zone, in winter round noon', () => {
    const [light] = daylightOn(day('2027-12-21', 'Europe/Berlin'), 49);
    const said = [light!.from, light!.to].map((minute) => toWallTime(minute, 'Europe/Berlin').slice(11, 13));
    expect(said).toEqual(['07', '16']);
  });

  it('is cut by the hours of a place', () => {
    const place: Place = {
      id: 'yard',
      name: 'Yard',
      ventilation: 'outdoor',
      slots: 2,
      climate: { kind: 'constant', temperatureC: 15, humidityPct: 50 },
      hours: { from: '10:00', to: '20:00' },
      daylightAtDeg: 49,
    };
    const from = epochMinute('2027-12-21T00:00', 'UTC');
    const [open] = placeCalendar(place, 'UTC', from).between(from, from + 1440);
    // It opens at ten, and closes when the sun sets at four.
    expect(toWallTime(open!.from, 'UTC').slice(11)).toBe('10:00');
    expect(toWallTime(open!.to, 'UTC').slice(11, 13)).toMatch(/15|16/);
    const { hours: _hours, ...always } = place;
    expect(placeCalendar(always, 'UTC', from).between(from, from + 1440)[0]!.from).toBeGreaterThan(
      from + 7 * 60,
    );
  });
});
