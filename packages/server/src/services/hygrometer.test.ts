import { createServer, type AddressInfo, type Server } from 'node:net';
import { makeClock } from './clock';
import { askHygrometer, SensorSilent } from './hygrometer';
import { pollHygrometers } from './poller';
import type { ReadingStore } from './readingStore';

const servers: Server[] = [];
afterEach(() => {
  for (const server of servers.splice(0)) server.close();
});

/** Something that listens on a port and does to each who calls what it is told. */
async function listening(each: Parameters<typeof createServer>[1]): Promise<number> {
  const server = createServer(each);
  servers.push(server);
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  return (server.address() as AddressInfo).port;
}
/** Sends a byte now and then, and never the end of a line. */
const dripping = () =>
  listening((socket) => {
    const drip = setInterval(() => socket.write('H'), 20);
    socket.on('close', () => clearInterval(drip));
    socket.on('error', () => undefined);
  });
const honest = () =>
  listening((socket) => {
    socket.on('data', (bytes) =>
      socket.write(bytes.toString().startsWith('HELLO') ? 'HYGRO 1\n' : 'AIR 20.5 51\n'),
    );
    socket.on('error', () => undefined);
  });

it('a hygrometer that drips bytes without an end is silent', async () => {
  await expect(askHygrometer(await dripping(), 150)).rejects.toThrow(new SensorSilent('It does not answer.'));
});

it('and holds up no other: what the other says is kept while it still drips', async () => {
  const [slow, good] = [await dripping(), await honest()];
  const kept: string[] = [];
  let isThere: () => void = () => undefined;
  const there = new Promise<void>((done) => (isThere = done));
  const poller = pollHygrometers({
    hygrometers: {
      all: () =>
        Promise.resolve([
          { workshopId: 'b', timeZone: 'UTC', placeId: 'slow', port: slow },
          { workshopId: 'b', timeZone: 'UTC', placeId: 'good', port: good },
        ]),
    },
    readings: {
      thin: () => Promise.resolve(),
      add: (_build: string, place: string, reading: object) => {
        kept.push(place);
        isThere();
        return Promise.resolve(reading);
      },
    } as unknown as ReadingStore,
    clock: makeClock('2027-02-20T19:30'),
    onError: (error) => {
      throw error;
    },
  });
  await there;
  expect(kept).toEqual(['good']);
  await poller.stop();
  expect(kept).toEqual(['good']);
});
