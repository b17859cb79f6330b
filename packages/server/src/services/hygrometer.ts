import { connect } from 'node:net';
import { createInterface } from 'node:readline';

/** A hygrometer that does not answer, or not in its protocol. */
export class SensorSilent extends Error {}

const ANSWER_WITHIN_MS = 2000;

/**
 * Asks the hygrometer on a local port for its air, by the protocol of docs/air.md. Whether the answer can be true is for the
 * caller to judge. Rejects with SensorSilent when there is none within two seconds.
 */
export function askHygrometer(port: number): Promise<{ temperatureC: number; humidityPct: number }> {
  return new Promise((answer, refuse) => {
    const socket = connect({ port, host: '127.0.0.1' });
    const fail = (why: string) => {
      socket.destroy();
      refuse(new SensorSilent(why));
    };
    socket.setTimeout(ANSWER_WITHIN_MS, () => fail('It does not answer.'));
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
      answer({ temperatureC: Number(temperature), humidityPct: Number(humidity) });
      socket.end('BYE\n');
    });
  });
}
