import { faultsOfZod } from '@fixatum/core';
import express, { type Request, type RequestHandler } from 'express';
import { z } from 'zod';
import { cleanJsonText, cleanText, isOddText } from './cleanText';
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
function refuseOddJson(text: string): void {
  if (isTooDeep(text)) throw new Problem('unusable', `That is nested deeper than ${DEEPEST} levels.`);
  // However its letters are written.
  const plain = text.replace(/\\u00([2-7][\da-f])/gi, (_escape, code: string) =>
    String.fromCharCode(parseInt(code, 16)),
  );
  const odd = oddName.exec(plain)?.[1];
  if (odd !== undefined) throw new Problem('unusable', `Nothing can be called “${odd}”.`);
}

const LIMIT = '8mb';
const textOf = express.text({ type: 'application/json', limit: LIMIT });
const anyTextOf = express.text({ type: '*/*', limit: LIMIT });

/** Reads JSON bodies of up to 8 MB, whatever their top is. Their texts come without control characters. */
export const readJson: RequestHandler = (request, response, next) =>
  textOf(request, response, (error?: unknown) => {
    if (error !== undefined) return next(error);
    const text: unknown = request.body;
    request.body = undefined;
    if (typeof text !== 'string' || text === '') return next();
    try {
      request.body = JSON.parse(fileText(text)) as unknown;
    } catch (failure) {
      return next(
        failure instanceof SyntaxError
          ? new Problem('broken-json', `The request is not whole JSON: ${failure.message}`)
          : failure,
      );
    }
    next();
  });

/** Reads a file of JSON as text, so that the core can say where a broken one breaks; `fileTextOf` gives it. */
export const readFileText: RequestHandler = anyTextOf;

/** The text of a file that was sent, without control characters. @throws Problem for one that is not even worth parsing */
export function fileTextOf(request: Request): string {
  const body: unknown = request.body;
  return fileText(typeof body === 'string' ? body : '');
}

/** As `fileTextOf`, of a file that lies here. */
export function fileText(text: string): string {
  const clean = cleanJsonText(text);
  refuseOddJson(clean);
  return clean;
}

/** One named part of the address. @throws Problem for one that nothing can be called */
export function param(request: Request, name: string): string {
  const said = String(request.params[name] ?? '');
  if (isOddText(said) || /[\t\r\n]/.test(said))
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
  const clean = Object.entries(request.query).map(([name, value]) => [
    name,
    typeof value === 'string' ? cleanText(value) : value,
  ]);
  const parsed = schema.safeParse(Object.fromEntries(clean));
  if (!parsed.success) throw unusable(faultsOfZod(parsed.error));
  return parsed.data;
}
