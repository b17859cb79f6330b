// npm run torture -- --kills 1000 [--seed 7]: ends the server again and again while coats are logged; none may be lost or doubled.
import { execFileSync } from 'node:child_process';
import { parseArgs } from 'node:util';
import { root } from './prepare.mjs';

const { values } = parseArgs({ options: { kills: { type: 'string' }, seed: { type: 'string' } } });
execFileSync('npx', ['playwright', 'test', '-c', 'e2e/playwright.config.ts', 'crash'], {
  cwd: root,
  stdio: 'inherit',
  env: {
    ...process.env,
    ...(values.kills === undefined ? {} : { FIXATUM_KILLS: values.kills }),
    ...(values.seed === undefined ? {} : { FIXATUM_SEED: values.seed }),
  },
});
