import { isRecord } from '@fixatum/core';

/** Why nothing can be written: what is wrong, and what there is to do, for a press and for whoever starts the program. */
export interface StorageTrouble {
  code: 'disk-full' | 'read-only' | 'damaged' | 'busy';
  /** The beginning of a sentence. */
  what: string;
  then: string;
  atStart: string;
}

/** What SQLite or the system says when nothing can be written, and what that means. */
const troubles: readonly [said: RegExp, trouble: StorageTrouble][] = [
  [
    /^(SQLITE_FULL|ENOSPC|EDQUOT)$/,
    {
      code: 'disk-full',
      what: 'The disk with the data is full',
      then: 'What was saved before is safe. Make room on it first.',
      atStart: 'What was saved before is safe. Make room on it, then start again.',
    },
  ],
  [
    /^(SQLITE_READONLY|EROFS|EACCES|EPERM|SQLITE_CANTOPEN)$/,
    {
      code: 'read-only',
      what: 'The folder with the data can’t be written to',
      then: 'What was saved before can be read.',
      atStart: 'Let this user write to it, or name another folder with FIXATUM_DATA.',
    },
  ],
  [
    /^(SQLITE_CORRUPT|SQLITE_NOTADB)$/,
    {
      code: 'damaged',
      what: 'The file with the data is damaged',
      then: 'Workshop, “Backups”, has the way back to the newest whole copy.',
      atStart: '`npm run restore -- newest` puts the newest whole copy back.',
    },
  ],
  [
    /^(SQLITE_IOERR|EIO)$/,
    {
      code: 'damaged',
      what: 'The disk could not be read or written',
      then: 'Look at the disk before you go on.',
      atStart: 'Look at the disk, and at whether it is full.',
    },
  ],
  [
    /^(SQLITE_BUSY|SQLITE_LOCKED)$/,
    {
      code: 'busy',
      what: 'Another program holds the file with the data',
      then: 'Try again in a moment.',
      atStart: 'Close that one, then start again.',
    },
  ],
];

/** What is wrong with where the data lies, from whatever was thrown; undefined where it is something else. */
export function storageTrouble(error: unknown): StorageTrouble | undefined {
  const { code, parent } = isRecord(error) ? error : {};
  const said = isRecord(parent) ? parent.code : code;
  return typeof said === 'string' ? troubles.find(([pattern]) => pattern.test(said))?.[1] : undefined;
}

/** The same for whoever starts the program. @param dataFolder where the data lies */
export function troubleAtStart(error: unknown, dataFolder: string): string | undefined {
  const trouble = storageTrouble(error);
  return trouble && `${trouble.what}: ${dataFolder}. ${trouble.atStart}`;
}
