import type { Build, Piece, Step } from '../model/schema';
import { of, place } from './firing';
import { lay, plate } from './ruleCases';

const heat: Step = { id: 'heat', kind: 'heat-seal', method: 'hot-air' };
const pva = (coats = 3) => lay('pva', 'seal', 'pva-flex-primer', { method: 'brush', coats });
const neoprene = lay('neo', 'seal', 'neoprene-soft', { method: 'brush', coats: 2 });
const foamCoat = lay('coat', 'seal', 'foam-coat-rubberiser', { method: 'brush', coats: 3 });
const dip = lay('dip', 'seal', 'rubber-dip-spray', { coats: 3, film: 'light' });
const black = lay('black', 'prime', 'acrylic-pu-primer-black', { method: 'airbrush' });
const white = lay('white', 'prime', 'acrylic-pu-primer-white', { method: 'airbrush' });
const chip: Step = { id: 'chip', kind: 'weather', method: 'wipe', minutes: 10 };
const paint = (material: string, colour: string, more: Partial<Step> = {}) =>
  lay('paint', 'base', material, { colour, ...more });
const bend = (bendRadiusMm: number): Partial<Piece> => ({
  substrate: { kind: 'eva-foam', thicknessMm: 4, heatSealed: true },
  flex: [{ name: 'where it bends', bendRadiusMm }],
});
const garage = place({
  name: 'Garage',
  ventilation: 'window',
  climate: { kind: 'constant', temperatureC: 12, humidityPct: 72 },
});
const bedroom = place({ name: 'Bedroom', ventilation: 'none' });
const porch = place({
  name: 'Porch',
  ventilation: 'outdoor',
  climate: { kind: 'daily', meanC: 7, swingC: 5, humidityPct: 80 },
});

/** Whole jobs with something to settle, as people with one costume behind them write them down: name, steps, piece, build. */
const jobs: [name: string, steps: Step[], piece?: Partial<Piece>, build?: Partial<Build>][] = [
  ['a glowing core over black', [heat, pva(), black, paint('glow-paint', '#9fe8b0', { coats: 4 })]],
  [
    'fluorescent trim over black',
    [heat, pva(), black, paint('fluorescent-acrylic', '#ff5a36', { coats: 2 })],
  ],
  [
    'a beetle shell of mica, bent hard',
    [
      heat,
      pva(),
      black,
      paint('mica-paint', '#3f8f6a', { coats: 3 }),
      lay('c', 'topcoat', 'urethane-2k-clear'),
    ],
    bend(25),
  ],
  [
    'leaf on a staff head, lacquer over it',
    [
      heat,
      pva(),
      lay('size', 'prime', 'leaf-size'),
      paint('metal-leaf', '#c9a54a'),
      lay('c', 'topcoat', 'gloss-clear-spray'),
    ],
  ],
  ['leaf laid on bare foam', [heat, paint('metal-leaf', '#c9a54a')]],
  [
    'vinyl stripes on enamel of the same day',
    [heat, pva(), paint('hobby-enamel', '#3a4a8a'), lay('v', 'detail', 'self-adhesive-vinyl')],
  ],
  [
    'foil tape under paint',
    [heat, pva(), lay('foil', 'detail', 'foil-tape'), paint('craft-acrylic', '#884422', { coats: 2 })],
  ],
  [
    'alcohol ink over varnish, lacquer over the ink',
    [
      heat,
      pva(),
      white,
      lay('v', 'topcoat', 'gloss-varnish'),
      lay('ink', 'detail', 'alcohol-ink', { colour: '#2255aa' }),
      lay('c', 'topcoat', 'gloss-clear-spray'),
    ],
  ],
  [
    'marker lines under a lacquer clear',
    [
      heat,
      pva(),
      white,
      lay('pen', 'detail', 'alcohol-marker', { colour: '#222222' }),
      lay('c', 'topcoat', 'matte-clear-spray'),
    ],
  ],
  [
    'neoprene boots in a cold garage',
    [
      heat,
      neoprene,
      black,
      paint('flex-acrylic', '#4a3326', { coats: 2 }),
      lay('c', 'topcoat', 'flex-clear'),
    ],
    bend(60),
    garage,
  ],
  [
    'foam coat, airbrushed in a cold garage',
    [heat, foamCoat, paint('airbrush-metallic', '#9aa0a6', { coats: 2 })],
    {},
    garage,
  ],
  [
    'a whole sprayed build in a bedroom',
    [
      heat,
      dip,
      lay('p', 'prime', 'lacquer-primer-spray'),
      paint('metallic-lacquer-spray', '#9aa0a6', { coats: 2 }),
      lay('c', 'topcoat', 'matte-clear-spray'),
    ],
    {},
    bedroom,
  ],
  [
    'two-part clear in a bedroom',
    [
      heat,
      pva(),
      black,
      paint('acrylic-metallic', '#b08d57', { coats: 2 }),
      lay('c', 'topcoat', 'urethane-2k-clear'),
    ],
    {},
    bedroom,
  ],
  [
    'sealed and sprayed on a December porch',
    [heat, pva(), paint('acrylic-spray', '#445566', { coats: 2 }), lay('c', 'topcoat', 'gloss-clear-spray')],
    {},
    porch,
  ],
  [
    'epoxy gem bed on paint of the same evening',
    [heat, pva(), paint('artist-acrylic', '#aa2244', { coats: 2 }), lay('e', 'topcoat', 'epoxy-clear')],
  ],
  [
    'a sword of polystyrene, spray primed',
    [lay('p', 'prime', 'lacquer-primer-spray', { coats: 2 }), paint('craft-acrylic', '#888888')],
    of('expanded-polystyrene'),
  ],
  [
    'printed helmet, filler and lacquer',
    [
      lay('f', 'fill', 'foam-filler-paste'),
      lay('p', 'prime', 'lacquer-primer-spray', { coats: 2 }),
      paint('alkyd-gloss-spray', '#aa2222', { coats: 2 }),
      lay('c', 'topcoat', 'gloss-clear-spray'),
    ],
    of('pla-print'),
  ],
  [
    'painted leggings that stretch',
    [paint('craft-acrylic', '#335588', { coats: 2 })],
    of('stretch-fabric', { thicknessMm: 1 }),
  ],
  ['a cloak edge with enamel', [paint('hobby-enamel', '#8a7a2a')], of('stretch-fabric', { thicknessMm: 1 })],
  [
    'a clear visor, tinted with lacquer',
    [paint('acrylic-spray', '#aa7722', { film: 'light' })],
    of('clear-plastic', { thicknessMm: 2 }),
  ],
  [
    'a belt of faux leather, varnished hard',
    [paint('hobby-enamel', '#5a3a22'), lay('c', 'topcoat', 'urethane-2k-clear')],
    of('faux-leather', { thicknessMm: 2 }),
  ],
  [
    'thermoplastic bracers, painted bare',
    [paint('craft-acrylic', '#667788', { coats: 2 })],
    of('thermoplastic-sheet', { thicknessMm: 2 }),
  ],
  [
    'horns of foam clay, enamel and graphite',
    [
      pva(),
      paint('hobby-enamel', '#c9b98a'),
      lay('g', 'weather', 'graphite-powder'),
      lay('c', 'topcoat', 'matte-varnish', { method: 'brush' }),
    ],
    of('foam-clay', { thicknessMm: 20 }),
  ],
  [
    'rust chips, resist sealed in by varnish',
    [
      heat,
      pva(),
      paint('craft-acrylic', '#6a3a1c', { coats: 2 }),
      lay('r', 'weather', 'chip-resist'),
      lay('v', 'topcoat', 'satin-varnish', { method: 'brush' }),
      { ...paint('craft-acrylic', '#3f6a4a'), id: 'top' },
      chip,
    ],
  ],
  [
    'chips in three full coats',
    [
      heat,
      pva(),
      black,
      lay('r', 'weather', 'chip-resist'),
      { ...paint('artist-acrylic', '#b5452f', { coats: 3 }), id: 'top' },
      chip,
    ],
  ],
  [
    'chips under a lacquer colour',
    [
      heat,
      pva(),
      black,
      lay('r', 'weather', 'chip-resist'),
      { ...paint('acrylic-spray', '#b5452f'), id: 'top' },
      chip,
    ],
  ],
  [
    'oil wash on bare lacquer',
    [
      heat,
      dip,
      paint('acrylic-spray', '#6a5a3a', { film: 'dust', coats: 3 }),
      lay('w', 'weather', 'oil-wash', { method: 'wipe' }),
    ],
  ],
  [
    'panel lines on hobby enamel',
    [
      heat,
      pva(),
      paint('hobby-enamel', '#a8a18a'),
      lay('w', 'weather', 'panel-wash', { placement: 'recesses' }),
      lay('c', 'topcoat', 'matte-varnish', { method: 'brush' }),
    ],
  ],
  [
    'wax on wet varnish, clear over the wax',
    [
      heat,
      pva(),
      black,
      lay('v', 'topcoat', 'satin-varnish', { method: 'brush' }),
      lay('x', 'weather', 'metal-wax', { placement: 'edges' }),
      lay('c', 'topcoat', 'gloss-varnish', { method: 'brush' }),
    ],
  ],
  [
    'earth dabbed on a gloss clear',
    [
      heat,
      pva(),
      paint('craft-acrylic', '#55492f', { coats: 2 }),
      lay('v', 'topcoat', 'gloss-varnish', { method: 'brush' }),
      lay('e', 'weather', 'earth-dab'),
    ],
  ],
  [
    'powder under a brushed clear',
    [
      heat,
      pva(),
      paint('flex-acrylic', '#55492f', { coats: 2 }),
      lay('d', 'weather', 'pigment-powder'),
      lay('c', 'topcoat', 'urethane-1k-clear', { method: 'brush' }),
    ],
  ],
  [
    'graphite under a brushed flexible clear',
    [
      heat,
      pva(),
      black,
      lay('g', 'weather', 'graphite-powder'),
      lay('c', 'topcoat', 'flex-clear', { method: 'brush' }),
    ],
  ],
  [
    'chrome, then a gloss clear',
    [
      heat,
      pva(),
      lay('k', 'prime', 'alkyd-flat-spray'),
      paint('chrome-effect-spray', '#d8dcde'),
      lay('c', 'topcoat', 'gloss-clear-spray'),
    ],
  ],
  ['chrome over a matte primer, on a knee', [heat, dip, paint('chrome-effect-spray', '#d8dcde')], bend(40)],
  [
    'copper, never sealed off',
    [heat, pva(), black, paint('copper-acrylic', '#a5683a', { coats: 2 })],
    { onSkin: true },
  ],
  [
    'latex tentacles in the sun',
    [
      lay('l', 'seal', 'natural-latex', { method: 'brush', coats: 3 }),
      paint('craft-acrylic', '#6a3a6a', { coats: 2 }),
    ],
    bend(20),
    { events: [{ id: 'day', name: 'The day', wearAt: '2027-12-06T09:00', inSun: true }] },
  ],
  [
    'stone columns, then a gloss',
    [
      heat,
      pva(),
      lay('s', 'texture', 'stone-texture-spray', { coats: 2 }),
      lay('c', 'topcoat', 'gloss-varnish', { method: 'brush' }),
    ],
  ],
  [
    'glue before the paint is dry',
    [heat, pva(), paint('craft-acrylic', '#446688', { coats: 2 }), lay('g', 'attach', 'contact-cement')],
  ],
  [
    'gems on varnish with hot glue, hot car',
    [
      heat,
      pva(),
      paint('craft-acrylic', '#446688', { coats: 2 }),
      lay('v', 'topcoat', 'satin-varnish', { method: 'brush' }),
      lay('g', 'attach', 'hot-glue'),
    ],
    {},
    { events: [{ id: 'day', name: 'The day', wearAt: '2027-12-06T09:00', hotCar: true }] },
  ],
  [
    'quick flat spray on neoprene that bends',
    [heat, neoprene, paint('quick-flat-spray', '#3a3a3a', { coats: 2 })],
    bend(30),
  ],
  [
    'a breastplate against the skin',
    [heat, dip, paint('alkyd-gloss-spray', '#7a1a1a', { coats: 2, film: 'light' })],
    { onSkin: true },
  ],
  [
    'matte over a gloss alkyd',
    [
      heat,
      pva(),
      paint('alkyd-gloss-spray', '#22303c', { coats: 2, film: 'light' }),
      lay('c', 'topcoat', 'matte-varnish', { method: 'brush', film: 'light' }),
    ],
  ],
  [
    'white over red-brown',
    [
      heat,
      pva(),
      lay('ox', 'prime', 'acrylic-pu-primer-oxide', { method: 'brush' }),
      paint('flex-acrylic', '#f2efe6'),
    ],
  ],
  [
    'purple on grey in one coat',
    [
      heat,
      pva(),
      lay('gr', 'prime', 'acrylic-pu-primer-grey', { method: 'brush' }),
      paint('airbrush-acrylic', '#6a2a8a'),
    ],
  ],
  [
    'silicone in the joint, paint over it',
    [lay('f', 'fill', 'silicone-caulk'), pva(), paint('craft-acrylic', '#446688', { coats: 2 })],
  ],
  [
    'caulk painted at once',
    [lay('f', 'fill', 'acrylic-caulk', { coats: 2 }), paint('craft-acrylic', '#446688', { coats: 2 })],
  ],
  [
    'semi-rigid neoprene on a finger',
    [
      heat,
      lay('n', 'seal', 'neoprene-semirigid', { method: 'brush', coats: 3 }),
      paint('artist-acrylic', '#996633', { coats: 2 }),
    ],
    bend(12),
  ],
  [
    'two heavy coats of matte',
    [
      heat,
      pva(),
      paint('craft-acrylic', '#1c2530', { coats: 2 }),
      lay('c', 'topcoat', 'matte-varnish', { method: 'brush', coats: 2, film: 'heavy' }),
    ],
  ],
];

export const waysJobs: [name: string, build: Build][] = jobs.map(([name, steps, piece, build]) => [
  name,
  plate(steps, { substrate: { kind: 'eva-foam', thicknessMm: 6 }, ...piece }, build),
]);
