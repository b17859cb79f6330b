import { epochMinute } from '../model/wallTime';
import { firstAvailability, firstPlaces, halfOf } from './firstWorkshop';

describe('the first evening', () => {
  it('makes a room, and a place for spray where somebody has one', () => {
    const ids = (answers: Parameters<typeof firstPlaces>[0]) =>
      firstPlaces(answers, 'north').map(({ id }) => id);
    expect(ids({})).toEqual(['room', 'outside']);
    expect(ids({ spray: 'booth' })).toEqual(['room', 'booth']);
    expect(ids({ spray: 'nowhere' })).toEqual(['room']);
    expect(firstPlaces({ spray: 'booth' }, 'north')[1]!.ventilation).toBe('extraction');
  });

  it('gives outside the air and the light of where it is; what is skipped is mild, and all of it assumed', () => {
    const [room, outside] = firstPlaces({ outside: { zone: 'cold', half: 'south' } }, 'north');
    expect(outside).toMatchObject({
      climate: { kind: 'season', zone: 'cold', half: 'south' },
      daylightAtDeg: -57,
      carriedIn: true,
      assumed: true,
    });
    expect(room).toMatchObject({ assumed: true });
    expect(firstPlaces({}, 'south')[1]).toMatchObject({
      climate: { kind: 'season', zone: 'mild', half: 'south' },
      daylightAtDeg: -49,
    });
  });

  it('tells the half of the globe by when the clocks go forward', () => {
    const now = epochMinute('2026-12-01T12:00', 'UTC');
    expect(
      ['Europe/Lisbon', 'Pacific/Auckland', 'America/Santiago', 'UTC'].map((zone) => halfOf(zone, now)),
    ).toEqual(['north', 'south', 'south', 'north']);
  });

  it('gives free time as it is ticked', () => {
    const none = { evenings: false, weekends: false, weekdays: false };
    expect(firstAvailability(none)).toEqual([]);
    expect(firstAvailability({ ...none, weekends: true })).toEqual([
      { days: ['sat', 'sun'], from: '10:00', to: '18:00' },
    ]);
    expect(firstAvailability({ evenings: true, weekends: true, weekdays: true })).toHaveLength(3);
  });
});
