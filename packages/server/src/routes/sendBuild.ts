import type { Response } from 'express';
import { buildEtag, pieceEtag, type BuildStore } from '../services/buildStore';
import type { StoredBuild } from '../services/buildRows';

/** The version a caller has, so that it is told only what it has not. */
export const HAVE_HEADER = 'x-fixatum-have';

/**
 * Answers with a build and its version. A caller that says which version it has gets the JSON Patch from there, and the versions of
 * the pieces that changed, as far as both are known; anybody else all of it.
 */
export const buildSender =
  (store: Pick<BuildStore, 'newsOf'>) =>
  (response: Response, stored: StoredBuild, status = 200): void => {
    const have = Number(response.req.get(HAVE_HEADER) ?? NaN);
    const news = Number.isInteger(have) ? store.newsOf(stored, have) : undefined;
    const pieces = stored.build.pieces.filter(
      ({ id }) => !news || (stored.pieceVersions.get(id) ?? 0) > news.since,
    );
    response
      .status(status)
      .vary(HAVE_HEADER)
      .set('etag', buildEtag(stored))
      // News is for this one caller and this one moment: kept by a browser it would stand for the build.
      .set('cache-control', news ? 'no-store' : 'no-cache')
      .json({
        id: stored.id,
        version: stored.version,
        finishedAt: stored.finishedAt ?? null,
        pieceEtags: Object.fromEntries(pieces.map(({ id }) => [id, pieceEtag(stored, id)])),
        ...(news ?? { build: stored.build }),
      });
  };
