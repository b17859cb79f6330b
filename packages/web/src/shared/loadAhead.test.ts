/**
 * @jest-environment jsdom
 * @jest-environment-options {"customExportConditions": ["node", "node-addons"]}
 */
import { isLoadingAhead, loadAhead } from './loadAhead';

describe('parts that are loaded ahead', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  it('come one after the other, go on after one that can’t be had, and say so meanwhile', async () => {
    const loaded: string[] = [];
    const part = (name: string) => () => {
      loaded.push(`${name} ${isLoadingAhead()}`);
      return name === 'gone' ? Promise.reject(new Error('gone')) : Promise.resolve();
    };
    const all = loadAhead([part('first'), part('gone'), part('last')]);
    // Nothing before the browser is idle.
    expect([loaded, isLoadingAhead()]).toEqual([[], false]);
    await jest.runAllTimersAsync();
    await all;
    expect(loaded).toEqual(['first true', 'gone true', 'last true']);
    expect(isLoadingAhead()).toBe(false);
  });
});
