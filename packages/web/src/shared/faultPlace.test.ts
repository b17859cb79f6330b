import { faultPlace } from './faultPlace';

const build = {
  start: '2027-02-15T18:00',
  events: [{ name: 'Lantern Quay Fair', wearAt: 'teatime' }],
  people: [{ name: 'Wren', availability: [{ from: '19:00' }, { from: 'late' }] }],
  places: [{ name: '', slots: 0, climate: { humidityPct: 140 } }],
};

it.each([
  [['start'], 'Nothing before'],
  [['events', 0, 'wearAt'], 'Lantern Quay Fair, worn on'],
  [['people', 0, 'availability', 1, 'from'], 'Wren, hours 2, from'],
  // A place that has lost its name is told by its number.
  [['places', 0, 'slots'], 'Place 1, rack places'],
  [['places', 0, 'climate', 'humidityPct'], 'Place 1, climate, humidity'],
  [['pieces', 0, 'quantity'], 'Piece 1, quantity'],
  // A face is told by itself, and a field without a word of its own by its name and without its unit.
  [['pieces', 0, 'faces', 'outer', 'areaCm2'], 'Piece 1, outer face, area'],
  [['pieces', 0, 'faces', 'inner', 'seamMm'], 'Piece 1, inner face, seam'],
  [['people', 0, 'setUpMinutes'], 'Wren, set up minutes'],
  // What is not there any more can still be told.
  [['people', 7, 'name'], 'Person 8, name'],
])('says %j as “%s”', (path, place) => {
  expect(faultPlace(path, build)).toBe(place);
});
