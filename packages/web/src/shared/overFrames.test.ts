/**
 * @jest-environment jsdom
 * @jest-environment-options {"customExportConditions": ["node", "node-addons"]}
 */
import { effectScope } from 'vue';
import { useOverFrames } from './overFrames';

describe('a long screen drawn over frames', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());
  const frame = () => jest.advanceTimersToNextFrame();

  it('begins with one frame’s rows, has as many more with each, and then all', () => {
    const scope = effectScope();
    const drawn = scope.run(() => useOverFrames(8, 24))!;
    expect(drawn.value).toBe(8);
    const seen: number[] = [];
    for (let n = 0; n < 6; n += 1) {
      frame();
      if (seen.at(-1) !== drawn.value) seen.push(drawn.value);
    }
    // 8, 16, and the third eight are all 24.
    expect(seen.filter((count) => count !== 8)).toEqual([16, Infinity]);
    expect(jest.getTimerCount()).toBe(0);
    scope.stop();
  });
  it('stops with its screen', () => {
    const scope = effectScope();
    const drawn = scope.run(() => useOverFrames(8, 2400))!;
    scope.stop();
    for (let n = 0; n < 3; n += 1) frame();
    expect(drawn.value).toBe(8);
    expect(jest.getTimerCount()).toBe(0);
  });
});
