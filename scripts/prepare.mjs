import { execFileSync, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = resolve(dirname(fileURLToPath(import.meta.url)), '..');

/** Ends with a plain sentence and no stack. */
export function giveUp(sentence) {
  console.error(`\n${sentence}`);
  process.exit(1);
}

/** Runs a command with its output shown; returns whether it went well. */
export function run(command, args, options = {}) {
  return spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options }).status === 0;
}

const onPath = (name) => spawnSync('sh', ['-c', `command -v ${name}`]).status === 0;

/** Installs the packages of the lock file, unless exactly those are installed. */
export function installPackages() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    giveUp(
      `This needs Node 20.19 or newer; here is ${process.versions.node}. Install a newer Node and run the command again.`,
    );
  }
  const mark = join(root, 'node_modules/.fixatum-installed');
  const wanted = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === wanted) return;
  const missing = [
    ['make', 'make'],
    ['g++', 'a C++ compiler (g++)'],
    ['python3', 'Python 3'],
  ].filter(([name]) => !onPath(name));
  if (process.platform !== 'win32' && missing.length > 0) {
    giveUp(
      `The database driver is compiled on first use, and for that this machine lacks ${missing.map(([, words]) => words).join(' and ')}. ` +
        'On Debian: apt-get install build-essential python3. Then run the command again.',
    );
  }
  console.log(
    'Installing packages; the first time this compiles the database driver, which takes a few minutes.',
  );
  // Not `npm ci`: it refuses a lock file that lacks the builds of optional packages for other kinds of machine.
  if (!run('npm', ['install', '--no-save', '--no-audit', '--no-fund'])) {
    giveUp(
      'The packages could not be installed; npm says why above. Check the connection to the package registry and run the command again.',
    );
  }
  writeFileSync(mark, wanted);
}

function newest(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return Math.max(0, ...readdirSync(path).map((name) => newest(join(path, name))));
}

/** Builds the app, the server and the command line, unless they are newer than their sources. */
export function build() {
  const sources = [
    'packages/core/src',
    'packages/server/src',
    'packages/cli/src',
    'packages/web/src',
    'packages/web/index.html',
    'packages/web/vite.config.ts',
    'packages/web/public',
    'package-lock.json',
  ];
  const results = [
    'packages/web/dist/index.html',
    'packages/server/dist/main.mjs',
    'packages/cli/dist/fixatum.mjs',
  ];
  const changedAt = Math.max(...sources.map((path) => newest(join(root, path))));
  if (results.every((path) => existsSync(join(root, path)) && statSync(join(root, path)).mtimeMs > changedAt))
    return;
  console.log('Building.');
  try {
    execFileSync('npm', ['run', 'build', '--silent'], { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
  } catch (error) {
    console.error(String(error.stdout ?? ''), String(error.stderr ?? ''));
    giveUp('The build failed; the reason is above.');
  }
}

/** Makes sure there is a Chromium to test with. */
export function installChromium() {
  if (existsSync('/usr/bin/chromium')) return;
  console.log('Installing Chromium for the browser tests.');
  if (
    !onPath('apt-get') ||
    !run('sh', [
      '-c',
      'apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq chromium > /dev/null',
    ])
  ) {
    giveUp(
      'The browser tests need Debian’s Chromium at /usr/bin/chromium, and it could not be installed. As root: apt-get install chromium.',
    );
  }
}
