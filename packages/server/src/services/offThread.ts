import type { Fault } from '@fixatum/core';
import { stat } from 'node:fs/promises';
import { Piscina } from 'piscina';
import { Problem, type ProblemCode } from '../http/problem';
import { BadBackup } from './badBackup';
import { patienceFor, type FileWork } from './fileWork';

/** What a thread says of its work. */
export type Said =
  | { ok: true; value: unknown }
  | { ok: false; why: 'bad-backup'; message: string }
  | { ok: false; why: 'problem'; code: ProblemCode; message: string; faults: Fault[] };

/** No file that may come in needs more, MB. */
const MOST_MEMORY_MB = 1536;

const sizeOf = (path: string): Promise<number> =>
  stat(path).then(
    ({ size }) => size,
    () => 0,
  );

/**
 * The work on files on a thread of its own, so that the server answers meanwhile. It ends when it takes longer than any file of that size needs.
 * @param worker the file that the thread runs
 * @param patienceMs how long work on a file of so many bytes may take
 */
export function offThread(worker: string, patienceMs = patienceFor): FileWork {
  // One at a time: two large files at once would want the memory of two.
  const pool = new Piscina({
    filename: worker,
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: 10_000,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
  });
  async function run<K extends keyof FileWork>(
    name: K,
    file: string,
    ...args: Parameters<FileWork[K]>
  ): Promise<Awaited<ReturnType<FileWork[K]>>> {
    const signal = AbortSignal.timeout(patienceMs(await sizeOf(file)));
    let said: Said;
    try {
      said = (await pool.run({ name, args }, { signal })) as Said;
    } catch (error) {
      if (signal.aborted) throw new BadBackup('Reading that file took too long, so it was given up.');
      if (error instanceof Error && 'code' in error && error.code === 'ERR_WORKER_OUT_OF_MEMORY')
        throw new BadBackup('There is more in that file than this computer can read.');
      throw error;
    }
    if (said.ok) return said.value as Awaited<ReturnType<FileWork[K]>>;
    throw said.why === 'bad-backup'
      ? new BadBackup(said.message)
      : new Problem(said.code, said.message, said.faults);
  }
  return {
    lookInto: (zip, folder) => run('lookInto', zip, zip, folder),
    prepare: (from, into, origin) => run('prepare', `${from}/fixatum.sqlite`, from, into, origin),
  };
}
