import { checkPlan } from '../../testing/checkPlan';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import type { Build, Place } from '../../model/schema';
import { planBuild } from '../answers/planBuild';
import { takenBy } from '../answers/takenBy';
import { placeBands } from '../view/placeBands';

const porch = (more: Partial<Place> = {}): Place => ({
  id: 'porch',
  name: 'Porch',
  ventilation: 'outdoor',
  slots: 1,
  climate: { kind: 'constant', temperatureC: 12, humidityPct: 50 },
  ...more,
});
const sprayed = (quantity: number, place: Place): Build =>
  sampleBuild({
    places: [
      {
        id: 'room',
        name: 'Room',
        ventilation: 'window',
        slots: 1,
        climate: { kind: 'constant', temperatureC: 21, humidityPct: 50 },
      },
      place,
    ],
    pieces: [
      samplePiece({ quantity }, [
        { id: 'p', kind: 'prime', material: 'lacquer-primer-spray', method: 'aerosol', place: 'porch' },
      ]),
    ],
  });
const planned = (build: Build) => planBuild(build, { latestStarts: false });

describe('what is carried indoors once it is touch-dry', () => {
  it('dries outside until then, and indoors from there', () => {
    const plan = planned(sprayed(1, porch({ carriedIn: true })));
    const laidAt = plan.operations[0]!.laidAt!;
    const stack = plan.units.get('plate/1')!.dry('outer:whole')!;
    // Lacquer primer is touch-dry after 10 label minutes; at 12 °C the clock runs 1.7^(−0.9) = 0.6203 as fast: 16.12 min. It is carried in
    // at the next whole minute, 17, with 17 · 0.6203 = 10.545 label minutes gone; the other 709.455 of its 720 to packable run at 21 °C.
    expect(stack.coats[0]!.touchAt - laidAt).toBeCloseTo(16.12, 1);
    expect(stack.packAt - laidAt).toBeCloseTo(17 + 709.455, 1);
    const outside = planned(sprayed(1, porch()));
    // All of it at 12 °C: 720 ÷ 0.6203.
    const stays = outside.units.get('plate/1')!.dry('outer:whole')!;
    expect(stays.packAt - outside.operations[0]!.laidAt!).toBeCloseTo(720 / 0.6203, 0);
    expect(checkPlan(sprayed(1, porch({ carriedIn: true })), plan)).toEqual([]);
  });

  it('leaves its place outside to the next then, but has one indoors until it can be handled', () => {
    const build = sprayed(2, porch({ carriedIn: true }));
    const plan = planned(build);
    const [first, second] = plan.operations;
    const handleAt = plan.units.get('plate/1')!.dry('outer:whole')!.handleAt;
    // One place on each rack: the second comes in when the first can be handled, so it is laid that much sooner than it is touch-dry.
    const touchMinutes = 17;
    expect(second!.laidAt! + touchMinutes).toBeGreaterThanOrEqual(handleAt);
    expect(second!.laidAt! - first!.laidAt!).toBeLessThan(handleAt - first!.laidAt!);
    const racks = takenBy(plan, new Set()).racks.map(({ place }) => place);
    expect(racks.sort()).toEqual(['porch', 'porch', 'room', 'room']);
    const bands = placeBands(plan.workload, plan.operations, plan.units, plan.now, plan.now + 600);
    for (const { rack } of bands) expect(Math.max(...rack.map(({ taken }) => taken))).toBe(1);
  });

  it('is laid where it is cold for the rest of the night, as it is not there any more', () => {
    // 12 °C for the first three hours, then 2 °C: water-borne films form within the hour and are indoors by then.
    const cooling: Place['climate'] = {
      kind: 'hourly',
      start: '2027-02-15T08:00',
      temperatureC: [16, 16, 2, 2],
      humidityPct: [50, 50, 50, 50],
    };
    const water = (place: Place) => {
      const build = sprayed(1, place);
      build.pieces[0]!.steps[0] = {
        id: 'p',
        kind: 'base',
        material: 'flex-acrylic',
        method: 'brush',
        place: 'porch',
      };
      return planned(build).operations[0]!.status;
    };
    expect(water(porch({ climate: cooling, carriedIn: true }))).toBe('planned');
  });
});
