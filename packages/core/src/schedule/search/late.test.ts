import type { Build } from '../../model/schema';
import { randomBuild } from '../../testing/randomBuild';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { checkPlan } from '../../testing/checkPlan';
import { planBuild } from '../answers/planBuild';
import { decode } from '../place/decode';
import { dryThroughOf } from '../place/dryThrough';
import { workloadOf } from '../plan/workload';
import { candidateOf } from './candidate';
import { exactOrders } from './exactOrders';
import { pieceOrders } from './pieceOrders';
import { groundOf, scoreOf } from './score';
import { slackSequence } from './priority';
import { searchPlan } from './search';

/** A made-up build whose dates are too near. */
const lateBuild = (seed: number, pieces: number, steps: number): Build => {
  const build = randomBuild(seed, {
    pieces,
    steps,
    people: seed % 5 === 0 ? 2 : 1,
    slots: 2 + (seed % 3),
  });
  const [day] = build.events;
  return {
    ...build,
    events: [{ ...day!, packAt: `2027-02-${16 + (seed % 3)}T20:00`, wearAt: '2027-02-19T12:00' }],
  };
};

/** The least minutes late over every order that keeps what has to come first. */
function leastLate(build: Build, letDryThrough: ReadonlySet<string>): number {
  const workload = workloadOf(build);
  const now = workload.startAt;
  let least = Infinity;
  const order: string[] = [];
  const placed = new Set<string>();
  const go = (): void => {
    if (order.length === workload.operations.length) {
      const run = decode(workload, order, { now, letDryThrough });
      least = Math.min(least, scoreOf(groundOf(workload, now, run.lessons), run).score.late);
      return;
    }
    for (const { id, after } of workload.operations) {
      if (placed.has(id) || after.some((before) => !placed.has(before))) continue;
      placed.add(id);
      order.push(id);
      go();
      order.pop();
      placed.delete(id);
    }
  };
  go();
  return least;
}

describe('exactOrders', () => {
  it('finds the least minutes late of all orders, and says that it has looked through all', () => {
    let counted = 0;
    for (let seed = 700; counted < 6; seed += 1) {
      const build = lateBuild(seed, 2, 3);
      const workload = workloadOf(build);
      if (workload.operations.length > 7) continue;
      const best = candidateOf(workload, slackSequence(workload), { now: workload.startAt });
      if (best.score.late === 0 || best.score.unplaced > 0) continue;
      counted += 1;
      const { better, isProved } = exactOrders(workload, workload.startAt, best);
      const least = leastLate(build, dryThroughOf(best.run.operations));
      expect([seed, isProved, (better ?? best).score.late]).toEqual([
        seed,
        true,
        Math.min(best.score.late, least),
      ]);
    }
  });

  it('leaves alone what has more than a dozen open passes', () => {
    // Thirteen pieces with one pass each.
    const build = sampleBuild({
      pieces: Array.from({ length: 13 }, (_, n) =>
        samplePiece({ id: `p${n}`, name: `P ${n}` }, [{ id: 'trim', kind: 'prep', minutes: 30 }]),
      ),
    });
    const looked = (count: number) => {
      const workload = workloadOf({ ...build, pieces: build.pieces.slice(0, count) });
      const best = candidateOf(workload, slackSequence(workload), { now: workload.startAt });
      return exactOrders(workload, workload.startAt, best).isProved;
    };
    expect(looked(13)).toBe(false);
    // In time already: there is nothing to look through.
    expect(looked(12)).toBe(true);
  });

  it('proves that the search itself mostly comes to the least there is', () => {
    let [proved, reached] = [0, 0];
    for (let seed = 700; proved < 6; seed += 1) {
      const workload = workloadOf(lateBuild(seed, 2 + (seed % 2), 3));
      if (workload.operations.length > 8) continue;
      const best = searchPlan(workload, { now: workload.startAt, iterations: 100 });
      if (best.score.late === 0 || best.score.unplaced > 0) continue;
      const { better, isProved } = exactOrders(workload, workload.startAt, best);
      if (!isProved) continue;
      proved += 1;
      if (!better) reached += 1;
    }
    expect(reached).toBeGreaterThanOrEqual(5);
  });
});

describe('pieceOrders', () => {
  /** Pieces of so many minutes each, in one evening a day of two hours, for a day that is over before any is done. */
  const build = (minutes: readonly number[]) =>
    sampleBuild({
      start: '2027-02-15T08:00',
      people: [
        {
          id: 'me',
          name: 'Me',
          availability: [
            { days: ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], from: '19:00', to: '21:00' },
          ],
        },
      ],
      events: [{ id: 'day', name: 'The day', wearAt: '2027-02-15T19:00' }],
      pieces: minutes.map((one, n) =>
        samplePiece({ id: `p${n}`, name: `P ${n}` }, [{ id: 'trim', kind: 'prep', minutes: one }]),
      ),
    });
  const plansOf = (minutes: readonly number[]) => {
    const workload = workloadOf(build(minutes));
    const best = candidateOf(workload, slackSequence(workload), { now: workload.startAt });
    return [...pieceOrders(workload, workload.startAt, best)];
  };

  it('tries every order of up to five pieces', () => {
    expect(plansOf([30, 30, 30, 30, 30])).toHaveLength(120);
  });

  it('has the least minutes late of six pieces', () => {
    // Five of 20 min fit into the first evening of two hours: late by 20, 40, 60, 80 and 100 min. The one of 110 min has the next, a day later.
    const least = Math.min(...plansOf([110, 20, 20, 20, 20, 20]).map(({ score }) => score.late));
    expect(least).toBe(20 + 40 + 60 + 80 + 100 + 1440 + 110);
  });

  it('ends on any build', () => {
    // Forty pieces of one pass: forty thousand passes placed are a thousand plans.
    expect(plansOf(Array.from({ length: 40 }, (_, n) => 10 + n)).length).toBeLessThanOrEqual(1000);
  });
});

describe('a late build', () => {
  it('is planned soundly, and no later for more tries', () => {
    for (let seed = 800; seed < 804; seed += 1) {
      const build = lateBuild(seed, 4, 4);
      const plans = [20, 200].map((iterations) =>
        planBuild(build, { latestStarts: false, search: { starts: 'all', iterations } }),
      );
      for (const plan of plans) expect([seed, checkPlan(build, plan)]).toEqual([seed, []]);
      expect(plans[1]!.score.late).toBeLessThanOrEqual(plans[0]!.score.late);
    }
  });
});
