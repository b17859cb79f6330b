// npm run bench: measures the core on made-up builds. Speed is printed here and tested nowhere.
import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import { buildSync } from 'esbuild';
import { root } from './prepare.mjs';

const outfile = join(root, 'test-results/bench.mjs');
buildSync({
  entryPoints: [join(root, 'packages/core/bench/bench.ts')],
  bundle: true,
  platform: 'node',
  format: 'esm',
  outfile,
  logLevel: 'error',
});
execFileSync(process.execPath, ['--expose-gc', outfile, ...process.argv.slice(2)], { stdio: 'inherit' });
