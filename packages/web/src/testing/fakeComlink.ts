import type { FakeWorker } from './fakeWorker';

/** In place of comlink in tests: calls arrive at the fake worker at once, and answers are what the test makes them. */
export const wrap = (worker: FakeWorker): unknown =>
  new Proxy(
    {},
    {
      get: (_target, method) =>
        method === 'then' ? undefined : (...given: unknown[]) => worker.take(String(method), given),
    },
  );
export const proxy = <T>(value: T): T => value;
export const expose = (): void => undefined;
