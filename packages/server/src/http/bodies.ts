import { faultsOfZod } from '@fixatum/core';
import express, { type Request } from 'express';
import type { z } from 'zod';
import { unusable } from './problem';

/** Reads JSON bodies of up to 8 MB, whatever their top is. */
export const readJson = express.json({ limit: '8mb', strict: false });

/** One named part of the address. */
export const param = (request: Request, name: string): string => String(request.params[name] ?? '');

/** The version the caller says it has seen. */
export const ifMatch = (request: Request): string | undefined => request.headers['if-match'];

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
