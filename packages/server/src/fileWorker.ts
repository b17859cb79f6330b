// What runs on the other thread: reading, checking and rebuilding files that came in.
import { Problem } from './http/problem';
import { BadBackup } from './services/badBackup';
import { fileWork, type FileWork } from './services/fileWork';
import type { Said } from './services/offThread';

/** One piece of work; what goes wrong is said in a form that another thread understands. */
export default async function work<K extends keyof FileWork>({
  name,
  args,
}: {
  name: K;
  args: Parameters<FileWork[K]>;
}): Promise<Said> {
  try {
    const done = fileWork[name] as (...all: unknown[]) => Promise<unknown>;
    return { ok: true, value: await done(...args) };
  } catch (error) {
    if (error instanceof BadBackup) return { ok: false, why: 'bad-backup', message: error.message };
    if (error instanceof Problem)
      return { ok: false, why: 'problem', code: error.code, message: error.message, faults: error.faults };
    throw error;
  }
}
