import { connect } from 'node:net';
import { createInterface } from 'node:readline';

/** A hygrometer that does not answer, or not in its protocol. */
export class SensorSilent extends Error {}

const ANSWER_WITHIN_MS = 2000;

/**
 * Asks the hygrometer on a local port for its air, by the protocol of docs/air.md. Whether the answer can be true is for the
 * caller to judge. Rejects with SensorSilent when there is none in time, whatever it sends meanwhile.
 */
export function askHygrometer(
  port: number,
  withinMs = ANSWER_WITHIN_MS,
): Promise<{ temperatureC: number; humidityPct: number }> {
  return new Promise((answer, refuse) => {
    const socket = connect({ port, host: '127.0.0.1' });
    const fail = (why: string) => {
      clearTimeout(patience);
      socket.destroy();
      refuse(new SensorSilent(why));
    };
    // For the whole answer: one that comes byte by byte would never be silent for long.
    const patience = setTimeout(() => fail('It does not answer.'), withinMs);
    socket.on('error', () => fail(`Nothing listens on port ${port}.`));
    socket.on('close', () => fail('It hung up.'));
    socket.on('connect', () => socket.write('HELLO\n'));
    let greeted = false;
    const lines = createInterface({ input: socket, crlfDelay: Infinity });
    // It passes on what the socket suffers, which is told above.
    lines.on('error', () => undefined);
    lines.on('line', (line) => {
      if (!greeted) {
        if (!line.startsWith('HYGRO 1')) return fail('What answers there is no hygrometer.');
        greeted = true;
        socket.write('AIR?\n');
        return;
      }
      const [, temperature, humidity] = /^AIR (\S+) (\S+)$/.exec(line) ?? [];
      if (temperature === undefined) return fail('It has no reading just now.');
      clearTimeout(patience);
      answer({ temperatureC: Number(temperature), humidityPct: Number(humidity) });
      socket.end('BYE\n');
    });
  });
}
