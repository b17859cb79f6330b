// npm run bench: measures the core, the server and the web app (in Chromium, on what `npm run build` made) on made-up builds. Speed is printed here and tested nowhere. A word after it picks one:
// npm run bench -- server
import { execFileSync } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildSync } from 'esbuild';
import { root } from './prepare.mjs';

const wanted = process.argv.slice(2);
const benches = [
  { name: 'core', of: 'core', file: 'bench.ts' },
  { name: 'planner', of: 'core', file: 'planner.ts' },
  { name: 'server', of: 'server', file: 'bench.ts' },
];
for (const { name, of, file } of benches.filter((one) => wanted.length === 0 || wanted.includes(one.name))) {
  // Beside the package, so that what is not bundled is found.
  const outfile = join(root, 'packages', of, 'dist/bench.mjs');
  buildSync({
    entryPoints: [join(root, 'packages', of, 'bench', file)],
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
if (wanted.length === 0 || wanted.includes('web')) {
  // Beside the tests, whose server it starts.
  const outfile = join(root, 'e2e/webBench.mjs');
  buildSync({
    entryPoints: [join(root, 'e2e/webBench.ts')],
    bundle: true,
    platform: 'node',
    format: 'esm',
    outfile,
    packages: 'external',
    logLevel: 'error',
  });
  try {
    execFileSync(process.execPath, [outfile], { stdio: 'inherit' });
  } finally {
    rmSync(outfile);
  }
}
