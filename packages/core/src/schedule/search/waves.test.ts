import { checkPlan } from '../../testing/checkPlan';
import { largeBuild } from '../../testing/largeBuild';
import { randomBuild } from '../../testing/randomBuild';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { planBuild } from '../answers/planBuild';
import { workloadOf } from '../plan/workload';
import { candidateOf } from './candidate';
import { slackSequence } from './priority';
import { compareScores } from './score';
import { waveCandidate, waveCandidates } from './waves';

const whole = { lots: 1, patienceMinutes: Infinity };

describe('waves', () => {
  const alike = sampleBuild({
    pieces: ['a', 'b', 'c', 'd'].map((id) => samplePiece({ id, name: id })),
  });

  it('do one thing to all pieces before the next: a set-up for each coat, in one session', () => {
    const workload = workloadOf(alike);
    const { run, score } = waveCandidate(workload, workload.startAt, whole);
    const inTime = [...run.operations].sort((x, y) => x.laidAt! - y.laidAt!);
    expect(inTime.map(({ stepId, coat }) => `${stepId} ${coat}`)).toEqual(
      ['seal 1', 'seal 2', 'base 1'].flatMap((one) => [one, one, one, one]),
    );
    // Three coats with 45 min between them: three set-ups, and one session.
    expect(score).toMatchObject({ late: 0, sessions: 4 });
  });

  it('begin when the last of them is ready, so that none is set up for twice', () => {
    const workload = workloadOf(alike);
    const { run } = waveCandidate(workload, workload.startAt, whole);
    const second = run.operations.filter(({ stepId, coat }) => stepId === 'seal' && coat === 2);
    const begins = second.map(({ laidAt, workMinutes }) => laidAt! - workMinutes).sort((a, b) => a - b);
    expect(Math.min(...begins)).toBe(Math.max(...second.map(({ opensAt }) => opensAt!)));
    begins.slice(1).forEach((at, n) => expect(at - begins[n]!).toBe(second[0]!.workMinutes));
  });

  it('bring what would be short of time to the front', () => {
    const build = sampleBuild({
      pieces: ['a', 'b', 'c', 'd'].map((id) =>
        samplePiece({ id, name: id }, [
          { id: 'cut', kind: 'prep', minutes: 60 },
          { id: 'base', kind: 'base', material: 'craft-acrylic', method: 'brush' },
        ]),
      ),
    });
    // In one wave all four are cut from 8 to 12 and painted then; worn after 24 h by the label, after 33 h in nine futures of
    // ten: 21 h the next day. Cut and painted first, c is done at 9 and has until 18 h.
    build.events.push({ id: 'soon', name: 'Soon', wearAt: '2027-02-16T19:00' });
    build.pieces[2]!.event = 'soon';
    const workload = workloadOf(build);
    const [first, second] = waveCandidates(workload, workload.startAt, false, [whole]);
    expect(first!.standings.get('c')!.lacking).toBeGreaterThan(60);
    expect(second!.standings.get('c')!).toMatchObject({ late: 0, lacking: 0 });
    // One more set-up: it is painted by itself. Cutting has none.
    expect(second!.score.sessions - first!.score.sessions).toBe(1);
  });

  it('are a third of the sessions and set-ups of a plan that does all as soon as can be', () => {
    const workload = workloadOf(largeBuild(10));
    const soonest = candidateOf(workload, slackSequence(workload), { now: workload.startAt });
    const wave = waveCandidate(workload, workload.startAt, whole);
    expect(wave.score).toMatchObject({ unplaced: 0, late: 0, lacking: 0 });
    expect(wave.score.sessions * 3).toBeLessThan(soonest.score.sessions + 3);
    expect(compareScores(wave.score, soonest.score)).toBeLessThan(0);
  });

  it('keep every constraint', () => {
    for (let seed = 800; seed < 815; seed += 1) {
      const build = randomBuild(seed, { pieces: 4, steps: 5, people: 1 + (seed % 2), slots: 1 + (seed % 3) });
      const workload = workloadOf(build);
      const plan = planBuild(build, { latestStarts: false });
      for (const { run } of waveCandidates(workload, workload.startAt, false))
        expect([seed, checkPlan(build, { ...plan, ...run })]).toEqual([seed, []]);
    }
  });
});
