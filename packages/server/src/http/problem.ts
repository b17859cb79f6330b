import { pathText, type Fault, isRecord, messageOf } from '@fixatum/core';
import type { NextFunction, Request, Response } from 'express';
import type { Logger } from 'pino';
import { storageTrouble } from './storageTrouble';

/** Everything that can be wrong with a request, by the code that programs go by. */
export const problemTable = {
  'bad-backup': { status: 422, title: 'Not a whole backup' },
  'bad-request': { status: 400, title: 'Bad request' },
  broken: { status: 500, title: 'Something broke' },
  'broken-json': { status: 400, title: 'Broken JSON' },
  busy: { status: 503, title: 'In use' },
  'changed-meanwhile': { status: 412, title: 'Changed in the meantime' },
  damaged: { status: 503, title: 'The data is damaged' },
  'disk-full': { status: 507, title: 'The disk is full' },
  'in-use': { status: 409, title: 'In use' },
  'logged-already': { status: 409, title: 'Logged already' },
  'not-allowed': { status: 403, title: 'Not for this device' },
  'not-paired': { status: 401, title: 'Not paired' },
  'no-network': { status: 409, title: 'No network' },
  'no-hygrometer': { status: 409, title: 'No hygrometer' },
  'no-photo': { status: 415, title: 'Not a photo' },
  'no-such-address': { status: 404, title: 'Not here' },
  'not-found': { status: 404, title: 'Not here' },
  'nothing-to-undo': { status: 409, title: 'Nothing to undo' },
  'nothing-to-redo': { status: 409, title: 'Nothing to do again' },
  'read-only': { status: 503, title: 'Nothing can be saved' },
  restoring: { status: 503, title: 'A backup is being put back' },
  'sensor-silent': { status: 503, title: 'The hygrometer is silent' },
  'shipped-look': { status: 409, title: 'That name is taken' },
  'too-large': { status: 413, title: 'Too large' },
  unusable: { status: 422, title: 'This can’t be used as it is' },
  'wrong-host': { status: 403, title: 'Not from here' },
  'wrong-origin': { status: 403, title: 'Not from here' },
} as const satisfies Record<string, { status: number; title: string }>;

export type ProblemCode = keyof typeof problemTable;

/** An error that is told to the caller as `application/problem+json` (RFC 9457). */
export class Problem extends Error {
  readonly status: number;
  readonly title: string;

  /**
   * @param detail one sentence for whoever sees it
   * @param faults where in the input it is wrong, if anywhere
   * @param extra further members of the answer
   * @param status in place of the code's own, where the fault is the framework's
   */
  constructor(
    readonly code: ProblemCode,
    detail: string,
    readonly faults: Fault[] = [],
    readonly extra: Record<string, unknown> = {},
    status?: number,
  ) {
    super(detail);
    const usual = problemTable[code];
    this.status = status ?? usual.status;
    this.title = usual.title;
  }
}

export const notFound = (what: string) => new Problem('not-found', `There is no ${what} here.`);

/** More faults than this are not told in one answer, and not said in one sentence. */
const MOST_FAULTS = 50;
const MOST_SAID = 5;

/** The faults of unusable input, as many as anybody mends at once, the first as the problem's own path. */
export function unusable(faults: Fault[]): Problem {
  const said = faults.slice(0, MOST_SAID).map((fault) => `${pathText(fault.path)}: ${fault.message}`);
  const more = faults.length - said.length;
  return new Problem(
    'unusable',
    [...said, ...(more > 0 ? [`And ${more} more.`] : [])].join(' '),
    faults.slice(0, MOST_FAULTS),
  );
}

/** Someone else changed it first; `current` is what it is now. */
export const changedMeanwhile = (current: unknown, etag: string) =>
  new Problem('changed-meanwhile', 'This was changed somewhere else since you opened it.', [], {
    current,
    etag,
  });

/** A problem as it is sent. */
export const problemText = (problem: Problem): string =>
  JSON.stringify({
    type: `urn:fixatum:problem:${problem.code}`,
    title: problem.title,
    status: problem.status,
    detail: problem.message,
    ...(problem.faults.length > 0 ? { path: pathText(problem.faults[0]!.path), faults: problem.faults } : {}),
    ...problem.extra,
  });

/**
 * Turns whatever was thrown into a problem; what nobody expected becomes a 500 without its insides, which go into the log.
 */
export const answerProblem =
  (log: Logger | undefined) =>
  (error: unknown, request: Request, response: Response, next: NextFunction): void => {
    if (response.headersSent) return next(error);
    const problem = asProblem(error);
    // What was foreseen has been said to the caller; only what was not belongs in the log.
    if (!(error instanceof Problem) && problem.status >= 500)
      log?.error(error, `${request.method} ${request.originalUrl}`);
    response.status(problem.status).type('application/problem+json').send(problemText(problem));
  };

function storageProblem(error: unknown): Problem | undefined {
  const trouble = storageTrouble(error);
  return trouble && new Problem(trouble.code, `${trouble.what}, so this was not saved. ${trouble.then}`);
}

function asProblem(error: unknown): Problem {
  if (error instanceof Problem) return error;
  const trouble = storageProblem(error);
  if (trouble) return trouble;
  // Thousands of steps that each wait for the one before are no plan of anybody's.
  if (error instanceof RangeError && /call stack/.test(error.message))
    return new Problem('unusable', 'That is longer or deeper than anything that can be planned.');
  const { type, status } = isRecord(error) ? error : {};
  const message = messageOf(error);
  if (type === 'entity.too.large')
    return new Problem('too-large', 'That is larger than the 8 MB this program takes at once.');
  if (typeof status === 'number' && status >= 400 && status < 500)
    return new Problem('bad-request', message || 'The request can’t be read.', [], {}, status);
  return new Problem('broken', 'The server stumbled. What you saved before is safe; try again.');
}
