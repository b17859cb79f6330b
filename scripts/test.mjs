// npm test: installs what is missing, type-checks, lints, runs Jest and Playwright. The last line counts them all.
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { build, installChromium, installPackages, root, run } from './prepare.mjs';

installPackages();
installChromium();
const results = join(root, 'test-results');
rmSync(results, { recursive: true, force: true });
mkdirSync(results, { recursive: true });

let passed = 0;
let failed = 0;
const count = (good, bad) => {
  passed += good;
  failed += bad;
};
const check = (name, ok) => {
  console.log(`${ok ? 'ok' : 'FAILED'}: ${name}`);
  count(ok ? 1 : 0, ok ? 0 : 1);
};
/** Counts what a runner wrote; a runner that failed without a failed test counts as one failure. */
const tally = (name, ok, read) => {
  try {
    const [good, bad] = read();
    count(good, bad === 0 && !ok ? 1 : bad);
    if (good + bad === 0) check(`${name} ran no test`, false);
  } catch {
    check(`${name} left no results`, false);
  }
};

check('types', run('npm', ['run', 'typecheck', '--silent']));
check('lint', run('npm', ['run', 'lint', '--silent']));

const jest = run('npx', ['jest', '--json', '--outputFile=test-results/jest.json', '--silent']);
tally('Jest', jest, () => {
  const report = JSON.parse(readFileSync(join(results, 'jest.json'), 'utf8'));
  return [report.numPassedTests, report.numFailedTests + report.numRuntimeErrorTestSuites];
});

build();
const e2e = run('npx', ['playwright', 'test', '-c', 'e2e/playwright.config.ts']);
tally('Playwright', e2e, () => {
  const { stats } = JSON.parse(readFileSync(join(results, 'e2e.json'), 'utf8'));
  return [stats.expected, stats.unexpected + stats.flaky];
});

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);
