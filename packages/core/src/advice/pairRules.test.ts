import type { Build, Piece, Step } from '../model/schema';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { judgeBuild } from './judgeBuild';
import { bendStrainPct } from '../facts/bends';
import { rules } from './rules/index';

/** A plate of heat-sealed foam in a room with extraction, people free all day, and dates far enough for any cure. */
const make = (steps: Step[], piece: Partial<Piece> = {}): Build => {
  const made = sampleBuild({
    pieces: [
      samplePiece({ substrate: { kind: 'eva-foam', thicknessMm: 6, heatSealed: true }, ...piece }, steps),
    ],
  });
  made.places[0]!.ventilation = 'extraction';
  made.events[0] = { id: 'day', name: 'The day', wearAt: '2027-12-06T09:00' };
  return made;
};
const lay = (id: string, kind: Step['kind'], material: string, more: Partial<Step> = {}): Step => ({
  id,
  kind,
  material,
  ...more,
});
const pva = lay('seal', 'seal', 'pva-flex-primer', { method: 'brush', film: 'light' });
const dip = lay('dip', 'seal', 'rubber-dip-spray', { film: 'light' });
const primer = lay('prime', 'prime', 'acrylic-pu-primer-black', { method: 'brush', film: 'light' });
const enamel = lay('enamel', 'base', 'alkyd-gloss-spray', { film: 'light' });
const cured = { waitFor: 'cured' as const };
const polystyrene: Partial<Piece> = { substrate: { kind: 'expanded-polystyrene', thicknessMm: 30 } };
const bend = (bendRadiusMm: number): Partial<Piece> => ({ flex: [{ name: 'side', bendRadiusMm }] });

// For each rule a build that fires it and a near miss that does not; other rules may speak about the same build.
const cases: [rule: string, why: string, fires: Build, near: Build][] = [
  [
    'R01',
    'a solvent spray needs two full water-borne coats under it',
    make([{ ...pva, coats: 1 }, enamel], polystyrene),
    make([{ ...pva, film: 'normal', coats: 2 }, enamel], polystyrene),
  ],
  [
    'R02',
    'hot solvent wet on open foam, against foam that is heat-sealed',
    make([dip], { substrate: { kind: 'eva-foam', thicknessMm: 6 } }),
    make([dip]),
  ],
  [
    'R04',
    'alkyd straight on rubber dip, against a primer between',
    make([dip, enamel]),
    make([dip, { ...primer, film: 'normal' }, enamel]),
  ],
  [
    'R05',
    'a normal coat of lacquer on rubber dip, against a dust coat',
    make([dip, lay('m', 'base', 'metallic-lacquer-spray')]),
    make([dip, lay('m', 'base', 'metallic-lacquer-spray', { film: 'dust' })]),
  ],
  [
    'R06',
    'lacquer two days after alkyd, against waiting for full cure',
    make([pva, primer, enamel, lay('c', 'topcoat', 'gloss-clear-spray')]),
    make([pva, primer, enamel, lay('c', 'topcoat', 'gloss-clear-spray', cured)]),
  ],
  [
    'R09',
    'water-borne on fresh alkyd, against cured and scuffed',
    make([pva, enamel, lay('w', 'base', 'craft-acrylic')]),
    make([pva, enamel, { id: 'scuff', kind: 'sand' }, lay('w', 'base', 'craft-acrylic', cured)]),
  ],
  [
    'R10',
    'anything on silicone, against acrylic caulk',
    make([lay('f', 'fill', 'silicone-caulk'), pva]),
    make([lay('f', 'fill', 'acrylic-caulk'), pva]),
  ],
  [
    'R12',
    'a wash on plain PVA, against a primer between',
    make([lay('s', 'seal', 'pva-thinned'), lay('w', 'weather', 'acrylic-wash')]),
    make([
      lay('s', 'seal', 'pva-thinned'),
      { ...primer, film: 'normal' },
      lay('w', 'weather', 'acrylic-wash'),
    ]),
  ],
  [
    'R13',
    'copper over natural latex, against soft neoprene',
    make([lay('s', 'seal', 'natural-latex'), lay('c', 'base', 'copper-acrylic')]),
    make([lay('s', 'seal', 'neoprene-soft'), lay('c', 'base', 'copper-acrylic')]),
  ],
  // Stretch on a 6 mm part bent to 600 mm is 0.5 %: a mild bend, where only the difference of the films counts.
  [
    'R14',
    'a hard lacquer on soft neoprene that flexes, against one that only hangs',
    make(
      [lay('s', 'seal', 'neoprene-soft'), lay('m', 'base', 'metallic-lacquer-spray', { film: 'dust' })],
      bend(600),
    ),
    make([lay('s', 'seal', 'neoprene-soft'), lay('m', 'base', 'metallic-lacquer-spray', { film: 'dust' })]),
  ],
  // Craft acrylic breaks at 50 %: half is 25 %. (3 + 0.05)/12 = 25.4 %; (3 + 0.05)/13 = 23.5 %.
  [
    'R15',
    'more than half of what the film stands, against less',
    make([pva, lay('p', 'base', 'craft-acrylic')], bend(12)),
    make([pva, lay('p', 'base', 'craft-acrylic')], bend(13)),
  ],
  [
    'R17',
    'tape on rubber dip over skin that heat never opened, against heat first',
    make([dip, lay('p', 'base', 'flex-acrylic'), { id: 't', kind: 'mask' }], {
      substrate: { kind: 'eva-foam', thicknessMm: 6 },
    }),
    make(
      [
        { id: 'h', kind: 'heat-seal', method: 'hot-air' },
        dip,
        lay('p', 'base', 'flex-acrylic'),
        { id: 't', kind: 'mask' },
      ],
      { substrate: { kind: 'eva-foam', thicknessMm: 6 } },
    ),
  ],
  [
    'R18',
    'matte varnish over gloss paint, against satin varnish',
    make([pva, lay('g', 'base', 'flex-acrylic-gloss'), lay('c', 'topcoat', 'matte-varnish')]),
    make([pva, lay('g', 'base', 'flex-acrylic-gloss'), lay('c', 'topcoat', 'satin-varnish')]),
  ],
  [
    'R18',
    'one normal matte coat over gloss, against two in two steps',
    make([pva, lay('g', 'base', 'flex-acrylic-gloss'), lay('c', 'topcoat', 'matte-varnish')]),
    make([
      pva,
      lay('g', 'base', 'flex-acrylic-gloss'),
      lay('c', 'topcoat', 'matte-varnish'),
      lay('d', 'topcoat', 'matte-varnish'),
    ]),
  ],
  [
    'R19',
    'clear on chrome, against clear on plain metallic',
    make([pva, lay('m', 'base', 'chrome-effect-spray'), lay('c', 'topcoat', 'gloss-varnish')]),
    make([pva, lay('m', 'base', 'acrylic-metallic'), lay('c', 'topcoat', 'gloss-varnish')]),
  ],
  [
    'R20',
    'graphite on top, against varnish dusted over it',
    make([pva, lay('g', 'weather', 'graphite-powder')]),
    make([
      pva,
      lay('g', 'weather', 'graphite-powder'),
      lay('c', 'topcoat', 'matte-varnish', { film: 'dust', coats: 2 }),
    ]),
  ],
  [
    'R20',
    'one dust coat over graphite, against one light one',
    make([
      pva,
      lay('g', 'weather', 'graphite-powder'),
      lay('c', 'topcoat', 'matte-varnish', { film: 'dust' }),
    ]),
    make([
      pva,
      lay('g', 'weather', 'graphite-powder'),
      lay('c', 'topcoat', 'matte-varnish', { film: 'light' }),
    ]),
  ],
  [
    'R21',
    'solvent clear on marker, against a water-borne one',
    make([pva, lay('m', 'detail', 'alcohol-marker'), lay('c', 'topcoat', 'matte-clear-spray')]),
    make([pva, lay('m', 'detail', 'alcohol-marker'), lay('c', 'topcoat', 'matte-varnish')]),
  ],
  [
    'R22',
    'oil wash on enamel of two days, against cured enamel',
    make([pva, primer, enamel, lay('o', 'weather', 'oil-wash')]),
    make([pva, primer, enamel, lay('o', 'weather', 'oil-wash', cured)]),
  ],
  [
    'R23',
    'panel wash on bare foam, against sealed foam',
    make([lay('w', 'weather', 'panel-wash')]),
    make([{ ...pva, film: 'normal' }, lay('w', 'weather', 'panel-wash')]),
  ],
  [
    'R24',
    'two coats over the resist, against one light one',
    make([
      pva,
      lay('r', 'weather', 'chip-resist'),
      lay('p', 'base', 'flex-acrylic', { coats: 2, film: 'light' }),
    ]),
    make([pva, lay('r', 'weather', 'chip-resist'), lay('p', 'base', 'flex-acrylic', { film: 'light' })]),
  ],
  [
    'R09',
    'a light coat on graphite, against one of dust and then a light one',
    make([
      pva,
      lay('g', 'weather', 'graphite-powder'),
      lay('c', 'topcoat', 'matte-varnish', { film: 'light' }),
    ]),
    make([
      pva,
      lay('g', 'weather', 'graphite-powder'),
      lay('m', 'topcoat', 'matte-varnish', { film: 'dust' }),
      lay('c', 'topcoat', 'matte-varnish', { film: 'light' }),
    ]),
  ],
  [
    'R24',
    'two light coats in two steps, against two of dust',
    make([
      pva,
      lay('r', 'weather', 'chip-resist'),
      lay('p', 'base', 'flex-acrylic', { film: 'light' }),
      lay('q', 'base', 'flex-acrylic', { film: 'light' }),
    ]),
    make([
      pva,
      lay('r', 'weather', 'chip-resist'),
      lay('p', 'base', 'flex-acrylic', { film: 'dust' }),
      lay('q', 'base', 'flex-acrylic', { film: 'dust' }),
    ]),
  ],
  [
    'R24',
    'a primer over the resist, against one after it was chipped',
    make([pva, lay('r', 'weather', 'chip-resist'), lay('p', 'prime', 'acrylic-pu-primer-grey')]),
    make([
      pva,
      lay('r', 'weather', 'chip-resist'),
      lay('q', 'base', 'flex-acrylic', { film: 'light' }),
      { id: 'chip', kind: 'weather', method: 'wipe' },
      lay('p', 'prime', 'acrylic-pu-primer-grey'),
    ]),
  ],
  [
    'R24',
    'a dust of a flat spray over the resist, against one of airbrushed acrylic',
    make([pva, lay('r', 'weather', 'chip-resist'), lay('p', 'base', 'alkyd-flat-spray', { film: 'dust' })]),
    make([pva, lay('r', 'weather', 'chip-resist'), lay('p', 'base', 'airbrush-acrylic', { film: 'dust' })]),
  ],
  [
    'R25',
    'epoxy on acrylic that dries for an hour, against a day',
    make([pva, lay('p', 'base', 'craft-acrylic'), lay('e', 'topcoat', 'epoxy-clear')]),
    make([pva, lay('p', 'base', 'craft-acrylic'), lay('e', 'topcoat', 'epoxy-clear', { waitFor: 'day' })]),
  ],
  [
    'R25',
    'epoxy on fresh acrylic, against cured acrylic',
    make([pva, lay('p', 'base', 'craft-acrylic'), lay('e', 'topcoat', 'epoxy-clear')]),
    make([pva, lay('p', 'base', 'craft-acrylic'), lay('e', 'topcoat', 'epoxy-clear', cured)]),
  ],
  [
    'R26',
    'epoxy poured 4 mm deep, against 3 mm',
    make([pva, lay('e', 'topcoat', 'epoxy-clear', { ...cured, pourMm: 4 })]),
    make([pva, lay('e', 'topcoat', 'epoxy-clear', { ...cured, pourMm: 3 })]),
  ],
  [
    'R30',
    'cement on paint, against cement on the tab that was kept bare',
    make([pva, lay('g', 'join', 'contact-cement')]),
    make([pva, lay('g', 'join', 'contact-cement', { bondArea: 'tab' })], { keepBare: ['tab'] }),
  ],
  [
    'R32',
    'hot air on PVC, against no heat',
    make([{ id: 'h', kind: 'heat-seal', method: 'hot-air' }], {
      substrate: { kind: 'pvc-pipe', thicknessMm: 3 },
    }),
    make([primer], { substrate: { kind: 'pvc-pipe', thicknessMm: 3 } }),
  ],
  [
    'R33',
    'heat on painted thermoplastic, against heat before paint',
    make([primer, { id: 'h', kind: 'heat-seal', method: 'hot-air' }], {
      substrate: { kind: 'thermoplastic-sheet', thicknessMm: 2 },
    }),
    make([{ id: 'h', kind: 'heat-seal', method: 'hot-air' }, primer], {
      substrate: { kind: 'thermoplastic-sheet', thicknessMm: 2 },
    }),
  ],
  // Epoxy sets in the cup after 30 min; 12 000 cm² by brush at 2 m²/h take 36 min, 9 000 cm² take 27.
  [
    'R36',
    'more epoxy mixed than can be laid in half an hour, against a smaller face',
    make([pva, lay('e', 'topcoat', 'epoxy-clear', { ...cured, method: 'brush' })], {
      faces: { outer: { areaCm2: 12_000 } },
    }),
    make([pva, lay('e', 'topcoat', 'epoxy-clear', { ...cured, method: 'brush' })], {
      faces: { outer: { areaCm2: 9_000 } },
    }),
  ],
  [
    'R37',
    'sealer with 16 % of tint, against 15 %',
    make([{ ...pva, tintPct: 16 }]),
    make([{ ...pva, tintPct: 15 }]),
  ],
  // PVA 50.4 µm and craft acrylic 25.6 µm a coat: 76 µm against half of 0.15 mm (75) and of 0.16 mm (80).
  [
    'R38',
    'films over half the detail, against just under',
    make([{ ...pva, film: 'normal' }, lay('p', 'base', 'craft-acrylic')], { finestDetailMm: 0.15 }),
    make([{ ...pva, film: 'normal' }, lay('p', 'base', 'craft-acrylic')], { finestDetailMm: 0.16 }),
  ],
  // Satin varnish is 30 gloss units, satin; matte varnish 10, matte.
  [
    'R39',
    'matte wanted and satin on top, against matte on top',
    make([pva, lay('c', 'topcoat', 'satin-varnish')], { wantsSheen: 'matte' }),
    make([pva, lay('c', 'topcoat', 'matte-varnish')], { wantsSheen: 'matte' }),
  ],
  [
    'R40',
    'two-part urethane, against an acrylic varnish',
    make([pva, lay('c', 'topcoat', 'urethane-2k-clear')]),
    make([pva, lay('c', 'topcoat', 'gloss-varnish')]),
  ],
  // The seal of 10 min is packable a day after it is laid at 08:07 on 15 February, for a film of 0.6: 1440 · 0.36 = 518 min.
  [
    'R41',
    'bagged the same noon, against the next morning',
    make([pva], { packedAt: '2027-02-15T12:00' }),
    make([pva], { packedAt: '2027-02-16T08:00' }),
  ],
  // White glows through one thin coat of yellow, and less and less through more.
  [
    'O05',
    'yellow once over black, against yellow often enough over white',
    make([pva, primer, lay('y', 'base', 'craft-acrylic', { colour: '#f4c20d' })]),
    make([
      pva,
      lay('w', 'prime', 'acrylic-pu-primer-white', { coats: 2 }),
      lay('y', 'base', 'craft-acrylic', { colour: '#f4c20d', coats: 5 }),
    ]),
  ],
  // Whatever the red lets through, black over it hides.
  [
    'O05',
    'a thin red that stays, against one that black goes over',
    make([pva, primer, lay('r', 'base', 'craft-acrylic', { colour: '#b2202c', film: 'light' })]),
    make([
      pva,
      primer,
      lay('r', 'base', 'craft-acrylic', { colour: '#b2202c', film: 'light' }),
      lay('b', 'base', 'craft-acrylic', { colour: '#1c1b1b', coats: 2 }),
    ]),
  ],
  [
    'O05',
    'a dust of white that stays, against one for grip under two coats of another paint',
    make([pva, primer, lay('w', 'base', 'craft-acrylic', { colour: '#f7f7f3', film: 'dust' })]),
    make([
      pva,
      primer,
      lay('w', 'base', 'craft-acrylic', { colour: '#f7f7f3', film: 'dust' }),
      lay('b', 'base', 'craft-acrylic', { colour: '#1c1b1b', coats: 2 }),
    ]),
  ],
];

const saying = (build: Build, rule: string) => judgeBuild(build).filter((finding) => finding.rule === rule);

describe('pair and stack rules', () => {
  it.each(cases)('%s: %s', (rule, _why, fires, near) => {
    expect(saying(fires, rule)).toHaveLength(1);
    expect(saying(near, rule)).toEqual([]);
  });

  it('R35: a spray can in a room without extraction, against one outdoors', () => {
    const indoors = make([dip]);
    indoors.places[0]!.ventilation = 'window';
    const outdoors = make([dip]);
    outdoors.places[0]!.ventilation = 'outdoor';
    expect(saying(indoors, 'R35')).toHaveLength(1);
    expect(saying(outdoors, 'R35')).toEqual([]);
  });

  it('R15 is a stop from what the film stands on, a risk from half of that, and a note where cracks are wanted', () => {
    const severity = (radius: number, more: Partial<Step> = {}) =>
      saying(make([pva, lay('p', 'base', 'craft-acrylic', more)], bend(radius)), 'R15').map(
        (finding) => finding.severity,
      );
    // (3 + 0.05)/6 = 50.8 %, (3 + 0.05)/6.2 = 49.2 % of 50.
    expect(severity(6)).toEqual(['stop']);
    expect(severity(6.2)).toEqual(['risk']);
    expect(severity(12)).toEqual(['risk']);
    expect(severity(12, { wanted: ['cracking'] })).toEqual(['note']);
  });

  it('R36 is settled by mixing in lots, as it says itself', () => {
    const steps = (mixes: number) => [
      pva,
      lay('e', 'topcoat', 'epoxy-clear', { ...cured, method: 'brush', mixes }),
    ];
    const large = { faces: { outer: { areaCm2: 12_000 } } };
    expect(saying(make(steps(1), large), 'R36')[0]!.ideas[0]!.label).toBe('Mix it in 2 lots');
    expect(saying(make(steps(2), large), 'R36')).toEqual([]);
  });

  it('R41 looks ahead: what still sticks at packing time is said before it is packed', () => {
    // Decoupage medium sticks for a week; the event is packed for after two days.
    const build = make([lay('s', 'seal', 'decoupage-gloss')]);
    build.events[0] = {
      id: 'day',
      name: 'The day',
      packAt: '2027-02-17T08:00',
      wearAt: '2027-03-06T09:00',
    };
    expect(saying(build, 'R41')).toEqual([
      expect.objectContaining({
        severity: 'stop',
        step: 's',
        message: expect.stringContaining('Wed 17 Feb, 08:00'),
      }),
    ]);
  });

  it('O05 offers no more coats of what cracks when it is thick', () => {
    const lacquer = lay('y', 'base', 'metallic-lacquer-spray', { colour: '#f4c20d', film: 'light' });
    const labels = (below: Step) => saying(make([below, lacquer]), 'O05').map(({ ideas }) => ideas[0]?.label);
    // Lacquer stretches 8 %, and breaks on rubber that stretches 400 %; on lacquer primer, 8 % too, it holds.
    expect(labels(lay('p', 'prime', 'lacquer-primer-spray', { coats: 2 }))).toEqual(['4 coats']);
    expect(labels(lay('d', 'seal', 'rubber-dip-spray', { coats: 3, film: 'light' }))).toEqual([
      'Acrylic-urethane primer white below it, and 2 coats',
    ]);
  });

  it('O05 is a note where the undercoat is meant to show, and where the colour is only a shade off', () => {
    const yellow = (more: Partial<Step>) =>
      saying(
        make([
          pva,
          lay('w', 'prime', 'acrylic-pu-primer-white', { coats: 2 }),
          lay('y', 'base', 'craft-acrylic', { colour: '#f4c20d', ...more }),
        ]),
        'O05',
      ).map((finding) => finding.severity);
    expect(yellow({ coats: 1 })).toEqual(['risk']);
    expect(yellow({ coats: 1, wanted: ['undercoat-shows'] })).toEqual(['note']);
    expect(yellow({ coats: 2, film: 'light' })).toEqual(['note']);
    expect(yellow({ coats: 3 })).toEqual([]);
  });

  it('strain is half the foam and the film over the radius', () => {
    // (3 + 0.1)/50 = 6.2 %
    expect(bendStrainPct(6, 100, 50)).toBeCloseTo(6.2, 9);
  });

  it('speaks about water over wax as a stop', () => {
    expect(
      saying(make([pva, lay('x', 'weather', 'metal-wax'), lay('c', 'topcoat', 'matte-varnish')]), 'R09').map(
        (finding) => finding.severity,
      ),
    ).toEqual(['stop']);
  });

  it('does not depend on the order of the pieces', () => {
    const [, , first] = cases[2]!;
    const other = { ...samplePiece({ id: 'other' }), steps: [pva, primer] };
    const there = judgeBuild({ ...first, pieces: [...first.pieces, other] });
    const back = judgeBuild({ ...first, pieces: [other, ...first.pieces] });
    const key = (list: typeof there) =>
      list.map((finding) => `${finding.piece} ${finding.rule} ${finding.step}`).sort();
    expect(key(back)).toEqual(key(there));
  });

  it('has every rule once, by its number', () => {
    const ids = rules.map((rule) => rule.id);
    expect(new Set(ids).size).toBe(ids.length);
    expect([...ids].filter((id) => id.startsWith('R'))).toEqual(
      [...ids].filter((id) => id.startsWith('R')).sort(),
    );
  });
});
