import { createServer, type Server } from 'node:net';
import { createInterface } from 'node:readline';
import { sceneReading, scenes, type Scene } from './scenes';

/**
 * A stand-in for a thermo-hygrometer: speaks the line protocol of docs/air.md over TCP. One line asks, one line answers:
 * `HELLO` → `HYGRO 1`, `AIR?` → `AIR 19.03 54.20` or `ERR no reading`, `SCENE name` → `OK`, `BYE` ends.
 * @param minuteNow the moment it plays, minutes since 1970 in local time
 */
export function hygrometerServer(firstScene: Scene, minuteNow: () => number): Server {
  let scene = firstScene;
  return createServer((socket) => {
    socket.on('error', () => socket.destroy());
    const lines = createInterface({ input: socket, crlfDelay: Infinity });
    lines.on('error', () => undefined);
    lines.on('line', (line) => {
      const [word, ...rest] = line.trim().split(/\s+/);
      switch (word) {
        case 'HELLO':
          socket.write('HYGRO 1\n');
          break;
        case 'AIR?': {
          const reading = sceneReading(scene, Math.floor(minuteNow()));
          socket.write(
            reading
              ? `AIR ${reading.temperatureC.toFixed(2)} ${reading.humidityPct.toFixed(2)}\n`
              : 'ERR no reading\n',
          );
          break;
        }
        case 'SCENE': {
          const wanted = scenes.find((one) => one === rest[0]);
          if (wanted) scene = wanted;
          socket.write(wanted ? 'OK\n' : `ERR scenes are ${scenes.join(' ')}\n`);
          break;
        }
        case 'BYE':
          socket.end();
          break;
        default:
          socket.write('ERR say HELLO, AIR?, SCENE name or BYE\n');
      }
    });
  });
}
