import fc from 'fast-check';
import type { Climate } from '../model/schema';
import { catalogue, catalogueById } from '../materials/catalogue';
import { dryStack } from './dryStack';
import { placeAir } from './placeAir';
import { surfaceFrom } from './surface';
import { filmFactor } from '../model/filmGrades';
import type { LaidCoat, Stand } from './laidCoat';

const origin = Date.UTC(2027, 1, 15) / 60_000;
const constant = (temperatureC: number, humidityPct: number): Climate => ({
  kind: 'constant',
  temperatureC,
  humidityPct,
});
const stand = (climate: Climate = constant(21, 50), from = origin, fan = false): Stand => ({
  from,
  placeAir: placeAir({ id: 'p', climate }, 'UTC', origin),
  fan,
});
const coat = (id: string, after = 0, changes: Partial<LaidCoat> = {}): LaidCoat => ({
  material: catalogueById.get(id)!,
  filmFactor: 1,
  laidAt: origin + after,
  air: 'still',
  ...changes,
});
const only = (coats: LaidCoat[], stands = [stand()]) => dryStack(coats, stands).coats[0]!;

// Label times of the catalogue; factors by hand from docs/domain.md, "The drying model".
describe('one coat', () => {
  it('takes exactly its label times in reference air', () => {
    const dry = only([coat('craft-acrylic')]);
    expect(dry.touchAt).toBe(origin + 20);
    expect(dry.recoat).toEqual([{ from: origin + 45, to: Infinity }]);
    expect(dry.tapeAt).toBe(origin + 720);
    expect(dry.sandAt).toBe(origin + 1440);
    expect(dry.handleAt).toBe(origin + 60);
    expect(dry.packAt).toBe(origin + 2880);
    expect(dry.wearAt).toBe(origin + 1440);
  });

  it('takes twice as long to touch at half the vapour deficit', () => {
    // 75 % leaves half the deficit of 50 %; the later clocks slow by the root of one half.
    const dry = only([coat('craft-acrylic')], [stand(constant(21, 75))]);
    expect(dry.touchAt).toBeCloseTo(origin + 40, 6);
    expect(dry.tapeAt).toBeCloseTo(origin + 720 * Math.SQRT2, 6);
  });

  it('grows with the film: f to touch, f^1.5 to recoat and for the rest', () => {
    const dry = only([coat('craft-acrylic', 0, { filmFactor: filmFactor.heavy })]);
    expect(dry.touchAt).toBeCloseTo(origin + 20 * 1.8, 6);
    // 1.8^1.5 = 2.41495; 45·2.41495 = 108.673
    expect(dry.recoat[0]!.from).toBeCloseTo(origin + 108.673, 2);
    expect(dry.tapeAt).toBeCloseTo(origin + 720 * 2.414953, 2);
  });

  it('stands still below the minimum temperature', () => {
    const dry = only([coat('craft-acrylic')], [stand(constant(9, 50))]);
    expect(dry.touchAt).toBe(Infinity);
    expect(dry.packAt).toBe(Infinity);
  });

  it('waits out a cold night', () => {
    // One hour at 21 °C, ten at 5 °C, then 21 °C for good: the later clock loses exactly those ten hours.
    const temperatureC = [21, ...Array.from({ length: 10 }, () => 5), 21];
    const climate: Climate = {
      kind: 'hourly',
      start: '2027-02-15T00:00',
      temperatureC,
      humidityPct: temperatureC.map(() => 50),
    };
    expect(only([coat('craft-acrylic')], [stand(climate)]).tapeAt).toBeCloseTo(origin + 720 + 600, 6);
  });

  it('dries by its own chemistry when two-part: humidity does not matter', () => {
    const dry = only([coat('epoxy-clear')], [stand(constant(21, 80))]);
    expect(dry.recoat.map((window) => [window.from - origin, window.to - origin])).toEqual([
      [240, 720],
      [1440, Infinity],
    ]);
  });

  it('is sped by a fan by 1.5 and by hand-held warm air by 3, the latter to recoat only', () => {
    const fan = only([coat('craft-acrylic')], [stand(undefined, origin, true)]);
    expect(fan.recoat[0]!.from).toBeCloseTo(origin + 30, 6);
    expect(fan.tapeAt).toBeCloseTo(origin + 480, 6);
    const warm = only([coat('craft-acrylic', 0, { air: 'warm' })]);
    expect(warm.recoat[0]!.from).toBeCloseTo(origin + 15, 6);
    expect(warm.tapeAt).toBe(origin + 720);
    expect(only([coat('epoxy-clear', 0, { air: 'warm' })]).touchAt).toBe(origin + 480);
  });

  it('keeps drying where it is moved to', () => {
    // 360 label minutes at 21 °C, the other 360 at 31 °C, which is twice as fast for the later clock.
    const stands = [stand(), stand(constant(31, 50), origin + 360)];
    expect(only([coat('craft-acrylic')], stands).tapeAt).toBeCloseTo(origin + 540, 6);
  });
});

describe('a two-part coat', () => {
  // Catalogue: 250 µm of epoxy are one coat, tape-safe after 1440 min.
  const tapeOf = (um: number) => only([coat('epoxy-clear', 0, { filmFactor: um / 250 })]).tapeAt - origin;

  it('is through as soon however thick, and takes 1.25 times as long in a film that is thinner than usual', () => {
    expect([250, 1000, 3000, 8000].map(tapeOf)).toEqual([1440, 1440, 1440, 1440]);
    expect([100, 249].map(tapeOf)).toEqual([1800, 1800]);
    // What has a solvent in it is as thin as that by its label.
    const urethane = only([coat('urethane-2k-clear', 0, { filmFactor: 0.6 })]);
    expect(urethane.tapeAt - origin).toBe(1440);
  });

  it('takes longer below 0.3 mm only: one of 0.4 mm to a coat does not at 0.3', () => {
    const thick = { ...catalogueById.get('epoxy-clear')!, wftUm: 400 };
    const tape = (um: number) =>
      only([coat('epoxy-clear', 0, { material: thick, filmFactor: um / 400 })]).tapeAt - origin;
    expect([299, 300].map(tape)).toEqual([1800, 1440]);
  });
});

describe('what is packable', () => {
  // Craft acrylic: packable 2880, tape-safe 720 min. Satin varnish: packable 2880.
  const pack = (coats: LaidCoat[]) => dryStack(coats, [stand()]).packAt - origin;

  it('is the whole run of the top material, not its last coat', () => {
    // Heavy: 2880·1.8^1.5 = 6955.07 from when it was laid; the dust coat three hours later by itself 1440 more.
    const heavy = coat('craft-acrylic', 0, { filmFactor: filmFactor.heavy });
    expect(pack([heavy])).toBeCloseTo(6955.07, 1);
    expect(pack([heavy, coat('craft-acrylic', 180, { filmFactor: filmFactor.dust })])).toBeCloseTo(
      6955.07,
      1,
    );
  });

  it('is what lies below as well, unless the coat on it closes it off', () => {
    const base = coat('craft-acrylic');
    const over = (factor: number, share = 1) =>
      pack([base, coat('satin-varnish', 60, { filmFactor: factor, share })]);
    // Half a coat closes: the varnish's own time, with the acrylic tape-safe under it. 0.5^1.5 is less than the least, a half.
    expect(over(0.5)).toBeCloseTo(60 + 2880 * 0.5, 6);
    // Less, or in places only, leaves the acrylic at the surface, and slower for what is on it.
    expect(over(0.49)).toBeGreaterThan(2880);
    expect(over(1, 0.94)).toBeGreaterThan(2880);
    expect(over(1, 0.95)).toBeCloseTo(60 + 2880, 6);
    // Two thin ones close together.
    const two = [60, 90].map((after) => coat('satin-varnish', after, { filmFactor: 0.25 }));
    expect(pack([base, ...two])).toBeLessThan(2880);
    // Loose powder closes nothing, however much of it there is.
    expect(pack([base, coat('graphite-powder', 60)])).toBeGreaterThanOrEqual(2880);
  });
});

describe('coats on coats', () => {
  it('slows what is below by the cover factor of what is on it', () => {
    // 720 of 1440 label minutes bare, then at 0.75: 960 more.
    const dry = dryStack([coat('foam-coat-rubberiser'), coat('craft-acrylic', 720)], [stand()]);
    expect(dry.coats[0]!.packAt).toBeCloseTo(origin + 720 + 960, 6);
    expect(dry.packAt).toBe(origin + 720 + 2880);
  });

  it('multiplies cover layer by layer, a run of one material being one layer', () => {
    // Bare 100, under acrylic 0.75 for 100 (75), then acrylic and lacquer, 0.45 but no less than half: (1440−175)/0.5 = 2530
    const coats = [
      coat('foam-coat-rubberiser'),
      coat('craft-acrylic', 100),
      coat('craft-acrylic', 150),
      coat('matte-clear-spray', 200),
    ];
    expect(dryStack(coats, [stand()]).coats[0]!.packAt).toBeCloseTo(origin + 200 + 2530, 6);
  });

  it('dries re-dissolving coats of one evening through as one film', () => {
    // Two light coats of rubber dip an hour apart. Recoat 30·0.6^1.5 = 13.9427, tape-safe 480·0.5 = 240: 46.0573 of 226.0573 min are
    // 0.203742 of the way, so 0.3·e^(−0.611226) = 0.162805 of the first is left. 0.6 + 0.6·0.162805 = 0.697683, to 1.5: 0.582756.
    const f = filmFactor.light;
    const dry = dryStack(
      [coat('rubber-dip-spray', 0, { filmFactor: f }), coat('rubber-dip-spray', 60, { filmFactor: f })],
      [stand()],
    );
    expect(dry.packAt).toBeCloseTo(origin + 60 + 1440 * 0.582756, 2);
    expect(dry.coats[0]!.packAt).toBe(dry.coats[1]!.packAt);
    // Touch is each coat's own.
    expect(dry.coats[1]!.touchAt).toBeCloseTo(origin + 60 + 20 * 0.6, 6);
  });

  it('keeps them apart when the first was tape-safe already', () => {
    const dry = dryStack([coat('rubber-dip-spray'), coat('rubber-dip-spray', 480)], [stand()]);
    expect(dry.packAt).toBe(origin + 480 + 1440);
  });
});

describe('invariants', () => {
  const anyMaterial = fc.constantFrom(...catalogue);
  const milestones = (
    material: (typeof catalogue)[number],
    factor: number,
    temperatureC: number,
    shift = 0,
  ) => {
    const at = origin + shift;
    const dry = dryStack(
      [{ material, filmFactor: factor, laidAt: at, air: 'still' }],
      [
        {
          from: at,
          placeAir: placeAir({ id: 'p', climate: constant(temperatureC, 50) }, 'UTC', at),
          fan: false,
        },
      ],
    ).coats[0]!;
    return [dry.touchAt, dry.tapeAt, dry.handleAt, dry.packAt, dry.wearAt].map((minute) => minute - at);
  };

  it('a thicker film is never earlier, but for what cures by reaction, which is never later', () => {
    fc.assert(
      fc.property(anyMaterial, fc.double({ min: 0.3, max: 2, noNaN: true }), (material, factor) => {
        const thin = milestones(material, factor, 21);
        milestones(material, factor * 1.2, 21).forEach((minute, at) =>
          material.potLife === undefined
            ? expect(minute).toBeGreaterThanOrEqual(thin[at]!)
            : expect(minute).toBeLessThanOrEqual(thin[at]!),
        );
      }),
    );
  });

  it('a further coat makes no date earlier, but for a closed film of something else, which is a new surface', () => {
    const dates = (coats: readonly LaidCoat[]) => {
      const dry = dryStack(coats, [stand()]);
      return { handle: dry.handleAt, tape: dry.tapeAt, wear: dry.wearAt, pack: dry.packAt };
    };
    const anyCoat = fc.record({
      material: anyMaterial,
      filmFactor: fc.constantFrom(...Object.values(filmFactor)),
      share: fc.constantFrom(1, 1, 0.3),
      after: fc.integer({ min: 5, max: 3000 }),
    });
    let kept = 0;
    fc.assert(
      fc.property(fc.array(anyCoat, { minLength: 2, maxLength: 6 }), fc.boolean(), (drawn, isRun) => {
        let at = origin;
        const coats = drawn.map(({ after, ...one }, n): LaidCoat => {
          at += after;
          const material = isRun && n === drawn.length - 1 ? drawn[n - 1]!.material : one.material;
          return { ...one, material, laidAt: at, air: 'still' };
        });
        const before = dates(coats.slice(0, -1));
        const after = dates(coats);
        // To a second: two ways to the same sum differ in the last places.
        const never = (key: keyof typeof before) =>
          expect(after[key]).toBeGreaterThanOrEqual(before[key] - 1 / 60);
        never('handle');
        never('tape');
        never('wear');
        expect(after.pack).toBeGreaterThanOrEqual(after.tape - 1 / 60);
        if (surfaceFrom(coats) > surfaceFrom(coats.slice(0, -1))) return;
        kept += 1;
        never('pack');
      }),
      { numRuns: 600 },
    );
    // It is asked of many.
    expect(kept).toBeGreaterThan(200);
  });

  it('warmer air is never later for a two-part coat', () => {
    const epoxy = catalogueById.get('epoxy-clear')!;
    fc.assert(
      fc.property(fc.double({ min: 16, max: 30, noNaN: true }), (temperatureC) => {
        const cool = milestones(epoxy, 1, temperatureC);
        milestones(epoxy, 1, temperatureC + 1).forEach((minute, at) =>
          expect(minute).toBeLessThanOrEqual(cool[at]!),
        );
      }),
    );
  });

  it('the same coat on another day takes as long', () => {
    fc.assert(
      fc.property(anyMaterial, fc.integer({ min: 0, max: 100_000 }), (material, shift) => {
        expect(milestones(material, 1, 19, shift)).toEqual(
          milestones(material, 1, 19).map((minute) => expect.closeTo(minute, 4)),
        );
      }),
    );
  });
});
