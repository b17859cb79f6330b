import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import type { Build, Piece, Step } from '../model/schema';

/** Steps that test builds draw from: brushed, sprayed and airbrushed coats, an alkyd with its closing window, tape, sanding. */
const pool: ((id: string, two: boolean) => Step)[] = [
  (id, two) => ({
    id,
    kind: 'seal',
    material: 'pva-flex-primer',
    method: 'brush',
    // Two coats of it dissolve into each other, so that laying the second sooner may well be ready later.
    ...(two ? { film: 'light', faces: ['inner', 'outer'] } : { coats: 2, faces: ['outer'] }),
  }),
  (id) => ({
    id,
    kind: 'seal',
    material: 'rubber-dip-spray',
    method: 'aerosol',
    film: 'light',
    place: 'porch',
  }),
  (id) => ({ id, kind: 'prime', material: 'acrylic-pu-primer-black', method: 'airbrush', film: 'light' }),
  (id) => ({
    id,
    kind: 'prime',
    material: 'alkyd-flat-spray',
    method: 'aerosol',
    film: 'dust',
    place: 'porch',
  }),
  (id) => ({ id, kind: 'base', material: 'craft-acrylic', method: 'brush' }),
  (id) => ({ id, kind: 'base', material: 'acrylic-metallic', method: 'sponge' }),
  (id) => ({ id, kind: 'mask' }),
  (id) => ({ id, kind: 'sand', method: 'sand' }),
  (id) => ({ id, kind: 'topcoat', material: 'satin-varnish', method: 'brush', film: 'light' }),
  (id) => ({ id, kind: 'attach' }),
];

export interface RandomBuildOptions {
  pieces: number;
  steps: number;
  people?: number;
  slots?: number;
  quiet?: boolean;
}

/** A made-up build from a seed, the same for the same seed: short evenings, a tight rack, a cool porch, a date that is near. */
export function randomBuild(seed: number, options: RandomBuildOptions): Build {
  const generator = xoroshiro128plus(seed * 7919 + 13);
  // The first numbers of near seeds are alike.
  for (let n = 0; n < 24; n += 1) uniformFloat64(generator);
  const random = (below: number) => Math.floor(uniformFloat64(generator) * below);
  const people = options.people ?? 1;
  return {
    format: 'fixatum-build/1',
    name: `Random ${seed}`,
    timeZone: 'Europe/Lisbon',
    start: '2027-02-15T18:00',
    events: [
      {
        id: 'day',
        name: 'Day',
        packAt: `2027-02-${18 + random(4)}T${10 + random(10)}:00`,
        wearAt: '2027-02-22T12:00',
      },
    ],
    people: Array.from({ length: people }, (_, n) => ({
      id: `p${n}`,
      name: `P${n}`,
      availability: [
        {
          days: ['mon', 'tue', 'wed', 'thu', 'fri'] as const,
          from: `${18 + random(2)}:00`,
          to: `${20 + random(3)}:30`,
        },
        { days: ['sat', 'sun'] as const, from: '09:00', to: '14:00' },
      ].map((rule) => ({ ...rule, days: [...rule.days] })),
    })),
    places: [
      {
        id: 'room',
        name: 'Room',
        ventilation: 'extraction',
        slots: options.slots ?? 2,
        climate: { kind: 'constant', temperatureC: 17 + random(6), humidityPct: 45 + random(20) },
      },
      {
        id: 'porch',
        name: 'Porch',
        ventilation: 'outdoor',
        slots: 1,
        climate: { kind: 'daily', meanC: 14, swingC: 3, humidityPct: 60 },
        hours: { from: '09:00', to: '21:00' },
      },
    ],
    ...(options.quiet ? { quiet: { from: '20:00', to: '08:00' } } : {}),
    pieces: Array.from({ length: options.pieces }, (_, n): Piece => {
      const two = random(2) === 0;
      return {
        id: `piece${n}`,
        name: `Piece ${n}`,
        quantity: 1,
        event: 'day',
        substrate: { kind: 'eva-foam', thicknessMm: 5 },
        faces: { outer: { areaCm2: 200 + random(1200) }, ...(two ? { inner: { areaCm2: 300 } } : {}) },
        steps: Array.from({ length: options.steps }, (_, at) =>
          pool[at === 0 ? random(2) : random(pool.length)]!(`s${at}`, two),
        ),
      };
    }),
  };
}
