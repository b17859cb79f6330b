/**
 * @jest-environment jsdom
 * @jest-environment-options {"customExportConditions": ["node", "node-addons"]}
 */
import { epochMinute } from '@fixatum/core';
import { createPinia, setActivePinia } from 'pinia';
import { api } from './api';
import { useClock } from './clock';

beforeEach(() => {
  jest.useFakeTimers({ now: new Date('2027-02-20T19:00:00Z') });
  setActivePinia(createPinia());
});
afterEach(() => {
  jest.restoreAllMocks();
  jest.useRealTimers();
});

const health = (now: string, fixedAt: string | null = null) => ({
  ok: true as const,
  now,
  fixedAt,
  behind: null,
  app: null,
});

test('the present is the server’s, whatever this machine says', async () => {
  // The server is half an hour ahead.
  jest.spyOn(api, 'health').mockResolvedValue(health('2027-02-20T19:30:00Z'));
  const clock = useClock();
  await clock.synchronise();
  expect(clock.now('UTC')).toBe(epochMinute('2027-02-20T19:30', 'UTC'));
  await jest.advanceTimersByTimeAsync(60_000);
  expect(clock.now('UTC')).toBe(epochMinute('2027-02-20T19:31', 'UTC'));
});

test('a server whose clock stands still is believed, in the zone of the build', async () => {
  jest.spyOn(api, 'health').mockResolvedValue(health('2027-02-20T19:30:00Z', '2027-02-20T19:30'));
  const clock = useClock();
  await clock.synchronise();
  await jest.advanceTimersByTimeAsync(600_000);
  expect(clock.now('Europe/Berlin')).toBe(epochMinute('2027-02-20T19:30', 'Europe/Berlin'));
});

test('a server that does not answer is asked again until it does, and then no more', async () => {
  const asks = jest.spyOn(api, 'health').mockRejectedValue(new Error('away'));
  const clock = useClock();
  await expect(clock.synchronise()).rejects.toThrow('away');
  await jest.advanceTimersByTimeAsync(3000);
  asks.mockResolvedValue(health('2027-02-20T20:00:00Z', '2027-02-21T08:00'));
  await jest.advanceTimersByTimeAsync(3000);
  expect(clock.fixedAt).toBe('2027-02-21T08:00');
  await jest.advanceTimersByTimeAsync(30_000);
  expect(asks).toHaveBeenCalledTimes(3);
});
