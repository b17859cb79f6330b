import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import type { Build, Piece, Step } from '../model/schema';
import { nth } from '../model/sure';

/** What tells one made-up build from another. */
export interface ProvableShape {
  seed: number;
  pieces: number;
  people: number;
}

const colours = ['#8a8d90', '#2f7d6b'];

/** Steps in a finisher's order. Nothing in them has a window that closes or a pot life, so an exact model of them stays small. */
const stepsInOrder: ((random: (below: number) => number) => Step)[] = [
  () => ({ id: '', kind: 'sand', method: 'sand' }),
  (random) => ({
    id: '',
    kind: 'seal',
    material: 'pva-flex-primer',
    method: 'brush',
    film: 'light',
    coats: 1 + random(2),
  }),
  () => ({ id: '', kind: 'prime', material: 'acrylic-pu-primer-black', method: 'airbrush', film: 'light' }),
  (random) => ({
    id: '',
    kind: 'base',
    material: 'craft-acrylic',
    method: 'brush',
    film: 'light',
    colour: nth(colours, random(colours.length)),
  }),
  () => ({
    id: '',
    kind: 'base',
    material: 'acrylic-metallic',
    method: 'sponge',
    film: 'light',
    colour: '#a8803a',
  }),
  () => ({ id: '', kind: 'topcoat', material: 'satin-varnish', method: 'brush', film: 'light' }),
  () => ({ id: '', kind: 'attach', attaches: 'strap' }),
];

/**
 * A small build whose least sessions and set-ups an exact solver can prove: one room in air that stays the
 * same, a rack with room for all, pieces of one unit and one face. The same for the same shape.
 */
export function provableBuild({ seed, pieces, people }: ProvableShape): Build {
  const generator = xoroshiro128plus(seed * 6151 + 17);
  // The first numbers of near seeds are alike.
  for (let n = 0; n < 24; n += 1) uniformFloat64(generator);
  const random = (below: number) => Math.floor(uniformFloat64(generator) * below);
  return {
    format: 'fixatum-build/1',
    name: `Provable ${seed}`,
    timeZone: 'Europe/Lisbon',
    start: '2027-02-15T18:00',
    events: [{ id: 'day', name: 'Day', packAt: '2027-02-22T16:00', wearAt: '2027-02-23T12:00' }],
    people: Array.from({ length: people }, (_, n) => ({
      id: `p${n}`,
      name: `P${n}`,
      availability: [
        {
          days: ['mon', 'tue', 'thu', 'fri'],
          from: `${18 + random(2)}:00`,
          to: `${20 + random(2)}:${random(2) === 0 ? '00' : '30'}`,
        },
        // A longer evening in the middle, which may be worth waiting for.
        { days: ['wed'], from: '18:00', to: `${21 + random(2)}:30` },
        { days: ['sat'], from: '10:00', to: '11:30' },
      ],
    })),
    places: [
      {
        id: 'room',
        name: 'Room',
        ventilation: 'extraction',
        slots: pieces,
        climate: { kind: 'constant', temperatureC: 18 + random(5), humidityPct: 45 + random(15) },
      },
    ],
    pieces: Array.from({ length: pieces }, (_, n): Piece => ({
      id: `piece${n}`,
      name: `Piece ${n}`,
      quantity: 1,
      event: 'day',
      substrate: { kind: 'eva-foam', thicknessMm: 5 },
      faces: { outer: { areaCm2: 200 + random(1400) } },
      steps: stepsInOrder
        .flatMap((step, at) => (at === 1 || random(5) < 3 ? [step(random)] : []))
        .map((step, at): Step => ({ ...step, id: `s${at}` })),
    })),
  };
}
