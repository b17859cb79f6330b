import { catalogueById } from '../materials/catalogue';
import { whatIf, type WhatIfCoat } from './whatIf';

const dip = (afterMinutes: number): WhatIfCoat => ({
  material: catalogueById.get('rubber-dip-spray')!,
  film: 'light',
  afterMinutes,
});
const label = { kind: 'constant' as const, temperatureC: 21, humidityPct: 50 };

describe('whatIf', () => {
  it('shows that five coats in an evening take far longer than five over a week', () => {
    // Five light films in one: (5·0.6)² = 9 times 1440 from the last, laid at 4·40 = 160: 13 120 min.
    const evening = whatIf([0, 40, 40, 40, 40].map(dip), label);
    expect(evening.packAt).toBeCloseTo(160 + 9 * 1440, 6);
    // A day apart each is packable before the next: 0.36 · 1440 = 518 min after the last.
    const week = whatIf([0, 1440, 1440, 1440, 1440].map(dip), label);
    expect(week.packAt).toBeCloseTo(4 * 1440 + 518.4, 6);
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
    // Handle 240 · 0.36 = 86.4 min: 60 in the first hour, none in the second, 26.4 in the third.
    expect(whatIf([dip(0)], cold).milestones[0]!.handleAt).toBeCloseTo(146.4, 6);
  });

  it('does not break on what never dries', () => {
    const frost = { kind: 'constant' as const, temperatureC: 2, humidityPct: 50 };
    const answer = whatIf([dip(0)], frost);
    expect(answer.packAt).toBe(Infinity);
    expect(answer.progress[0]!.at(-1)).toBe(0);
  });
});
