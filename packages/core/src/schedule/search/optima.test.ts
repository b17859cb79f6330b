import optima from '../../testing/optima.json';
import { fingerprintOf, provableShapes } from '../../testing/optima';
import { provableBuild } from '../../testing/provableBuild';
import { workloadOf } from '../plan/workload';
import { searchPlan } from './search';

// What an exact solver proved (`npm run prove`): the fewest sessions and set-ups these builds can be done in.
describe('held against proved optima', () => {
  it('has proofs for nearly all builds that were tried', () => {
    expect(provableShapes).toHaveLength(32);
    expect(optima.length).toBeGreaterThanOrEqual(29);
  });

  it.each(optima)('is proved for seed $seed as it is now', (optimum) => {
    const build = provableBuild(optimum);
    expect(fingerprintOf(build)).toBe(optimum.fingerprint);
    expect(workloadOf(build).operations).toHaveLength(optimum.passes);
  });

  // A plan below a proved optimum would mean that the planner breaks a rule, or that the proof is wrong.
  it('never needs fewer than is possible, and mostly no more, within 300 tries', () => {
    const small = optima.filter(({ seed }) => seed < 100);
    const reached = small.filter((optimum) => {
      const workload = workloadOf(provableBuild(optimum));
      const { score } = searchPlan(workload, { now: workload.startAt, iterations: 300 });
      expect({ ...score, isTooGood: score.sessions < optimum.sessions }).toMatchObject({
        unplaced: 0,
        late: 0,
        lacking: 0,
        isTooGood: false,
      });
      return score.sessions === optimum.sessions;
    });
    expect(reached.length).toBeGreaterThanOrEqual(16);
  });
});
