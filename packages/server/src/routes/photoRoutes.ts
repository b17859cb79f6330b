import { mkdir, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { Router } from 'express';
import multer, { MulterError } from 'multer';
import { nanoid } from 'nanoid';
import sharp from 'sharp';
import { param } from '../http/bodies';
import { notFound, Problem } from '../http/problem';

/** The largest file taken; a phone's photo is 3 to 8 MB. */
export const LARGEST_PHOTO_MB = 15;
const LONGEST_EDGE_PX = 1600;
const takenTypes = new Set(['jpeg', 'png', 'webp', 'heif']);

const tooLarge = () => new Problem('too-large', `A photo may have at most ${LARGEST_PHOTO_MB} MB.`);
const noPhoto = () =>
  new Problem('no-photo', 'That is no picture that can be read: take a JPEG, PNG or WebP.');

/**
 * `/photos`: takes one picture (`photo` in a form), makes it upright, at most 1600 px long and a JPEG without whatever
 * else the file carried, such as where it was taken, and keeps it beside the database. Answers with its name.
 */
export function photoRoutes(folder: string): Router {
  const router = Router();
  const upload = multer({
    storage: multer.memoryStorage(),
    limits: { fileSize: LARGEST_PHOTO_MB * 1024 * 1024, files: 1, fields: 4, fieldSize: 1000, parts: 6 },
  }).single('photo');

  router.post('/photos', (request, response, next) => {
    upload(request, response, (error: unknown) => {
      if (error instanceof MulterError && error.code === 'LIMIT_FILE_SIZE') return next(tooLarge());
      // It is kept in memory, so whatever else goes wrong here is wrong with the form.
      if (error) return next(new Problem('bad-request', 'The form with the photo can’t be read.'));
      keep(request.file?.buffer, folder).then(
        (photo) => response.status(201).json({ photo }),
        (failure: unknown) => next(failure),
      );
    });
  });

  router.get('/photos/:name', (request, response, next) => {
    const name = param(request, 'name');
    if (!/^[\w-]+\.jpg$/.test(name)) throw notFound('photo');
    response.sendFile(name, { root: folder, maxAge: '365d', immutable: true }, (error) => {
      if (error && !response.headersSent) next(notFound('photo'));
    });
  });

  return router;
}

async function keep(bytes: Buffer | undefined, folder: string): Promise<string> {
  if (!bytes) throw noPhoto();
  let jpeg: Buffer;
  try {
    const image = sharp(bytes, { limitInputPixels: 100_000_000 });
    const { format } = await image.metadata();
    if (!takenTypes.has(format)) throw noPhoto();
    jpeg = await image
      .rotate()
      .resize(LONGEST_EDGE_PX, LONGEST_EDGE_PX, { fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 82 })
      .toBuffer();
  } catch {
    throw noPhoto();
  }
  const name = `${nanoid(14)}.jpg`;
  await mkdir(folder, { recursive: true });
  await writeFile(join(folder, name), jpeg, { flush: true });
  return name;
}
