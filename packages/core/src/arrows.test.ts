import { execFileSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join, resolve } from 'node:path';
import { pathToFileURL } from 'node:url';

const script = pathToFileURL(resolve(__dirname, '../../../scripts/arrows.mjs')).href;
let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'fixatum-arrows-'));
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** What the lint says of some files, in rooms called low and high. */
function faults(files: Record<string, string>): string[] {
  for (const [name, text] of Object.entries(files)) {
    mkdirSync(dirname(join(folder, name)), { recursive: true });
    writeFileSync(join(folder, name), text);
  }
  const asked = `import { faultsOf } from ${JSON.stringify(script)}; console.log(JSON.stringify(faultsOf(${JSON.stringify(folder)}, ['low', 'high'])))`;
  return JSON.parse(
    execFileSync(process.execPath, ['--input-type=module', '-e', asked]).toString(),
  ) as string[];
}

describe('arrows between rooms', () => {
  it('may point from the higher to the lower', () => {
    expect(
      faults({ 'low/a.ts': 'export const a = 1;', 'high/b.ts': "import { a } from '../low/a'; a;" }),
    ).toEqual([]);
  });

  it('may not point back, types included, in Vue files too', () => {
    const files = { 'high/b.ts': 'export type B = 1;' };
    expect(
      faults({ ...files, 'low/a.ts': "import type { B } from '../high/b'; export type A = B;" }),
    ).toEqual(['low/a.ts imports high/b.ts, which lies further down the list of rooms']);
    const view = '<script setup lang="ts">\nimport type { B } from \'../high/b\';\n</script>';
    expect(faults({ ...files, 'low/a.ts': '', 'low/View.vue': view })).toEqual([
      'low/View.vue imports high/b.ts, which lies further down the list of rooms',
    ]);
  });

  it('may not run in a circle, of types either', () => {
    expect(
      faults({
        'low/a.ts': "import type { B } from './b'; export type A = B;",
        'low/b.ts': "import type { C } from './c'; export type B = C;",
        'low/c.ts': "import type { A } from './a'; export type C = A;",
      }),
    ).toEqual(['a circle of imports: low/a.ts → low/b.ts → low/c.ts → low/a.ts']);
  });

  it('may not come from outside all rooms', () => {
    expect(faults({ 'attic/x.ts': '' })).toEqual(['attic/x.ts lies in no room of scripts/arrows.mjs']);
  });
});
