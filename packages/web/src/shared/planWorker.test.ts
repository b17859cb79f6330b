import { epochMinute, warmFrom, type PlanView } from '@fixatum/core';
import type { PlanAnswer, PlanRequest, PlanStage } from './planWorker';
import { smallBuild } from '../testing/smallBuild';

const NOW = epochMinute('2027-02-15T08:00', 'UTC');
const said: PlanAnswer[] = [];
const scope = {
  onmessage: undefined as ((event: { data: unknown }) => void) | undefined,
  postMessage: (answer: PlanAnswer) => said.push(answer),
};
beforeAll(async () => {
  (globalThis as { self?: unknown }).self = scope;
  await import('./planWorker');
});
beforeEach(() => {
  said.length = 0;
  jest.useFakeTimers();
});
afterEach(() => jest.useRealTimers());

let ticket = 0;
const ask = (changes: Partial<PlanRequest> = {}): number => {
  ticket += 1;
  scope.onmessage!({ data: { ticket, build: smallBuild(), now: NOW, ...changes } });
  return ticket;
};
const stages = (of: number): PlanStage[] =>
  said.flatMap((answer) => (answer.ticket === of && 'stage' in answer ? [answer.stage] : []));
const viewAt = (of: number, stage: PlanStage): PlanView => {
  const found = said.find((answer) => answer.ticket === of && 'stage' in answer && answer.stage === stage);
  return (found as { view: PlanView }).view;
};
const moments = (view: PlanView) => view.operations.map(({ id, laidAt }) => [id, laidAt]);

describe('the worker that plans', () => {
  it('answers a build without a plan quickly, then with a plan that stands, then whole', () => {
    const first = ask();
    expect(stages(first)).toEqual(['quick']);
    jest.runAllTimers();
    expect(stages(first)).toEqual(['quick', 'made', 'whole']);
    expect(moments(viewAt(first, 'whole'))).toEqual(moments(viewAt(first, 'made')));
    // The last moments to begin are looked for at the end only.
    expect(viewAt(first, 'made').pieces[0]!.latestStartAt).toBeUndefined();
    expect(viewAt(first, 'whole').pieces[0]!.latestStartAt).toBeGreaterThan(NOW);
  });

  it('keeps to the plan there was, which needs no search', () => {
    const first = ask();
    jest.runAllTimers();
    const whole = viewAt(first, 'whole');
    const again = ask({ warm: warmFrom(whole) });
    jest.runAllTimers();
    expect(stages(again)).toEqual(['quick', 'whole']);
    expect(moments(viewAt(again, 'whole'))).toEqual(moments(whole));
  });

  it('does not finish what has been overtaken', () => {
    const first = ask();
    const second = ask();
    jest.runAllTimers();
    expect(stages(first)).toEqual(['quick']);
    expect(stages(second)).toEqual(['quick', 'made', 'whole']);
  });

  it('says what went wrong, and goes on with the next', () => {
    const bad = ask({ build: { ...smallBuild(), timeZone: 'Nowhere/Never' } });
    jest.runAllTimers();
    expect(said).toEqual([{ ticket: bad, error: expect.any(String) }]);
    const good = ask();
    jest.runAllTimers();
    expect(stages(good)).toContain('whole');
  });

  it('puts urgent pieces to the front of a plan that was put off', () => {
    const first = ask();
    jest.runAllTimers();
    // A day later is still in time, so that nothing but the word of who asks moves it.
    const warm = warmFrom(viewAt(first, 'whole'));
    const later = { ...warm, beginsAt: new Map([...warm.beginsAt].map(([id, at]) => [id, at + 1440])) };
    const held = ask({ warm: later });
    const urgent = ask({ warm: later, urgent: ['plate'] });
    jest.runAllTimers();
    const begin = (of: number, stage: PlanStage) => viewAt(of, stage).operations[0]!.laidAt!;
    expect(begin(held, 'quick') - begin(urgent, 'whole')).toBe(1440);
  });
});
