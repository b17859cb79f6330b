// npm run prove: has an exact solver prove what the bench and the tests hold the planner against. For whoever works on the planner.
import { execFileSync } from 'node:child_process';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { buildSync } from 'esbuild';
import { root } from './prepare.mjs';

const outfile = join(root, 'test-results/prove.mjs');
const exact = join(root, 'packages/core/bench/exact');
buildSync({
  entryPoints: [join(exact, 'prove.ts')],
  bundle: true,
  platform: 'node',
  format: 'esm',
  outfile,
  logLevel: 'error',
});
const solver = dirname(createRequire(import.meta.url).resolve('minizinc'));
execFileSync(
  process.execPath,
  [
    outfile,
    join(exact, 'solver.mjs'),
    join(solver, 'minizinc-worker.js'),
    join(root, 'packages/core/src/testing/optima.json'),
  ],
  { stdio: 'inherit' },
);
