import { pathText, type Fault } from '@fixatum/core';
import type { NextFunction, Request, Response } from 'express';

/** An error that is told to the caller as `application/problem+json` (RFC 9457). */
export class Problem extends Error {
  constructor(
    readonly status: number,
    readonly type: string,
    readonly title: string,
    readonly detail: string,
    readonly faults: Fault[] = [],
    readonly extra: Record<string, unknown> = {},
  ) {
    super(detail);
  }
}

export const notFound = (what: string) =>
  new Problem(404, 'not-found', 'Not here', `There is no ${what} here.`);

/** The faults of unusable input, all of them, the first as the problem's own path. */
export const unusable = (faults: Fault[]) =>
  new Problem(
    422,
    'unusable',
    'This can’t be used as it is',
    faults.map((fault) => `${pathText(fault.path)}: ${fault.message}`).join(' '),
    faults,
  );

/** Someone else changed it first; `current` is what it is now. */
export const changedMeanwhile = (current: unknown, etag: string) =>
  new Problem(
    412,
    'changed-meanwhile',
    'Changed in the meantime',
    'This was changed somewhere else since you opened it.',
    [],
    { current, etag },
  );

/** Turns whatever was thrown into a problem; what nobody expected becomes a 500 without its insides. */
export function answerProblem(
  error: unknown,
  _request: Request,
  response: Response,
  next: NextFunction,
): void {
  if (response.headersSent) return next(error);
  const problem = asProblem(error);
  // What was foreseen has been said to the caller; only what was not belongs in the log.
  if (!(error instanceof Problem) && problem.status >= 500) console.error(error);
  response
    .status(problem.status)
    .type('application/problem+json')
    .send(
      JSON.stringify({
        type: `urn:fixatum:problem:${problem.type}`,
        title: problem.title,
        status: problem.status,
        detail: problem.detail,
        ...(problem.faults.length > 0
          ? { path: pathText(problem.faults[0]!.path), faults: problem.faults }
          : {}),
        ...problem.extra,
      }),
    );
}

function asProblem(error: unknown): Problem {
  if (error instanceof Problem) return error;
  const { type, status, message } = error as { type?: string; status?: number; message?: string };
  if (type === 'entity.parse.failed')
    return new Problem(400, 'broken-json', 'Broken JSON', `The request is not whole JSON: ${message}`);
  if (type === 'entity.too.large')
    return new Problem(
      413,
      'too-large',
      'Too large',
      'That is larger than the 8 MB this program takes at once.',
    );
  if (status !== undefined && status >= 400 && status < 500)
    return new Problem(status, 'bad-request', 'Bad request', message ?? 'The request can’t be read.');
  return new Problem(
    500,
    'broken',
    'Something broke',
    'The server stumbled. What you saved before is safe; try again.',
  );
}
