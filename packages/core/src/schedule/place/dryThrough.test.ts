import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { checkPlan } from '../../testing/checkPlan';
import { epochMinute, toWallTime } from '../../model/wallTime';
import { forecastBuild } from '../answers/forecast';
import { workloadOf } from '../plan/workload';
import { planBuild } from '../answers/planBuild';
import { rescueBuild } from '../../advice/rescue/rescue';
import type { SearchOptions } from '../search/search';
import { storedPlanOf, warmFrom, warmOfStored } from '../search/warmStart';
import { coatsOnCoats } from '../plan/coatsOnCoats';

/**
 * A plate that is primed three times and has to be packed by a moment. The primer takes the next coat after 30 min, is tape-safe
 * after 300 and packable after 1440.
 */
function primedThrice(packAt: string) {
  const build = sampleBuild({
    materials: [{ id: 'thick', extends: 'pva-flex-primer', name: 'Thick primer', recoat: '30-', tape: 300 }],
    pieces: [samplePiece({}, [{ id: 's', kind: 'seal', material: 'thick', method: 'brush', coats: 3 }])],
  });
  build.events = [{ id: 'day', name: 'The day', packAt, wearAt: '2027-03-06T09:00' }];
  return build;
}
const quick: Omit<SearchOptions, 'now'> = { starts: 'first' };
const laid = (plan: ReturnType<typeof planBuild>) =>
  plan.operations.map((one) => toWallTime(one.laidAt!, 'UTC'));
const packable = (plan: ReturnType<typeof planBuild>) => toWallTime(plan.pieces[0]!.packableAt!, 'UTC');

describe('coats that join', () => {
  it('are laid as soon as the date allows it', () => {
    const plan = planBuild(primedThrice('2027-02-26T18:00'), { search: quick });
    // Nobody works before 08:00; 3 min of set-up, 2 of brushing (600 cm² at 2 m²/h), next coat after 30 min.
    expect(laid(plan)).toEqual(['2027-02-15T08:05', '2027-02-15T08:37', '2027-02-15T09:09']);
    // One film: 64 and 32 min on, 34 and 2 of the 270 min from recoat to tape-safe, the lower ones hold 0.3·e^(−0.377778) = 0.205613
    // and 0.3·e^(−0.022222) = 0.293407. 1.499020^1.5 = 1.835317, of 1440 min: 2642.9 from 09:09.
    expect(packable(plan)).toBe('2027-02-17T05:12');
    expect(plan.operations.map((one) => one.letsDryThrough)).toEqual([false, false, false]);
  });

  it('are laid one by one where they would be late as one film', () => {
    const build = primedThrice('2027-02-17T04:00');
    const plan = planBuild(build, { search: quick });
    // Each coat is tape-safe 300 min after it, and the next is brushed in the two minutes after that.
    expect(laid(plan)).toEqual(['2027-02-15T08:05', '2027-02-15T13:07', '2027-02-15T18:09']);
    expect(packable(plan)).toBe('2027-02-16T18:09');
    expect(plan.operations.map((one) => [one.letsDryThrough, one.boundBy])).toEqual([
      [false, 'start'],
      [true, 'through'],
      [true, 'through'],
    ]);
    expect(plan.pieces[0]!.readiness).toBe('tight');
    expect(checkPlan(build, plan)).toEqual([]);
    // Packable a day after the last coat, so that has to be laid on the 15th, by 22:00; the second 302 and the first 604 min before:
    // 11:56, and 3 min of set-up and 2 of brushing go before it: 11:51.
    expect(toWallTime(plan.pieces[0]!.latestStartAt!, 'UTC')).toBe('2027-02-15T11:45');
  });

  it('stay one by one in a plan that goes on from the last one, even when work slips', () => {
    const build = primedThrice('2027-02-17T04:00');
    const warm = warmOfStored(
      JSON.parse(JSON.stringify(storedPlanOf(warmFrom(planBuild(build))))) as ReturnType<typeof storedPlanOf>,
    );
    // The first coat was laid at ten: at 13:07 it is not dry through.
    build.log = [
      { id: 'l1', piece: 'plate', unit: 1, step: 's', coat: 1, face: 'outer', doneAt: '2027-02-15T10:00' },
    ];
    const plan = planBuild(build, { search: { warm, keep: true, starts: 'none' } });
    expect(laid(plan)).toEqual(['2027-02-15T10:00', '2027-02-15T15:02', '2027-02-15T20:04']);
    const now = epochMinute('2027-02-15T13:00', 'UTC');
    // Whoever has time to spare at noon is not sent to spoil it, though the coat could be laid.
    expect(planBuild(build, { now, search: { warm, keep: true, starts: 'none' } }).doableNow).toEqual([]);
    const hurried = { warm: { ...warm, letDryThrough: new Set<string>() }, starts: 'none' as const };
    build.events[0]!.packAt = '2027-03-05T18:00';
    expect(planBuild(build, { now, search: hurried }).doableNow).toEqual(['plate/1/s/2/outer']);
  });

  it('are waited for in futures in which they dry more slowly', () => {
    // In time with the coats one by one where the last is on by 8:05 the next morning, though each takes twice as long (ln 2 ÷ 0.2 =
    // 3.5 σ); as one film only where it takes less than 1.3 times as long (1.3 σ).
    const chance = (waitFor: 'through' | undefined) => {
      const build = primedThrice('2027-02-17T19:00');
      Object.assign(build.pieces[0]!.steps[0]!, { waitFor });
      return forecastBuild(build, planBuild(build, { search: quick }), 1)[0]!.chance!;
    };
    expect(chance('through')).toBeGreaterThan(chance(undefined) + 0.05);
  });

  it('are laid one by one where the step asks for it, however far the date', () => {
    const build = primedThrice('2027-03-05T18:00');
    build.pieces[0]!.steps[0]!.waitFor = 'through';
    const plan = planBuild(build, { search: { iterations: 20 } });
    expect(laid(plan)).toEqual(['2027-02-15T08:05', '2027-02-15T13:07', '2027-02-15T18:09']);
    expect(checkPlan(build, plan)).toEqual([]);
    // As one film they would not do for the validator.
    const joined = planBuild(primedThrice('2027-03-05T18:00'), { search: quick });
    for (const one of joined.operations) one.mustDryThrough = true;
    expect(checkPlan(build, joined)).toHaveLength(2);
  });

  it('are laid on time all the same where the recoat window closes before they are dry through', () => {
    const build = primedThrice('2027-03-05T18:00');
    build.materials = [
      { id: 'hasty', extends: 'pva-flex-primer', name: 'Hasty primer', recoat: '30-120', tape: 300 },
    ];
    Object.assign(build.pieces[0]!.steps[0]!, { material: 'hasty', waitFor: 'through' });
    const plan = planBuild(build, { search: quick });
    expect(laid(plan)).toEqual(['2027-02-15T08:05', '2027-02-15T08:37', '2027-02-15T09:09']);
    expect(checkPlan(build, plan)).toEqual([]);
  });

  it('are offered to be laid one by one when the chance to make the date is small', () => {
    // As one film packable on 17 Feb at 05:12: seven hours before it has to be.
    const build = primedThrice('2027-02-17T12:00');
    const before = planBuild(build, { search: quick });
    expect(before.pieces[0]!.readiness).not.toBe('late');
    const chance = forecastBuild(build, before, 1)[0]!.chance!;
    expect(chance).toBeLessThan(0.8);
    const { rescues } = rescueBuild(build, { chances: new Map([['plate', chance]]) });
    const offer = rescues.find(({ label }) => label.endsWith('dry through before the next'))!;
    expect(offer).toMatchObject({
      label: 'Each coat of Thick primer on Plate dry through before the next',
      makesIt: true,
      cost: { look: 'same', givesUp: [], buys: [] },
    });
    // From 17 Feb 05:12 to 16 Feb 18:09.
    expect(offer.daysGained).toBeCloseTo((11 + 3 / 60) / 24, 3);
  });

  it('are offered so beside another piece that is late, and make it whatever becomes of that', () => {
    const build = primedThrice('2027-02-24T18:00');
    // Each wash waits three days for the next, and six days are not enough for that and for drying after it.
    build.pieces.push(
      samplePiece({ id: 'slow', name: 'Slow' }, [
        { id: 'paint', kind: 'base', material: 'craft-acrylic', method: 'brush' },
        { id: 'oil', kind: 'weather', material: 'oil-wash', method: 'brush', coats: 3 },
      ]),
    );
    const { inTrouble, rescues } = rescueBuild(build, { chances: new Map([['plate', 0.7]]) });
    expect(inTrouble.sort()).toEqual(['plate', 'slow']);
    const about = (id: string) => rescues.filter(({ urgent }) => urgent.join() === id);
    expect(about('plate').find(({ label }) => label.endsWith('dry through before the next'))).toMatchObject({
      makesIt: true,
    });
    expect(about('slow').length).toBeGreaterThanOrEqual(2);
    expect(about('slow').some(({ makesIt }) => makesIt)).toBe(true);
  });
});

describe('a film over what is still drying', () => {
  it('waits where it would slow that too much', () => {
    const build = sampleBuild({
      pieces: [
        samplePiece({ substrate: { kind: 'card', thicknessMm: 3 } }, [
          { id: 'paint', kind: 'base', material: 'hobby-enamel', method: 'brush' },
          { id: 'gloss', kind: 'topcoat', material: 'epoxy-clear', method: 'brush' },
        ]),
      ],
    });
    const material = (id: string) => workloadOf(build).materials.get(id)!;
    // Under epoxy enamel dries at a fifth of its pace: a day bare, and the other six of its week five times as long make a month.
    // Epoxy after that week takes three days: 25 February.
    expect([material('hobby-enamel').wear, material('epoxy-clear').wear]).toEqual([7 * 1440, 3 * 1440]);
    build.events = [{ id: 'day', name: 'The day', wearAt: '2027-03-06T09:00' }];
    const plan = planBuild(build, { search: quick });
    expect(plan.operations.map((one) => one.letsDryThrough)).toEqual([false, true]);
    expect(plan.pieces[0]!.readiness).not.toBe('late');
    expect(checkPlan(build, plan)).toEqual([]);
  });
});

describe('work by hand', () => {
  it('waits for cure too where the step asks for it', () => {
    const begins = (waitFor: 'cured' | undefined) => {
      const build = sampleBuild({
        pieces: [
          samplePiece({}, [
            { id: 'b', kind: 'base', material: 'craft-acrylic', method: 'brush' },
            { id: 'scuff', kind: 'sand', method: 'sand', ...(waitFor ? { waitFor } : {}) },
          ]),
        ],
      });
      const plan = planBuild(build, { search: quick });
      expect(checkPlan(build, plan)).toEqual([]);
      const { laidAt, workMinutes } = plan.operations[1]!;
      return toWallTime(laidAt! - workMinutes, 'UTC');
    };
    // Brushed until 08:05; it can be sanded after 1440 min, and is packable after 2880.
    expect(begins(undefined)).toBe('2027-02-16T08:05');
    expect(begins('cured')).toBe('2027-02-17T08:05');
  });
});

describe('coatsOnCoats', () => {
  it('names the coats that land on others of their unit, and which of them join', () => {
    const build = sampleBuild({
      pieces: [
        samplePiece({ faces: { outer: { areaCm2: 600 }, inner: { areaCm2: 600 } } }, [
          { id: 's', kind: 'seal', material: 'pva-flex-primer', coats: 2, faces: ['outer', 'inner'] },
          { id: 'sand', kind: 'sand', method: 'sand' },
          { id: 'b', kind: 'base', material: 'craft-acrylic', coats: 2, faces: ['outer'] },
        ]),
      ],
    });
    const own = workloadOf(build).byUnit.get('plate/1')!;
    expect(coatsOnCoats(own).sort((a, b) => a.id.localeCompare(b.id))).toEqual([
      // Acrylic does not dissolve what lies below it.
      { id: 'plate/1/b/1/outer', early: 'little' },
      { id: 'plate/1/b/2/outer', early: 'little' },
      { id: 'plate/1/s/2/inner', early: 'joins' },
      { id: 'plate/1/s/2/outer', early: 'joins' },
    ]);
  });
});
