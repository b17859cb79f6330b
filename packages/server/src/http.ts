import { faultsOfZod } from '@fixatum/core';
import express, { type Request, type Response } from 'express';
import type { z } from 'zod';
import { buildEtag, pieceEtag, type StoredBuild } from './buildStore';
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

/** Answers with a build and its version. */
export function sendBuild(response: Response, stored: StoredBuild, status = 200): void {
  response
    .status(status)
    .set('etag', buildEtag(stored))
    .json({
      id: stored.id,
      version: stored.version,
      pieceEtags: Object.fromEntries(
        stored.build.pieces.map((piece) => [piece.id, pieceEtag(stored, piece.id)]),
      ),
      build: stored.build,
    });
}
