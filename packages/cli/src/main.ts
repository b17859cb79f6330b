import { readFile } from 'node:fs/promises';
import { run } from './run';

const result = await run(process.argv.slice(2), (path) => readFile(path, 'utf8'));
process.stdout.write(result.out);
process.stderr.write(result.err);
process.exitCode = result.status;
