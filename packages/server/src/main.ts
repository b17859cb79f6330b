import { access, mkdir } from 'node:fs/promises';
import { createServer } from 'node:http';
import { dirname, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { BadEnvironment, readConfig, type Config } from './config';
import { KEPT_OPEN_MS } from './http/keptOpen';
import { troubleAtStart } from './http/storageTrouble';
import { makeClock } from './services/clock';
import { offThread } from './services/offThread';
import { networkAddresses, Sharing } from './services/sharing';
import { whoReaches } from './services/whoReaches';
import { NotDurable } from './storage/connection';
import { FolderTaken, lockFolder } from './storage/folderLock';
import { OpenData } from './openData';

const root = resolve(dirname(fileURLToPath(import.meta.url)), '../../..');
/** It is looked so often whether a day has passed since the last backup. */
const LOOK_FOR_BACKUP_MS = 3_600_000;

/** Starts the server; it ends, gracefully, when it is told to. */
async function start(config: Config): Promise<void> {
  const { port, host, dataFolder } = config;
  const log = pino({ level: config.logLevel, base: null });
  await mkdir(dataFolder, { recursive: true });
  const letGo = await lockFolder(dataFolder);
  const webFolder = resolve(root, 'packages/web/dist');
  const hasWeb = await access(webFolder).then(
    () => true,
    () => false,
  );
  let actualPort = port;
  const sharing = new Sharing(
    (request, response) => workshop.answer(request, response),
    () => actualPort,
    config.shareAddresses && (() => config.shareAddresses ?? []),
  );
  const workshop: OpenData = new OpenData({
    dataFolder,
    samplesFolder: resolve(root, 'demo'),
    clock: makeClock(config.fixedNow),
    allowedHosts: config.allowedHosts,
    log,
    logRequests: config.logRequests,
    sharing,
    fileWork: offThread(fileURLToPath(new URL('./fileWorker.mjs', import.meta.url))),
    ...(hasWeb ? { webFolder } : {}),
  });
  await workshop.openOrMend();
  const keepHouse = async (reason: 'start' | 'daily') => {
    if (!(await workshop.hasAny())) return;
    if (reason === 'daily' && !(await workshop.backups.isDue())) return;
    await workshop.backups.make(reason);
    // What goes now is in the copy just made.
    await workshop.tidy();
  };
  const keepHouseQuietly = (reason: 'start' | 'daily') =>
    keepHouse(reason).catch((error: unknown) => log.error(error, 'making a backup'));
  await keepHouseQuietly('start');
  setInterval(() => void keepHouseQuietly('daily'), LOOK_FOR_BACKUP_MS).unref();
  if (config.samplesFirstTime) await workshop.loadSamplesFirstTime();

  const server = createServer(workshop.answer);
  server.keepAliveTimeout = KEPT_OPEN_MS;
  server.listen(port, host);
  server.on('listening', () => {
    const address = server.address();
    actualPort = typeof address === 'object' && address ? address.port : port;
    console.log(`Fixatum is at http://localhost:${actualPort}`);
    const reach = whoReaches(host, networkAddresses());
    if (reach !== undefined) console.log(reach);
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
  const stop = async () => {
    workshop.endNews();
    const closed = new Promise<void>((done) => server.close(() => done()));
    server.closeIdleConnections();
    // Whatever was sent before is answered first: requests, then the writes they asked for, then the file.
    const patience = setTimeout(() => server.closeAllConnections(), 5000);
    await Promise.all([sharing.end(), closed]);
    clearTimeout(patience);
    await workshop.close();
    await letGo();
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

const config = readConfigOrEnd();
try {
  await start(config);
} catch (error) {
  const isPlain = error instanceof NotDurable || error instanceof FolderTaken;
  console.error(troubleAtStart(error, config.dataFolder) ?? (isPlain ? error.message : error));
  process.exit(1);
}

function readConfigOrEnd(): Config {
  try {
    return readConfig(process.env, root);
  } catch (error) {
    console.error(error instanceof BadEnvironment ? error.message : error);
    process.exit(1);
  }
}
