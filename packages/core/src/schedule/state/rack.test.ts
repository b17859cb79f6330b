import fc from 'fast-check';
import { Rack } from './rack';

describe('Rack', () => {
  it('has room until its slots are taken, and again when the first leaves', () => {
    const rack = new Rack(2);
    rack.take('a', 0, 100);
    expect(rack.firstFree('c', 10, 30)).toBe(10);
    rack.take('b', 20, 60);
    expect(rack.firstFree('c', 10, 30)).toBe(60);
    // A stay that ends before the second comes fits.
    expect(rack.firstFree('c', 5, 15)).toBe(5);
    expect(rack.firstFree('c', 60, 500)).toBe(60);
  });

  it('leaves a unit its own place, and counts it once', () => {
    const rack = new Rack(1);
    rack.take('a', 0, 100);
    expect(rack.firstFree('a', 50, 30)).toBe(50);
    rack.take('a', 50, 140);
    expect(rack.firstFree('b', 0, 10)).toBe(140);
  });

  it('is never free again behind what never dries', () => {
    const rack = new Rack(1);
    rack.take('a', 10, Infinity);
    expect(rack.firstFree('b', 20, 5)).toBe(Infinity);
    expect(rack.firstFree('b', 0, 5)).toBe(0);
  });

  it('agrees with counting heads minute by minute', () => {
    const stay = fc.record({
      unit: fc.constantFrom('a', 'b', 'c', 'd'),
      from: fc.integer({ min: 0, max: 60 }),
      minutes: fc.integer({ min: 1, max: 30 }),
    });
    fc.assert(
      fc.property(
        fc.array(stay, { maxLength: 12 }),
        stay,
        fc.integer({ min: 1, max: 3 }),
        (stays, asked, slots) => {
          const rack = new Rack(slots);
          const taken: { unit: string; from: number; to: number }[] = [];
          for (const { unit, from, minutes } of stays) {
            const at = rack.firstFree(unit, from, minutes);
            rack.take(unit, at, at + minutes);
            taken.push({ unit, from: at, to: at + minutes });
          }
          const heads = (minute: number, without?: string) =>
            new Set(
              taken
                .filter((one) => one.from <= minute && one.to > minute && one.unit !== without)
                .map((one) => one.unit),
            ).size;
          for (let minute = 0; minute < 500; minute += 1) expect(heads(minute)).toBeLessThanOrEqual(slots);
          // Where it stands already it is counted among the heads, so others may fill the rest.
          const stands = (minute: number) =>
            taken.some((one) => one.unit === asked.unit && one.from <= minute && one.to > minute);
          const fits = (start: number) =>
            Array.from({ length: asked.minutes }, (_, n) => start + n).every(
              (minute) => stands(minute) || heads(minute, asked.unit) < slots,
            );
          let expected = asked.from;
          while (!fits(expected)) expected += 1;
          expect(rack.firstFree(asked.unit, asked.from, asked.minutes)).toBe(expected);
          if (!rack.mayBeFull(asked.from)) expect(expected).toBe(asked.from);
        },
      ),
    );
  });
});
