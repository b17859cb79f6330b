// Part of `npm run lint`: imports, of types too, never form a circle and never point back up the list of rooms.
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import ts from 'typescript';
import { root } from './prepare.mjs';

/** The rooms of each package, lowest first: a file imports from its own room and from those before it. */
const rooms = {
  'packages/core/src': [
    'model',
    'materials',
    'facts',
    'drying',
    'shapes',
    'quantity',
    'colour',
    'words',
    'techniques',
    'schedule/plan',
    'schedule/state',
    'schedule/place',
    'schedule/search',
    'schedule/answers',
    'schedule/view',
    'advice',
    'looks',
    'io',
  ],
  'packages/server/src': ['standins', 'http', 'storage', 'services', 'routes'],
  // Features of the web app lie side by side: each may use what is shared, and pieces are edited where they are listed.
  'packages/web/src': [
    'styles',
    'shared',
    'techniques',
    'journal',
    'materials',
    'shelf',
    'colour',
    'shapes',
    'workshops',
    'records',
    'workshop',
    'start',
    'piece',
    'pieces',
    'plan',
    'bench',
  ],
};

function* sources(folder) {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) {
      if (name !== 'testing' && name !== 'dist') yield* sources(path);
    } else if (/\.(ts|vue)$/.test(name) && !/\.(test|d)\.ts$/.test(name)) yield path;
  }
}

/** The files a file imports, types included; in a Vue file those of its scripts. */
function importsOf(file) {
  const text = readFileSync(file, 'utf8');
  const script = file.endsWith('.vue')
    ? [...text.matchAll(/<script[^>]*>([\s\S]*?)<\/script>/g)].map((match) => match[1]).join('\n')
    : text;
  return ts.preProcessFile(script, true, true).importedFiles.flatMap(({ fileName }) => {
    if (!fileName.startsWith('.')) return [];
    const target = resolve(dirname(file), fileName);
    return [target, `${target}.ts`, join(target, 'index.ts')].filter(
      (path) => existsSync(path) && statSync(path).isFile() && /\.(ts|vue)$/.test(path),
    );
  });
}

/** The first circle of imports, as files in order; undefined when there is none. */
export function circleIn(graph) {
  const done = new Set();
  const trail = [];
  const visit = (file) => {
    if (done.has(file)) return undefined;
    const at = trail.indexOf(file);
    if (at >= 0) return [...trail.slice(at), file];
    trail.push(file);
    for (const next of graph.get(file) ?? []) {
      const circle = visit(next);
      if (circle) return circle;
    }
    trail.pop();
    done.add(file);
    return undefined;
  };
  for (const file of graph.keys()) {
    const circle = visit(file);
    if (circle) return circle;
  }
  return undefined;
}

/** What is wrong with the imports below a folder, a sentence each. */
export function faultsOf(folder, order) {
  const graph = new Map([...sources(folder)].map((file) => [file, importsOf(file)]));
  const name = (file) => relative(folder, file).replace(/\\/g, '/');
  const roomOf = (file) => order.findIndex((room) => name(file).startsWith(`${room}/`));
  const faults = [];
  const circle = circleIn(graph);
  if (circle) faults.push(`a circle of imports: ${circle.map(name).join(' → ')}`);
  for (const [file, imports] of graph) {
    const own = roomOf(file);
    if (own < 0 && name(file).includes('/'))
      faults.push(`${name(file)} lies in no room of scripts/arrows.mjs`);
    for (const target of imports)
      if (own >= 0 && (roomOf(target) > own || roomOf(target) < 0))
        faults.push(`${name(file)} imports ${name(target)}, which lies further down the list of rooms`);
  }
  return faults;
}

if (process.argv[1] === import.meta.filename) {
  const faults = Object.entries(rooms).flatMap(([folder, order]) =>
    faultsOf(join(root, folder), order).map((fault) => `${folder}: ${fault}`),
  );
  for (const fault of faults) console.error(fault);
  process.exit(faults.length > 0 ? 1 : 0);
}
