import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import compression from 'compression';
import expressStaticGzip from 'express-static-gzip';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import type { BuildStore } from './services/buildStore';
import type { Models } from './storage/models';
import type { Clock } from './services/clock';
import { clockBehind } from './services/clockWatch';
import { refuseUnstated } from './http/access';
import { hostGuard } from './http/guard';
import { deviceGuard, guardedRoutes } from './routes/admit';
import { deviceRoutes } from './routes/deviceRoutes';
import { eventRoutes } from './routes/eventRoutes';
import { pairRoutes } from './routes/pairRoutes';
import type { Devices } from './services/devices';
import type { Sharing } from './services/sharing';
import { answerProblem, Problem } from './http/problem';
import { archiveRoutes } from './routes/archiveRoutes';
import { backupRoutes } from './routes/backupRoutes';
import { buildRoutes } from './routes/buildRoutes';
import { logRoutes } from './routes/logRoutes';
import { lookRoutes } from './routes/lookRoutes';
import { readingRoutes } from './routes/readingRoutes';
import type { Photos } from './services/photos';
import type { ReadingStore } from './services/readingStore';
import { photoRoutes } from './routes/photoRoutes';
import { pieceRoutes } from './routes/pieceRoutes';
import { planRoutes } from './routes/planRoutes';
import { workshopRoutes } from './routes/workshopRoutes';
import { WorkshopStore } from './services/workshopStore';
import { recordRoutes } from './routes/recordRoutes';
import type { Records } from './services/records';

export interface AppOptions {
  store: BuildStore;
  models: Models;
  readings: ReadingStore;
  records: Records;
  clock: Clock;
  devices: Devices;
  /** How the network gets in; it can't without. */
  sharing?: Sharing;
  /** Aborted when the server stops: what is held open for news is cut then. */
  closing?: AbortSignal;
  /** Copies of everything, and how one is put back; without it there are none. */
  backups?: Parameters<typeof backupRoutes>[0] &
    Pick<Parameters<typeof archiveRoutes>[0], 'incoming' | 'restoreFrom'>;
  /** Folder with the sample builds. */
  samplesFolder: string;
  photos: Photos;
  /** Folder with the built web app; without it only the API is served. */
  webFolder?: string;
  /** Host names besides this machine's own that the server answers to. */
  allowedHosts?: readonly string[];
  /** Where what nobody expected is written down; nowhere without it. */
  log?: Logger;
  /** Whether every request gets a line there. */
  logRequests?: boolean;
}

/** What goes with each part of the app: it is taken for what it says it is, by this app alone; a worker loads from here only. */
const partHeaders = {
  'content-security-policy': "default-src 'self'",
  'cross-origin-resource-policy': 'same-origin',
  'x-content-type-options': 'nosniff',
};

/** What the web app begins with; its name is another for every version. Null without a web app. */
async function scriptOf(webFolder: string | undefined): Promise<string | null> {
  if (webFolder === undefined) return null;
  const page = await readFile(join(webFolder, 'index.html'), 'utf8').catch(() => '');
  return /<script type="module"[^>]* src="([^"]+)"/.exec(page)?.[1] ?? null;
}

/** The whole HTTP application: the API under `/api`, and the web app. */
export function createApp({
  store,
  models,
  readings,
  records,
  clock,
  devices,
  sharing,
  closing,
  backups,
  samplesFolder,
  photos,
  webFolder,
  allowedHosts = [],
  log,
  logRequests = false,
}: AppOptions): Express {
  const app = express();
  app.enable('case sensitive routing').enable('strict routing');
  app.disable('x-powered-by');
  const pageHeaders = helmet({
    contentSecurityPolicy: {
      useDefaults: true,
      directives: {
        'style-src': ["'self'", "'unsafe-inline'"],
        'font-src': ["'self'"],
        'img-src': ["'self'", 'data:', 'blob:'],
        'upgrade-insecure-requests': null,
      },
    },
    strictTransportSecurity: false,
  });
  app.use((request, response, next) => {
    if (!request.path.startsWith('/assets/')) return pageHeaders(request, response, next);
    // The parts of the app are many and small: most of what guards a page would only be sent along dozens of times.
    response.set(partHeaders);
    next();
  });
  app.use(hostGuard(allowedHosts));
  if (logRequests)
    app.use((request, response, next) => {
      const since = performance.now();
      response.on('finish', () =>
        log?.info({
          method: request.method,
          url: request.originalUrl,
          status: response.statusCode,
          ms: Math.round(performance.now() - since),
        }),
      );
      next();
    });
  app.use(pairRoutes(devices));
  app.use(deviceGuard(devices));
  // What is told as it happens must not wait in a compressor.
  app.use(
    compression({
      filter: (request, response) =>
        !request.path.endsWith('/events') && compression.filter(request, response),
    }),
  );
  const own = guardedRoutes();
  own.get('helper', '/health', async (_request, response) => {
    const now = clock.iso();
    // A fixed clock is meant to stand where it does.
    const behind = clock.fixedAt === undefined ? await clockBehind(models, now) : undefined;
    const app = await scriptOf(webFolder);
    response.json({ ok: true, now, fixedAt: clock.fixedAt ?? null, behind: behind ?? null, app });
  });
  const api = own.router;
  api.use(deviceRoutes({ devices, sharing }));
  if (backups) {
    api.use(backupRoutes(backups));
    api.use(archiveRoutes({ ...backups, store, models, photos }));
  }
  api.use(eventRoutes({ store, devices, closing }));
  const workshops = new WorkshopStore({ models }, store.queue, clock);
  api.use(workshopRoutes({ store, workshops, models, clock }));
  api.use(buildRoutes({ store, clock, samplesFolder }));
  api.use(pieceRoutes({ store, clock }));
  api.use(logRoutes({ store, clock }));
  api.use(planRoutes({ store, models }));
  api.use(readingRoutes({ store, readings, clock }));
  api.use(lookRoutes(models));
  api.use(recordRoutes(records));
  api.use(photoRoutes(photos));
  api.use(() => {
    throw new Problem('no-such-address', 'There is no such address here.');
  });
  app.use('/api', api);
  if (webFolder !== undefined) {
    const compressed = { index: false, enableBrotli: true, orderPreference: ['br', 'gzip'] };
    // Names change with what is in them: they are kept for ever, and one that is not there is of another version.
    app.use(
      '/assets',
      expressStaticGzip(join(webFolder, 'assets'), {
        ...compressed,
        serveStatic: { immutable: true, maxAge: '1y' },
      }),
      () => {
        throw new Problem('no-such-address', 'There is no such file here. Load the page again.');
      },
    );
    app.use(expressStaticGzip(webFolder, { ...compressed, serveStatic: { maxAge: '1h' } }));
    // The web app finds its own way from any address; none that begins like the API, however it is written, is one of its own.
    const pages = guardedRoutes();
    pages.get('helper', /^\/(?!api(\/|$)).*/i, (_request, response) => {
      response.set('cache-control', 'no-cache').sendFile(join(webFolder, 'index.html'));
    });
    app.use(pages.router);
  }
  app.use(() => {
    throw new Problem('no-such-address', 'There is no such address here.');
  });
  app.use(answerProblem(log));
  refuseUnstated(app);
  return app;
}
