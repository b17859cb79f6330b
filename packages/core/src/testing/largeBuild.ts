import type { Build, Piece, Step } from '../model/schema';

const colours = ['#8a8d90', '#a8803a', '#2f7d6b', '#d9ccab'];
const sealers = ['pva-flex-primer', 'pva-flex-primer', 'neoprene-soft'];

/**
 * Twelve steps in a finisher's order: prep, sealing both faces, primer, colour, masking, weathering, clear, straps. Sealers
 * and colours differ between pieces, so that not everything goes on in one batch.
 */
const twelveSteps = (n: number, place: string): Step[] => [
  { id: 'sand', kind: 'sand', method: 'sand' },
  { id: 'heat', kind: 'heat-seal', method: 'hot-air' },
  {
    id: 'seal',
    kind: 'seal',
    material: sealers[n % sealers.length]!,
    coats: 2,
    film: 'light',
    faces: ['inner', 'outer'],
  },
  { id: 'prime', kind: 'prime', material: 'acrylic-pu-primer-black', method: 'airbrush', film: 'light' },
  {
    id: 'metal',
    kind: 'base',
    material: 'metallic-lacquer-spray',
    coats: 2,
    film: 'dust',
    colour: colours[n % colours.length]!,
    place,
  },
  { id: 'mask', kind: 'mask', zones: ['plate'] },
  {
    id: 'trim',
    kind: 'base',
    material: 'acrylic-metallic',
    coats: 2,
    zones: ['trim'],
    colour: colours[(n + 1) % colours.length]!,
  },
  { id: 'unmask', kind: 'unmask', zones: ['plate'] },
  { id: 'wash', kind: 'weather', material: 'acrylic-wash', colour: '#2f2a1e' },
  {
    id: 'edges',
    kind: 'weather',
    material: 'dry-brush-acrylic',
    method: 'dry-brush',
    colour: '#d8d8d4',
    optional: true,
  },
  { id: 'clear', kind: 'topcoat', material: 'satin-varnish', film: 'light' },
  { id: 'straps', kind: 'attach', attaches: 'strap' },
];

/**
 * A large made-up build for measuring: so many pieces of twelve steps each, evenings and weekends of one person, a helper
 * on Sundays, a room and a porch in winter air, and two dates as many weeks away as the work needs.
 */
export function largeBuild(pieces: number): Build {
  const weeks = 3 + Math.ceil(pieces / 12);
  const day = (n: number) => new Date(Date.UTC(2027, 1, 15 + n)).toISOString().slice(0, 10);
  const hours = Array.from({ length: 24 * 30 }, (_, hour) => hour);
  return {
    format: 'fixatum-build/1',
    name: `${pieces} pieces`,
    timeZone: 'Europe/Lisbon',
    start: '2027-02-15T18:00',
    events: [
      { id: 'fair', name: 'Fair', packAt: `${day(weeks * 7)}T18:00`, wearAt: `${day(weeks * 7 + 1)}T09:00` },
      { id: 'rehearsal', name: 'Rehearsal', wearAt: `${day(weeks * 7 - 7)}T18:00` },
    ],
    people: [
      {
        id: 'one',
        name: 'One',
        availability: [
          { days: ['mon', 'tue', 'wed', 'thu', 'fri'], from: '19:00', to: '22:00' },
          { days: ['sat', 'sun'], from: '09:00', to: '18:00' },
        ],
      },
      { id: 'two', name: 'Two', availability: [{ days: ['sun'], from: '10:00', to: '15:00' }] },
    ],
    places: [
      {
        id: 'room',
        name: 'Room',
        ventilation: 'extraction',
        slots: 40,
        climate: {
          kind: 'hourly',
          start: '2027-02-15T18:00',
          temperatureC: hours.map((hour) => 19 + 1.5 * Math.sin((2 * Math.PI * (hour + 3)) / 24)),
          humidityPct: hours.map((hour) => 52 + 6 * Math.sin((2 * Math.PI * (hour + 15)) / 24)),
        },
      },
      {
        id: 'porch',
        name: 'Porch',
        ventilation: 'outdoor',
        slots: 12,
        climate: { kind: 'daily', meanC: 14, swingC: 4, humidityPct: 62 },
        hours: { from: '09:00', to: '21:00' },
      },
    ],
    pieces: Array.from({ length: pieces }, (_, n): Piece => ({
      id: `piece-${n + 1}`,
      name: `Piece ${n + 1}`,
      quantity: 1,
      event: n % 5 === 0 ? 'rehearsal' : 'fair',
      substrate: { kind: 'eva-foam', density: 'medium', thicknessMm: 5 + (n % 3) },
      faces: { outer: { areaCm2: 200 + 37 * (n % 17) }, inner: { areaCm2: 190 + 37 * (n % 17) } },
      flex: [{ name: 'bend', bendRadiusMm: 60 + 5 * (n % 7) }],
      finestDetailMm: 2,
      zones: [
        { id: 'plate', name: 'Plate', share: 0.8 },
        { id: 'trim', name: 'Trim', share: 0.2, edgeMm: 500 },
      ],
      steps: twelveSteps(n, n % 2 === 0 ? 'porch' : 'room'),
    })),
  };
}
