import type { Router } from 'express';
import { isPhotoName, isRecord } from '@fixatum/core';
import multer, { MulterError } from 'multer';
import { param } from '../http/bodies';
import { notFound, Problem } from '../http/problem';
import type { Photos } from '../services/photos';
import { guardedRoutes } from './admit';

/** The largest file taken; a phone's photo is 3 to 8 MB. */
export const LARGEST_PHOTO_MB = 15;

/** A form is a photo, its name, and little else. */
const LARGEST_FORM_BYTES = LARGEST_PHOTO_MB * 1024 * 1024 + 20_000;

const tooLarge = () => new Problem('too-large', `A photo may have at most ${LARGEST_PHOTO_MB} MB.`);

/**
 * `/photos`: takes one picture (`photo` in a form), and answers with the name it is kept under. Whoever wants a repeated request to
 * count once gives that (`name`).
 */
export function photoRoutes(photos: Photos): Router {
  const routes = guardedRoutes();
  const upload = multer({
    storage: multer.memoryStorage(),
    limits: { fileSize: LARGEST_PHOTO_MB * 1024 * 1024, files: 1, fields: 4, fieldSize: 1000, parts: 6 },
  }).single('photo');

  routes.post('helper', '/photos', (request, response, next) => {
    // What says that it is too long is not read first; the line is cut, as the rest of it would still come.
    if (Number(request.headers['content-length'] ?? 0) > LARGEST_FORM_BYTES) {
      response.set('connection', 'close');
      return next(tooLarge());
    }
    upload(request, response, (error: unknown) => {
      if (error instanceof MulterError && error.code === 'LIMIT_FILE_SIZE') return next(tooLarge());
      // It is kept in memory, so whatever else goes wrong here is wrong with the form.
      if (error) return next(new Problem('bad-request', 'The form with the photo can’t be read.'));
      // What is no form at all has no body.
      const { name } = isRecord(request.body) ? request.body : {};
      photos.keep(request.file?.buffer, typeof name === 'string' ? name : undefined).then(
        (photo) => response.status(201).json({ photo }),
        (failure: unknown) => next(failure),
      );
    });
  });

  routes.get('helper', '/photos/:name', (request, response, next) => {
    const name = param(request, 'name');
    if (!isPhotoName(name)) throw notFound('photo');
    response.sendFile(name, { root: photos.folder, maxAge: '365d', immutable: true }, (error) => {
      if (error && !response.headersSent) next(notFound('photo'));
    });
  });

  return routes.router;
}
