import { join } from 'node:path';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { BuildStore } from './buildStore';
import type { Models } from './models';
import type { Clock } from './clock';
import { hostGuard } from './guard';
import { answerProblem, notFound } from './problem';
import { buildRoutes } from './buildRoutes';
import { logRoutes } from './logRoutes';
import { lookRoutes } from './lookRoutes';
import { readingRoutes } from './readingRoutes';
import type { ReadingStore } from './readingStore';
import { photoRoutes } from './photoRoutes';
import { pieceRoutes } from './pieceRoutes';
import { planRoutes } from './planRoutes';

export interface AppOptions {
  store: BuildStore;
  models: Models;
  readings: ReadingStore;
  clock: Clock;
  /** Folder with the sample builds. */
  samplesFolder: string;
  /** Folder that photos are kept in. */
  photosFolder: string;
  /** Folder with the built web app; without it only the API is served. */
  webFolder?: string;
  /** Host names besides this machine's own that the server answers to. */
  allowedHosts?: readonly string[];
}

/** The whole HTTP application: the API under `/api`, and the web app. */
export function createApp({
  store,
  models,
  readings,
  clock,
  samplesFolder,
  photosFolder,
  webFolder,
  allowedHosts = [],
}: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: true,
        directives: {
          'style-src': ["'self'", "'unsafe-inline'"],
          'img-src': ["'self'", 'data:', 'blob:'],
          'upgrade-insecure-requests': null,
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use(hostGuard(allowedHosts));
  const api = express.Router();
  api.get('/health', (_request, response) => {
    response.json({ ok: true, now: clock.iso(), fixedAt: clock.fixedAt ?? null });
  });
  api.use(buildRoutes({ store, clock, samplesFolder }));
  api.use(pieceRoutes({ store, clock }));
  api.use(logRoutes({ store, clock }));
  api.use(planRoutes({ store, models }));
  api.use(readingRoutes({ store, readings, clock }));
  api.use(lookRoutes(models));
  api.use(photoRoutes(photosFolder));
  api.use(() => {
    throw notFound('such address');
  });
  app.use('/api', api);
  if (webFolder !== undefined) {
    app.use(express.static(webFolder, { index: false, maxAge: '1h' }));
    // The web app finds its own way from any address.
    app.get(/^\/(?!api\/).*/, (_request, response) => {
      response.set('cache-control', 'no-cache').sendFile(join(webFolder, 'index.html'));
    });
  }
  app.use(answerProblem);
  return app;
}
