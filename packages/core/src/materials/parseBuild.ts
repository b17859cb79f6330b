import { capitalised } from '../model/capitalised';
import { withoutOldDangling } from '../model/references';
import { materialsOf } from './ownMaterials';
import type { ZodError } from 'zod';
import type { Fault, Result } from '../model/fault';
import { findReferenceFaults } from '../model/referenceFaults';
import { BUILD_FORMAT, buildSchema, type Build } from '../model/schema';
import { isRecord, messageOf } from '../model/unknowns';

/** Zod's issues as faults; `prefix` is put before each path. */
export function faultsOfZod(error: ZodError, prefix: (string | number)[] = []): Fault[] {
  return error.issues.map((issue) => ({
    code: 'bad-value',
    path: [...prefix, ...issue.path.map((key) => (typeof key === 'number' ? key : String(key)))],
    message: sentence(issue.message),
  }));
}

function sentence(text: string): string {
  const plain = text
    .replace(/^Invalid input: expected (\w+), received undefined$/, 'Missing; a $1 belongs here')
    .replace(/^Invalid input: expected number, received (NaN|null|string)$/, 'A number belongs here');
  return `${capitalised(plain)}${/[.!?]$/.test(plain) ? '' : '.'}`;
}

/**
 * Checks a build that is already plain data: its shape, then every id, date and link in it. The whole build is
 * taken or refused; all faults of the first failing kind are reported at once.
 */
export const parseBuild = (data: unknown): Result<Build> => parseShaped(data, (build) => build);

/**
 * As `parseBuild`, for what was saved before: what earlier versions left behind when they deleted something is taken off first,
 * so that old files open for ever.
 */
export const openBuild = (data: unknown): Result<Build> => parseShaped(data, withoutOldDangling);

function parseShaped(data: unknown, mend: (build: Build) => Build): Result<Build> {
  if (!isRecord(data)) {
    return {
      ok: false,
      faults: [
        {
          code: 'not-a-build',
          path: [],
          message: 'This is not a build file: an object with a name and pieces belongs at the top.',
        },
      ],
    };
  }
  const { format } = data;
  if (format !== BUILD_FORMAT) {
    return {
      ok: false,
      faults: [
        {
          code: 'format',
          path: ['format'],
          message: `The format here is ${format === undefined ? 'missing' : JSON.stringify(format)}; this program reads "${BUILD_FORMAT}".`,
        },
      ],
    };
  }
  const parsed = buildSchema.safeParse(data);
  if (!parsed.success) return { ok: false, faults: faultsOfZod(parsed.error) };
  const build = mend(parsed.data);
  const faults = findReferenceFaults(build, materialsOf);
  return faults.length > 0 ? { ok: false, faults } : { ok: true, value: build };
}

/** As `openBuild`, from the text of a file. Broken JSON is a fault at the top of the file. */
export function parseBuildText(text: string): Result<Build> {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (error) {
    return {
      ok: false,
      faults: [
        {
          code: 'broken-json',
          path: [],
          message: `The file is not whole JSON: ${messageOf(error)}.`,
        },
      ],
    };
  }
  return openBuild(data);
}
