import type { Build, OwnMaterial, Piece, Place, Step } from '../model/schema';
import { lay, logged, plate, sayings } from '../testing/ruleCases';

/** A build that fires a rule, with the severity and the step that it fires at, and two near misses. */
type Case = [rule: string, why: string, fires: [Build, string, string], near: [string, Build][]];

const pva = lay('pva', 'seal', 'pva-flex-primer', { method: 'brush', coats: 2 });
const paint = lay('paint', 'base', 'craft-acrylic', { method: 'brush', colour: '#446688' });
const varnish = lay('varnish', 'topcoat', 'satin-varnish', { method: 'brush' });
const heat: Step = { id: 'heat', kind: 'heat-seal', method: 'hot-air' };
const scuff: Step = { id: 'scuff', kind: 'sand', method: 'sand' };
const cured = { waitFor: 'cured' as const };

const both: Partial<Piece> = { faces: { outer: { areaCm2: 600 }, inner: { areaCm2: 580 } } };
const zones: Partial<Piece> = {
  zones: [
    { id: 'field', name: 'Field', share: 0.7, edgeMm: 900 },
    { id: 'rim', name: 'Rim', share: 0.3, edgeMm: 900 },
  ],
};
const of = (kind: Piece['substrate']['kind'], more: Partial<Piece['substrate']> = {}): Partial<Piece> => ({
  substrate: { kind, thicknessMm: 6, ...more },
});
const place = (change: Partial<Place>): Partial<Build> => ({
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

const cases: Case[] = [
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
    [plate([{ ...pva, coats: 1 }], {}, event({ wearAt: '2027-02-15T20:00' })), 'stop', 'pva'],
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
    [plate([lay('l', 'seal', 'natural-latex')], { onSkin: true }), 'risk', 'l'],
    [
      ['not on skin', plate([lay('l', 'seal', 'natural-latex')])],
      [
        'on the face that does not touch',
        plate([lay('l', 'seal', 'natural-latex')], { ...both, onSkin: true }),
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
    'the rim sponged beside the painted field',
    [
      plate(
        [
          pva,
          { ...paint, zones: ['field'] },
          lay('rim', 'base', 'craft-acrylic', { method: 'sponge', zones: ['rim'] }),
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
            lay('rim', 'base', 'craft-acrylic', { method: 'sponge', zones: ['rim'] }),
            { id: 'u', kind: 'unmask' },
          ],
          zones,
        ),
      ],
      [
        'by brush',
        plate(
          [
            pva,
            { ...paint, zones: ['field'] },
            lay('rim', 'base', 'craft-acrylic', { method: 'brush', zones: ['rim'] }),
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
    [
      plate(
        [
          { ...pva, coats: 1 },
          lay('r', 'weather', 'chip-resist'),
          { ...paint, film: 'light' },
          { id: 'chip', kind: 'weather', method: 'wipe', minutes: 5 },
        ],
        {},
        {
          log: [
            logged('pva', '08:00'),
            logged('r', '10:00'),
            logged('paint', '11:00'),
            logged('chip', '2027-02-16T09:00'),
          ],
        },
      ),
      'stop',
      'chip',
    ],
    [
      [
        'after a quarter of an hour',
        plate(
          [
            { ...pva, coats: 1 },
            lay('r', 'weather', 'chip-resist'),
            { ...paint, film: 'light' },
            { id: 'chip', kind: 'weather', method: 'wipe', minutes: 5 },
          ],
          {},
          {
            log: [
              logged('pva', '08:00'),
              logged('r', '10:00'),
              logged('paint', '11:00'),
              logged('chip', '11:20'),
            ],
          },
        ),
      ],
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
];

describe('a rule', () => {
  it.each(cases)('%s: %s', (rule, _why, [build, severity, step], near) => {
    expect(sayings(build, rule)).toEqual([expect.objectContaining({ severity, step })]);
    for (const [what, other] of near)
      expect([what, sayings(other, rule).map(({ message }) => message)]).toEqual([what, []]);
  });
});

describe('what a film is, not what it is called', () => {
  const dip = lay('dip', 'seal', 'rubber-dip-spray', { film: 'light' });
  const enamel = lay('enamel', 'base', 'hobby-enamel', { film: 'light' });
  const primer = lay('prime', 'prime', 'acrylic-pu-primer-grey');
  const severities = (steps: Step[], rule: string, more: Partial<Build> = {}, piece: Partial<Piece> = {}) =>
    sayings(plate(steps, piece, more), rule).map(({ severity }) => severity);

  it('looks through what is thin, wiped, brushed nearly dry or laid in places, and not through a full coat', () => {
    expect(severities([dip, enamel], 'R04')).toEqual(['stop']);
    expect(severities([dip, primer, enamel], 'R04')).toEqual([]);
    for (const open of [
      { ...primer, film: 'dust' as const },
      { ...primer, coversPct: 60 },
      { ...primer, placement: 'patches' as const },
      lay('w', 'weather', 'acrylic-wash'),
      lay('w', 'weather', 'dry-brush-acrylic', { method: 'dry-brush', placement: 'all' }),
      lay('w', 'weather', 'graphite-powder', { placement: 'all' }),
    ])
      expect([open, severities([dip, open, enamel], 'R04')]).toEqual([open, ['stop']]);
    // Two thin coats make a closed one: 0.6 + 0.6 of a normal coat is over 0.9 of it; three dust coats are 1.05.
    expect(severities([dip, { ...primer, film: 'light', coats: 2 }, enamel], 'R04')).toEqual([]);
    expect(severities([dip, { ...primer, film: 'dust', coats: 3 }, enamel], 'R04')).toEqual([]);
  });

  it('knows where a coat lies: what sits in the recesses is not under the high points', () => {
    const wax = (placement: Step['placement']) => lay('x', 'weather', 'metal-wax', { placement });
    const wash = lay('w', 'weather', 'acrylic-wash', { placement: 'recesses' });
    expect(severities([pva, wax('high-points'), wash], 'R09')).toEqual([]);
    expect(severities([pva, wax('recesses'), wash], 'R09')).toEqual(['stop']);
  });

  it('goes by properties in own tins as well, whatever they are called', () => {
    const tins: OwnMaterial[] = [
      { id: 't1', extends: 'copper-acrylic', name: 'Old penny' },
      { id: 't2', extends: 'natural-latex', name: 'Milk' },
      { id: 't3', extends: 'chrome-effect-spray', name: 'Mirror' },
      { id: 't4', extends: 'graphite-powder', name: 'Pencil dust' },
      { id: 't5', extends: 'hot-glue', name: 'Sticks' },
      { id: 't6', extends: 'pva-thinned', name: 'School glue' },
      {
        id: 't7',
        name: 'Car clear',
        role: 'topcoat',
        binder: 'Polyurethane',
        carrier: 'solvent',
        potLife: 240,
      },
      {
        id: 't8',
        name: 'Tractor paint',
        role: 'paint',
        binder: 'Enamel',
        carrier: 'solvent',
        solvent: 2,
        recoat: '60-',
      },
    ];
    const own = { materials: tins };
    expect(severities([lay('l', 'seal', 't2'), lay('c', 'base', 't1')], 'R13', own)).toEqual(['stop']);
    expect(severities([lay('c', 'base', 't1'), lay('l', 'seal', 't2')], 'R13', own)).toEqual(['stop']);
    expect(severities([pva, lay('c', 'base', 't3'), varnish], 'R19', own)).toEqual(['risk']);
    expect(severities([pva, lay('g', 'weather', 't4'), varnish], 'R09', own)).toEqual(['risk']);
    expect(severities([pva, lay('g', 'attach', 't5')], 'R27', own)).toEqual(['risk']);
    expect(severities([lay('s', 'seal', 't6'), lay('w', 'weather', 'acrylic-wash')], 'R12', own)).toEqual([
      'risk',
    ]);
    expect(severities([pva, lay('c', 'topcoat', 't7', { method: 'brush' })], 'R40', own)).toEqual(['stop']);
    expect(severities([dip, lay('e', 'base', 't8', { method: 'brush' })], 'R04', own)).toEqual(['stop']);
    // A one-part water-borne urethane holds none.
    expect(severities([pva, lay('c', 'topcoat', 'urethane-1k-clear')], 'R40')).toEqual([]);
  });

  it('names step, zone and face', () => {
    const [finding] = sayings(
      plate(
        [
          pva,
          { ...dip, zones: ['rim'], faces: ['inner', 'outer'] },
          { ...enamel, zones: ['rim'], faces: ['inner'] },
        ],
        {
          ...both,
          ...zones,
        },
      ),
      'R04',
    );
    expect(finding).toMatchObject({
      where: 'step 3, Hobby enamel · Rim, inner face',
      zone: 'rim',
      face: 'inner',
    });
  });
});

describe('mended rules', () => {
  const found = (steps: Step[], rule: string, piece: Partial<Piece> = {}, build: Partial<Build> = {}) =>
    sayings(plate(steps, piece, build), rule).map(({ severity, step }) => `${severity} ${step}`);
  const styrene = of('expanded-polystyrene');
  const enamel = lay('enamel', 'base', 'hobby-enamel');
  const fabric: Step = { id: 'cloth', kind: 'attach', attaches: 'fabric' };

  it('R01 speaks of dust coats and of cement too, until two full water-borne coats lie closed', () => {
    expect(found([lay('d', 'seal', 'rubber-dip-spray', { film: 'dust' })], 'R01', styrene)).toEqual([
      'stop d',
    ]);
    expect(found([lay('g', 'join', 'contact-cement')], 'R01', styrene)).toEqual(['stop g']);
    expect(found([pva, lay('g', 'join', 'contact-cement')], 'R01', styrene)).toEqual([]);
    // Two dust coats are 0.7 of a full one, of two that are needed.
    expect(found([{ ...pva, film: 'dust' }, lay('d', 'seal', 'rubber-dip-spray')], 'R01', styrene)).toEqual([
      'stop d',
    ]);
    expect(found([lay('g', 'join', 'hot-glue-low')], 'R01', styrene)).toEqual([]);
  });

  it('R07 is quiet after scuffing on a cured film', () => {
    // A resin that takes the next coat for two hours and then no more.
    const materials: OwnMaterial[] = [
      { id: 'shut', extends: 'satin-varnish', name: 'Shut', recoat: '30-120' },
    ];
    const log = [logged('pva', '08:00'), logged('pva', '09:00', { coat: 2 }), logged('shut', '10:00')];
    const shut = lay('shut', 'topcoat', 'shut');
    const next = logged('paint', '2027-02-20T10:00');
    expect(found([pva, shut, paint], 'R07', {}, { materials, log: [...log, next] })).toEqual(['stop paint']);
    expect(
      found(
        [pva, shut, scuff, paint],
        'R07',
        {},
        {
          materials,
          log: [...log, logged('scuff', '2027-02-20T09:00'), next],
        },
      ),
    ).toEqual([]);
  });

  it('R09 lets a wash of enamel cure and asks for no scuffing, but does of a whole coat', () => {
    const wash = lay('w', 'weather', 'panel-wash');
    expect(found([pva, paint, wash, { ...paint, id: 'p2' }], 'R09')).toEqual(['risk p2']);
    expect(found([pva, paint, wash, { ...paint, id: 'p2', ...cured }], 'R09')).toEqual([]);
    expect(found([pva, enamel, { ...paint, ...cured }], 'R09')).toEqual(['risk paint']);
    expect(found([pva, enamel, scuff, { ...paint, ...cured }], 'R09')).toEqual([]);
  });

  it('R11 minds heat and sanding, by the real thickness of what was filled', () => {
    const clay = lay('clay', 'fill', 'foam-clay', { pourMm: 5 });
    const caulk = lay('caulk', 'fill', 'acrylic-caulk');
    // Clay of 5 mm: 1440 label min at 21 °C and 50 %, so until 09:00 the next day.
    expect(
      found([clay, heat], 'R11', {}, { log: [logged('clay', '09:00'), logged('heat', '19:00')] }),
    ).toEqual(['stop heat']);
    expect(
      found([clay, heat], 'R11', {}, { log: [logged('clay', '09:00'), logged('heat', '2027-02-16T10:00')] }),
    ).toEqual([]);
    // 1 mm is a fifth: 1440 · max(0, 0.2^1.5 = 0.0894) = 129 min.
    expect(
      found(
        [{ ...clay, pourMm: 1 }, heat],
        'R11',
        {},
        { log: [logged('clay', '09:00'), logged('heat', '12:00')] },
      ),
    ).toEqual([]);
    // Caulk has no time for sanding on its label: dry through after 120 min.
    expect(
      found([caulk, scuff], 'R11', {}, { log: [logged('caulk', '09:00'), logged('scuff', '10:00')] }),
    ).toEqual(['stop scuff']);
    expect(
      found([caulk, scuff], 'R11', {}, { log: [logged('caulk', '09:00'), logged('scuff', '11:30')] }),
    ).toEqual([]);
  });

  it('R12 speaks inside against sweat, and not of a dry brush', () => {
    const glue = lay('s', 'seal', 'pva-thinned');
    expect(found([glue, lay('d', 'weather', 'dry-brush-acrylic', { method: 'dry-brush' })], 'R12')).toEqual(
      [],
    );
    expect(found([{ ...glue, faces: ['inner'] }], 'R12', both)).toEqual(['risk s']);
    expect(
      found(
        [
          { ...glue, faces: ['inner'] },
          { ...varnish, faces: ['inner'] },
        ],
        'R12',
        both,
      ),
    ).toEqual([]);
  });

  it('R14 is a risk at any bend and a stop where it is stretched far, with its numbers; R15 is silent then', () => {
    const steps = [
      lay('n', 'seal', 'neoprene-soft'),
      lay('m', 'base', 'metallic-lacquer-spray', { film: 'dust' }),
    ];
    const bend = (bendRadiusMm: number): Partial<Piece> => ({ flex: [{ name: 'side', bendRadiusMm }] });
    // (3 + 0.08)/200 = 1.5 % of 8: under a quarter; (3 + 0.08)/100 = 3.1 %: over it.
    expect(found(steps, 'R14', bend(200))).toEqual(['risk m']);
    expect(found(steps, 'R14', bend(100))).toEqual(['stop m']);
    expect(found(steps, 'R15', bend(100))).toEqual([]);
    expect(sayings(plate(steps, bend(100)), 'R14')[0]!.message).toContain(
      '3.1 % at side and stands 8 % once',
    );
    expect(found(steps, 'R14')).toEqual([]);
  });

  it('R15 takes “cracking wanted” only for the film it was said of', () => {
    const bend = { flex: [{ name: 'side', bendRadiusMm: 11 }] };
    const wanted = { ...paint, wanted: ['cracking' as const] };
    expect(found([pva, wanted, { ...paint, id: 'p2' }], 'R15', bend)).toEqual(['stop p2', 'note paint']);
  });

  it('R27 names the film on top, and minds heat through thin foam from the other face', () => {
    const thin = { ...both, ...of('eva-foam', { thicknessMm: 2, heatSealed: true }) };
    const inside: Step = { ...heat, faces: ['inner'] };
    expect(sayings(plate([pva, paint, heat]), 'R27')[0]).toMatchObject({ below: 'craft-acrylic' });
    expect(found([pva, inside], 'R27', thin)).toEqual(['risk heat']);
    expect(found([pva, inside], 'R27', both)).toEqual([]);
    expect(found([pva, { ...heat, wanted: ['short-reheat'] }], 'R27')).toEqual([]);
  });

  it('R28 lets burned and ground lines be, and a short pass that is meant', () => {
    const texture = (more: Partial<Step>): Step => ({ id: 't', kind: 'texture', ...more });
    const thin = { ...both, ...of('eva-foam', { thicknessMm: 2 }) };
    expect(found([texture({}), heat], 'R28')).toEqual(['stop heat']);
    expect(found([texture({ texture: 'burned' }), heat], 'R28')).toEqual([]);
    expect(found([texture({ texture: 'ground' }), heat], 'R28')).toEqual([]);
    expect(found([texture({ method: 'sand' }), heat], 'R28')).toEqual([]);
    expect(found([texture({}), { ...heat, wanted: ['short-reheat'] }], 'R28')).toEqual([]);
    expect(found([texture({}), { ...heat, faces: ['inner'] }], 'R28', thin)).toEqual(['stop heat']);
    expect(found([texture({}), { ...heat, faces: ['inner'] }], 'R28', both)).toEqual([]);
  });

  it('R30 goes by face and by which area was kept bare', () => {
    const cement = (more: Partial<Step> = {}) => lay('g', 'join', 'contact-cement', more);
    expect(found([pva, cement()], 'R30', { keepBare: ['zip'] })).toEqual(['risk g']);
    expect(found([pva, cement({ bondArea: 'tab' })], 'R30', { keepBare: ['zip', 'tab'] })).toEqual([]);
    expect(found([pva, cement({ bondArea: 'tab' })], 'R30', { keepBare: ['zip'] })).toEqual(['risk g']);
    expect(found([pva, cement({ faces: ['inner'] })], 'R30', both)).toEqual([]);
  });

  it('R31 knows tape, faces, and cloth that is meant to be painted', () => {
    const tape: Step = { id: 'm', kind: 'mask' };
    expect(found([pva, fabric, varnish], 'R31')).toEqual(['risk cloth']);
    expect(found([pva, fabric, tape, varnish, { id: 'u', kind: 'unmask' }], 'R31')).toEqual([]);
    expect(found([pva, { ...fabric, faces: ['inner'] }, varnish], 'R31', both)).toEqual([]);
    expect(found([pva, { ...fabric, wanted: ['painted-cloth'] }, varnish], 'R31')).toEqual([]);
  });

  it('R32 minds PVC inside a piece of something else', () => {
    expect(found([heat], 'R32', of('thermoplastic-sheet', { over: ['eva-foam', 'pvc-pipe'] }))).toEqual([
      'stop heat',
    ]);
    expect(found([heat], 'R32', of('thermoplastic-sheet', { over: ['eva-foam'] }))).toEqual([]);
  });

  it('R34 minds the dew point for epoxy, and what was laid when nobody measured', () => {
    // 21 °C and 84 % is within 3 °C of the dew point, 18.2 °C; the label of the epoxy allows 85 %.
    const damp = place({ climate: { kind: 'constant', temperatureC: 21, humidityPct: 84 } });
    expect(found([lay('e', 'topcoat', 'epoxy-clear')], 'R34', {}, damp)).toEqual(['stop e']);
    expect(found([lay('p', 'weather', 'pigment-powder')], 'R34', {}, damp)).toEqual([]);
    const log = [logged('pva', '09:00'), logged('pva', '11:00', { coat: 2 })];
    expect(found([pva], 'R34', {}, { ...damp, log })).toEqual(['risk pva']);
    expect(
      found(
        [pva],
        'R34',
        {},
        { ...damp, log: log.map((one) => ({ ...one, temperatureC: 21, humidityPct: 84 })) },
      ),
    ).toEqual(['stop pva']);
  });

  it('R41 speaks only of paint that is laid by then', () => {
    const packed = { packedAt: '2027-02-15T12:00' };
    expect(found([{ ...pva, coats: 1 }], 'R41', packed)).toEqual(['stop pva']);
    expect(found([{ ...pva, coats: 1 }], 'R41', packed, { start: '2027-02-16T08:00' })).toEqual([]);
  });
});
