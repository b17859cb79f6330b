import { faultPlace } from './faultPlace';

const build = {
  start: '2027-02-15T18:00',
  events: [{ name: 'Lantern Quay Fair', wearAt: 'teatime' }],
  people: [{ name: 'Wren', availability: [{ from: '19:00' }, { from: 'late' }] }],
  places: [{ name: '', slots: 0, climate: { humidityPct: 140 } }],
};

it.each([
  [['start'], 'nothing before'],
  [['events', 0, 'wearAt'], 'Lantern Quay Fair, worn on'],
  [['people', 0, 'availability', 1, 'from'], 'Wren, hours, line 2, from'],
  // A place that has lost its name is told by its number.
  [['places', 0, 'slots'], 'places, line 1, rack places'],
  [['places', 0, 'climate', 'humidityPct'], 'places, line 1, climate, humidity'],
  // What is not there any more can still be told.
  [['people', 7, 'name'], 'people, line 8, name'],
])('says %j as “%s”', (path, place) => {
  expect(faultPlace(path, build)).toBe(place);
});
