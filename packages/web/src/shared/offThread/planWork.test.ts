import { epochMinute, warmFrom, type PlanView } from '@fixatum/core';
import { smallBuild } from '../../testing/smallBuild';
import { plan, type PlanRequest, type PlanStage } from './planWork';

const NOW = epochMinute('2027-02-15T08:00', 'UTC');
/** What each request was answered, in order, and what it failed with. */
const said: { ticket: number; view?: PlanView; stage?: PlanStage; error?: string }[] = [];
beforeEach(() => {
  said.length = 0;
  jest.useFakeTimers();
});
afterEach(() => jest.useRealTimers());

let ticket = 0;
const ask = (changes: Partial<PlanRequest> = {}): number => {
  ticket += 1;
  const own = ticket;
  plan({ build: smallBuild(), now: NOW, ...changes }, (view, stage) =>
    said.push({ ticket: own, view, stage }),
  ).catch((error: unknown) => said.push({ ticket: own, error: (error as Error).message }));
  return own;
};
const stages = (of: number): PlanStage[] =>
  said.flatMap((answer) => (answer.ticket === of && answer.stage ? [answer.stage] : []));
const viewAt = (of: number, stage: PlanStage): PlanView =>
  said.find((answer) => answer.ticket === of && answer.stage === stage)!.view!;
const moments = (view: PlanView) => view.operations.map(({ id, laidAt }) => [id, laidAt]);

describe('the worker that plans', () => {
  it('answers a build without a plan quickly, then with a plan that stands, then whole', async () => {
    const first = ask();
    expect(stages(first)).toEqual(['quick']);
    await jest.runAllTimersAsync();
    expect(stages(first)).toEqual(['quick', 'made', 'whole']);
    expect(moments(viewAt(first, 'whole'))).toEqual(moments(viewAt(first, 'made')));
    // The last moments to begin are looked for at the end only.
    expect(viewAt(first, 'made').pieces[0]!.latestStartAt).toBeUndefined();
    expect(viewAt(first, 'whole').pieces[0]!.latestStartAt).toBeGreaterThan(NOW);
  });

  it('keeps to the plan there was, which needs no search', async () => {
    const first = ask();
    await jest.runAllTimersAsync();
    const whole = viewAt(first, 'whole');
    const again = ask({ warm: warmFrom(whole) });
    await jest.runAllTimersAsync();
    expect(stages(again)).toEqual(['quick', 'whole']);
    expect(moments(viewAt(again, 'whole'))).toEqual(moments(whole));
  });

  it('does not finish what has been overtaken', async () => {
    const first = ask();
    const second = ask();
    await jest.runAllTimersAsync();
    expect(stages(first)).toEqual(['quick']);
    expect(stages(second)).toEqual(['quick', 'made', 'whole']);
  });

  it('says what went wrong, and goes on with the next', async () => {
    const bad = ask({ build: { ...smallBuild(), timeZone: 'Nowhere/Never' } });
    await jest.runAllTimersAsync();
    expect(said).toEqual([{ ticket: bad, error: expect.any(String) }]);
    const good = ask();
    await jest.runAllTimersAsync();
    expect(stages(good)).toContain('whole');
  });

  it('puts urgent pieces to the front of a plan that was put off', async () => {
    const first = ask();
    await jest.runAllTimersAsync();
    // A day later is still in time, so that nothing but the word of who asks moves it.
    const warm = warmFrom(viewAt(first, 'whole'));
    const later = { ...warm, beginsAt: new Map([...warm.beginsAt].map(([id, at]) => [id, at + 1440])) };
    const held = ask({ warm: later });
    const urgent = ask({ warm: later, urgent: ['plate'] });
    await jest.runAllTimersAsync();
    const begin = (of: number, stage: PlanStage) => viewAt(of, stage).operations[0]!.laidAt!;
    expect(begin(held, 'quick') - begin(urgent, 'whole')).toBe(1440);
  });
});
