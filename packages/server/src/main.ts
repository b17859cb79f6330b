import { messageOf } from '@fixatum/core';
import { access } from 'node:fs/promises';
import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import type { Express } from 'express';
import { createApp } from './app';
import { BadEnvironment, readConfig, type Config } from './config';
import { BuildStore } from './services/buildStore';
import { makeClock } from './services/clock';
import { pollHygrometers } from './services/poller';
import { ReadingStore } from './services/readingStore';
import { Devices } from './services/devices';
import { loadSamples } from './services/samples';
import { Sharing } from './services/sharing';
import { NotDurable } from './storage/connection';
import { openDatabase } from './storage/database';

const root = resolve(dirname(fileURLToPath(import.meta.url)), '../../..');

/** Starts the server; it ends, gracefully, when it is told to. */
async function start(config: Config): Promise<void> {
  const { port, host, dataFolder } = config;
  const log = pino({ level: config.logLevel, base: null });
  const clock = makeClock(config.fixedNow);
  const database = await openDatabase(dataFolder);
  const store = new BuildStore(database);
  const readings = new ReadingStore(database.models);
  const samplesFolder = resolve(root, 'demo');
  if (config.samplesFirstTime && (await store.isUntouched())) await loadSamples(store, samplesFolder, clock);
  const webFolder = resolve(root, 'packages/web/dist');
  const hasWeb = await access(webFolder).then(
    () => true,
    () => false,
  );
  const closing = new AbortController();
  const devices = new Devices(database.models);
  const sharing = new Sharing(
    (request, response) => app(request, response),
    () => actualPort,
    config.shareAddresses && (() => config.shareAddresses ?? []),
  );
  const app: Express = createApp({
    store,
    models: database.models,
    readings,
    clock,
    devices,
    sharing,
    closing: closing.signal,
    samplesFolder,
    photosFolder: resolve(dataFolder, 'photos'),
    allowedHosts: config.allowedHosts,
    log,
    logRequests: config.logRequests,
    ...(hasWeb ? { webFolder } : {}),
  });
  let actualPort = port;
  const server = app.listen(port, host);
  server.on('listening', () => {
    const address = server.address();
    actualPort = typeof address === 'object' && address ? address.port : port;
    console.log(`Fixatum is at http://localhost:${actualPort}`);
    if (config.share)
      void sharing.begin().then(() => {
        console.log(
          sharing.isOn
            ? `Paired phones find it at ${sharing.urls.join(' and ')}. Pair one in Workshop, “Phones and helpers”.`
            : 'It is on no network that a phone could reach it by.',
        );
      });
  });
  server.on('error', (error: NodeJS.ErrnoException) => {
    console.error(
      error.code === 'EADDRINUSE'
        ? `Port ${port} is taken by another program. Stop that, or choose another: PORT=4174 npm run demo`
        : `The server can't listen on ${host}:${port}: ${error.message}`,
    );
    process.exit(1);
  });
  const poller = pollHygrometers({
    store,
    readings,
    clock,
    onError: (error) => log.error(error, 'reading the hygrometers'),
  });
  const stop = async () => {
    closing.abort();
    const closed = new Promise<void>((done) => server.close(() => done()));
    server.closeIdleConnections();
    // Whatever was sent before is answered first: requests, then the writes they asked for, then the file.
    const patience = setTimeout(() => server.closeAllConnections(), 5000);
    await Promise.all([sharing.end(), closed, poller.stop()]);
    clearTimeout(patience);
    await store.settled();
    await database.close();
  };
  const end = () =>
    void stop().then(
      () => process.exit(0),
      (error: unknown) => {
        log.error(error, 'stopping');
        process.exit(1);
      },
    );
  process.once('SIGTERM', end);
  process.once('SIGINT', end);
}

try {
  await start(readConfig(process.env, root));
} catch (error) {
  const isPlain = error instanceof BadEnvironment || error instanceof NotDurable;
  console.error(isPlain || !(error instanceof Error) ? messageOf(error) : error);
  process.exit(1);
}
