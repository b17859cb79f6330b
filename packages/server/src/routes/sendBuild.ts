import type { Response } from 'express';
import { buildEtag, pieceEtag } from '../services/buildStore';
import type { StoredBuild } from '../services/buildRows';

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
