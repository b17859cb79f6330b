import type { Build } from '@fixatum/core';
import { spawn, type ChildProcess } from 'node:child_process';
import { cp, mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = resolve(dirname(fileURLToPath(import.meta.url)), '..');

/** The moment the demo builds were written for. */
export const DEMO_NOW = '2027-02-20T19:30';

/** Where the server listens for phones. */
export const PHONE_ADDRESS = '127.0.0.2';

export interface RunningServer {
  url: string;
  /** Its data folder. */
  data: string;
  /** Stops it, politely or at once, and starts it again on the same data and port, at another fixed time if given. */
  restart(options?: { now?: string; signal?: NodeJS.Signals }): Promise<void>;
  /** Kills it, or ends it politely; `restart` brings it back. */
  kill(): Promise<void>;
  end(): Promise<void>;
  /** Stops it and forgets its data. */
  stop(): Promise<void>;
}

export interface ServerOptions {
  now?: string;
  samples?: boolean;
  /** A data folder to begin with a copy of. */
  from?: string | undefined;
}

/** Where the data folder of the demo lies, as it is once somebody has looked at its builds; unset outside of the tests. */
export const PLANNED_DEMO = 'FIXATUM_PLANNED_DEMO';

/** Starts the built server on a port and data folder of its own, and waits until it answers. */
export async function startServer({
  now = DEMO_NOW,
  samples = true,
  from,
}: ServerOptions = {}): Promise<RunningServer> {
  const data = await mkdtemp(join(tmpdir(), 'fixatum-'));
  if (from) await cp(from, data, { recursive: true });
  let port = '0';
  let fixedNow = now;
  let child: ChildProcess;

  const launch = () =>
    new Promise<string>((done, fail) => {
      child = spawn(process.execPath, [join(root, 'packages/server/dist/main.mjs')], {
        env: {
          ...process.env,
          PORT: port,
          FIXATUM_DATA: data,
          FIXATUM_NOW: fixedNow,
          // Stands for the network, once sharing is switched on.
          FIXATUM_SHARE_ADDRESSES: PHONE_ADDRESS,
          FIXATUM_SAMPLES: samples ? 'first-time' : '',
        },
        stdio: ['ignore', 'pipe', 'pipe'],
      });
      let said = '';
      const listen = (chunk: Buffer) => {
        said += chunk.toString();
        const found = /http:\/\/localhost:(\d+)/.exec(said);
        if (found) done(found[0]);
      };
      child.stdout!.on('data', listen);
      child.stderr!.on('data', listen);
      child.once('exit', (code) => fail(new Error(`The server ended with ${code}: ${said}`)));
    });
  const end = (signal: NodeJS.Signals) =>
    new Promise<void>((done) => {
      if (child.exitCode !== null || child.signalCode !== null) return done();
      child.removeAllListeners('exit');
      child.once('exit', () => done());
      child.kill(signal);
    });

  const url = await launch();
  port = new URL(url).port;
  return {
    url,
    data,
    async restart({ now: nextNow, signal = 'SIGTERM' } = {}) {
      await end(signal);
      fixedNow = nextNow ?? fixedNow;
      await launch();
    },
    kill: () => end('SIGKILL'),
    end: () => end('SIGTERM'),
    async stop() {
      await end('SIGTERM');
      await rm(data, { recursive: true, force: true });
    },
  };
}

/** A server with the demo builds, the ids of the courier's and of the lantern's, and a look at one as it is stored. */
export interface Demo {
  server: RunningServer;
  id: string;
  /** The small one: planned at once, and with something of everything. */
  lantern: string;
  stored: (buildId?: string) => Promise<Build>;
}

/** @param isNew begins with nothing but the demo's files: no plan, no backup */
export async function startDemo({ isNew = false } = {}): Promise<Demo> {
  const server = await startServer({ from: isNew ? undefined : process.env[PLANNED_DEMO] });
  const get = async <T>(path: string) => (await (await fetch(`${server.url}/api${path}`)).json()) as T;
  const { builds } = await get<{ builds: { id: string; name: string }[] }>('/builds');
  const idOf = (name: string) => builds.find((build) => build.name === name)!.id;
  const id = idOf('Orrery Courier');
  return {
    server,
    id,
    lantern: idOf('Tidepool lantern'),
    stored: async (buildId = id) => (await get<{ build: Build }>(`/builds/${buildId}`)).build,
  };
}
