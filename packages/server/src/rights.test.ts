import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { createServer, request as send, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import express, { type Express } from 'express';
import { createApp } from './app';
import { accesses, refuseUnstated, rightsOf, type Access, type Right } from './http/access';
import { markOverNetwork } from './http/overNetwork';
import { DEVICE_COOKIE } from './routes/admit';
import { Devices } from './services/devices';
import { openDatabase, type Database } from './storage/database';
import { appParts, keptBackups, samplesFolder } from './testing/appParts';

const DOC = join(__dirname, '../../../docs/network-and-backups.md');
const [BEGINS, ENDS] = ['<!-- rights: from the code -->', '<!-- /rights -->'];

const [HERE, NETWORK] = ['127.0.0.1', '127.0.0.2'];

let folder: string;
let database: Database;
let app: Express;
/** At the computer itself, and as from the network. */
let [here, network]: Server[] = [];
let tokens: Record<'helper' | 'finisher', string>;

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-rights-'));
  database = await openDatabase(folder);
  const devices = new Devices(database.models);
  app = createApp({
    ...appParts(database, folder),
    devices,
    webFolder: samplesFolder,
    backups: keptBackups(folder),
  });
  const paired = async (role: 'helper' | 'finisher') => {
    const { token } = devices.ask(devices.offer(role).code, role)!;
    await devices.answer(devices.asking[0]!.id, true);
    return token;
  };
  tokens = { helper: await paired('helper'), finisher: await paired('finisher') };
  here = createServer(app);
  network = createServer(app).on('connection', markOverNetwork);
  await new Promise<void>((done) => here!.listen(0, HERE, done));
  await new Promise<void>((done) => network!.listen(0, NETWORK, done));
});
afterAll(async () => {
  for (const server of [here, network]) {
    server!.closeAllConnections();
    await new Promise((done) => server!.close(done));
  }
  await database.close();
  await rm(folder, { recursive: true, force: true });
});

const callers = ['stranger', 'helper', 'finisher', 'computer'] as const;
type Caller = (typeof callers)[number];

/** Calls an address exactly as it is written, and tells what came back. */
function call(caller: Caller, method: string, path: string): Promise<{ status: number; text: string }> {
  const { port } = (caller === 'computer' ? here! : network!).address() as AddressInfo;
  const token = caller === 'helper' || caller === 'finisher' ? tokens[caller] : undefined;
  return new Promise((done, fail) => {
    const asked = send(
      {
        host: caller === 'computer' ? HERE : NETWORK,
        port,
        path,
        method,
        agent: false,
        headers: token === undefined ? {} : { cookie: `${DEVICE_COOKIE}=${token}` },
      },
      (answer) => {
        let text = '';
        answer.setEncoding('utf8');
        answer.on('data', (chunk: string) => {
          text += chunk;
          // News never ends by itself.
          if (path.endsWith('/events')) asked.destroy();
        });
        answer.on('end', () => done({ status: answer.statusCode!, text }));
        answer.on('close', () => done({ status: answer.statusCode!, text }));
      },
    );
    asked.on('error', fail);
    asked.end();
  });
}

const reaches = (caller: Caller, access: Access): boolean =>
  access === 'anyone' || (caller !== 'stranger' && accesses.indexOf(caller) >= accesses.indexOf(access));
const isPage = ({ path }: Right) => path.startsWith('/^');
const exampleOf = ({ path }: Right): string => path.replace(/:\w+/g, 'nothing');
/** The same address, written otherwise. */
const spellings = (path: string): string[] => [
  path.toUpperCase(),
  path.replace(/^\/(\w)/, (_whole, letter: string) => `/${letter.toUpperCase()}`),
  path.replace(/\/(\w)(\w*)$/, (_whole, letter: string, rest: string) => `/${letter.toUpperCase()}${rest}`),
  `${path}/`,
  `/${path}`,
  path.replace('/', '/./'),
  path.replace(/^\/(\w+)\//, '/$1//'),
  path.replace(/^\/(\w+)/, '/x/../$1'),
  path.replace(/^\/a/, '/%61'),
  path.replace(
    /\/(\w)(\w*)$/,
    (_whole, letter: string, rest: string) => `/%${letter.charCodeAt(0).toString(16)}${rest}`,
  ),
  path.replaceAll('/', '%2F').replace('%2F', '/'),
  path.replace('/', '/;a/'),
];

test('every route says who may call it, and lets in those and nobody else', async () => {
  const rights = rightsOf(app.router).filter((right) => !isPage(right));
  expect(rights.length).toBeGreaterThan(60);
  for (const right of rights)
    for (const caller of callers) {
      const path = right.path.startsWith('/pair') ? right.path : `/api${right.path}`;
      const { status } = await call(caller, right.method, exampleOf({ ...right, path }));
      const isRefused = status === 401 || status === 403;
      // The pairing page says 422 to an empty form; the rest of what is answered says that nothing is there, or what is missing.
      expect([right.method, path, caller, isRefused]).toEqual([
        right.method,
        path,
        caller,
        !reaches(caller, right.access!),
      ]);
      expect([right.method, path, caller, status < 500]).toEqual([right.method, path, caller, true]);
    }
});

test('written otherwise, an address is another one, and gives nothing away', async () => {
  for (const right of rightsOf(app.router).filter((one) => !isPage(one) && !one.path.startsWith('/pair')))
    for (const path of spellings(exampleOf({ ...right, path: `/api${right.path}` })))
      for (const caller of ['stranger', 'helper', 'finisher'] as const) {
        if (path === exampleOf({ ...right, path: `/api${right.path}` })) continue;
        const { status, text } = await call(caller, right.method, path);
        // A page of the app at most, which is the same for all; a stranger gets none.
        const gave = status === 200 && !text.includes('<html') ? text : '';
        expect([caller, right.method, path, gave]).toEqual([caller, right.method, path, '']);
        expect([path, status < 500]).toEqual([path, true]);
        if (caller === 'stranger') expect([path, [303, 401].includes(status)]).toEqual([path, true]);
      }
});

test('an application with a route that does not say who may call it does not start', () => {
  const open = express();
  open.get('/open', (_request, response) => void response.json({}));
  expect(() => refuseUnstated(open)).toThrow('These routes do not say who may call them: GET /open');
});

test('the table in the docs is made of the code', async () => {
  const all = rightsOf(app.router).filter((right) => !isPage(right));
  const words: Record<Access, string> = {
    anyone: 'anyone',
    helper: 'helper and finisher',
    finisher: 'finisher',
    computer: 'the computer itself',
  };
  const rows = all
    .map(({ method, path, access }) => [
      path.startsWith('/pair') ? path : `/api${path}`,
      method,
      words[access!],
    ])
    .sort(([a], [b]) => (a! < b! ? -1 : a === b ? 0 : 1))
    .map(([path, method, who]) => `| ${method} | \`${path}\` | ${who} |`);
  const table = ['| | address | who may |', '| --- | --- | --- |', ...rows].join('\n');
  const text = await readFile(DOC, 'utf8');
  const [before, after] = [text.split(BEGINS)[0]!, text.split(ENDS)[1] ?? ''];
  if (process.env.UPDATE_DOCS) await writeFile(DOC, `${before}${BEGINS}\n\n${table}\n\n${ENDS}${after}`);
  const cells = (all: string) => all.replace(/ +/g, ' ').replace(/-+/g, '-');
  expect(cells(await readFile(DOC, 'utf8'))).toContain(cells(`${BEGINS}\n\n${table}\n\n${ENDS}`));
});
