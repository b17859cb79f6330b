import { describe, expect, it } from '@jest/globals';
import type { Build, Piece, Step } from '../model/schema';
import { planBuild } from '../schedule/answers/planBuild';
import { lay, logged, plate, sayings } from '../testing/ruleCases';
import { judgeBuild } from './judgeBuild';
import { searchWaysOut } from './waysOut';

// What must never pass in silence, each with two neighbours of which nothing is said (docs/domain.md, "The rules").
const pva = lay('pva', 'seal', 'pva-flex-primer', { coats: 3 });
const paint = lay('paint', 'base', 'flex-acrylic', { colour: '#446688', coats: 2 });
const lacquer = lay('lacquer', 'base', 'metallic-lacquer-spray', { film: 'light', colour: '#888888' });
const cement = lay('glue', 'join', 'contact-cement');
const heat: Step = { id: 'heat', kind: 'heat-seal', method: 'hot-air' };
const of = (kind: Piece['substrate']['kind'], more: Partial<Piece> = {}): Partial<Piece> => ({
  substrate: { kind, thicknessMm: 4 },
  ...more,
});
const events = (more: Partial<Build['events'][number]>): Partial<Build> => ({
  events: [{ id: 'day', name: 'The day', wearAt: '2027-12-06T09:00', ...more }],
});
const worst = (rule: string, steps: Step[], piece: Partial<Piece> = {}, build: Partial<Build> = {}) =>
  sayings(plate(steps, piece, build), rule).map(({ severity, step }) => `${severity} ${step ?? 'piece'}`);
const log = (...entries: [step: string, at: string][]): Partial<Build> => ({
  log: entries.map(([step, at]) => ({
    ...logged(step, at),
    ...(step === 'heat' || step === 'burn' ? { face: undefined } : {}),
  })),
});

describe('thinners', () => {
  const thinned = (step: Step, thinWith: Step['thinWith']): Step => ({ ...step, thinWith, thinPct: 10 });
  it('R77 stops water in what a solvent carries, and white spirit in what water carries', () => {
    const enamel = lay('enamel', 'base', 'hobby-enamel', { colour: '#333333' });
    expect(worst('R77', [pva, thinned(enamel, 'water')])).toEqual(['stop enamel']);
    expect(worst('R77', [pva, thinned(paint, 'white-spirit')])).toEqual(['stop paint']);
    expect(worst('R77', [pva, thinned(enamel, 'white-spirit')])).toEqual([]);
    expect(worst('R77', [pva, thinned(paint, 'water')])).toEqual([]);
    // What the label says is the label's business.
    expect(worst('R77', [pva, thinned(enamel, 'own-thinner')])).toEqual([]);
  });
});

describe('tools', () => {
  it('R78 stops a can by brush and epoxy through an airbrush', () => {
    expect(worst('R78', [pva, { ...lacquer, method: 'brush' }])).toEqual(['stop lacquer']);
    expect(worst('R78', [pva, lay('clear', 'topcoat', 'epoxy-clear', { method: 'airbrush' })])).toEqual([
      'stop clear',
    ]);
    expect(worst('R78', [pva, { ...paint, method: 'aerosol' }])).toEqual(['stop paint']);
    expect(worst('R78', [pva, { ...lacquer, method: 'aerosol' }])).toEqual([]);
    // One hand tool for another is a matter of taste.
    expect(worst('R78', [pva, lay('clear', 'topcoat', 'epoxy-clear', { method: 'sponge' })])).toEqual([]);
    expect(worst('R78', [pva, lay('air', 'base', 'airbrush-acrylic', { method: 'brush' })])).toEqual([]);
  });
});

describe('heat', () => {
  it('R79 stops a hair-dryer on what gives off vapour, and lets it be on water', () => {
    expect(worst('R79', [pva, { ...lacquer, air: 'warm' }])).toEqual(['stop lacquer']);
    expect(worst('R79', [pva, { ...lacquer, air: 'fan' }])).toEqual([]);
    expect(worst('R79', [pva, { ...paint, air: 'warm' }])).toEqual([]);
  });

  it('R79 stops a heat gun on a solvent coat or cement until it is touch-dry', () => {
    // At 21 °C: 10 min in a light coat of lacquer are 10·0.6 = 6, those of a normal coat of cement 10. The heat takes five minutes, so it
    // begins five before it is logged.
    const short = { ...heat, minutes: 5 };
    const after = (minutes: number, step: Step) =>
      worst(
        'R79',
        [pva, step, short],
        {},
        log([step.id, '12:00'], ['heat', `12:${String(5 + minutes).padStart(2, '0')}`]),
      );
    expect(after(5, lacquer)).toEqual(['stop heat']);
    expect(after(6, lacquer)).toEqual([]);
    expect(after(9, cement)).toEqual(['stop heat']);
    expect(after(10, cement)).toEqual([]);
  });

  it('R33 stops hot glue on painted print and thermoplastic', () => {
    const gems = lay('gems', 'attach', 'hot-glue');
    const primer = lay('prime', 'prime', 'acrylic-pu-primer-grey');
    for (const kind of ['pla-print', 'thermoplastic-sheet'] as const)
      expect(worst('R33', [primer, paint, gems], of(kind))).toEqual(['stop gems']);
    expect(worst('R33', [gems, primer, paint], of('pla-print'))).toEqual([]);
    expect(worst('R33', [pva, paint, gems])).toEqual([]);
    expect(worst('R33', [primer, paint, lay('gems', 'attach', 'contact-cement')], of('pla-print'))).toEqual(
      [],
    );
  });

  it('R11 stops burning over caulk that is not dry', () => {
    const caulk = lay('caulk', 'fill', 'acrylic-caulk');
    const burn: Step = { id: 'burn', kind: 'texture', texture: 'burned' };
    const burnt = (at: string) => worst('R11', [caulk, burn], {}, log(['caulk', '10:00'], ['burn', at]));
    expect(burnt('10:20')).toEqual(['stop burn']);
    expect(burnt('10:40')).toEqual(['stop burn']);
    expect(burnt('2027-02-17T10:00')).toEqual([]);
    expect(worst('R11', [caulk, burn])).toEqual([]);
  });

  it('R51 stops print and thermoplastic in a hot car', () => {
    const print = of('pla-print', { event: 'day' });
    expect(worst('R51', [paint], print, events({ hotCar: true }))).toEqual(['stop piece']);
    expect(worst('R51', [paint], print, events({}))).toEqual([]);
    expect(worst('R51', [pva, paint], { event: 'day' }, events({ hotCar: true }))).toEqual([]);
  });
});

describe('films', () => {
  it('R03 stops a dust of sealer as the only seal of foam', () => {
    const raw = of('eva-foam');
    const dip = (more: Partial<Step>) => lay('dip', 'seal', 'rubber-dip-spray', more);
    expect(worst('R03', [dip({ film: 'dust' }), paint], raw)).toEqual(['stop dip']);
    expect(worst('R03', [dip({ film: 'dust', coats: 2 }), paint], raw)).toEqual([]);
    expect(worst('R03', [dip({ film: 'light' }), paint], raw)).toEqual([]);
    expect(worst('R03', [paint], raw)).toEqual(['risk paint']);
    expect(worst('R03', [dip({ film: 'dust' })], raw)).toEqual([]);
  });

  it('R19 minds epoxy and foam coat over chrome as it does clears', () => {
    const chrome = lay('chrome', 'base', 'chrome-effect-spray');
    for (const over of ['epoxy-clear', 'foam-coat-rubberiser', 'gloss-varnish'])
      expect(worst('R19', [pva, chrome, lay('over', 'topcoat', over)])).toEqual(['risk over']);
    expect(worst('R19', [pva, chrome])).toEqual([]);
    expect(worst('R19', [pva, chrome, lay('over', 'weather', 'acrylic-wash')])).toEqual([]);
  });

  it('R80 stops resist that nothing takes off before the clear', () => {
    const resist = lay('resist', 'weather', 'chip-resist');
    const thin = lay('thin', 'base', 'flex-acrylic', { film: 'light', colour: '#993333' });
    const chip: Step = { id: 'chip', kind: 'weather', method: 'wipe' };
    const clear = lay('clear', 'topcoat', 'satin-varnish');
    expect(worst('R80', [pva, paint, resist, thin, clear])).toEqual(['stop clear']);
    expect(worst('R80', [pva, paint, resist, thin, clear, chip])).toEqual(['stop clear']);
    expect(worst('R80', [pva, paint, resist, thin, chip, clear])).toEqual([]);
    expect(worst('R80', [pva, paint, resist, thin])).toEqual([]);
  });

  it('R74 stops latex anywhere in what touches skin', () => {
    const latex = lay('latex', 'seal', 'natural-latex');
    const two = { onSkin: true, faces: { outer: { areaCm2: 500 }, inner: { areaCm2: 500 } } };
    expect(worst('R74', [latex, paint], two)).toEqual(['stop latex']);
    expect(worst('R74', [{ ...latex, faces: ['inner'] }, paint], two)).toEqual(['stop latex']);
    expect(worst('R74', [latex, paint], { ...two, onSkin: false })).toEqual([]);
    expect(worst('R74', [{ ...pva, faces: ['inner'] }], two)).toEqual(['note pva']);
  });
});

describe('ways out in the order of craft', () => {
  const first = (rule: string, steps: Step[], piece: Partial<Piece> = {}, build: Partial<Build> = {}) => {
    const made = plate(steps, piece, build);
    const plan = planBuild(made, { latestStarts: false });
    const finding = judgeBuild(made, plan).find((one) => one.rule === rule)!;
    return searchWaysOut(made, finding, plan).waysOut.map(({ label }) => label);
  };
  const clear = lay('clear', 'topcoat', 'matte-varnish');

  it('never sand a mirror, nor dust what has to cover or close', () => {
    const chrome = lay('chrome', 'base', 'chrome-effect-spray');
    const matte = first('R18', [pva, chrome, clear]);
    expect(matte.length).toBeGreaterThan(0);
    for (const label of matte) expect(label).not.toMatch(/scuff/i);
    const wet = first('R43', [
      pva,
      lay('lacquer', 'base', 'metallic-lacquer-spray', { film: 'normal', coats: 2 }),
    ]);
    expect(wet[0]).toBe('Each coat once what is below is dry through');
    for (const label of wet) expect(label).not.toMatch(/dust/);
  });

  it('keep something over a resist, so that there is something to chip', () => {
    const resist = lay('resist', 'weather', 'chip-resist', { method: 'sponge' });
    const thick = lay('thick', 'base', 'acrylic-metallic', { coats: 2, colour: '#aaaaaa' });
    const chip: Step = { id: 'chip', kind: 'weather', method: 'wipe' };
    expect(first('R24', [pva, paint, resist, thick, chip, clear])).toEqual(['One light coat']);
  });

  it('warm a cold room first, and give nothing up for the air', () => {
    const cold: Partial<Build> = {
      places: [
        {
          id: 'room',
          name: 'Room',
          ventilation: 'window',
          slots: 8,
          climate: { kind: 'constant', temperatureC: 7, humidityPct: 60 },
        },
      ],
    };
    const ways = first('R34', [pva, clear], {}, cold);
    // PVA needs 10 °C: a degree above that.
    expect(ways[0]).toBe('Heat Room to 11 °C until it is dry');
    for (const label of ways) expect(label).not.toMatch(/^Leave out/);
  });

  it('glue light things cold on paint that has cured, which cement then holds', () => {
    const lens = (material: string, more: Partial<Step> = {}) =>
      lay('lens', 'attach', material, { attaches: 'lens', ...more });
    expect(first('R27', [pva, paint, lens('hot-glue')])[0]).toBe(
      'Contact cement in its place, once the paint has cured',
    );
    expect(worst('R30', [pva, paint, lens('contact-cement', { waitFor: 'cured' })])).toEqual(['note lens']);
    // Fresh paint, paint that a solvent carries, and what is pulled at are another matter.
    expect(worst('R30', [pva, paint, lens('contact-cement')])).toEqual(['risk lens']);
    expect(worst('R30', [pva, lacquer, lens('contact-cement', { waitFor: 'cured' })])).toEqual(['risk lens']);
    expect(
      worst('R30', [pva, paint, lens('contact-cement', { waitFor: 'cured', attaches: 'strap' })]),
    ).toEqual(['risk lens']);
  });

  it('calls paint a day old from a day on', () => {
    const lens = lay('lens', 'attach', 'contact-cement', { attaches: 'lens', minutes: 5 });
    const glued = (at: string) =>
      worst(
        'R30',
        [paint, lens],
        {},
        {
          log: [
            logged('paint', '10:00'),
            { ...logged('paint', '10:00'), id: 'two', coat: 2 },
            { ...logged('lens', at), face: undefined },
          ] as Build['log'],
        },
      );
    // The gluing takes five minutes: it begins five before it is logged.
    expect(glued('2027-02-16T10:04')).toEqual(['risk lens']);
    expect(glued('2027-02-16T10:05')).toEqual(['note lens']);
  });
});
