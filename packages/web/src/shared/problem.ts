import { isRecord, type Fault } from '@fixatum/core';

/** What stands in an answer that says what went wrong. */
export interface Problem {
  type: unknown;
  title: string;
  detail: string;
  faults: Fault[];
  etag: string | undefined;
}

const textIn = (value: unknown): string | undefined => (typeof value === 'string' ? value : undefined);
const isFault = (one: unknown): one is Fault =>
  isRecord(one) &&
  typeof one['code'] === 'string' &&
  typeof one['message'] === 'string' &&
  Array.isArray(one['path']) &&
  one['path'].every((key) => typeof key === 'string' || typeof key === 'number');

/**
 * Reads a problem, whoever it is from; what can't be read is as if it were not there. By hand, as every first screen has to load
 * this, and a library of schemas is larger than the rest of it.
 */
export const problemIn = (data: Record<string, unknown>): Problem => ({
  type: data['type'],
  title: textIn(data['title']) ?? 'That did not work',
  detail: textIn(data['detail']) ?? 'The server gave no reason.',
  faults: Array.isArray(data['faults']) && data['faults'].every(isFault) ? data['faults'] : [],
  etag: textIn(data['etag']),
});
