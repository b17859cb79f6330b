// npm run demo [-- --fresh] [--share]: installs what is missing, builds, and serves app and API with the demo builds.
import { spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { join, resolve } from 'node:path';
import { build, giveUp, installPackages, root } from './prepare.mjs';

const port = Number(process.env.PORT ?? 4173);
const host = process.env.HOST ?? '127.0.0.1';
const data = resolve(process.env.FIXATUM_DATA ?? join(root, 'data'));
const unknown = process.argv.slice(2).filter((word) => !['--fresh', '--share'].includes(word));
if (unknown.length > 0)
  giveUp(
    `"${unknown[0]}" means nothing here. The choices are --fresh, which starts over with new demo data, and --share, with which paired phones can use it too.`,
  );

await new Promise((free) => {
  const probe = createServer();
  probe.once('error', (error) =>
    giveUp(
      error.code === 'EADDRINUSE'
        ? `Port ${port} is taken by another program. Stop that, or choose another: PORT=${port + 1} npm run demo`
        : `Port ${port} can't be used: ${error.message}`,
    ),
  );
  probe.listen(port, host, () => probe.close(free));
});

installPackages();
build();
if (process.argv.includes('--fresh')) {
  for (const end of ['', '-wal', '-shm']) rmSync(join(data, `fixatum.sqlite${end}`), { force: true });
}
const server = spawn(process.execPath, [join(root, 'packages/server/dist/main.mjs')], {
  stdio: 'inherit',
  env: {
    ...process.env,
    PORT: String(port),
    HOST: host,
    FIXATUM_DATA: data,
    FIXATUM_SAMPLES: 'first-time',
    ...(process.argv.includes('--share') ? { FIXATUM_SHARE: 'yes' } : {}),
  },
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
server.on('exit', (code) => process.exit(code ?? 0));
