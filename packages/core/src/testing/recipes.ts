import type { Build, Piece, Step } from '../model/schema';
import { lay } from './ruleCases';

/*
 * What people with years at it do without a thought, and what they have seen go wrong. The first must never be stopped; of the
 * second at least a risk must be said.
 */

/** What it is, its steps, and how piece and build differ from a plate of heat-sealed foam in a room with extraction. */
export type Recipe = [what: string, steps: Step[], piece?: Partial<Piece>, build?: Partial<Build>];

const heat: Step = { id: 'heat', kind: 'heat-seal', method: 'hot-air' };
const scuff: Step = { id: 'scuff', kind: 'sand', method: 'sand' };
const cured = { waitFor: 'cured' as const };
const through = { waitFor: 'through' as const };
const raw: Partial<Piece> = { substrate: { kind: 'eva-foam', thicknessMm: 6 } };
const both: Partial<Piece> = { ...raw, faces: { outer: { areaCm2: 800 }, inner: { areaCm2: 780 } } };
const bend = (bendRadiusMm: number, thicknessMm = 4): Partial<Piece> => ({
  substrate: { kind: 'eva-foam', thicknessMm },
  flex: [{ name: 'strap tab', bendRadiusMm }],
});
const of = (kind: Piece['substrate']['kind'], thicknessMm: number): Partial<Piece> => ({
  substrate: { kind, thicknessMm },
});
const dip = (more: Partial<Step> = {}) =>
  lay('dip', 'seal', 'rubber-dip-spray', { method: 'aerosol', coats: 3, film: 'light', ...more });
const pva = (more: Partial<Step> = {}) =>
  lay('pva', 'seal', 'pva-flex-primer', { method: 'brush', coats: 3, ...more });
const prime = (colour: string, more: Partial<Step> = {}) =>
  lay(`prime-${colour}`, 'prime', `acrylic-pu-primer-${colour}`, { method: 'brush', ...more });
const paint = (id: string, material: string, colour: string, more: Partial<Step> = {}) =>
  lay(id, 'base', material, { colour, ...more });
const clear = (kind: 'matte' | 'satin' | 'gloss', more: Partial<Step> = {}) =>
  lay('clear', 'topcoat', `${kind}-varnish`, { method: 'brush', film: 'light', ...more });

const closedRoom: Partial<Build> = {
  places: [
    {
      id: 'room',
      name: 'Room',
      ventilation: 'none',
      slots: 4,
      climate: { kind: 'constant', temperatureC: 21, humidityPct: 50 },
    },
  ],
};

/** What, its steps, and what differs from a plate of 6 mm foam. */
export const good: Recipe[] = [
  [
    'steel: dip, metallic lacquer dusted on, wash, matte clear',
    [
      heat,
      dip(),
      paint('m', 'metallic-lacquer-spray', '#9a9da0', { film: 'dust', coats: 2 }),
      lay('w', 'weather', 'acrylic-wash'),
      lay('c', 'topcoat', 'matte-clear-spray', { film: 'light' }),
    ],
  ],
  [
    'the same school on a part that bends, with flexible paint',
    [
      heat,
      dip(),
      paint('p', 'flex-acrylic', '#7a7f83', { coats: 2 }),
      lay('d', 'weather', 'dry-brush-acrylic', { method: 'dry-brush' }),
    ],
    bend(60),
  ],
  [
    'brass: PVA, red-brown, metallic sponged on, wash, dry-brush, satin',
    [
      heat,
      pva(),
      prime('oxide'),
      paint('m', 'acrylic-metallic', '#a8803a', { method: 'sponge', coats: 2 }),
      lay('w', 'weather', 'acrylic-wash'),
      lay('d', 'weather', 'dry-brush-acrylic', { method: 'dry-brush' }),
      clear('satin'),
    ],
  ],
  [
    'gold by airbrush over red-brown',
    [
      heat,
      pva(),
      prime('oxide', { method: 'airbrush', film: 'light' }),
      paint('m', 'airbrush-metallic', '#c8a44a', { coats: 4 }),
      clear('gloss'),
    ],
  ],
  [
    'both faces sealed, the outer one painted',
    [
      heat,
      pva({ faces: ['inner', 'outer'] }),
      prime('black'),
      paint('p', 'craft-acrylic', '#333538', { coats: 2 }),
      clear('matte'),
    ],
    both,
  ],
  [
    'three foam-coat coats by foam brush, sanded between',
    [
      heat,
      lay('s', 'seal', 'foam-coat-rubberiser', { method: 'foam-brush', coats: 2 }),
      scuff,
      lay('s2', 'seal', 'foam-coat-rubberiser', { method: 'foam-brush' }),
      prime('grey'),
      paint('p', 'craft-acrylic', '#4a6b54', { coats: 2 }),
      clear('satin'),
    ],
  ],
  [
    'brush-on neoprene under flexible paint on a belt',
    [
      heat,
      lay('n', 'seal', 'neoprene-soft', { coats: 2 }),
      paint('p', 'flex-acrylic', '#5a3b22', { coats: 2 }),
      lay('w', 'weather', 'acrylic-wash'),
    ],
    bend(35),
  ],
  [
    'leather: decoupage medium stippled for grain, on a part that hangs',
    [
      heat,
      lay('d', 'seal', 'decoupage-gloss', { method: 'stipple', coats: 2 }),
      paint('p', 'craft-acrylic', '#6b4a2f', { coats: 2 }),
      clear('matte'),
    ],
  ],
  [
    'cracked hide: cracks are wanted',
    [
      heat,
      lay('d', 'seal', 'decoupage-gloss', { coats: 2, wanted: ['cracking'] }),
      paint('p', 'craft-acrylic', '#7d5a3c', { film: 'light', wanted: ['cracking'] }),
      lay('w', 'weather', 'acrylic-wash'),
    ],
    bend(30),
  ],
  [
    'foam clay weld dry for a day, then dip and dusted lacquer',
    [
      lay('clay', 'fill', 'foam-clay', { pourMm: 3, minutes: 20 }),
      heat,
      dip(),
      paint('m', 'metallic-lacquer-spray', '#888c90', { film: 'dust', coats: 2 }),
    ],
  ],
  [
    'caulk in the seams, heat afterwards, PVA',
    [
      lay('caulk', 'fill', 'acrylic-caulk'),
      heat,
      pva(),
      prime('grey'),
      paint('p', 'craft-acrylic', '#667788', { coats: 2 }),
      clear('matte'),
    ],
  ],
  [
    'filler sanded at 240 and 400, sealed next day',
    [
      lay('f', 'fill', 'foam-filler-paste'),
      scuff,
      heat,
      pva(),
      prime('grey'),
      paint('p', 'craft-acrylic', '#8899aa', { coats: 3 }),
      clear('satin'),
    ],
  ],
  [
    'gloss alkyd, both coats within the hour, over primer',
    [
      heat,
      pva(),
      prime('white', { coats: 2 }),
      paint('e', 'alkyd-gloss-spray', '#24303a', { coats: 2, film: 'light', ...through }),
    ],
  ],
  [
    'enamel panel wash over acrylic, clear once it has cured',
    [
      heat,
      pva(),
      prime('black'),
      paint('p', 'craft-acrylic', '#5f6a72', { coats: 2 }),
      lay('w', 'weather', 'panel-wash'),
      clear('matte', cured),
    ],
  ],
  [
    'oil wash over varnish, last of all',
    [
      heat,
      pva(),
      prime('white'),
      paint('p', 'craft-acrylic', '#d9cdae', { coats: 3 }),
      clear('satin'),
      lay('o', 'weather', 'oil-wash'),
    ],
  ],
  [
    'graphite buffed over black, clear misted on',
    [
      heat,
      pva(),
      prime('black'),
      paint('p', 'craft-acrylic', '#202224'),
      lay('g', 'weather', 'graphite-powder'),
      lay('c', 'topcoat', 'matte-clear-spray', { film: 'dust', coats: 2 }),
    ],
  ],
  [
    'rust: wash, wash, pigment, matte misted on by airbrush',
    [
      heat,
      pva(),
      prime('black'),
      paint('p', 'craft-acrylic', '#4a3328'),
      lay('w1', 'weather', 'acrylic-wash', { colour: '#7a4528' }),
      lay('w2', 'weather', 'acrylic-wash', { colour: '#9a5a2c', placement: 'worn-spots' }),
      lay('pg', 'weather', 'pigment-powder'),
      clear('matte', { method: 'airbrush', film: 'dust', coats: 2 }),
    ],
  ],
  [
    'chipped enamel: resist, one thin coat, chipped, clear',
    [
      heat,
      pva(),
      prime('black'),
      paint('m', 'acrylic-metallic', '#8f9396', { method: 'sponge', coats: 2 }),
      lay('r', 'weather', 'chip-resist', { method: 'sponge', placement: 'worn-spots' }),
      paint('p', 'flex-acrylic', '#3f6f86', { film: 'light' }),
      { id: 'chip', kind: 'weather', minutes: 15 },
      clear('satin'),
    ],
  ],
  [
    'slime: colour, cured, clear epoxy, on a part that never bends',
    [
      heat,
      pva(),
      prime('black'),
      paint('p', 'craft-acrylic', '#4c7a28', { coats: 2 }),
      lay('e', 'topcoat', 'epoxy-clear', { film: 'light', ...cured }),
    ],
  ],
  [
    'print: filled, scuffed, primed, painted',
    [
      lay('f', 'fill', 'light-spackle'),
      scuff,
      prime('grey', { coats: 3 }),
      paint('p', 'craft-acrylic', '#334455', { coats: 2 }),
      clear('satin'),
    ],
    of('pla-print', 3),
  ],
  [
    'resin: washed, scuffed, promoter, paint',
    [
      { id: 'wash', kind: 'prep', cleans: 'washed' },
      scuff,
      lay('a', 'prime', 'adhesion-promoter', { film: 'light' }),
      lay('p0', 'prime', 'lacquer-primer-spray', { film: 'light' }),
      paint('p', 'acrylic-spray', '#224455', { coats: 2, film: 'light' }),
    ],
    of('cast-resin', 5),
  ],
  [
    'PVC pipe: wiped, scuffed wet, primed, painted',
    [
      { id: 'wipe', kind: 'prep', cleans: 'wiped' },
      { ...scuff, thinWith: 'water' },
      prime('grey', { coats: 2 }),
      paint('p', 'acrylic-metallic', '#8a8d90', { coats: 2 }),
      clear('gloss'),
    ],
    of('pvc-pipe', 3),
  ],
  [
    'polystyrene: two full water-borne coats, then anything',
    [
      pva({ coats: 3 }),
      prime('grey'),
      paint('p', 'acrylic-spray', '#777a70', { film: 'light', coats: 2, ...through }),
    ],
    of('expanded-polystyrene', 40),
  ],
  [
    'stretch cloth with textile medium',
    [paint('p', 'flex-acrylic', '#224466', { thinWith: 'textile-medium', thinPct: 50, coats: 2 })],
    { substrate: { kind: 'stretch-fabric', thicknessMm: 1, stretchPct: 40 } },
  ],
  [
    'cemented, left for a day, sealed and painted, straps and fabric last',
    [
      lay('g', 'join', 'contact-cement'),
      { ...heat, ...cured },
      pva(),
      prime('black'),
      paint('p', 'craft-acrylic', '#403830', { coats: 2 }),
      clear('matte'),
      { id: 'straps', kind: 'attach', attaches: 'strap' },
      { id: 'cloth', kind: 'attach', attaches: 'fabric' },
    ],
    { ...raw, keepBare: [] },
  ],
  [
    'chrome, left bare',
    [
      heat,
      pva(),
      prime('black'),
      lay('g', 'base', 'alkyd-gloss-spray', { film: 'light', colour: '#101010' }),
      paint('c', 'chrome-effect-spray', '#c9ccd0', { film: 'light', ...cured }),
    ],
  ],
  [
    'two zones, brushed up to the line',
    [
      heat,
      pva(),
      prime('white', { coats: 2 }),
      paint('a', 'flex-acrylic', '#d94f3d', { zones: ['field'], method: 'brush', coats: 3 }),
      paint('b', 'flex-acrylic', '#2b3a55', { zones: ['rim'], method: 'brush', coats: 2 }),
      clear('satin'),
    ],
    {
      ...raw,
      zones: [
        { id: 'field', name: 'Field', share: 0.7, edgeMm: 700 },
        { id: 'rim', name: 'Rim', share: 0.3, edgeMm: 700 },
      ],
    },
  ],
  [
    'rubber, stone, dusted nickel, graphite, matte',
    [
      heat,
      dip(),
      lay('s', 'texture', 'stone-texture-spray', { method: 'aerosol', film: 'light' }),
      paint('n', 'metallic-lacquer-spray', '#9a978f', { film: 'dust', coats: 2 }),
      lay('g', 'weather', 'graphite-powder', { placement: 'high-points' }),
      lay('mist', 'topcoat', 'matte-clear-spray', { film: 'dust', coats: 2 }),
      lay('c', 'topcoat', 'matte-clear-spray', { film: 'light' }),
    ],
  ],
  [
    'PVA and sponged metal, satin over it',
    [
      heat,
      pva(),
      prime('black'),
      paint('m', 'acrylic-metallic', '#8f9396', { method: 'sponge', coats: 2 }),
      clear('satin'),
    ],
  ],
  [
    'panel colours in gloss under two matte coats',
    [
      heat,
      pva(),
      prime('grey'),
      paint('p', 'flex-acrylic-gloss', '#40506a', { coats: 2 }),
      clear('matte', { film: 'normal', coats: 2 }),
    ],
  ],
  [
    'foil on the varnish of the day before',
    [
      heat,
      pva(),
      prime('grey'),
      paint('p', 'craft-acrylic', '#40506a', { coats: 2 }),
      clear('satin'),
      lay('f', 'detail', 'foil-tape', { ...cured, placement: 'lines' }),
    ],
  ],
  [
    'stretch cloth airbrushed with textile medium',
    [
      paint('p', 'airbrush-acrylic', '#3a2f5a', {
        method: 'airbrush',
        coats: 2,
        thinWith: 'textile-medium',
        thinPct: 50,
      }),
    ],
    { ...of('stretch-fabric', 1), stretchPct: 15 },
  ],
  [
    'neoprene, two coats with a night between, flexible paint, matte',
    [
      heat,
      lay('n', 'seal', 'neoprene-soft', { method: 'brush', coats: 2, waitFor: 'night' }),
      paint('p', 'flex-acrylic', '#52321f', { coats: 2, waitFor: 'night' }),
      clear('matte'),
    ],
    bend(40),
  ],
  [
    'glow over two coats of white',
    [
      heat,
      pva(),
      prime('white', { coats: 2 }),
      paint('g', 'glow-paint', '#dfe8c8', { coats: 4 }),
      clear('gloss'),
    ],
  ],
  [
    'pearl: white, mica in light coats, gloss',
    [
      heat,
      pva(),
      prime('white', { coats: 2 }),
      paint('m', 'mica-paint', '#e8e4dc', { coats: 3, film: 'light' }),
      clear('gloss'),
    ],
  ],
  [
    'leaf on size, satin over it',
    [
      heat,
      pva(),
      prime('oxide'),
      lay('s', 'prime', 'leaf-size', { method: 'brush' }),
      paint('l', 'metal-leaf', '#c9a54a', { method: 'hand' }),
      clear('satin', cured),
    ],
  ],
  [
    'epoxy on acrylic of the day before, on a part that never bends',
    [
      heat,
      pva(),
      paint('p', 'craft-acrylic', '#3f5f2a', { coats: 2 }),
      lay('e', 'topcoat', 'epoxy-clear', { method: 'brush', waitFor: 'day' }),
    ],
  ],
  [
    'pigment under two dust coats and a light one of the same clear',
    [
      heat,
      pva(),
      prime('black'),
      paint('p', 'craft-acrylic', '#504030', { coats: 2 }),
      lay('r', 'weather', 'pigment-powder', { placement: 'recesses' }),
      lay('mist', 'topcoat', 'matte-varnish', { method: 'airbrush', film: 'dust', coats: 2 }),
      lay('c', 'topcoat', 'matte-varnish', { method: 'airbrush', film: 'light' }),
    ],
  ],
  [
    'a dust of grey for grip under two coats of black',
    [
      heat,
      pva(),
      prime('grey', { film: 'dust' }),
      paint('b', 'craft-acrylic', '#1c1b1b', { coats: 2 }),
      clear('satin'),
    ],
  ],
  [
    'a thin red as a glow under black that covers it, worn back by hand',
    [
      heat,
      pva(),
      prime('black'),
      paint('r', 'craft-acrylic', '#b2202c', { film: 'light' }),
      paint('b', 'craft-acrylic', '#1c1b1b', { coats: 2 }),
      clear('matte'),
    ],
  ],
  [
    'wood: brown, two tones dry-brushed, wash, matte',
    [
      heat,
      pva(),
      prime('oxide'),
      paint('p', 'craft-acrylic', '#5b3d26', { coats: 2 }),
      lay('d', 'weather', 'dry-brush-acrylic', { colour: '#8a6a48', method: 'dry-brush' }),
      lay('e', 'weather', 'dry-brush-acrylic', { colour: '#b09370', method: 'dry-brush' }),
      lay('w', 'weather', 'acrylic-wash', { colour: '#2b1d14' }),
      clear('matte'),
    ],
  ],
  [
    'vinyl letters on paint that has cured, small ones',
    [
      heat,
      pva(),
      prime('white', { coats: 2 }),
      paint('p', 'craft-acrylic', '#405a7a', { coats: 2 }),
      clear('satin'),
      lay('v', 'detail', 'self-adhesive-vinyl', cured),
    ],
  ],
  [
    'wax rubbed on, the last thing on the piece',
    [
      heat,
      pva(),
      prime('black'),
      paint('p', 'craft-acrylic', '#302820', { coats: 2 }),
      lay('x', 'weather', 'metal-wax', { ...cured, placement: 'high-points' }),
    ],
  ],
  [
    'enamel on acrylic-urethane primer over rubber dip',
    [
      heat,
      dip(),
      prime('grey', { waitFor: 'night' }),
      paint('e', 'hobby-enamel', '#5d7268', { method: 'brush', coats: 2, waitFor: 'day' }),
    ],
  ],
  [
    'resin gem set: cured gloss enamel on cast resin, scuffed and primed',
    [
      { id: 'wash', kind: 'prep', cleans: 'washed' },
      scuff,
      lay('pr', 'prime', 'lacquer-primer-spray', { method: 'aerosol', film: 'light', coats: 2 }),
      paint('p', 'alkyd-gloss-spray', '#7a1020', { method: 'aerosol', film: 'light', coats: 2 }),
    ],
    of('cast-resin', 8),
  ],
];

export const bad: Recipe[] = [
  ['enamel straight on rubber dip: tacky for months', [heat, dip(), paint('e', 'hobby-enamel', '#882222')]],
  [
    'the same through a wash that parts nothing',
    [heat, dip(), lay('w', 'weather', 'acrylic-wash'), paint('e', 'hobby-enamel', '#882222')],
  ],
  [
    'lacquer laid wet on rubber dip: cracks',
    [heat, dip(), paint('m', 'metallic-lacquer-spray', '#9a9da0', { film: 'heavy' })],
  ],
  [
    'lacquer on an elbow that bends',
    [heat, dip(), paint('m', 'metallic-lacquer-spray', '#9a9da0', { film: 'dust' })],
    bend(30),
  ],
  [
    'epoxy on a bracer that is bent to put it on',
    [heat, pva(), lay('e', 'topcoat', 'epoxy-clear', cured)],
    bend(40),
  ],
  ['yellow over black', [heat, pva(), prime('black'), paint('p', 'craft-acrylic', '#f4c20d', { coats: 2 })]],
  ['paint on bare foam', [paint('p', 'craft-acrylic', '#334455', { coats: 2 })], raw],
  ['wet spray on bare foam', [paint('p', 'metallic-lacquer-spray', '#888888')], raw],
  [
    'spray can on polystyrene',
    [paint('p', 'acrylic-spray', '#888888', { film: 'dust' })],
    of('expanded-polystyrene', 30),
  ],
  ['contact cement on polystyrene', [lay('g', 'join', 'contact-cement')], of('expanded-polystyrene', 30)],
  [
    'foil texture pressed in, then heat-sealed',
    [{ id: 't', kind: 'texture', minutes: 10 }, heat, pva(), paint('p', 'craft-acrylic', '#666666')],
    raw,
  ],
  [
    'matte clear over gloss to save it',
    [heat, pva(), paint('g', 'flex-acrylic-gloss', '#223366', { coats: 2 }), clear('matte')],
  ],
  [
    'gloss over chrome',
    [
      heat,
      pva(),
      prime('black'),
      paint('c', 'chrome-effect-spray', '#c9ccd0', { film: 'light' }),
      clear('gloss', cured),
    ],
  ],
  [
    'solvent clear over marker lines',
    [
      heat,
      pva(),
      paint('p', 'craft-acrylic', '#d9cdae', { coats: 3 }),
      lay('k', 'detail', 'alcohol-marker'),
      lay('c', 'topcoat', 'matte-clear-spray', { film: 'light' }),
    ],
  ],
  ['varnish over wax', [heat, pva(), prime('black'), lay('x', 'weather', 'metal-wax'), clear('matte')]],
  [
    'copper over latex',
    [
      heat,
      lay('l', 'seal', 'natural-latex', { coats: 2 }),
      paint('c', 'copper-acrylic', '#b06a3c', { coats: 2 }),
    ],
  ],
  [
    'silicone caulk under paint',
    [lay('f', 'fill', 'silicone-caulk'), heat, pva(), paint('p', 'craft-acrylic', '#445566')],
  ],
  [
    'cloth glued on before the clear',
    [
      heat,
      pva(),
      paint('p', 'craft-acrylic', '#445566', { coats: 2 }),
      { id: 'cloth', kind: 'attach', attaches: 'fabric' },
      lay('c', 'topcoat', 'matte-clear-spray', { film: 'light' }),
    ],
  ],
  ['elastic on before the dip', [{ id: 'el', kind: 'attach', attaches: 'elastic' }, heat, dip()]],
  ['rust powder with no clear', [heat, pva(), prime('black'), lay('g', 'weather', 'pigment-powder')]],
  [
    'varnish brushed over rust powder',
    [heat, pva(), prime('black'), lay('g', 'weather', 'pigment-powder'), clear('matte')],
  ],
  ['PVC pipe bent with hot air', [{ ...heat }, prime('grey')], of('pvc-pipe', 3)],
  [
    'a thermoplastic skin over pipe, formed with hot air',
    [{ ...heat }, prime('grey')],
    { substrate: { kind: 'thermoplastic-sheet', thicknessMm: 2, over: ['pvc-pipe'] } },
  ],
  ['spray can in a closed room', [heat, dip()], undefined, closedRoom],
  ['cement in a closed room', [lay('g', 'join', 'contact-cement')], undefined, closedRoom],
  [
    'packed the evening it was painted',
    [heat, pva({ coats: 1 }), paint('p', 'craft-acrylic', '#445566')],
    undefined,
    { events: [{ id: 'day', name: 'The day', packAt: '2027-02-15T20:00', wearAt: '2027-02-20T09:00' }] },
  ],
  [
    'decoupage medium on one face of thin craft foam',
    [lay('d', 'seal', 'decoupage-gloss', { coats: 3 })],
    {
      substrate: { kind: 'craft-foam', thicknessMm: 2 },
      faces: { outer: { areaCm2: 400 }, inner: { areaCm2: 400 } },
    },
  ],
  [
    'acrylic thinned to milk with water',
    [heat, pva(), paint('p', 'craft-acrylic', '#445566', { coats: 4, thinWith: 'water', thinPct: 80 })],
  ],
  [
    'sponge beside a finished zone with no tape',
    [
      heat,
      pva(),
      paint('a', 'flex-acrylic', '#d94f3d', { zones: ['field'], method: 'brush' }),
      paint('b', 'flex-acrylic', '#2b3a55', { zones: ['rim'], method: 'sponge' }),
    ],
    {
      ...raw,
      zones: [
        { id: 'field', name: 'Field', share: 0.7 },
        { id: 'rim', name: 'Rim', share: 0.3, edge: 'tape' },
      ],
    },
  ],
  [
    'one dust of dip as the only seal of raw foam',
    [dip({ film: 'dust', coats: 1 }), paint('p', 'craft-acrylic', '#403830', { coats: 2 })],
    raw,
  ],
  [
    'epoxy on acrylic of the same hour',
    [heat, pva(), paint('p', 'craft-acrylic', '#3f5f2a', { coats: 2 }), lay('e', 'topcoat', 'epoxy-clear')],
  ],
  [
    'epoxy over chrome',
    [
      heat,
      pva(),
      lay('g', 'base', 'alkyd-gloss-spray', { film: 'light', colour: '#101010' }),
      paint('c', 'chrome-effect-spray', '#c9ccd0', { film: 'light', ...cured }),
      lay('e', 'topcoat', 'epoxy-clear', cured),
    ],
  ],
  [
    'resist left below the clear',
    [
      heat,
      pva(),
      paint('u', 'acrylic-metallic', '#8f9396', { coats: 2 }),
      lay('r', 'weather', 'chip-resist'),
      paint('t', 'flex-acrylic', '#7a2a20', { film: 'light' }),
      clear('matte'),
    ],
  ],
  [
    'flat spray over resist, then chipped',
    [
      heat,
      pva(),
      paint('u', 'acrylic-metallic', '#8f9396', { coats: 2 }),
      lay('r', 'weather', 'chip-resist'),
      lay('t', 'prime', 'alkyd-flat-spray', { method: 'aerosol', film: 'dust' }),
      { id: 'chip', kind: 'weather', method: 'wipe' },
      clear('matte'),
    ],
  ],
  [
    'gloss alkyd on rubber dip',
    [heat, dip(), paint('a', 'alkyd-gloss-spray', '#7a1020', { method: 'aerosol', coats: 2 })],
  ],
  [
    'enamel thinned with water',
    [heat, pva(), prime('grey'), paint('e', 'hobby-enamel', '#5d7268', { thinWith: 'water', thinPct: 20 })],
  ],
  [
    'a can laid with a brush',
    [heat, pva(), paint('m', 'metallic-lacquer-spray', '#9a9da0', { method: 'brush' })],
  ],
  [
    'a hair-dryer on wet lacquer',
    [heat, pva(), paint('m', 'metallic-lacquer-spray', '#9a9da0', { film: 'light', air: 'warm' })],
  ],
  [
    'hot glue on painted print',
    [scuff, prime('grey'), paint('p', 'craft-acrylic', '#403830'), lay('g', 'attach', 'hot-glue')],
    of('pla-print', 4),
  ],
  ['latex in what touches skin', [lay('l', 'seal', 'natural-latex', { method: 'brush' })], { onSkin: true }],
  [
    'lacquer over alkyd of a few days',
    [
      heat,
      pva(),
      prime('grey'),
      paint('a', 'alkyd-gloss-spray', '#7a1020', { film: 'light' }),
      lay('c', 'topcoat', 'gloss-clear-spray', { film: 'normal' }),
    ],
  ],
  ['soft neoprene sanded', [heat, lay('n', 'seal', 'neoprene-soft', { method: 'brush' }), scuff]],
  [
    'graphite under one dust coat and nothing else',
    [
      heat,
      pva(),
      prime('black'),
      lay('g', 'weather', 'graphite-powder'),
      lay('c', 'topcoat', 'matte-varnish', { method: 'airbrush', film: 'dust' }),
    ],
  ],
  ['varnish over wax', [heat, pva(), prime('black'), lay('x', 'weather', 'metal-wax'), clear('satin')]],
  [
    'matte varnish in four heavy coats',
    [
      heat,
      pva(),
      paint('p', 'craft-acrylic', '#403830', { coats: 2 }),
      clear('matte', { film: 'heavy', coats: 4 }),
    ],
  ],
];
