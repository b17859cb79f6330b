import { compareScores, planBuild, warmFrom, type Score, type WarmStart } from '@fixatum/core';
import { smallBuild } from '../../testing/smallBuild';
import { improve } from './improveWork';

const plate = smallBuild().pieces[0]!;
const build = smallBuild({
  pieces: ['a', 'b', 'c', 'd'].map((id) => ({ ...plate, id, name: id })),
});
const soonest = warmFrom(planBuild(build, { latestStarts: false }));
/** A plan that grew: each piece a day after the one before, with a session and a set-up of its own. */
const grown: WarmStart = {
  ...soonest,
  beginsAt: new Map([...soonest.beginsAt].map(([id, at]) => [id, at + 1440 * 'abcd'.indexOf(id.charAt(0))])),
};
const plan = planBuild(build, { latestStarts: false, search: { warm: grown, keep: true } });
const warm = warmFrom(plan);
const asked = { build, now: plan.now, around: {}, warm, seed: 1 };

describe('looking for a better plan', () => {
  it('ends by itself when nobody waits and nothing turns up, having told only of what is worth it', async () => {
    const told: Score[] = [];
    const tried = await improve(
      { ...asked, seconds: 30, quietSeconds: 0.3 },
      (_warm, score) => told.push(score),
      () => undefined,
    );
    expect(tried).toBeGreaterThan(10);
    for (const score of told) expect(score.sessions).toBeLessThanOrEqual(plan.score.sessions);
  });

  it('tells of better and better plans, of which the last is as good as one made from nothing', async () => {
    const found: Score[] = [];
    await improve(
      { ...asked, seconds: 20, quietSeconds: 0.5 },
      (_warm, score) => found.push(score),
      () => undefined,
    );
    const scores = [plan.score, ...found];
    scores.slice(1).forEach((score, at) => expect(compareScores(score, scores[at]!)).toBeLessThan(0));
    const fresh = planBuild(build, { latestStarts: false, search: { starts: 'all' } });
    expect(compareScores(scores.at(-1)!, fresh.score)).toBeLessThanOrEqual(0);
    expect(compareScores(fresh.score, plan.score)).toBeLessThan(0);
  });
});
