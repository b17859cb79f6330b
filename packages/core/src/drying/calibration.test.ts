import { catalogueById } from '../materials/catalogue';
import { filmFactor, type FilmGrade } from '../model/filmGrades';
import { entryOf } from '../model/sure';
import { dryStack } from './dryStack';
import type { LaidCoat } from './laidCoat';
import { placeAir } from './placeAir';

/** A coat: material, film (its grade, or its thickness in mm), and minutes after the one before. */
type Coat = [material: string, film: FilmGrade | number, after: number];
const run = (count: number, material: string, film: FilmGrade, apart: number, first = apart): Coat[] =>
  Array.from({ length: count }, (_, n) => [material, film, n === 0 ? first : apart]);

const DAY = 1440;
const air = placeAir(
  { id: 'room', climate: { kind: 'constant', temperatureC: 21, humidityPct: 50 } },
  'UTC',
  0,
);
/** Hours after the last coat to tape-safe, packable, wearable. */
function hours(coats: readonly Coat[]): [tape: number, pack: number, wear: number] {
  let at = 0;
  const laid = coats.map(([id, film, after]): LaidCoat => {
    at += after;
    const material = entryOf(catalogueById, id);
    return {
      material,
      filmFactor: typeof film === 'number' ? (film * 1000) / material.wftUm : filmFactor[film],
      laidAt: at,
      air: 'still',
    };
  });
  const stack = dryStack(laid, [{ from: 0, placeAir: air, fan: false }]);
  const since = (minute: number) => (minute - at) / 60;
  return [since(stack.tapeAt), since(stack.packAt), since(stack.wearAt)];
}

const pva = run(3, 'pva-flex-primer', 'normal', 60, 0);
const rubber = run(3, 'rubber-dip-spray', 'light', 30, 0);

/**
 * What people with years at it say of 21 °C, 50 % humidity and still air (docs/domain.md, "What the drying model gives").
 * Waits between different materials are their label's recoat times unless a row says otherwise.
 */
const table: [
  words: string,
  coats: Coat[],
  tape: [number, number],
  pack: [number, number],
  wear: [number, number],
][] = [
  ['rubber dip, 3 light coats 30 min apart', rubber, [4, 10], [16, 30], [16, 30]],
  [
    'rubber dip, 3 normal coats 30 min apart',
    run(3, 'rubber-dip-spray', 'normal', 30, 0),
    [10, 20],
    [30, 54],
    [30, 54],
  ],
  [
    'rubber dip, 5 light coats 30 min apart',
    run(5, 'rubber-dip-spray', 'light', 30, 0),
    [5, 12],
    [18, 36],
    [18, 36],
  ],
  ['PVA primer, 3 normal coats an hour apart', pva, [14, 30], [30, 56], [30, 56]],
  [
    'PVA primer, 4 normal coats an hour apart',
    run(4, 'pva-flex-primer', 'normal', 60, 0),
    [14, 30],
    [30, 56],
    [30, 56],
  ],
  [
    'PVA primer 3, acrylic 2, satin varnish 1 light the next day',
    [...pva, ...run(2, 'flex-acrylic', 'normal', 60), ['satin-varnish', 'light', DAY]],
    [8, 20],
    [20, 40],
    [30, 60],
  ],
  [
    'the same with a wash, all laid in one day',
    [
      ...pva,
      ...run(2, 'flex-acrylic', 'normal', 60),
      ['acrylic-wash', 'normal', 60],
      ['satin-varnish', 'light', 60],
    ],
    [20, 48],
    [30, 60],
    [48, 96],
  ],
  [
    'rubber dip 3 light; next day lacquer 2 dust, wash, matte clear light',
    [
      ...rubber,
      ...run(2, 'metallic-lacquer-spray', 'dust', 15, DAY),
      ['acrylic-wash', 'normal', 60],
      ['matte-clear-spray', 'light', 60],
    ],
    [6, 20],
    [12, 30],
    [20, 40],
  ],
  [
    'airbrush acrylic, 6 passes 10 min apart',
    run(6, 'airbrush-acrylic', 'normal', 10, 0),
    [8, 16],
    [18, 36],
    [18, 36],
  ],
  [
    'lacquer primer 2, metallic lacquer 2 dust, gloss clear light, one afternoon',
    [
      ...run(2, 'lacquer-primer-spray', 'normal', 15, 0),
      ...run(2, 'metallic-lacquer-spray', 'dust', 15),
      ['gloss-clear-spray', 'light', 30],
    ],
    [4, 14],
    [10, 30],
    [24, 72],
  ],
  [
    'soft neoprene, 2 coats an hour apart',
    run(2, 'neoprene-soft', 'normal', 60, 0),
    [18, 30],
    [20, 40],
    [20, 40],
  ],
  [
    'epoxy on acrylic a day old',
    [
      ['flex-acrylic', 'normal', 0],
      ['epoxy-clear', 'normal', DAY],
    ],
    [20, 30],
    [44, 60],
    [66, 90],
  ],
  ['epoxy poured 3 mm', [['epoxy-clear', 3, 0]], [20, 30], [44, 60], [66, 90]],
  [
    'acrylic, one heavy coat, three hours later a dust coat of it',
    [
      ['craft-acrylic', 'heavy', 0],
      ['craft-acrylic', 'dust', 180],
    ],
    [24, 60],
    [96, 130],
    [40, 75],
  ],
  [
    'PVA primer 3; next day sponged metallic acrylic, one coat',
    [...pva, ['acrylic-metallic', 'normal', DAY]],
    [10, 24],
    [24, 48],
    [14, 36],
  ],
  [
    'gloss alkyd, 2 coats within the hour',
    run(2, 'alkyd-gloss-spray', 'normal', 45, 0),
    [40, 60],
    [60, 96],
    [160, 200],
  ],
  [
    'foam clay 5 mm dry a day, then rubber dip 3 light',
    [['foam-clay', 'normal', 0], ...run(3, 'rubber-dip-spray', 'light', 30, DAY)],
    [4, 10],
    [16, 30],
    [16, 30],
  ],
];

test.each(table)('%s', (_words, coats, ...ranges) => {
  const found = hours(coats);
  const within = ranges.map(([low, high], at) => found[at]! >= low && found[at]! <= high);
  expect({ found: found.map((one) => Math.round(one * 10) / 10), ranges, within }).toMatchObject({
    within: [true, true, true],
  });
});
