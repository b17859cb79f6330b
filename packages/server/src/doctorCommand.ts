// What `fixatum doctor` and `npm run doctor` run.
import { messageOf } from '@fixatum/core';
import { resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { examine, mend, type Examined } from './services/doctor';

const marks: Record<Examined['state'], string> = { fine: '✓', note: '·', wrong: '✗' };

/**
 * Looks at a data folder and says what it finds; with `--mend TO` makes a mended copy in a new folder.
 * @returns 0 where all is well, 1 where something is wrong, 2 where it can't be looked at
 */
async function doctor(args: string[]): Promise<number> {
  const { values, positionals } = parseArgs({
    args,
    options: { mend: { type: 'string' } },
    allowPositionals: true,
  });
  const [data] = positionals;
  if (data === undefined)
    throw new Error('Name a data folder: fixatum doctor DATA, or fixatum doctor DATA --mend TO');
  const found = await examine(resolve(data));
  for (const { state, says } of found) console.log(`${marks[state]} ${says}`);
  const isWell = found.every(({ state }) => state !== 'wrong');
  if (values.mend !== undefined) {
    const to = resolve(values.mend);
    for (const said of await mend(resolve(data), to)) console.log(`· ${said}`);
    console.log(`A mended copy is in ${to}. Nothing in ${resolve(data)} was changed.`);
    return 0;
  }
  console.log(
    isWell ? 'All is well.' : 'Make a mended copy with --mend TO; nothing is changed in the folder itself.',
  );
  return isWell ? 0 : 1;
}

try {
  process.exitCode = await doctor(process.argv.slice(2));
} catch (error) {
  console.error(messageOf(error));
  process.exitCode = 2;
}
