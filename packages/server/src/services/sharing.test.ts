import { createServer, get, type IncomingHttpHeaders } from 'node:http';
import type { AddressInfo } from 'node:net';
import { Sharing } from './sharing';

/** A port that nobody listens on. */
const freePort = (): Promise<number> =>
  new Promise((done) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as AddressInfo;
      server.close(() => done(port));
    });
  });

const headersOf = (url: string): Promise<IncomingHttpHeaders> =>
  new Promise((done, fail) => {
    get(url, { agent: false, headers: { connection: 'keep-alive' } }, (answer) => {
      answer.resume();
      done(answer.headers);
    }).on('error', fail);
  });

it('keeps a connection that nobody uses open for 75 s, and tells whoever asks', async () => {
  const port = await freePort();
  const sharing = new Sharing(
    (_asked, answer) => void answer.end('here'),
    () => port,
    () => ['127.0.0.1'],
  );
  await sharing.begin();
  expect(sharing.urls).toEqual([`http://127.0.0.1:${port}`]);
  const headers = await headersOf(sharing.urls[0]!);
  await sharing.end();
  // In whole seconds by the header's own rule.
  expect(headers['keep-alive']).toBe('timeout=75');
  expect(sharing.isOn).toBe(false);
});
