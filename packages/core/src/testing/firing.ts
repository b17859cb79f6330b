import type { Build, Person, Piece, Place, Step } from '../model/schema';
import { lay, logged, plate } from './ruleCases';

/** A build that fires a rule, with the severity and the step that it fires at, and two near misses. */
export type Case = [rule: string, why: string, fires: [Build, string, string], near: [string, Build][]];

export const pva = lay('pva', 'seal', 'pva-flex-primer', { method: 'brush', coats: 2 });
export const paint = lay('paint', 'base', 'craft-acrylic', { method: 'brush', colour: '#446688' });
export const varnish = lay('varnish', 'topcoat', 'satin-varnish', { method: 'brush' });
export const heat: Step = { id: 'heat', kind: 'heat-seal', method: 'hot-air' };
export const scuff: Step = { id: 'scuff', kind: 'sand', method: 'sand' };
const black = lay('black', 'prime', 'acrylic-pu-primer-black', { method: 'airbrush', coats: 2 });
const white = lay('white', 'prime', 'acrylic-pu-primer-white', { method: 'airbrush', coats: 2 });
export const cured = { waitFor: 'cured' as const };

export const both: Partial<Piece> = { faces: { outer: { areaCm2: 600 }, inner: { areaCm2: 580 } } };
export const zones: Partial<Piece> = {
  zones: [
    { id: 'field', name: 'Field', share: 0.7, edgeMm: 900 },
    { id: 'rim', name: 'Rim', share: 0.3, edgeMm: 900 },
  ],
};
export const of = (
  kind: Piece['substrate']['kind'],
  more: Partial<Piece['substrate']> = {},
): Partial<Piece> => ({
  substrate: { kind, thicknessMm: 6, ...more },
});
export const place = (change: Partial<Place>): Partial<Build> => ({
  places: [
    {
      id: 'room',
      name: 'Room',
      ventilation: 'extraction',
      slots: 6,
      climate: { kind: 'constant', temperatureC: 21, humidityPct: 50 },
      ...change,
    },
  ],
});
const event = (change: object): Partial<Build> => ({
  events: [{ id: 'day', name: 'The day', wearAt: '2027-12-06T09:00', ...change }],
});
const frosty = { climate: { kind: 'daily', meanC: 11, swingC: 12, humidityPct: 60 } } as const;

/** Resist at ten, a thin coat at eleven, chipped at some time. */
const chipped = (at: string): Build =>
  plate(
    [
      { ...pva, coats: 1 },
      lay('r', 'weather', 'chip-resist'),
      { ...paint, film: 'light' },
      { id: 'chip', kind: 'weather', method: 'wipe', minutes: 5 },
    ],
    {},
    { log: [logged('pva', '08:00'), logged('r', '10:00'), logged('paint', '11:00'), logged('chip', at)] },
  );

const everyDay: Person['availability'][number]['days'] = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];
/** A field painted beside a rim that is taped, by somebody who is free on some days. */
const taped = (coats: number, days: typeof everyDay, from: string, to: string): Build =>
  plate(
    [
      { ...pva, coats: 1 },
      { ...paint, id: 'red', method: 'brush' },
      { id: 'm', kind: 'mask', zones: ['rim'] },
      { ...paint, id: 'blue', coats, zones: ['field'] },
      { id: 'pull', kind: 'unmask', zones: ['rim'] },
    ],
    zones,
    { people: [{ id: 'me', name: 'Me', availability: [{ days, from, to }] }] },
  );

/** Every rule that came after the first 42, with what fires it and what just does not. */
export const firing: Case[] = [
  [
    'R43',
    'wet lacquer two hours after water-borne sealer',
    [plate([pva, lay('m', 'base', 'metallic-lacquer-spray')]), 'risk', 'm'],
    [
      ['misted on', plate([pva, lay('m', 'base', 'metallic-lacquer-spray', { film: 'light' })])],
      [
        'once it is through',
        plate([pva, lay('m', 'base', 'metallic-lacquer-spray', { waitFor: 'through' })]),
      ],
    ],
  ],
  [
    'R44',
    'a clear over an oil wash of three days',
    [plate([pva, paint, lay('w', 'weather', 'oil-wash'), varnish]), 'risk', 'varnish'],
    [
      ['over a cured one', plate([pva, paint, lay('w', 'weather', 'oil-wash'), { ...varnish, ...cured }])],
      ['over an acrylic wash', plate([pva, paint, lay('w', 'weather', 'acrylic-wash'), varnish])],
    ],
  ],
  [
    'R45',
    'contact cement in a closed room',
    [plate([lay('g', 'join', 'contact-cement')], {}, place({ ventilation: 'none' })), 'stop', 'g'],
    [
      ['outdoors', plate([lay('g', 'join', 'contact-cement')], {}, place({ ventilation: 'outdoor' }))],
      [
        'white spirit by brush at a window',
        plate([pva, lay('w', 'weather', 'panel-wash')], {}, place({ ventilation: 'window' })),
      ],
    ],
  ],
  [
    'R46',
    'varnish brushed over loose pigment',
    [plate([pva, paint, lay('p', 'weather', 'pigment-powder'), varnish]), 'risk', 'varnish'],
    [
      [
        'misted on',
        plate([
          pva,
          paint,
          lay('p', 'weather', 'pigment-powder'),
          { ...varnish, method: 'airbrush', film: 'dust' },
        ]),
      ],
      ['over a wash', plate([pva, paint, lay('p', 'weather', 'acrylic-wash'), varnish])],
    ],
  ],
  [
    'R47',
    'primer on smooth resin',
    [plate([lay('p', 'prime', 'acrylic-pu-primer-grey')], of('cast-resin')), 'risk', 'p'],
    [
      ['scuffed first', plate([scuff, lay('p', 'prime', 'acrylic-pu-primer-grey')], of('cast-resin'))],
      [
        'over a promoter',
        plate(
          [lay('a', 'prime', 'adhesion-promoter'), lay('p', 'prime', 'acrylic-pu-primer-grey')],
          of('metal'),
        ),
      ],
    ],
  ],
  [
    // Two normal coats are the most: three are worth 3.
    'R48',
    'three coats of matte varnish',
    [plate([pva, paint, lay('c', 'topcoat', 'matte-varnish', { coats: 3 })]), 'risk', 'c'],
    [
      ['two', plate([pva, paint, lay('c', 'topcoat', 'matte-varnish', { coats: 2 })])],
      ['three of satin', plate([pva, paint, { ...varnish, coats: 3 }])],
    ],
  ],
  [
    'R49',
    'paint on hard epoxy',
    [plate([pva, lay('e', 'seal', 'epoxy-clear', cured), { ...paint, ...cured }]), 'stop', 'paint'],
    [
      [
        'washed and scuffed',
        plate([pva, lay('e', 'seal', 'epoxy-clear', cured), scuff, { ...paint, ...cured }]),
      ],
      ['within its first window', plate([pva, lay('e', 'seal', 'epoxy-clear', cured), paint])],
    ],
  ],
  [
    'R50',
    'a flame on polystyrene',
    [plate([{ ...heat, method: 'torch' }], of('expanded-polystyrene')), 'stop', 'heat'],
    [
      ['hot air on it', plate([heat], of('expanded-polystyrene'))],
      ['a flame on foam', plate([{ ...heat, method: 'torch' }])],
    ],
  ],
  [
    'R51',
    'hot glue in a hot car',
    [plate([lay('g', 'attach', 'hot-glue'), pva, paint], {}, event({ hotCar: true })), 'risk', 'g'],
    [
      ['cement', plate([lay('g', 'attach', 'contact-cement'), pva, paint], {}, event({ hotCar: true }))],
      ['a cool one', plate([lay('g', 'attach', 'hot-glue'), pva, paint])],
    ],
  ],
  [
    // PVA primer is wearable a day after it is laid.
    'R52',
    'worn the same evening',
    // It can be handled by then: it scuffs, and that is all.
    [plate([{ ...pva, coats: 1 }], {}, event({ wearAt: '2027-02-15T20:00' })), 'risk', 'pva'],
    [
      ['two days later', plate([{ ...pva, coats: 1 }], {}, event({ wearAt: '2027-02-17T20:00' }))],
      [
        'what is not laid by then is late and no more',
        plate(
          [{ ...pva, coats: 1 }],
          {},
          { ...event({ wearAt: '2027-02-15T20:00' }), start: '2027-02-16T08:00' },
        ),
      ],
    ],
  ],
  [
    // One normal coat at eight in the morning: it is handled in the evening, and wearable a day after that at the soonest.
    'R52',
    'rubber dip worn the next morning, on skin',
    [
      plate(
        [lay('dip', 'seal', 'rubber-dip-spray')],
        { onSkin: true },
        event({ wearAt: '2027-02-16T06:00' }),
      ),
      'stop',
      'dip',
    ],
    [
      [
        'three days later',
        plate(
          [lay('dip', 'seal', 'rubber-dip-spray')],
          { onSkin: true },
          event({ wearAt: '2027-02-18T20:00' }),
        ),
      ],
      [
        'water-borne primer that is wearable by then',
        plate([{ ...pva, coats: 1 }], { onSkin: true }, event({ wearAt: '2027-02-17T20:00' })),
      ],
    ],
  ],
  [
    'R52',
    'the same, worn over clothes',
    [
      plate([lay('dip', 'seal', 'rubber-dip-spray')], {}, event({ wearAt: '2027-02-16T06:00' })),
      'risk',
      'dip',
    ],
    [
      [
        'three days later',
        plate([lay('dip', 'seal', 'rubber-dip-spray')], {}, event({ wearAt: '2027-02-18T20:00' })),
      ],
    ],
  ],
  [
    'R53',
    'vinyl on paint of the same day',
    [plate([pva, paint, lay('v', 'detail', 'self-adhesive-vinyl', { placement: 'all' })]), 'stop', 'v'],
    [
      [
        'on cured paint',
        plate([pva, paint, lay('v', 'detail', 'self-adhesive-vinyl', { placement: 'all', ...cured })]),
      ],
      ['on the bare plate', plate([lay('v', 'detail', 'self-adhesive-vinyl', { placement: 'all' })])],
    ],
  ],
  [
    'R53',
    'film ironed on foam',
    [plate([pva, { id: 'i', kind: 'attach', attaches: 'iron-on' }]), 'stop', 'i'],
    [
      ['on cloth', plate([{ id: 'i', kind: 'attach', attaches: 'iron-on' }], of('stretch-fabric'))],
      ['a decal', plate([pva, { id: 'i', kind: 'attach', attaches: 'decal' }])],
    ],
  ],
  [
    // Craft acrylic is sandable after 1440 label min.
    'R54',
    'sanded after ten hours',
    [
      plate(
        [{ ...pva, coats: 1 }, paint, scuff],
        {},
        {
          log: [logged('pva', '08:00'), logged('paint', '09:00'), logged('scuff', '19:00')],
        },
      ),
      'risk',
      'scuff',
    ],
    [
      [
        'after two days',
        plate(
          [{ ...pva, coats: 1 }, paint, scuff],
          {},
          {
            log: [logged('pva', '08:00'), logged('paint', '09:00'), logged('scuff', '2027-02-17T19:00')],
          },
        ),
      ],
      [
        // e^(−0.2) · 24 h = 19.6 h: nobody can tell 20 from 24.
        'early by less than anybody can tell is a note',
        plate([{ ...pva, coats: 1 }, paint], {}, { log: [logged('pva', '08:00'), logged('paint', '09:00')] }),
      ],
    ],
  ],
  [
    'R55',
    'water-borne in the afternoon of a frosty night',
    [plate([{ ...pva, coats: 1 }], {}, place(frosty)), 'stop', 'pva'],
    [
      [
        'a night above freezing',
        plate([{ ...pva, coats: 1 }], {}, place({ climate: { ...frosty.climate, swingC: 10 } })),
      ],
      ['solvent-borne', plate([lay('d', 'seal', 'rubber-dip-spray')], {}, place(frosty))],
    ],
  ],
  [
    'R56',
    'a tin of acrylic kept where it freezes',
    [
      plate(
        [pva, paint],
        {},
        {
          places: [...place({}).places!, ...place({ id: 'shed', name: 'Shed', ...frosty }).places!],
          stock: [{ material: 'craft-acrylic', containerMl: 60, remainingMl: 40, keptIn: 'shed' }],
        },
      ),
      'risk',
      'paint',
    ],
    [
      [
        'kept in the room',
        plate(
          [pva, paint],
          {},
          {
            places: [...place({}).places!, ...place({ id: 'shed', name: 'Shed', ...frosty }).places!],
            stock: [{ material: 'craft-acrylic', containerMl: 60, remainingMl: 40, keptIn: 'room' }],
          },
        ),
      ],
      [
        'a spray of solvent kept in the cold',
        plate(
          [pva, lay('m', 'base', 'metallic-lacquer-spray', { film: 'dust' })],
          {},
          {
            places: [...place({}).places!, ...place({ id: 'shed', name: 'Shed', ...frosty }).places!],
            stock: [
              { material: 'metallic-lacquer-spray', containerMl: 400, remainingMl: 40, keptIn: 'shed' },
            ],
          },
        ),
      ],
    ],
  ],
  [
    'R57',
    'a can used at 8 °C, though its label allows it',
    [
      plate(
        [lay('d', 'seal', 'cold-dip', { method: 'aerosol' })],
        {},
        {
          ...place({ climate: { kind: 'constant', temperatureC: 8, humidityPct: 50 } }),
          materials: [{ id: 'cold-dip', extends: 'rubber-dip-spray', name: 'Cold dip', minC: 2 }],
        },
      ),
      'risk',
      'd',
    ],
    [
      [
        'at 12 °C',
        plate(
          [lay('d', 'seal', 'cold-dip', { method: 'aerosol' })],
          {},
          {
            ...place({ climate: { kind: 'constant', temperatureC: 12, humidityPct: 50 } }),
            materials: [{ id: 'cold-dip', extends: 'rubber-dip-spray', name: 'Cold dip', minC: 2 }],
          },
        ),
      ],
      [
        'kept in a warm room',
        plate(
          [lay('d', 'seal', 'cold-dip', { method: 'aerosol' })],
          {},
          {
            places: [
              ...place({ climate: { kind: 'constant', temperatureC: 8, humidityPct: 50 } }).places!,
              ...place({ id: 'warm', name: 'Warm room' }).places!,
            ],
            stock: [{ material: 'cold-dip', containerMl: 400, remainingMl: 100, keptIn: 'warm' }],
            materials: [{ id: 'cold-dip', extends: 'rubber-dip-spray', name: 'Cold dip', minC: 2 }],
          },
        ),
      ],
    ],
  ],
  [
    'R58',
    'acrylic with 31 % of water',
    [plate([pva, { ...paint, thinWith: 'water', thinPct: 31 }]), 'risk', 'paint'],
    [
      ['with 30 %', plate([pva, { ...paint, thinWith: 'water', thinPct: 30 }])],
      ['with 60 % of reducer', plate([pva, { ...paint, thinWith: 'reducer', thinPct: 60 }])],
    ],
  ],
  [
    // Decoupage medium: 150 µm · 0.40 = 60 µm a coat, so two are 120; 60 is enough to pull.
    'R59',
    'decoupage medium on one face of 3 mm',
    [
      plate([lay('d', 'seal', 'decoupage-gloss', { coats: 2 })], {
        ...both,
        ...of('eva-foam', { thicknessMm: 3, heatSealed: true }),
      }),
      'risk',
      'd',
    ],
    [
      [
        'on both',
        plate([lay('d', 'seal', 'decoupage-gloss', { coats: 2, faces: ['inner', 'outer'] })], {
          ...both,
          ...of('eva-foam', { thicknessMm: 3, heatSealed: true }),
        }),
      ],
      [
        'on 4 mm',
        plate([lay('d', 'seal', 'decoupage-gloss', { coats: 2 })], {
          ...both,
          ...of('eva-foam', { thicknessMm: 4, heatSealed: true }),
        }),
      ],
    ],
  ],
  [
    'R60',
    'foam with its factory skin on',
    [plate([pva], of('eva-foam', { surface: 'skin' })), 'risk', 'pva'],
    [
      ['heat-sealed', plate([heat, pva], of('eva-foam', { surface: 'skin' }))],
      [
        'wiped',
        plate([{ id: 'w', kind: 'prep', cleans: 'wiped' }, pva], of('eva-foam', { surface: 'skin' })),
      ],
    ],
  ],
  [
    'R60',
    'resin as it comes out of the mould, only scuffed',
    [plate([scuff, lay('p', 'prime', 'acrylic-pu-primer-grey')], of('cast-resin')), 'risk', 'p'],
    [
      [
        'washed',
        plate(
          [{ id: 'w', kind: 'prep', cleans: 'washed' }, scuff, lay('p', 'prime', 'acrylic-pu-primer-grey')],
          of('cast-resin'),
        ),
      ],
      [
        'opened already',
        plate([lay('p', 'prime', 'acrylic-pu-primer-grey')], of('cast-resin', { surface: 'opened' })),
      ],
    ],
  ],
  [
    'R61',
    'packed against soft vinyl',
    [plate([pva, paint, varnish], { againstVinyl: true }), 'risk', 'varnish'],
    [
      ['not', plate([pva, paint, varnish])],
      ['nothing on it', plate([heat], { againstVinyl: true })],
    ],
  ],
  [
    'R62',
    'silicone spray in the room',
    [plate([pva, paint], {}, place({ silicone: true })), 'stop', 'pva'],
    [
      [
        'degreased first',
        plate([{ id: 'c', kind: 'prep', cleans: 'degreased' }, pva, paint], {}, place({ silicone: true })),
      ],
      ['none', plate([pva, paint], {}, place({ silicone: false }))],
    ],
  ],
  [
    'R63',
    'fluorescent paint in the sun, under a plain varnish',
    [plate([pva, lay('f', 'base', 'fluorescent-acrylic'), varnish], {}, event({ inSun: true })), 'risk', 'f'],
    [
      [
        'under a UV filter',
        plate(
          [pva, lay('f', 'base', 'fluorescent-acrylic'), lay('u', 'topcoat', 'uv-varnish')],
          {},
          event({ inSun: true }),
        ),
      ],
      ['indoors', plate([pva, lay('f', 'base', 'fluorescent-acrylic'), varnish])],
    ],
  ],
  [
    'R64',
    'plain acrylic on stretch cloth',
    [plate([paint], of('stretch-fabric', { thicknessMm: 1 })), 'risk', 'paint'],
    [
      [
        'with textile medium',
        plate(
          [{ ...paint, thinWith: 'textile-medium', thinPct: 50 }],
          of('stretch-fabric', { thicknessMm: 1 }),
        ),
      ],
      [
        'on a coat of it',
        plate([lay('t', 'prime', 'textile-medium'), paint], of('stretch-fabric', { thicknessMm: 1 })),
      ],
    ],
  ],
  [
    // Craft acrylic stands 50 %: half of it is 25.
    'R65',
    'cloth stretched by 26 % under craft acrylic',
    [plate([paint], of('stretch-fabric', { thicknessMm: 1, stretchPct: 26 })), 'risk', 'paint'],
    [
      ['by 25 %', plate([paint], of('stretch-fabric', { thicknessMm: 1, stretchPct: 25 }))],
      [
        'under flexible acrylic, which stands 200 %',
        plate([lay('p', 'base', 'flex-acrylic')], of('stretch-fabric', { thicknessMm: 1, stretchPct: 26 })),
      ],
    ],
  ],
  [
    'R66',
    'leaf on dry paint',
    [plate([pva, paint, lay('l', 'base', 'metal-leaf')]), 'risk', 'l'],
    [
      ['on size', plate([pva, paint, lay('s', 'prime', 'leaf-size'), lay('l', 'base', 'metal-leaf')])],
      ['no leaf', plate([pva, paint, lay('l', 'base', 'acrylic-metallic')])],
    ],
  ],
  [
    'R37',
    'mica over 15 % stirred into a clear',
    [plate([pva, { ...varnish, tintPct: 16 }]), 'risk', 'varnish'],
    [
      ['15 %', plate([pva, { ...varnish, tintPct: 15 }])],
      ['none', plate([pva, varnish])],
    ],
  ],
  [
    'R67',
    'lamps against foam',
    [plate([pva, { id: 'l', kind: 'attach', attaches: 'led' }]), 'risk', 'l'],
    [
      ['with a gap', plate([pva, { id: 'l', kind: 'attach', attaches: 'led', spaced: true }])],
      ['on metal', plate([{ id: 'l', kind: 'attach', attaches: 'led' }], of('metal'))],
    ],
  ],
  [
    'R68',
    'hot air an hour after cement',
    [plate([lay('g', 'join', 'contact-cement'), heat]), 'risk', 'heat'],
    [
      ['a day after', plate([lay('g', 'join', 'contact-cement'), { ...heat, ...cured }])],
      ['before it', plate([heat, lay('g', 'join', 'contact-cement')])],
    ],
  ],
  [
    'R68',
    'hot air after hot glue, whenever',
    [plate([lay('g', 'join', 'hot-glue'), { ...heat, ...cured }]), 'risk', 'heat'],
    [
      ['before it', plate([heat, lay('g', 'join', 'hot-glue')])],
      ['no heat', plate([lay('g', 'join', 'hot-glue'), pva])],
    ],
  ],
  [
    'R69',
    'sealer on the evening of the cement',
    [plate([lay('g', 'join', 'contact-cement'), pva]), 'risk', 'pva'],
    [
      ['a day after', plate([lay('g', 'join', 'contact-cement'), { ...pva, ...cured }])],
      ['on the other face', plate([lay('g', 'join', 'contact-cement', { faces: ['inner'] }), pva], both)],
    ],
  ],
  [
    'R70',
    'tape on loose pigment',
    [
      plate(
        [
          pva,
          lay('p', 'weather', 'pigment-powder'),
          { id: 't', kind: 'mask', zones: ['field'] },
          { id: 'u', kind: 'unmask' },
        ],
        zones,
      ),
      'risk',
      't',
    ],
    [
      [
        'with a clear over it',
        plate(
          [
            pva,
            lay('p', 'weather', 'pigment-powder'),
            { ...varnish, method: 'airbrush', coats: 2 },
            { id: 't', kind: 'mask', zones: ['field'] },
            { id: 'u', kind: 'unmask' },
          ],
          zones,
        ),
      ],
      [
        'on the other zone',
        plate(
          [
            pva,
            lay('p', 'weather', 'pigment-powder', { zones: ['rim'] }),
            { id: 't', kind: 'mask', zones: ['field'] },
            { id: 'u', kind: 'unmask' },
          ],
          zones,
        ),
      ],
    ],
  ],
  [
    'R71',
    'paint on a bare print',
    [plate([scuff, paint], of('pla-print')), 'risk', 'paint'],
    [
      ['over a primer', plate([scuff, lay('p', 'prime', 'acrylic-pu-primer-grey'), paint], of('pla-print'))],
      ['on wood', plate([paint], of('wood'))],
    ],
  ],
  [
    'R72',
    'acrylic with nothing over it, worn',
    [plate([pva, paint]), 'note', 'paint'],
    [
      ['under a varnish', plate([pva, paint, varnish])],
      ['on a piece for the shelf', plate([pva, paint], { event: undefined })],
      ['enamel, which is hard by itself', plate([pva, lay('e', 'base', 'hobby-enamel')])],
      ['under epoxy', plate([pva, paint, lay('e', 'topcoat', 'epoxy-clear', cured)])],
    ],
  ],
  [
    'R73',
    'PVC sanded dry in a room',
    [plate([scuff], of('pvc-pipe'), place({ ventilation: 'window' })), 'stop', 'scuff'],
    [
      ['outdoors', plate([scuff], of('pvc-pipe'), place({ ventilation: 'outdoor' }))],
      ['wet', plate([{ ...scuff, thinWith: 'water' }], of('pvc-pipe'), place({ ventilation: 'window' }))],
    ],
  ],
  [
    'R74',
    'latex on skin',
    [plate([lay('l', 'seal', 'natural-latex')], { onSkin: true }), 'stop', 'l'],
    [
      ['not on skin', plate([lay('l', 'seal', 'natural-latex')])],
      [
        'another sealer on the face that does not touch',
        plate([lay('l', 'seal', 'pva-flex-primer')], { ...both, onSkin: true }),
      ],
    ],
  ],
  [
    'R75',
    'the sealer was never laid, and the paint was',
    [plate([{ ...pva, coats: 1 }, paint], {}, { log: [logged('paint', '10:00')] }), 'risk', 'pva'],
    [
      [
        'laid',
        plate([{ ...pva, coats: 1 }, paint], {}, { log: [logged('pva', '08:00'), logged('paint', '10:00')] }),
      ],
      [
        'one coat of two laid',
        plate([pva, paint], {}, { log: [logged('pva', '08:00'), logged('paint', '10:00')] }),
      ],
    ],
  ],
  [
    'R76',
    'paint that was opened three years ago, of which it keeps one and a half',
    [
      plate(
        [pva, paint],
        {},
        { stock: [{ material: 'craft-acrylic', containerMl: 60, remainingMl: 40, openedOn: '2024-01-01' }] },
      ),
      'risk',
      'paint',
    ],
    [
      [
        'opened last year',
        plate(
          [pva, paint],
          {},
          {
            stock: [{ material: 'craft-acrylic', containerMl: 60, remainingMl: 40, openedOn: '2026-01-01' }],
          },
        ),
      ],
      [
        'a younger tin beside it',
        plate(
          [pva, paint],
          {},
          {
            stock: [
              { material: 'craft-acrylic', containerMl: 60, remainingMl: 40, openedOn: '2024-01-01' },
              { material: 'craft-acrylic', containerMl: 60, remainingMl: 40, openedOn: '2026-12-01' },
            ],
          },
        ),
      ],
    ],
  ],
  [
    'R76',
    'cement that was opened long ago never bonds',
    [
      plate(
        [lay('g', 'join', 'contact-cement')],
        {},
        { stock: [{ material: 'contact-cement', containerMl: 60, remainingMl: 40, openedOn: '2024-01-01' }] },
      ),
      'stop',
      'g',
    ],
    [
      [
        'opened last month',
        plate(
          [lay('g', 'join', 'contact-cement')],
          {},
          {
            stock: [{ material: 'contact-cement', containerMl: 60, remainingMl: 40, openedOn: '2027-01-15' }],
          },
        ),
      ],
      [
        'nothing left of it',
        plate(
          [lay('g', 'join', 'contact-cement')],
          {},
          {
            stock: [
              {
                ...{ material: 'contact-cement', containerMl: 60, remainingMl: 40, openedOn: '2024-01-01' },
                remainingMl: 0,
              },
            ],
          },
        ),
      ],
    ],
  ],
  [
    'O06',
    'straps on before the paint',
    [plate([{ id: 's', kind: 'attach', attaches: 'strap' }, pva, paint]), 'risk', 's'],
    [
      ['after it', plate([pva, paint, { id: 's', kind: 'attach', attaches: 'strap' }])],
      [
        'covered',
        plate([
          { id: 's', kind: 'attach', attaches: 'strap' },
          { id: 'm', kind: 'mask', covers: ['strap'] },
          pva,
          paint,
          { id: 'u', kind: 'unmask' },
        ]),
      ],
    ],
  ],
  [
    'O07',
    'the rim laid with a foam brush beside the painted field',
    [
      plate(
        [
          pva,
          { ...paint, zones: ['field'] },
          lay('rim', 'base', 'craft-acrylic', { method: 'foam-brush', zones: ['rim'] }),
        ],
        zones,
      ),
      'risk',
      'rim',
    ],
    [
      [
        'taped',
        plate(
          [
            pva,
            { ...paint, zones: ['field'] },
            { id: 't', kind: 'mask', zones: ['field'] },
            lay('rim', 'base', 'craft-acrylic', { method: 'foam-brush', zones: ['rim'] }),
            { id: 'u', kind: 'unmask' },
          ],
          zones,
        ),
      ],
      [
        'by foam brush at an edge that is kept by hand',
        plate(
          [
            pva,
            { ...paint, zones: ['field'] },
            lay('rim', 'base', 'craft-acrylic', { method: 'foam-brush', zones: ['rim'] }),
          ],
          { zones: zones.zones?.map((zone) => ({ ...zone, edge: 'by-hand' as const })) ?? [] },
        ),
      ],
      [
        'by sponge along a groove',
        plate(
          [
            pva,
            { ...paint, zones: ['field'] },
            lay('rim', 'base', 'craft-acrylic', { method: 'sponge', zones: ['rim'] }),
          ],
          zones,
        ),
      ],
    ],
  ],
  [
    'O08',
    'tape that stays on',
    [plate([pva, paint, { id: 't', kind: 'mask', zones: ['field'] }], zones), 'risk', 't'],
    [
      [
        'pulled',
        plate([pva, paint, { id: 't', kind: 'mask', zones: ['field'] }, { id: 'u', kind: 'unmask' }], zones),
      ],
      [
        'pulled from that zone',
        plate(
          [
            pva,
            paint,
            { id: 't', kind: 'mask', zones: ['field'] },
            { id: 'u', kind: 'unmask', zones: ['field'] },
          ],
          zones,
        ),
      ],
    ],
  ],
  [
    // Craft acrylic of a light coat is handleable after 60 · max(0.5, 0.6^1.5) = 30 min.
    'O09',
    'chipped the next morning',
    [chipped('2027-02-16T09:00'), 'stop', 'chip'],
    [
      ['after a quarter of an hour', chipped('11:20')],
      [
        'no resist to chip',
        plate([
          { ...pva, coats: 1 },
          { ...paint, film: 'light' },
          { id: 'chip', kind: 'weather', method: 'hand', minutes: 5 },
        ]),
      ],
    ],
  ],
  [
    'O10',
    'paint without a colour',
    [plate([pva, { id: 'paint', kind: 'base', material: 'craft-acrylic' }, varnish]), 'note', 'paint'],
    [
      ['with one', plate([pva, paint, varnish])],
      ['a clear needs none', plate([pva, varnish])],
    ],
  ],
  [
    'O11',
    'a rim with nothing but primer',
    [plate([pva, { ...paint, zones: ['field'] }, varnish], zones), 'risk', 'varnish'],
    [
      ['painted all over', plate([pva, paint, varnish], zones)],
      ['nothing painted yet', plate([pva], zones)],
      [
        'cloth goes on it',
        plate(
          [
            pva,
            { ...paint, zones: ['field'] },
            varnish,
            { id: 'cloth', kind: 'attach', attaches: 'fabric', zones: ['rim'] },
          ],
          zones,
        ),
      ],
    ],
  ],
  [
    'O12',
    'two light coats of a PVA primer on bare foam',
    [
      plate([lay('thin', 'seal', 'pva-flex-primer', { method: 'brush', coats: 2, film: 'light' }), paint]),
      'note',
      'thin',
    ],
    [
      ['three coats of it', plate([{ ...pva, coats: 3 }, paint])],
      [
        'one heavy coat of neoprene',
        plate([lay('n', 'seal', 'neoprene-soft', { method: 'brush', film: 'heavy' }), paint]),
      ],
    ],
  ],
  [
    'O13',
    'glow powder over black',
    [plate([pva, black, lay('g', 'base', 'glow-paint', { coats: 4 })]), 'risk', 'g'],
    [
      ['over white', plate([pva, white, lay('g', 'base', 'glow-paint', { coats: 4 })])],
      ['plain paint over black', plate([pva, black, { ...paint, coats: 3 }])],
    ],
  ],
  [
    'O13',
    'three coats of glow powder',
    [plate([pva, white, lay('g', 'base', 'glow-paint', { coats: 3 })]), 'risk', 'g'],
    [
      ['four', plate([pva, white, lay('g', 'base', 'glow-paint', { coats: 4 })])],
      [
        'four in two steps',
        plate([
          pva,
          white,
          lay('g', 'base', 'glow-paint', { coats: 2 }),
          lay('h', 'base', 'glow-paint', { coats: 2 }),
        ]),
      ],
    ],
  ],
  [
    // 85 gloss units make a mirror, 10 do not.
    'O13',
    'chrome over a satin primer',
    [plate([pva, black, lay('k', 'base', 'chrome-effect-spray', cured)]), 'risk', 'k'],
    [
      [
        'over a gloss black',
        plate([
          pva,
          lay('b', 'base', 'flex-acrylic-gloss', { colour: '#1c1b1b', coats: 2 }),
          lay('k', 'base', 'chrome-effect-spray', cured),
        ]),
      ],
      [
        'plain silver over the primer',
        plate([pva, black, lay('k', 'base', 'metallic-lacquer-spray', { ...cured, colour: '#9a9da0' })]),
      ],
    ],
  ],
  [
    // Masked and painted three times, 45 min apart, in an evening of an hour: pulled on another one.
    'O14',
    'an hour on Saturdays for three coats over tape',
    [taped(3, ['sat'], '10:00', '11:00'), 'risk', 'm'],
    [
      ['an hour every day for one coat', taped(1, everyDay, '10:00', '11:00')],
      ['all day on Saturdays', taped(3, ['sat'], '10:00', '18:00')],
    ],
  ],
];
