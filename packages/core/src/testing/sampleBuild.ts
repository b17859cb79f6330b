import type { Build, Piece, Step } from '../model/schema';

/** A small valid build for tests: one piece at label air, one person free all day, one date far away. */
export function sampleBuild(changes: Partial<Build> = {}): Build {
  return {
    format: 'fixatum-build/1',
    name: 'Test build',
    timeZone: 'UTC',
    start: '2027-02-15T08:00',
    events: [{ id: 'day', name: 'The day', wearAt: '2027-03-06T09:00', packAt: '2027-03-05T18:00' }],
    people: [
      {
        id: 'me',
        name: 'Me',
        availability: [
          { days: ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], from: '08:00', to: '22:00' },
        ],
      },
    ],
    places: [
      {
        id: 'room',
        name: 'Room',
        ventilation: 'window',
        slots: 6,
        climate: { kind: 'constant', temperatureC: 21, humidityPct: 50 },
      },
    ],
    pieces: [samplePiece()],
    ...changes,
  };
}

/** A bare plate of 600 cm² with the steps given, or with one sealing and one base coat. */
export function samplePiece(changes: Partial<Piece> = {}, steps: Step[] = sampleSteps()): Piece {
  return {
    id: 'plate',
    name: 'Plate',
    quantity: 1,
    event: 'day',
    substrate: { kind: 'eva-foam', density: 'medium', thicknessMm: 6, heatSealed: false },
    faces: { outer: { areaCm2: 600 } },
    steps,
    ...changes,
  };
}

export const sampleSteps = (): Step[] => [
  { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush', coats: 2 },
  { id: 'base', kind: 'base', material: 'craft-acrylic', method: 'brush', colour: '#445566' },
];
