import { faultsOfZod } from '@fixatum/core';
import express, { type Request } from 'express';
import { z } from 'zod';
import { Problem, unusable } from './problem';

/** Nothing in a build is nested deeper than a dozen; what is, is no build, and would cost seconds to look at. */
const DEEPEST = 64;
/** Names that a patch can't take back, as they mean something to the language itself. */
const oddName = /"(__proto__|constructor|prototype)"\s*:/;

/** Whether text is nested deeper than anything real; brackets within quotes don't count. */
function isTooDeep(text: string): boolean {
  let depth = 0;
  let isQuoted = false;
  for (let at = 0; at < text.length; at += 1) {
    const sign = text[at];
    if (isQuoted) {
      if (sign === '\\') at += 1;
      else if (sign === '"') isQuoted = false;
    } else if (sign === '"') isQuoted = true;
    else if (sign === '[' || sign === '{') {
      depth += 1;
      if (depth > DEEPEST) return true;
    } else if (sign === ']' || sign === '}') depth -= 1;
  }
  return false;
}

/** @throws Problem for JSON text that is not even worth parsing */
export function refuseOddJson(text: string): void {
  if (isTooDeep(text)) throw new Problem('unusable', `That is nested deeper than ${DEEPEST} levels.`);
  const odd = oddName.exec(text)?.[1];
  if (odd !== undefined) throw new Problem('unusable', `Nothing can be called “${odd}”.`);
}

/** Reads JSON bodies of up to 8 MB, whatever their top is. */
export const readJson = express.json({
  limit: '8mb',
  strict: false,
  verify: (_request, _response, bytes) => refuseOddJson(bytes.toString('utf8')),
});

/** One named part of the address. @throws Problem for one that nothing can be called */
export function param(request: Request, name: string): string {
  const said = String(request.params[name] ?? '');
  // eslint-disable-next-line no-control-regex -- these are what is looked for
  if (/[\u0000-\u001f\u007f]/.test(said))
    throw new Problem('not-found', 'There is nothing with that name here.');
  return said;
}

/** The version the caller says it has seen. */
export const ifMatch = (request: Request): string | undefined => request.headers['if-match'];

/** The body, one thing or a list of them, each checked by a schema; throws a 422 Problem with every fault. */
export function oneOrMoreOf<S extends z.ZodType>(request: Request, schema: S): z.infer<S>[] {
  const body: unknown = request.body;
  if (!Array.isArray(body)) return [bodyOf(request, schema)];
  const parsed = z
    .array(schema)
    .min(1, 'send at least one')
    .max(200, 'send at most 200 at once')
    .safeParse(body);
  if (!parsed.success) throw unusable(faultsOfZod(parsed.error));
  return parsed.data;
}

/** The body, checked by a schema; throws a 422 Problem with every fault. */
export function bodyOf<S extends z.ZodType>(request: Request, schema: S): z.infer<S> {
  const parsed = schema.safeParse(request.body);
  if (!parsed.success) throw unusable(faultsOfZod(parsed.error));
  return parsed.data;
}

/** What follows the question mark, checked by a schema; throws a 422 Problem with every fault. */
export function queryOf<S extends z.ZodType>(request: Request, schema: S): z.infer<S> {
  const parsed = schema.safeParse(request.query);
  if (!parsed.success) throw unusable(faultsOfZod(parsed.error));
  return parsed.data;
}
