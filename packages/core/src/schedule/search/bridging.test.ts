import { provableShapes } from '../../testing/optima';
import { provableBuild } from '../../testing/provableBuild';
import { workloadOf, unitKey } from '../plan/workload';
import { hasOwnSetUp, longestWait } from '../state/timeline';
import { sure, nth, entryOf } from '../../model/sure';
import { candidateOf, reinserterOf } from './candidate';
import { sessionsOf } from '../answers/sessions';
import { drawBridge } from './bridging';
import { waveCandidate } from './waves';

const drawsFrom = (seed: number) => {
  let state = seed;
  return (below: number) => {
    state = (state * 48271) % 2147483647;
    return state % below;
  };
};

describe('drawBridge', () => {
  const workload = workloadOf(provableBuild(nth(provableShapes, 3)));
  const candidate = candidateOf(workload, [...workload.byId.keys()], { now: workload.startAt });
  const { draft } = reinserterOf(workload, candidate);

  it('spaces what lies between so that the things of each are ready for the next', () => {
    let bridges = 0;
    for (let seed = 1; seed <= 200; seed += 1) {
      const bridge = drawBridge(draft, () => true, drawsFrom(seed));
      if (!bridge) continue;
      bridges += 1;
      const passes = bridge.first.map((id) => entryOf(draft.planned, id));
      const target = sure(passes.at(-1), 'the pass it leads to');
      expect(new Set(passes.map(({ rinseKey }) => rinseKey)).size).toBe(1);
      expect(hasOwnSetUp(target)).toBe(true);
      expect(bridge.removals.has(unitKey(target))).toBe(true);
      const held = passes.filter(({ id }) => bridge.held.has(id));
      held.slice(1).forEach((pass, n) => {
        const before = nth(held, n);
        const gap = entryOf(bridge.held, pass.id) - entryOf(bridge.held, before.id) - before.workMinutes;
        expect(gap).toBeCloseTo(longestWait(before));
      });
    }
    expect(bridges).toBeGreaterThan(20);
  });

  it('draws nothing where nothing may be taken out', () => {
    expect(drawBridge(draft, () => false, drawsFrom(1))).toBeUndefined();
  });
});

describe('waves that bridge', () => {
  // Two pieces with two coats of primer and one with one: coats of one piece go between those of another.
  const workload = workloadOf(provableBuild(nth(provableShapes, 3)));

  it('needs no second set-up where the coats of others reach to the second coat', () => {
    const setUps = (bridges: boolean) => {
      const shape = { lots: 1, patienceMinutes: Infinity, bridges };
      const { run } = waveCandidate(workload, workload.startAt, shape);
      return run.operations.filter((one) => one.kind === 'seal' && hasOwnSetUp(one)).length;
    };
    expect([setUps(false), setUps(true)]).toEqual([2, 1]);
  });

  it('is a batch of its own for each coat of a piece: nobody begins two at once', () => {
    const shape = { lots: 1, patienceMinutes: Infinity, bridges: true };
    const { run } = waveCandidate(workload, workload.startAt, shape);
    const ofPrimer = sessionsOf(workload, run.operations)
      .flatMap(({ batches }) => batches)
      .map(({ operationIds }) => operationIds.map((id) => entryOf(workload.byId, id)))
      .filter((batch) => batch.some(({ kind }) => kind === 'seal'))
      .map((batch) => batch.map(({ pieceId, coat }) => `${pieceId} ${coat}`));
    expect(ofPrimer).toEqual([
      ['piece2 1', 'piece1 1', 'piece0 1'],
      ['piece2 2', 'piece1 2'],
    ]);
  });
});
