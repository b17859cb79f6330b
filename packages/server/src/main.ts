import { access } from 'node:fs/promises';
import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createApp } from './app';
import { BuildStore } from './buildStore';
import { makeClock } from './clock';
import { openDatabase } from './database';
import { pollHygrometers } from './readingRoutes';
import { ReadingStore } from './readingStore';
import { loadSamples } from './samples';

/** Starts the server from its environment: PORT, HOST, FIXATUM_DATA, FIXATUM_NOW, FIXATUM_HOSTS, FIXATUM_SAMPLES. */
async function start(): Promise<void> {
  const root = resolve(dirname(fileURLToPath(import.meta.url)), '../../..');
  const port = Number(process.env.PORT ?? 4173);
  const host = process.env.HOST ?? '127.0.0.1';
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new Error(`PORT is "${process.env.PORT}"; give a number up to 65535.`);
  const clock = makeClock(process.env.FIXATUM_NOW || undefined);
  const dataFolder = resolve(process.env.FIXATUM_DATA ?? resolve(root, 'data'));
  const database = await openDatabase(dataFolder);
  const store = new BuildStore(database);
  const readings = new ReadingStore(database.models);
  const samplesFolder = resolve(root, 'demo');
  if (process.env.FIXATUM_SAMPLES === 'first-time' && (await store.isUntouched()))
    await loadSamples(store, samplesFolder, clock);
  const webFolder = resolve(root, 'packages/web/dist');
  const hasWeb = await access(webFolder).then(
    () => true,
    () => false,
  );
  const allowedHosts = (process.env.FIXATUM_HOSTS ?? '').split(',').filter(Boolean);
  const app = createApp({
    store,
    models: database.models,
    readings,
    clock,
    samplesFolder,
    photosFolder: resolve(dataFolder, 'photos'),
    allowedHosts,
    ...(hasWeb ? { webFolder } : {}),
  });
  const server = app.listen(port, host);
  server.on('listening', () => {
    const address = server.address();
    const actual = typeof address === 'object' && address ? address.port : port;
    console.log(`Fixatum is at http://localhost:${actual}`);
  });
  server.on('error', (error: NodeJS.ErrnoException) => {
    console.error(
      error.code === 'EADDRINUSE'
        ? `Port ${port} is taken by another program. Stop that, or choose another: PORT=4174 npm run demo`
        : `The server can't listen on ${host}:${port}: ${error.message}`,
    );
    process.exit(1);
  });
  const stopPolling = pollHygrometers({ store, readings, clock });
  const stop = () => {
    stopPolling();
    server.close(() => void database.close().finally(() => process.exit(0)));
    server.closeAllConnections();
  };
  process.once('SIGTERM', stop);
  process.once('SIGINT', stop);
}

start().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
