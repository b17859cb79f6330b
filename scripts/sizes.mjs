// Part of the web build: how much each screen takes to start, and the largest chunks, as they go over the wire.
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './prepare.mjs';

/** No first screen may take more than this: its scripts, styles and fonts, kB packed with brotli as the server sends them. */
const FIRST_SCREEN_KB = 250;

const dist = join(root, 'packages/web/dist');
const manifest = JSON.parse(readFileSync(join(dist, '.vite/manifest.json'), 'utf8'));
/** Of what is packed, as that; fonts are as they are. */
const kb = (file) => {
  const packed = join(dist, `${file}.br`);
  return statSync(existsSync(packed) ? packed : join(dist, file)).size / 1000;
};

/** A chunk with all it imports at once, and their styles; what is imported later, on demand, is not counted. */
function filesOf(key, seen = new Set()) {
  const chunk = manifest[key];
  if (!chunk || seen.has(chunk.file)) return seen;
  seen.add(chunk.file);
  for (const style of chunk.css ?? []) seen.add(style);
  for (const next of chunk.imports ?? []) filesOf(next, seen);
  return seen;
}
const total = (files) => [...files].reduce((sum, file) => sum + kb(file), 0);
/** The fonts of plain English; what other letters need is loaded as they are met. */
const fonts = readdirSync(join(dist, 'assets'))
  .filter((name) => /latin-(?!ext).*\.woff2$/.test(name))
  .map((name) => `assets/${name}`);

const entry = Object.keys(manifest).find((key) => manifest[key].isEntry);
let failed = false;
console.log(`To start with, brotli, of which ${total(fonts).toFixed(0)} kB are fonts:`);
for (const key of manifest[entry].dynamicImports ?? []) {
  if (!key.endsWith('View.vue')) continue;
  const size = total([...filesOf(key, filesOf(entry)), ...fonts]);
  const isFirst = /StartView|BenchView/.test(key);
  if (isFirst && size > FIRST_SCREEN_KB) failed = true;
  console.log(
    `  ${key.split('/').at(-1).replace('View.vue', '').padEnd(10)} ${size.toFixed(0).padStart(4)} kB${isFirst ? `   at most ${FIRST_SCREEN_KB}` : ''}`,
  );
}
const chunks = readdirSync(join(dist, 'assets'))
  .filter((name) => name.endsWith('.js'))
  .map((name) => [name, kb(join('assets', name))])
  .sort((a, b) => b[1] - a[1]);
console.log('The largest chunks, brotli:');
for (const [name, size] of chunks.slice(0, 6))
  console.log(`  ${name.padEnd(44)} ${size.toFixed(0).padStart(4)} kB`);
if (failed) {
  console.error(`A first screen takes more than ${FIRST_SCREEN_KB} kB.`);
  process.exit(1);
}
