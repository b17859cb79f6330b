import type { Build, Step } from '../../model/schema';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { epochMinute } from '../../model/wallTime';
import { planBuild } from './planBuild';
import { planView } from '../../advice/planView';

const at = (wall: string) => epochMinute(wall, 'UTC');
const seal: Step = { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush', film: 'light' };
const entry = (step: string, doneAt: string) => ({
  id: step,
  piece: 'plate',
  unit: 1,
  step,
  coat: 1,
  face: 'outer' as const,
  doneAt,
});

describe('what can be done now', () => {
  const build = (steps: Step[], more: Partial<Build> = {}) => {
    const made = sampleBuild({
      pieces: [samplePiece({}, steps), samplePiece({ id: 'other', name: 'Other' }, [seal])],
      ...more,
    });
    // Only in the evening, so that the plan leaves the afternoon to whoever has time.
    made.people[0]!.availability = [{ days: ['mon', 'tue'], from: '19:00', to: '22:00' }];
    return made;
  };
  const doable = (made: Build, wall: string) =>
    planBuild(made, { now: at(wall), latestStarts: false }).doableNow;

  it('is what waits for nothing, though nobody is planned to do it yet', () => {
    expect(doable(build([seal, { id: 'mask', kind: 'mask' }]), '2027-02-15T14:00')).toEqual([
      'plate/1/seal/1/outer',
      'other/1/seal/1/outer',
    ]);
  });

  it('waits for what lies there to allow it', () => {
    const steps: Step[] = [seal, { id: 'base', kind: 'base', material: 'craft-acrylic', method: 'brush' }];
    // Light film: recoat after 45 · 0.6^1.5 = 20.9 min.
    const made = (wall: string) => doable(build(steps, { log: [entry('seal', '2027-02-15T14:00')] }), wall);
    expect(made('2027-02-15T14:20')).toEqual(['other/1/seal/1/outer']);
    expect(made('2027-02-15T14:21')).toContain('plate/1/base/1/outer');
  });

  it('leaves out what the air or the hours of its place forbid', () => {
    const cold = build([seal]);
    cold.places[0]!.climate = { kind: 'constant', temperatureC: 5, humidityPct: 50 };
    expect(doable(cold, '2027-02-15T14:00')).toEqual([]);
    const shut = build([seal]);
    shut.places[0]!.hours = { from: '18:00', to: '22:00' };
    expect(doable(shut, '2027-02-15T14:00')).toEqual([]);
  });
});

describe('the outlook of a place', () => {
  const build = sampleBuild({
    pieces: [samplePiece({}, [{ ...seal, material: 'rubber-dip-spray', method: 'aerosol' }])],
  });
  build.places[0] = {
    ...build.places[0]!,
    name: 'Porch',
    ventilation: 'outdoor',
    // Rubber dip stands 80 % at most: six good hours from 18:00, then damp.
    climate: {
      kind: 'hourly',
      start: '2027-02-15T18:00',
      temperatureC: Array<number>(30).fill(16),
      humidityPct: [...Array<number>(6).fill(70), ...Array<number>(24).fill(92)],
    },
  };
  const outlook = (wall: string, readings = {}) =>
    planBuild(build, { now: at(wall), latestStarts: false, readings }).outlooks[0]!;

  it('warns of air that turns bad for what is planned there', () => {
    expect(outlook('2027-02-15T19:00')).toMatchObject({
      measured: false,
      air: { temperatureC: 16, humidityPct: 70 },
      warning: 'Porch: too damp for Rubber dip spray after 00:00.',
    });
    expect(outlook('2027-02-16T01:00').warning).toBe(
      'Porch: too damp for Rubber dip spray now and for the coming day.',
    );
  });

  it('counts what was measured, and says so', () => {
    const now = at('2027-02-15T19:00');
    const measured = outlook('2027-02-15T19:00', {
      room: [{ at: now - 5, temperatureC: 12, humidityPct: 88 }],
    });
    expect(measured).toMatchObject({ measured: true, air: { temperatureC: 12, humidityPct: 88 } });
    expect(measured.warning).toBe('Porch: too damp for Rubber dip spray until 19:25.');
  });

  it('has nothing to say where nothing is planned', () => {
    const idle = sampleBuild({ pieces: [] });
    idle.places[0]!.climate = { kind: 'constant', temperatureC: 2, humidityPct: 99 };
    expect(planBuild(idle, { latestStarts: false }).outlooks[0]!.warning).toBeUndefined();
  });
});

describe('the bands of a place', () => {
  it('tell how many units dry there at a time, and the air hour by hour', () => {
    const view = planView(
      sampleBuild({ pieces: [samplePiece({ quantity: 2 }, [{ ...seal, film: 'normal' }])] }),
      { latestStarts: false },
    );
    const [room] = view.places;
    expect(room!.slots).toBe(6);
    // Laid 08:05 and 08:07, handled 60 min later.
    expect(room!.rack.map((step) => [step.from - at('2027-02-15T08:00'), step.taken])).toEqual([
      [-60, 0],
      [5, 1],
      [7, 2],
      [65, 1],
      [67, 0],
    ]);
    expect(room!.air[0]).toMatchObject({ temperatureC: 21, humidityPct: 50 });
    expect(room!.air[1]!.at - room!.air[0]!.at).toBe(60);
  });
});
