// npm run torture -- [SECTION …] [--kills 1000] [--restores 300] [--flips 1000] [--requests 100000] [--seed 7]
// What `npm test` does in a short form, for as long as one likes:
//   kills     ends the server again and again while coats are logged; none may be lost or doubled
//   restores  ends it while a backup is put back and coats are logged; what was said to be stored is in one state or the other
//   flips     changes one bit anywhere in archives; each is refused with a sentence
//   requests  sends requests that make no sense; none may break anything
import { execFileSync } from 'node:child_process';
import { parseArgs } from 'node:util';
import { root } from './prepare.mjs';

const { values, positionals } = parseArgs({
  options: {
    kills: { type: 'string', default: '1000' },
    restores: { type: 'string', default: '300' },
    flips: { type: 'string', default: '1000' },
    requests: { type: 'string', default: '100000' },
    seed: { type: 'string' },
  },
  allowPositionals: true,
});

const browser = (test) => ['playwright', 'test', '-c', 'e2e/playwright.config.ts', 'crash', '-g', test];
const unit = (file) => ['jest', file, '--testTimeout', '36000000'];
const sections = {
  kills: { command: browser('lost or doubled'), env: { FIXATUM_KILLS: values.kills } },
  restores: { command: browser('put back'), env: { FIXATUM_RESTORE_KILLS: values.restores } },
  flips: { command: unit('server/src/services/archive.test'), env: { FIXATUM_FLIPS: values.flips } },
  requests: { command: unit('server/src/malformed.test'), env: { FIXATUM_MALFORMED: values.requests } },
};
const unknown = positionals.filter((name) => !(name in sections));
if (unknown.length > 0) {
  console.error(`There is no section ${unknown.join(', ')}; there are ${Object.keys(sections).join(', ')}.`);
  process.exit(2);
}

for (const [name, { command, env }] of Object.entries(sections)) {
  if (positionals.length > 0 && !positionals.includes(name)) continue;
  console.log(`\n${name}: ${Object.values(env)[0]}`);
  execFileSync('npx', command, {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, ...env, ...(values.seed === undefined ? {} : { FIXATUM_SEED: values.seed }) },
  });
}
