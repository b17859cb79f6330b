import { hygrometerServer } from './hygrometerServer';
import { scenes } from './scenes';

/** Runs the stand-in: `hygrometer [port] [scene]`. It listens on this machine only. */
const port = Number(process.argv[2] ?? 4180);
const wanted = process.argv[3] ?? 'calm-room';
const scene = scenes.find((one) => one === wanted);
if (!Number.isInteger(port) || port < 0 || port > 65_535 || !scene) {
  console.error(`Say: npm run hygrometer -- [port] [scene]. Scenes: ${scenes.join(', ')}.`);
  process.exit(2);
}
const localMinute = () => Date.now() / 60_000 - new Date().getTimezoneOffset();
const server = hygrometerServer(scene, localMinute);
server.on('error', (error: NodeJS.ErrnoException) => {
  console.error(
    error.code === 'EADDRINUSE'
      ? `Port ${port} is taken. Choose another: npm run hygrometer -- ${port + 1} ${scene}`
      : error.message,
  );
  process.exit(1);
});
server.listen(port, '127.0.0.1', () => {
  const address = server.address();
  console.log(
    `A hygrometer plays "${scene}" on port ${typeof address === 'object' && address ? address.port : port}.`,
  );
});
