import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { costOf } from './advice/rescue/rescueCost';
import { costScore } from './advice/wayCost';
import type { Idea, WayOut } from './advice/finding';
import { bendStrainPct, faresAt } from './facts/bends';
import { sheenClass } from './facts/sheen';
import { dewPointC, solventRate, twoPartRate, waterEarlyRate, waterLateRate } from './drying/air';
import { dryStack } from './drying/dryStack';
import { DEW_MARGIN_C, faultOfAir, firstGoodAir } from './drying/goodAir';
import type { LaidCoat } from './drying/laidCoat';
import { placeAir } from './drying/placeAir';
import { readingFault } from './drying/readings';
import { HIDDEN_DELTA_E } from './colour/distance';
import { catalogueById } from './materials/catalogue';
import { dryFilmUm, filmFactorOf } from './materials/film';
import { binderTable } from './model/binders';
import { filmFactor, type FilmGrade } from './model/filmGrades';
import { methods } from './model/methods';
import type { Climate, Step } from './model/schema';
import { passMl } from './quantity/amounts';
import { milestoneTable } from './model/milestones';
import { handsOn } from './quantity/handsOn';
import { disturbed } from './schedule/answers/futures';
import { timeFactor } from './drying/spread';
import { CONFIRMED_AFTER_TESTS, measuredTimes } from './schedule/state/measuredTimes';
import { sumUp, type PieceStanding } from './schedule/search/score';

/**
 * Every figure that docs/domain.md names, against a case worked by hand: who changes one has to change it in both, or a test
 * fails. Label air is 21 °C and 50 %, where every rate is 1.
 */
const doc = readFileSync(join(__dirname, '../../../docs/domain.md'), 'utf8').replace(/\s+/g, ' ');
const says = (words: string) => expect(doc.includes(words) ? words : 'not in docs/domain.md').toBe(words);

const material = (id: string) => catalogueById.get(id)!;
const labelAir = placeAir(
  { id: 'room', climate: { kind: 'constant', temperatureC: 21, humidityPct: 50 } },
  'UTC',
  0,
);
const coat = (id: string, laidAt: number, film: FilmGrade = 'normal'): LaidCoat => ({
  material: material(id),
  filmFactor: filmFactor[film],
  laidAt,
  air: 'still',
});
const dried = (coats: LaidCoat[], fan = false) =>
  dryStack(coats, [{ from: 0, placeAir: labelAir, fan }]).coats;

describe('drying rates', () => {
  it.each([
    // VPD at 21 °C: 24.85 hPa · 0.5 = 12.43; at 30 % it is 17.40, 1.4 times as much.
    ['water, early, dry air', waterEarlyRate({ temperatureC: 21, humidityPct: 30 }), 1.4],
    // Never under 0.05 nor over 3: fog at 100 %, and 40 °C (73.75 hPa) at 10 %, 66.4/12.43 = 5.3.
    ['water, early, fog', waterEarlyRate({ temperatureC: 21, humidityPct: 100 }), 0.05],
    ['water, early, oven', waterEarlyRate({ temperatureC: 40, humidityPct: 10 }), 3],
    // Ten degrees double it; at 68 % it is √(32/50) = 0.8; never under √0.1 or over √2.
    ['water, late, warm', waterLateRate({ temperatureC: 31, humidityPct: 50 }), 2],
    ['water, late, damp', waterLateRate({ temperatureC: 21, humidityPct: 68 }), 0.8],
    ['water, late, fog', waterLateRate({ temperatureC: 21, humidityPct: 100 }), Math.sqrt(0.1)],
    ['water, late, parched', waterLateRate({ temperatureC: 21, humidityPct: 0 }), Math.SQRT2],
    ['solvent, warm', solventRate({ temperatureC: 31, humidityPct: 90 }), 1.7],
    // 55000/8.314 · (1/294.15 − 1/304.15) = 0.7394; e to that.
    ['two-part, warm', twoPartRate({ temperatureC: 31, humidityPct: 90 }), 2.0947],
  ])('%s', (_what, rate, expected) => expect(rate).toBeCloseTo(expected, 3));

  it('finds the dew point', () => {
    // 21 °C and 50 %: 10.2 °C by any table.
    expect(dewPointC({ temperatureC: 21, humidityPct: 50 })).toBeCloseTo(10.19, 1);
  });
});

describe('films', () => {
  it.each([
    ['dust', 0.35],
    ['light', 0.6],
    ['normal', 1],
    ['heavy', 1.8],
  ] as const)(
    'a %s coat is %d of a normal one, and takes that for touch, to 1.5 for recoat, and for the rest at least half',
    (film, factor) => {
      says('dust 0.35, light 0.6, normal 1, heavy 1.8');
      says(
        'Label times grow by `f` for touch, `f^1.5` for recoat, `f^1.5` but never below half for everything later.',
      );
      // 0.35^1.5 = 0.207 and 0.6^1.5 = 0.465 are below half.
      const late = { dust: 0.5, light: 0.5, normal: 1, heavy: 2.414953 }[film];
      // Craft acrylic by its label: touch 20, recoat 45, tape-safe 720, handled 60, packed 2880.
      const [one] = dried([coat('craft-acrylic', 0, film)]);
      expect(one!.touchAt).toBeCloseTo(20 * factor, 6);
      expect(one!.recoat[0]!.from).toBeCloseTo(45 * factor ** 1.5, 6);
      expect(one!.tapeAt).toBeCloseTo(720 * late, 2);
      expect(one!.handleAt).toBeCloseTo(60 * late, 3);
      expect(one!.packAt).toBeCloseTo(2880 * late, 2);
    },
  );

  it('go by the real thickness where it is said', () => {
    // 2 mm of clay where 5 are usual: 0.4, so 1440 · 0.4^1.5 = 364.3 min to recoat; poured 1 mm of epoxy where 0.25 are usual: 4.
    const clay = material('foam-clay');
    expect(filmFactorOf(clay, 'normal', 2)).toBeCloseTo(0.4, 10);
    expect(
      dried([{ ...coat('foam-clay', 0), filmFactor: filmFactorOf(clay, 'normal', 2) }])[0]!.recoat[0]!.from,
    ).toBeCloseTo(364.29, 1);
    expect(filmFactorOf(material('epoxy-clear'), 'light', 1)).toBe(4);
    expect(filmFactorOf(clay, 'heavy')).toBe(1.8);
  });

  it('grow alike for all that comes after recoat', () => {
    const late = Object.values(milestoneTable).filter(({ clock }) => clock === 'late');
    expect(late.map(({ filmPower }) => filmPower)).toEqual([1.5, 1.5, 1.5, 1.5, 1.5]);
  });

  it('count with what they still hold where they join, and begin with the last', () => {
    says('falling evenly to 0.3 at its recoat moment');
    says('`0.3·e^(−3q)`');
    // PVA primer: recoat 45, tape-safe 720. 120 min on a coat has gone 75 of the 675 min between: 0.3·e^(−0.3333) = 0.214959;
    // 60 min on 15 of them: 0.3·e^(−0.0667) = 0.280652. 1 + both = 1.495611, to 1.5: 1.829061, of 1440 min.
    const coats = [0, 60, 120].map((at) => coat('pva-flex-primer', at));
    expect(dried(coats)[0]!.packAt).toBeCloseTo(120 + 1440 * 1.829061, 2);
    // Half way to recoat it holds 1 − 0.7/2 = 0.65: 1.65^1.5 = 2.119463.
    const hasty = [0, 22.5].map((at) => coat('pva-flex-primer', at));
    expect(dried(hasty)[0]!.packAt).toBeCloseTo(22.5 + 1440 * 2.119463, 2);
  });

  it('join while the one below is not tape-safe, and not after', () => {
    // 720 min is tape-safe: the second is then a film by itself, 1440 min after it.
    const packs = (at: number) =>
      dried([coat('pva-flex-primer', 0), coat('pva-flex-primer', at)])[1]!.packAt - at;
    expect(packs(720)).toBeCloseTo(1440, 6);
    // A minute sooner it still holds 0.3·e^(−3·674/675) = 0.015002: 1.015002^1.5 = 1.022588.
    expect(packs(719)).toBeCloseTo(1440 * 1.022588, 2);
  });

  it('are never through sooner than a coat of theirs would be by itself', () => {
    // A dust coat on a heavy one that is nearly tape-safe: 2.414953 · 1440 min from the heavy one all the same.
    const [heavy, dust] = dried([coat('pva-flex-primer', 0, 'heavy'), coat('pva-flex-primer', 1700, 'dust')]);
    expect(heavy!.packAt).toBeCloseTo(1440 * 2.414953, 2);
    expect(dust!.packAt).toBe(heavy!.packAt);
  });

  it.each([
    // What is laid on a coat of hobby enamel a day after it, and the share of its pace the enamel keeps from then on.
    ['craft-acrylic', 0.75],
    ['matte-varnish', 0.75],
    ['pva-flex-primer', 0.75],
    ['decoupage-gloss', 0.75],
    ['rubber-dip-spray', 0.6],
    ['natural-latex', 0.6],
    ['neoprene-soft', 0.6],
    ['metallic-lacquer-spray', 0.6],
    ['adhesion-promoter', 0.6],
    ['alkyd-gloss-spray', 0.4],
    ['oil-wash', 0.4],
    ['metal-wax', 0.3],
    ['epoxy-clear', 0.2],
    ['urethane-2k-clear', 0.75],
    ['graphite-powder', 1],
    ['chip-resist', 1],
    ['alcohol-marker', 1],
  ])('under %s a coat keeps %d of its pace', (over, share) => {
    // Packable by its label after 4320 min: 1440 of them have passed, 2880 are left.
    const [enamel] = dried([coat('hobby-enamel', 0), coat(over, 1440)]);
    expect(enamel!.packAt).toBeCloseTo(1440 + 2880 / share, 3);
  });

  it('cover as far as they are closed, film by film, down to half', () => {
    const enamelUnder = (...over: [string, 'dust' | 'light' | 'normal'][]) =>
      dried([coat('hobby-enamel', 0), ...over.map(([id, film]) => coat(id, 1440, film))])[0]!.packAt - 1440;
    // A dust coat is 0.35 closed: 0.75^0.35 = 0.904218. A second closes it to 0.7: 0.75^0.7 = 0.817610; a third is closed.
    expect(enamelUnder(['craft-acrylic', 'dust'])).toBeCloseTo(2880 / 0.904218, 1);
    expect(enamelUnder(['craft-acrylic', 'dust'], ['craft-acrylic', 'dust'])).toBeCloseTo(2880 / 0.81761, 1);
    expect(
      enamelUnder(
        ...Array.from({ length: 3 }, () => ['craft-acrylic', 'dust'] as const).map(
          (one) => [...one] as ['craft-acrylic', 'dust'],
        ),
      ),
    ).toBeCloseTo(2880 / 0.75, 3);
    // Acrylic and lacquer 0.75 · 0.6 = 0.45 is below half; with wax in it the floor is wax's own 0.3.
    expect(enamelUnder(['craft-acrylic', 'normal'], ['matte-clear-spray', 'normal'])).toBeCloseTo(
      2880 / 0.5,
      3,
    );
    expect(enamelUnder(['craft-acrylic', 'normal'], ['metal-wax', 'normal'])).toBeCloseTo(2880 / 0.3, 3);
  });

  it('count with the share of the spot they cover', () => {
    // A wash in the recesses covers 0.3 of it: 0.75^0.3 = 0.917314. Dry-brushing on a fifth of the same material as none other.
    const [enamel] = dried([coat('hobby-enamel', 0), { ...coat('acrylic-wash', 1440), share: 0.3 }]);
    expect(enamel!.packAt).toBeCloseTo(1440 + 2880 / 0.917314, 1);
  });

  it('are packable by their surface: the top coat packable, those below tape-safe', () => {
    // Enamel is tape-safe after 2880 min, packable after 4320; acrylic a day on it slows it to 0.75: 1440 + 1440/0.75 = 3360.
    const stack = dryStack(
      [coat('hobby-enamel', 0), coat('flex-acrylic', 1440)],
      [{ from: 0, placeAir: labelAir, fan: false }],
    );
    expect(stack.packAt).toBeCloseTo(3360, 6);
    // 1440 of its ten days, and the rest at 0.75: 1440 + 8640/0.75.
    expect(stack.wearAt).toBeCloseTo(1440 + 8640 / 0.75, 6);
  });

  it('have every binder in the table that the catalogue names', () => {
    says('alkyd and oil 0.4, wax 0.3, epoxy 0.2, powders and resists 1');
    for (const { binder } of catalogueById.values()) expect(Object.keys(binderTable)).toContain(binder);
  });

  it('dry 1.5 times as fast before a fan, and 3 times by hand-held warm air until recoat', () => {
    expect(dried([coat('craft-acrylic', 0)], true)[0]!.packAt).toBeCloseTo(2880 / 1.5, 6);
    const [warm] = dried([{ ...coat('craft-acrylic', 0), air: 'warm' }]);
    expect([warm!.touchAt, warm!.recoat[0]!.from, warm!.packAt]).toEqual([20 / 3, 15, 2880]);
    const [epoxy] = dried([{ ...coat('epoxy-clear', 0), air: 'warm' }]);
    expect(epoxy!.touchAt).toBeCloseTo(480, 6);
  });

  it('leave their solids', () => {
    // 120 µm wet at 42 %.
    expect(dryFilmUm(120, material('pva-flex-primer'))).toBeCloseTo(50.4, 6);
  });
});

describe('readings', () => {
  const at = (minute: number, temperatureC: number, humidityPct: number) => ({
    at: minute,
    temperatureC,
    humidityPct,
  });
  it.each([
    ['−40 °C stands', at(0, -40, 50), undefined],
    ['colder does not', at(0, -40.1, 50), 'absurd'],
    ['60 °C stands', at(0, 60, 50), undefined],
    ['hotter does not', at(0, 60.1, 50), 'absurd'],
    // Five minutes after 20 °C and 50 %: 2 + 5 °C, and 10 + 30 %.
    ['a change of 7 °C stands', at(5, 27, 50), undefined],
    ['a larger one does not', at(5, 27.1, 50), 'jump'],
    ['a change of 40 % stands', at(5, 20, 90), undefined],
    ['a larger one does not', at(5, 20, 90.1), 'jump'],
  ] as const)('%s', (_what, reading, fault) => {
    says('jumps further than 2 °C + 1 °C a minute or 10 % + 6 % a minute');
    const before = reading.at === 0 ? [] : [at(0, 20, 50)];
    expect(readingFault(reading, before)).toBe(fault);
  });
});

describe('air that is waited for', () => {
  const craft = material('craft-acrylic');
  it('is 3 °C above its dew point', () => {
    says('at least 3 °C above its dew point');
    expect(DEW_MARGIN_C).toBe(3);
    // At 20 °C and 75 % the dew point is 15.4; a material that stands 90 % is stopped by it at 17.9 and not at 18.5.
    const damp = { ...craft, maxRhPct: 100 };
    expect(faultOfAir(damp, { temperatureC: 20, humidityPct: 82.5 })).toBeUndefined();
    expect(faultOfAir(damp, { temperatureC: 20, humidityPct: 84 })).toBe('near-dew');
  });

  it('is looked for over forty days and no longer', () => {
    const warmFrom = (day: number): Climate => {
      const cold = Array.from({ length: day * 24 }, () => 5);
      const temperatureC = [...cold, 20];
      return {
        kind: 'hourly',
        start: '1970-01-01T00:00',
        temperatureC,
        humidityPct: temperatureC.map(() => 50),
      };
    };
    const first = (day: number) =>
      firstGoodAir(craft, placeAir({ id: 'porch', climate: warmFrom(day) }, 'UTC', 0), 0, 5, 20);
    expect(first(40)).toBe(40 * 1440);
    expect(first(41)).toBe(Infinity);
  });
});

describe('hands and amounts', () => {
  // 1 m²: minutes of work by the rate, and ml by what of 100 µm (100 ml) reaches the piece.
  it.each([
    ['aerosol', 5, 10, 5, 0.5],
    ['airbrush', 10, 60, 15, 0.6],
    ['brush', 3, 30, 5, 0.95],
    ['foam-brush', 3, 20, 5, 0.9],
    ['sponge', 3, 40, 5, 0.85],
    ['stipple', 3, 40, 5, 0.85],
    ['dry-brush', 3, 30, 5, 0.5],
    ['wipe', 3, 30, 5, 0.9],
    ['dip', 5, 10, 5, 0.9],
    ['sand', 2, 40, 3, 0.9],
    ['hot-air', 2, 20, 1, 0.9],
    ['torch', 2, 10, 1, 0.9],
    ['pen', 3, 60, 3, 0.9],
    ['tool', 3, 60, 3, 0.9],
    ['stamp', 3, 60, 3, 0.9],
    ['hand', 3, 60, 3, 0.9],
  ] as const)(
    '%s: %d min to set up, %d for a square metre, %d to clean up, %d of it lands',
    (method, setUp, work, cleanUp, lands) => {
      const step = { id: 's', kind: 'base' as const };
      expect(handsOn(step, method, material('craft-acrylic'), { areaCm2: 10_000 })).toEqual({
        setUpMinutes: setUp,
        workMinutes: work,
        cleanUpMinutes: cleanUp,
      });
      const pass = {
        material: material('craft-acrylic'),
        method,
        wetUm: 100,
        areaCm2: 10_000,
      };
      expect(passMl(pass)).toBeCloseTo(100 / lands, 6);
    },
  );

  it('knows every method there is', () => expect(methods).toHaveLength(16));

  // Minutes of a batch by section 9: getting ready once, then each unit by its size. 64 plates of 12 cm²: prep 4 + 64 · (0.3 + 3 · 12 ÷ 500)
  // = 27.808; 24 studs of 10 cm²: look 2 + 24 · (0.1 + 0.5 · 10 ÷ 500) = 4.64; and so on. Each unit is exact to half a 64th of a minute.
  it.each([
    ['prep', {}, 64, 12, 0, 27.808],
    ['prep', {}, 1, 620, 0, 4 + 5],
    ['sand', {}, 24, 10, 0, 3 + 24 * (0.3 + 0.08)],
    ['sand', {}, 1, 1000, 0, 3 + 9],
    ['fill', {}, 4, 300, 600, 3 + 4 * (0.5 + 6)],
    ['mask', {}, 2, 300, 1000, 2 + 2 * (0.3 + 15)],
    ['mask', { covers: ['zip'] }, 10, 300, 1000, 1 + 10 * 0.5],
    ['mask', { covers: ['zip', 'tab'] }, 1, 300, 1000, 1 + 1],
    ['unmask', {}, 2, 300, 1000, 1 + 2 * (0.2 + 3)],
    ['attach', {}, 6, 300, 0, 3 + 6 * 1.5],
    ['attach', { fixings: 4 }, 6, 300, 0, 3 + 6 * 6],
    ['attach', { alongMm: 800 }, 2, 300, 800, 3 + 2 * 12],
    ['join', {}, 2, 300, 500, 5 + 2 * 7.5],
    ['inspect', {}, 64, 12, 0, 2 + 64 * 0.112],
    ['inspect', { looksOver: 'sealed' }, 1, 620, 0, 2 + 1],
    ['inspect', { looksOver: 'worn' }, 4, 620, 0, 8],
    ['weather', {}, 24, 300, 0, 2 + 24 * 0.2],
    ['base', { minutes: 30 }, 18, 300, 0, 30],
  ] as const)(
    '%s %j of %d × %d cm², along %d mm, takes %d min in all',
    (kind, more, units, areaCm2, lengthMm, minutes) => {
      const step = { id: 's', kind, ...more } as Step;
      const { setUpMinutes, workMinutes, cleanUpMinutes } = handsOn(step, 'hand', undefined, {
        areaCm2,
        lengthMm,
        units,
      });
      expect(Math.abs(setUpMinutes + units * workMinutes + cleanUpMinutes - minutes)).toBeLessThanOrEqual(
        units / 128 + 1e-9,
      );
      if (units === 1) expect(workMinutes).toBe(Math.round(workMinutes));
    },
  );

  it('a coat on a small piece of a set takes a quarter of a minute to take up and lay down', () => {
    const step = { id: 's', kind: 'base' as const };
    const of = (areaCm2: number, units: number) =>
      handsOn(step, 'brush', material('craft-acrylic'), { areaCm2, units }).workMinutes;
    // 12 cm² at 2 m²/h are 0.036 min; 100 cm² are 0.3, in quarters 0.5; a single one takes a whole minute.
    expect([of(12, 64), of(100, 64), of(12, 1)]).toEqual([0.25, 0.5, 1]);
  });
});

describe('the look', () => {
  it.each([
    [4.9, 'dead-matte'],
    [5, 'matte'],
    [14.9, 'matte'],
    [15, 'satin'],
    [39.9, 'satin'],
    [40, 'semi-gloss'],
    [70, 'semi-gloss'],
    [70.1, 'gloss'],
  ] as const)('%d gloss units are %s', (gu, word) => expect(sheenClass(gu)).toBe(word));

  it('hides under a difference of 2 ΔE00', () => expect(HIDDEN_DELTA_E).toBe(2));

  it('strains at a bend by half the foam and the film over the radius, and cracks at what it stands, or half as much again where it only opens', () => {
    // (6/2 + 0.1)/62 = 5 %.
    expect(bendStrainPct(6, 100, 62)).toBeCloseTo(5, 6);
    // Of a film that breaks at 8 %: from half of that on it may crack.
    const at = (use: 'worn' | 'opening' | 'formed', ...strains: number[]) =>
      strains.map((strain) => faresAt(strain, 8, use));
    expect(at('worn', 3.99, 4, 7.99, 8)).toEqual(['holds', 'may crack', 'may crack', 'cracks']);
    expect(at('opening', 5.99, 6, 11.99, 12)).toEqual(['holds', 'may crack', 'may crack', 'cracks']);
    expect(at('formed', 12, 400)).toEqual(['holds', 'holds']);
  });
});

describe('what is likely', () => {
  it('spreads label times by 0.2, by 0.1 after three own tests', () => {
    says('σ 0.2, or 0.1 after three own tests');
    expect([timeFactor(1, false), timeFactor(-2, false), timeFactor(1, true)]).toEqual(
      [0.2, -0.4, 0.1].map((one) => Math.exp(one)),
    );
    expect(CONFIRMED_AFTER_TESTS).toBe(3);
  });

  it('errs by 2 °C and 8 % a day, 0.7 of it carried on to the next', () => {
    says('σ 2 °C and 8 %, correlated 0.7 from day to day');
    const flat = placeAir(
      { id: 'r', climate: { kind: 'constant', temperatureC: 20, humidityPct: 50 } },
      'UTC',
      0,
    );
    // z is 1, 1, then 0: on the first day 2 and 8 more, on the second 0.7 of that, on the third 0.49.
    const draws = [1, 1, 0, 0, 0, 0];
    const series = disturbed(flat.series, 0, 'UTC', () => draws.shift() ?? 0);
    const days = [0, 1, 2].map((day) => series.airAt(day * 1440 + 60));
    expect(days.map(({ temperatureC }) => temperatureC)).toEqual(
      [22, 21.4, 20.98].map((t) => expect.closeTo(t, 9)),
    );
    expect(days.map(({ humidityPct }) => humidityPct)).toEqual(
      [58, 55.6, 53.92].map((h) => expect.closeTo(h, 9)),
    );
    // A fresh error keeps the spread: √(1 − 0.49) of it is new.
    const fresh = [0, 0, 1, 1];
    const second = disturbed(flat.series, 0, 'UTC', () => fresh.shift() ?? 0).airAt(1500);
    expect(second.temperatureC).toBeCloseTo(20 + 2 * Math.sqrt(0.51), 9);
  });

  it('takes the middle of own times, between the two middle ones where they are even', () => {
    const lesson = (factor: number, at: number) => ({
      coat: { ...coat('craft-acrylic', 0), operationId: `o${at}`, stepId: 's', colour: '#888888', wetUm: 80 },
      factor,
      untested: 1,
      at,
    });
    expect(measuredTimes([lesson(0.5, 1), lesson(0.7, 2), lesson(2, 3)])[0]!.factor).toBe(0.7);
    expect(
      measuredTimes([lesson(0.5, 1), lesson(0.7, 2), lesson(0.9, 3), lesson(2, 4)])[0]!.factor,
    ).toBeCloseTo(0.8);
  });
});

describe('what counts', () => {
  const way = (changes: Partial<WayOut & Idea> = {}): WayOut & Idea => ({
    isCure: true,
    label: '',
    change: [],
    laterMinutes: 0,
    buys: [],
    extraMl: 0,
    look: 'same',
    shows: [],
    newRisks: [],
    makesLate: [],
    ...changes,
  });
  it.each([
    ['nothing', {}, 0],
    ['a day and a half', { laterMinutes: 2160 }, 1.5],
    ['being sooner is no gain', { laterMinutes: -2160 }, 0],
    ['two purchases', { buys: ['a', 'b'] }, 1],
    ['50 ml', { extraMl: 50 }, 0.1],
    ['a slight change of look', { look: 'slight' }, 0.5],
    ['another look', { look: 'other' }, 10],
    ['what is not the rule’s own cure', { isCure: false }, 3],
    ['a new risk', { newRisks: ['R05'] }, 2],
    ['a piece made late', { makesLate: ['helm'] }, 5],
    [
      'all of them',
      { laterMinutes: 1440, buys: ['a'], extraMl: 100, look: 'slight', newRisks: ['R05'] },
      4.2,
    ],
  ] as const)('for a way out: %s', (_what, changes, cost) => {
    expect(costScore(way(changes as Partial<WayOut & Idea>))).toBeCloseTo(cost, 9);
  });

  it.each([
    ['nothing but the trouble of it', {}, 0.1],
    ['a slight change of look', { look: 'slight' }, 0.7],
    ['another look', { look: 'other' }, 2.6],
    ['four hours of somebody’s evening', { favourMinutes: 240 }, 1.1],
    ['a purchase', { buys: ['fan'] }, 0.6],
    ['something given up', { givesUp: ['a coat'] }, 0.8],
  ] as const)('for catching up: %s', (_what, cost, expected) => {
    says(
      "a slight change of look 0.6, another look 2.5, four hours of somebody's evening 1, a purchase 0.5, something given up 0.7",
    );
    expect(costOf([{ label: '', change: [], cost: cost as never }])).toBeCloseTo(expected, 9);
  });

  it('for a plan: more to spare for the riskiest piece that is in time is better, and what is late does not hide it', () => {
    const piece = (slack: number, ready: number): PieceStanding => ({
      unplaced: 0,
      late: 0,
      taped: 5,
      frail: 45,
      lacking: 30,
      putOff: 2,
      apart: 1,
      slack,
      ready,
    });
    const tally = { sessions: 3, setUps: 1, idle: 12 };
    const same = {
      unplaced: 0,
      taped: 10,
      frail: 90,
      lacking: 60,
      putOff: 4,
      apart: 2,
      sessions: 4,
      idle: 12,
      tightness: -200,
    };
    expect(sumUp([piece(300, 50), piece(200, 70)], tally)).toEqual({ ...same, late: 0, finish: 70 });
    expect(sumUp([{ ...piece(-60, 80), late: 60 }, piece(200, 70)], tally)).toEqual({
      ...same,
      late: 60,
      finish: 80,
    });
  });
});
