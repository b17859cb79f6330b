import { catalogueById } from '../materials/catalogue';
import { whatIf, type WhatIfCoat } from './whatIf';

const dip = (afterMinutes: number): WhatIfCoat => ({
  material: catalogueById.get('rubber-dip-spray')!,
  film: 'light',
  afterMinutes,
});
const label = { kind: 'constant' as const, temperatureC: 21, humidityPct: 50 };

describe('whatIf', () => {
  it('shows that five coats in an evening take longer to dry than five over a week', () => {
    // Recoat 13.9427 min, tape-safe 240. After 160, 120, 80 and 40 min 0.043183, 0.073428, 0.124854 and 0.212295 of a light coat are
    // left: 0.6 · (1 + 0.453760) = 0.872256, to 1.5: 0.814640, of 1440 min from the last, laid at 4·40 = 160.
    const evening = whatIf([0, 40, 40, 40, 40].map(dip), label);
    expect(evening.packAt).toBeCloseTo(160 + 1440 * 0.81464, 1);
    // A day apart each is tape-safe before the next: half of 1440 min after the last.
    const week = whatIf([0, 1440, 1440, 1440, 1440].map(dip), label);
    expect(week.packAt).toBeCloseTo(4 * 1440 + 720, 6);
  });

  it('knows what covers only a part of the spot', () => {
    // Enamel a day bare, then under a wash in 0.3 of it: 1440 + 2880/0.75^0.3; its own surface is what is packable.
    const material = (id: string) => catalogueById.get(id)!;
    const enamel: WhatIfCoat = { material: material('hobby-enamel'), film: 'normal', afterMinutes: 0 };
    const wash: WhatIfCoat = { material: material('acrylic-wash'), film: 'normal', afterMinutes: 1440 };
    const packs = (share: number) => whatIf([enamel, { ...wash, share }], label).milestones[0]!.packAt;
    expect(packs(0.3)).toBeCloseTo(1440 + 2880 / 0.917314, 1);
    expect(packs(1)).toBeCloseTo(1440 + 2880 / 0.75, 6);
  });

  it('draws each coat from nothing to cured', () => {
    const answer = whatIf([dip(0), { ...dip(60), material: catalogueById.get('craft-acrylic')! }], label);
    expect(answer.progress).toHaveLength(2);
    for (const [at, line] of answer.progress.entries()) {
      expect(line).toHaveLength(answer.moments.length);
      line.forEach((share, n) => {
        expect(share).toBeGreaterThanOrEqual(line[n - 1] ?? 0);
        if (answer.moments[n]! < answer.laidAt[at]!) expect(share).toBe(0);
      });
      expect(line.at(-1)).toBe(1);
    }
  });

  it('follows a cold night: below its minimum the clock stands still', () => {
    const cold = {
      kind: 'hourly' as const,
      start: '1970-01-01T00:00',
      temperatureC: [21, 5, 21],
      humidityPct: [50, 50, 50],
    };
    // Handle 240 · 0.5 = 120 min: 60 in the first hour, none in the second, 60 in the third.
    expect(whatIf([dip(0)], cold).milestones[0]!.handleAt).toBeCloseTo(180, 6);
  });

  it('does not break on what never dries', () => {
    const frost = { kind: 'constant' as const, temperatureC: 2, humidityPct: 50 };
    const answer = whatIf([dip(0)], frost);
    expect(answer.packAt).toBe(Infinity);
    expect(answer.progress[0]!.at(-1)).toBe(0);
  });
});
