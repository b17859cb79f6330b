import { execFile } from 'node:child_process';
import { access, readFile } from 'node:fs/promises';
import { fileURLToPath } from 'node:url';
import { run, type Doctor } from './run';

const PROGRAM = fileURLToPath(new URL('../../server/dist/doctor.mjs', import.meta.url));

/** The server's program that examines data folders, which is built beside this one. */
const doctor: Doctor = async (args) => {
  const isThere = await access(PROGRAM).then(
    () => true,
    () => false,
  );
  if (!isThere) return { status: 2, out: '', err: 'The server is not built yet: npm run build\n' };
  return new Promise((done) => {
    const child = execFile(process.execPath, [PROGRAM, ...args], (_error, out, err) => {
      const { exitCode } = child;
      done({ status: exitCode === 0 || exitCode === 1 ? exitCode : 2, out, err });
    });
  });
};

const result = await run(process.argv.slice(2), (path) => readFile(path, 'utf8'), doctor);
process.stdout.write(result.out);
process.stderr.write(result.err);
process.exitCode = result.status;
