// npm run bench: measures the core and the server on made-up builds. Speed is printed here and tested nowhere. A word after it picks one:
// npm run bench -- server
import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import { buildSync } from 'esbuild';
import { root } from './prepare.mjs';

const wanted = process.argv.slice(2);
for (const name of ['core', 'server'].filter((one) => wanted.length === 0 || wanted.includes(one))) {
  // Beside the package, so that what is not bundled is found.
  const outfile = join(root, 'packages', name, 'dist/bench.mjs');
  buildSync({
    entryPoints: [join(root, 'packages', name, 'bench/bench.ts')],
    bundle: true,
    platform: 'node',
    format: 'esm',
    outfile,
    logLevel: 'error',
    ...(name === 'server'
      ? {
          packages: 'external',
          define: { __dirname: JSON.stringify(join(root, 'packages/server/src/testing')) },
          alias: { '@fixatum/core': join(root, 'packages/core/src/index.ts') },
        }
      : {}),
  });
  execFileSync(process.execPath, ['--expose-gc', outfile], { stdio: 'inherit' });
}
